"""Two colors, the matrix, what may stand on a ground, viewing conditions: against a second computation each."""

import math

import numpy as np
import pytest
from coloraide import Color as LibraryColor
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import lightness
from heimat.core.document.conditions import Quantities
from heimat.core.errors import DomainError
from heimat.core.filling.missing_pairings import missing_pairings
from heimat.core.legibility.contrast_left import contrast_left, lens, needed, under, white_needed
from heimat.core.legibility.matrix import declared, hundredths, ratios, side
from heimat.core.legibility.pair import moved, read_pair
from heimat.core.legibility.standing_field import best_possible, fields, grounds_allowing
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

RESOLVED = resolve(brinemark())
DAY = RESOLVED.theme("day")
LEVELS = st.tuples(st.integers(0, 255), st.integers(0, 255), st.integers(0, 255))


@given(LEVELS, LEVELS)
def test_an_interval_says_exactly_from_where_a_level_is_reached(one, other):
    found = read_pair(Color.of_bytes(one), Color.of_bytes(other))
    against = float(relative_luminance(np.array(other)))
    for interval in found.one.passes:
        for light in np.linspace(0.0, 100.0, 41).tolist():
            luminance = ((light + 16.0) / 116.0) ** 3 if light > 8.0 else light / (24389.0 / 27.0)
            reached = (max(luminance, against) + 0.05) / (min(luminance, against) + 0.05)
            inside = (interval.dark is not None and light <= interval.dark - 1e-6) or (
                interval.light is not None and light >= interval.light + 1e-6
            )
            assert not inside or reached >= interval.level - 1e-6
            assert inside or reached < interval.level + 1e-3
        assert (interval.room >= 0.0) == (found.ratio >= interval.level) or abs(
            interval.room
        ) < 1e-6


def test_a_pair_of_translucent_colors_asks_for_a_ground_and_one_is_composited():
    with pytest.raises(DomainError, match="Both are translucent"):
        read_pair(parse("#00000080"), parse("#FFFFFF80"))
    half = read_pair(parse("#00000080"), parse("#FFFFFF"))
    assert half.ratio < float(ratio(np.array([127, 127, 127]), np.array([255, 255, 255]))) + 0.1
    assert half.one.rgb8.tolist() == [127, 127, 127]


def test_a_color_that_is_moved_keeps_its_hue_through_white_and_black():
    white = moved(parse("#0B6E6E"), 100.0, 0.08, 195.0)
    assert rgb8_of(white).tolist() == [255, 255, 255]
    back = moved(white, 41.8, 0.081, 194.8)
    assert np.abs(rgb8_of(back).astype(int) - [11, 110, 110]).max() <= 1


def test_the_matrix_meets_in_a_staircase_and_its_figures_are_cut():
    rows, columns = (side(RESOLVED, DAY, each, "luminance") for each in ("steps", "grounds"))
    found = ratios(rows.rgb8, columns.rgb8)
    for row in (0, 7, len(rows.keys) - 1):
        one, other = (
            LibraryColor("srgb", each / 255.0) for each in (rows.rgb8[row], columns.rgb8[0])
        )
        # The library takes the luminance of XYZ, we the four decimals that the standard prints.
        assert found[row, 0] == pytest.approx(one.contrast(other, method="wcag21"), rel=1e-3)
    # Along a column the ratio falls to 1 and rises again: what passes is the two ends.
    falling = np.diff(found, axis=0)
    turns = (np.diff(np.sign(falling[np.abs(falling[:, 0]) > 1e-12, 0])) != 0).sum()
    assert turns <= 1
    cut = hundredths(np.array([4.499, 4.5, 4.509999, 21.0, 1.0]))
    assert cut.tolist() == [449, 450, 450, 2100, 100]
    lights = relative_luminance(rows.rgb8)
    assert (np.diff(lights) <= 0).all()
    own = declared(DAY, side(RESOLVED, DAY, "texts", "own").keys, columns.keys)
    assert len(own) == len(
        {(each.pairing.foreground, each.pairing.ground) for each in DAY.pairings}
    )


@given(LEVELS, st.sampled_from([3.0, 4.5, 7.0]))
def test_every_color_of_a_field_passes_on_its_ground(ground, level):
    rgb8 = np.array(ground, dtype=np.uint8)
    found = fields(rgb8, level)
    for each in found:
        assert (ratio(each.rgb8, rgb8) >= level).all()
        assert (
            lightness(relative_luminance(each.rgb8)) >= each.limit - 1e-6
        ).all() == each.lighter or not each.lighter
    assert bool(found) == (best_possible(rgb8) >= level)
    if not found:
        dark, light = grounds_allowing(level)
        own = float(lightness(relative_luminance(rgb8)))
        assert dark < own < light


def test_the_usual_condition_is_the_standards_own_formula():
    held = under(DAY, Quantities())
    assert len(held) > 50
    for each in held:
        ends = (DAY.tokens[token].rgb8 for token in (each.pairing.foreground, each.pairing.ground))
        assert each.left == pytest.approx(float(ratio(*ends)), rel=1e-9)
        assert each.holds == each.holds_usually
    assert needed(4.5, Quantities(acuity=1.0)) == pytest.approx(3.0)
    assert needed(4.5, Quantities(contrast_loss=0.3)) == pytest.approx(4.5 * 10**0.3)


def test_light_on_a_display_takes_contrast_and_its_brightness_gives_it_back():
    sun = Quantities(white=1000.0, reflectance=0.02, lux=60000.0)
    one, other = np.array([11, 110, 110], dtype=np.uint8), np.array([255, 255, 255], dtype=np.uint8)
    veil = 60000.0 * 0.02 / math.pi + 4.0
    own = float(relative_luminance(one))
    assert float(contrast_left(one, other, sun)) == pytest.approx(
        (1000 + veil) / (own * 1000 + veil)
    )
    lost = [each for each in under(DAY, sun) if not each.holds]
    assert lost
    for each in lost:
        white = white_needed(sun, DAY, each.pairing, each.level)
        ends = [DAY.tokens[token].rgb8 for token in (each.pairing.foreground, each.pairing.ground)]
        if white is None:
            brightest = sun.model_copy(update={"white": 20000.0})
            assert float(contrast_left(*ends, brightest)) < each.needed
        else:
            brighter = sun.model_copy(update={"white": white * 1.0001})
            assert float(contrast_left(*ends, brighter)) >= each.needed
            assert (
                float(contrast_left(*ends, sun.model_copy(update={"white": white * 0.99})))
                < each.needed
            )


def test_an_older_lens_takes_blue_first_and_paper_ends_at_its_ink():
    red, green, blue = lens(75.0)
    assert 1.0 > red > green > blue > 0.3
    assert lens(32.0).tolist() == [1.0, 1.0, 1.0]
    printed = Quantities(medium="paper", paper=0.6, ink=0.1, lux=500.0, veil=0.0)
    black, white = np.zeros(3, dtype=np.uint8), np.full(3, 255, dtype=np.uint8)
    assert float(contrast_left(black, white, printed)) == pytest.approx(6.0)


def test_what_the_tokens_call_for_is_proposed_once_taken_away():
    system = RESOLVED.system
    assert missing_pairings(system) == []
    without = {key: each for key, each in system.pairings.items() if each.ground != "surface-page"}
    missing = missing_pairings(system.model_copy(update={"pairings": without}))
    assert {(each.foreground, each.ground, each.use) for each in missing} == {
        (each.foreground, each.ground, each.use)
        for each in system.pairings.values()
        if each.ground == "surface-page"
    }
