"""Harmony, even sets and mixing, with general libraries as a second opinion."""

import colorsys
import re

import numpy as np
import pytest
from coloraide.everything import ColorAll
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.angles import turn_between
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.document.hues import DerivedSource, GivenSource, Hue, QuantityChange
from heimat.core.hues.derivation import derive
from heimat.core.hues.source import resolve_source
from heimat.core.resolve.resolved import resolve
from heimat.core.sources import even
from heimat.core.sources.circles import on_circle
from heimat.core.sources.harmony import (
    RELATIONS,
    common_partners,
    likenesses,
    monochromatic,
    partner_angles,
)
from heimat.core.sources.mixing import mixed
from heimat.demo.demo_systems import brinemark
from heimat.view.eyes import Eyes
from heimat.view.sources.harmony_view import harmony_view
from tests.examples import examples

LEVELS = st.tuples(*[st.integers(0, 255)] * 3)
# The general library's names, and its spread where it has one of its own.
THEIRS = {
    "complementary": "complement",
    "split complementary": "split",
    "triadic": "triad",
    "square": "square",
    "rectangle": "rectangle",
    "analogous": "analogous",
}


@pytest.mark.parametrize("relation", THEIRS)
def test_relations_are_the_conventional_ones(relation):
    """Angles as the general library has them; its rectangle begins with its short side on the other side."""
    source = ColorAll("oklch", [0.6, 0.08, 100.0])
    theirs = sorted(
        round(color.convert("oklch")["hue"] - 100.0) % 360
        for color in source.harmony(THEIRS[relation], space="oklch")
    )
    spread = {"split complementary": 30.0, "analogous": 30.0, "triadic": 60.0}.get(relation)
    if relation == "rectangle":
        spread = min(angle for angle in theirs if angle > 0)
    ours = sorted(round(angle) % 360 for angle in (0.0, *partner_angles(relation, spread)))
    assert ours == theirs


@examples(60)
@given(LEVELS, st.floats(0, 360))
def test_hsl_turns_as_the_standard_library_does(levels, turn):
    source = on_circle(Color.of_bytes(levels), "hsl")
    hue, light, saturation = colorsys.rgb_to_hls(*(level / 255 for level in levels))
    theirs = colorsys.hls_to_rgb((hue + turn / 360.0) % 1.0, light, saturation)
    # Both round a float to 8 bits; at exactly half a level they may part by one.
    assert (
        np.abs(source.at(source.angle + turn).astype(int) - np.rint(np.array(theirs) * 255.0)).max()
        <= 1
    )
    assert source.lost(source.angle + turn) == 0.0


@examples(60)
@given(LEVELS, st.floats(0, 360))
def test_oklch_turns_keep_lightness_and_hue_and_tell_what_is_lost(levels, turn):
    color = Color.of_bytes(levels)
    source = on_circle(color, "oklch")
    partner = Color.of_bytes(source.at(source.angle + turn))
    light = float(lightness(relative_luminance(np.array(levels))))
    assert on_circle(partner, "oklch").light == pytest.approx(light, abs=0.7)
    _, chroma, angle = (float(part) for part in oklch_of(partner))
    if chroma > 0.03 and light > 10.0:
        assert abs(turn_between(angle, source.angle + turn)) < 3.0
    assert chroma == pytest.approx(
        source.strength - float(source.lost(source.angle + turn)), abs=0.02
    )


def test_monochromatic_steps_are_evenly_lighter_and_darker():
    source = on_circle(parse("#0B6E6E"), "oklch")
    steps = monochromatic(source, 10.0)
    assert [step for step, _ in steps] == [20.0, 10.0, -10.0, -20.0]
    for step, color in steps:
        assert on_circle(color, "oklch").light == pytest.approx(source.light + step, abs=0.5)
    # What would fall out of the range of lightness is left out.
    assert [step for step, _ in monochromatic(on_circle(parse("#EEEEEE"), "oklch"), 10.0)] == [
        -10.0,
        -20.0,
    ]


def test_nearly_standing_in_a_relation():
    found = {likeness.relation: likeness for likeness in likenesses([10.0, 130.0, 256.0])}
    assert found["triadic"].miss == pytest.approx(3.0)
    assert found["triadic"].missing == ()
    first = likenesses([20.0, 202.0])[0]
    assert (first.relation, round(first.miss, 3)) == ("complementary", 1.0)
    square = next(each for each in likenesses([0.0, 90.0]) if each.relation == "square")
    assert sorted(round(angle) for angle in square.missing) == [180, 270]
    assert likenesses([1.0]) == []
    assert likenesses([0.0, 10.0, 20.0, 30.0, 40.0]) == []


@examples(60)
@given(
    st.sampled_from([each for each in RELATIONS if partner_angles(each)]),
    st.floats(0, 360),
    st.randoms(),
)
def test_what_stands_in_a_relation_is_found_exactly(relation, turn, random):
    members = [(turn + angle) % 360.0 for angle in (0.0, *partner_angles(relation))]
    random.shuffle(members)
    found = {likeness.relation: likeness for likeness in likenesses(members)}
    assert found[relation].miss == pytest.approx(0.0, abs=1e-6)


def test_partners_common_to_two():
    partners = common_partners(40.0, 100.0)
    assert [(round(angle), words) for angle, words in partners[:2]] == [
        (70, "between both"),
        (250, "opposite to both"),
    ]
    for angle, words in partners[2:]:
        one, other = abs(turn_between(angle, 40.0)), abs(turn_between(angle, 100.0))
        assert f"{one:.0f}° from one" in words
        assert min(abs(other - each) for each in (30, 60, 90, 120, 150, 180)) <= 4.0


@settings(max_examples=30)
@given(st.floats(20, 90), st.floats(0.02, 0.2), st.floats(0, 360), st.integers(2, 24))
def test_an_even_set_is_even_up_to_what_all_can_have(light, chroma, start, count):
    angles = even.even_angles(start, count)
    assert np.allclose(np.diff(np.sort(angles)), 360.0 / count)
    common = even.common_chroma(light, angles)
    colors = even.equal_in_oklch(light, min(chroma, common), angles)
    measured = even.unevenness(colors)
    assert measured.lightness[1] - measured.lightness[0] < 0.7
    assert measured.chroma[1] - measured.chroma[0] < 0.013
    # The common chroma is the highest: some hue holds hardly more.
    assert even.chroma_limits(light, angles).min() == pytest.approx(common)


def test_equal_values_look_unequal_and_are_corrected():
    yellow_and_blue = even.equal_values("hsl", 1.0, 0.5, np.array([60.0, 240.0]))
    assert yellow_and_blue.tolist() == [[255, 255, 0], [0, 0, 255]]
    colors = even.equal_values("hsb", 0.8, 0.9, even.even_angles(10.0, 7))
    assert even.unevenness(colors).lightness[1] - even.unevenness(colors).lightness[0] > 30.0
    corrected = even.unevenness(even.evened(colors))
    assert corrected.lightness[1] - corrected.lightness[0] < 0.7
    assert corrected.chroma[1] - corrected.chroma[0] < 0.012


_SPACES = {"oklab": "oklab", "linear": "srgb-linear", "srgb": "srgb", "oklch": "oklch"}


@examples(80)
@given(LEVELS, LEVELS, st.integers(1, 9), st.sampled_from(sorted(_SPACES)))
def test_mixing_agrees_with_the_general_library(one, other, count, space):
    ours = mixed(np.array(one), np.array(other), count, space).astype(int)
    assert ours.shape == (count, 3)
    start, end = (ColorAll("srgb", [level / 255 for level in levels]) for levels in (one, other))
    line = ColorAll.interpolate([start, end], space=_SPACES[space], hue="shorter")
    for place, color in enumerate(ours):
        theirs = (
            np.array(line((place + 1) / (count + 1)).convert("srgb").coords(nans=False)) * 255.0
        )
        if space == "oklch" and not ((theirs > -1e-6) & (theirs < 255.0 + 1e-6)).all():
            # Out of the gamut each library maps in its own way; ours keeps the luminance of the color that was meant.
            continue
        if space == "oklch" and min(srgb_to_oklch(np.array([one, other]) / 255.0)[:, 1]) < 4e-4:
            # Where a hue becomes powerless is set differently; beyond that border the two agree.
            continue
        # Half a level may be rounded either way.
        assert np.abs(color - np.clip(theirs, 0.0, 255.0)).max() <= 0.51


def test_mixing_with_gray_takes_the_other_hue_and_stays_in_the_gamut():
    hues = srgb_to_oklch(
        mixed(np.array([119, 119, 119]), np.array([11, 110, 110]), 3, "oklch") / 255.0
    )[:, 2]
    assert np.abs(hues - 194.8).max() < 3.0
    between = mixed(np.array([0, 0, 255]), np.array([255, 255, 0]), 9, "oklch")
    assert between.min() >= 0
    assert between.max() <= 255


SHOWN = resolve(brinemark())
ANY_SOURCE = st.one_of(
    LEVELS.map(Color.of_bytes),
    # Hardly colored, and as saturated as can be.
    st.tuples(st.integers(1, 254), *[st.integers(-1, 1)] * 2).map(
        lambda at: Color.of_bytes([at[0], at[0] + at[1], at[0] + at[2]])
    ),
    st.tuples(st.sampled_from([0, 255]), *[st.integers(0, 255)] * 2).map(Color.of_bytes),
    st.builds(
        lambda light, chroma, angle: parse(f"oklch({light:.3f} {chroma:.3f} {angle:.2f})"),
        st.floats(0.2, 0.95),
        st.floats(0.0, 0.25),
        st.floats(0.0, 360.0),
    ),
)


@examples(500)
@given(ANY_SOURCE, st.sampled_from(["hsl", "oklch"]), st.floats(-180.0, 180.0))
def test_a_partner_that_is_kept_is_the_partner_that_was_shown(color, circle, offset):
    """To the level, whether its source was typed in 8 bits or in OKLCH: what follows is turned as what was shown."""
    parent = resolve_source(
        SHOWN.system,
        Hue(id="x", order="i", name="x", kind="brand", source=GivenSource(color=color)),
    )
    shown = harmony_view(
        [parent.color], [parent.aim[2]], "free", circle, None, [offset], "hex", Eyes("typical", 1.0)
    )["partners"][0]
    turned = QuantityChange(how="shifted", by=shown["offset"])
    kept = derive(parent, DerivedSource(hue="x", circle=circle, turn=turned))
    assert hex_of(rgb8_of(kept.color)) == shown["hex"]


def test_a_partner_that_two_have_in_common_stands_where_its_words_say():
    for one, other in ((0.0, 30.0), (10.0, 100.0), (200.0, 350.0), (330.0, 15.0)):
        for angle, words in common_partners(one, other)[2:]:
            said = [float(each) for each in re.findall(r"(\d+)°", words)]
            found = [abs(turn_between(angle, hue)) for hue in (one, other)]
            assert found == pytest.approx(said, abs=4.0)
