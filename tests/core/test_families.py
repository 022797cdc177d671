"""Basic color terms, and palettes that spread over them: against Munsell's own data, and over random brands."""

import warnings

import numpy as np
import pytest
from hypothesis import event, given, settings
from hypothesis import strategies as st

from heimat.core.charts.bounds import GRAPHIC, OLIVES, Bounds
from heimat.core.charts.categorical import Wish, for_ground, generate
from heimat.core.charts.character import Character, prices
from heimat.core.charts.families import LIKE_HUE, SIXTH, Families, Kinds
from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.naming import spoken_name
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklch
from heimat.core.color.terms import ENDS
from heimat.core.errors import DomainError

with warnings.catch_warnings():
    warnings.simplefilter("ignore")
    import colour

WHITE, DARK = (255, 255, 255), (11, 18, 18)
BORDERS = ("10RP", "10R", "10YR", "10Y", "10G", "10BG", "9PB", "10P")


@pytest.mark.parametrize(("border", "end"), list(zip(BORDERS, ENDS, strict=False)))
def test_terms_end_where_munsell_has_their_borders(border, end):
    """By the renotation, at value 5 and chroma 8, seen under D65; the terms stand in whole degrees."""
    number, name = border.rstrip("BGPRY"), border.lstrip("0123456789")
    whites = colour.CCS_ILLUMINANTS["CIE 1931 2 Degree Standard Observer"]
    xyz = colour.xyY_to_XYZ(colour.munsell_colour_to_xyY(f"{number}.0{name} 5/8"))
    ends = [colour.xy_to_XYZ(whites[white]) for white in ("C", "D65")]
    seen = colour.adaptation.chromatic_adaptation_VonKries(xyz, *ends, transform="Bradford")
    _, red, yellow = colour.XYZ_to_Oklab(seen)
    assert np.degrees(np.arctan2(yellow, red)) % 360.0 == pytest.approx(end[0], abs=1.5)


@pytest.mark.parametrize(
    ("text", "name"),
    [
        ("#1F4E79", "dark blue"),
        ("#0000FF", "blue"),
        ("#00A878", "green"),
        ("#0B8F8F", "teal"),
        ("#7B3B00", "dark brown"),
        ("#6B6B00", "olive"),
        ("#F4A6C0", "light pink"),
        ("#8A9BA8", "grayish blue"),
        ("#3A3A3A", "dark gray"),
    ],
)
def test_names_that_can_be_said(text, name):
    assert spoken_name(parse(text)) == name


def broken(rgb8, held, *, by_shade):
    """What is wrong with a set (n, 3), by hand: one color against each other, one sixth after the other."""
    kinds = Kinds.of(rgb8)
    found, count = [], len(rgb8)
    for one in range(held, count):
        alike = [
            other
            for other in range(count)
            if other != one
            and (
                kinds.term[one] == kinds.term[other]
                or abs((kinds.hue[one] - kinds.hue[other] + 180.0) % 360.0 - 180.0) < LIKE_HUE
            )
        ]
        if by_shade:
            found += [each for each in alike if kinds.shade[each] == kinds.shade[one]]
            found += alike[1:]
        else:
            found += alike
    for start in kinds.hue[held:]:
        if sum((hue - start) % 360.0 <= SIXTH for hue in kinds.hue) > max(2, count // 3):
            found.append(start)
    return found


@settings(max_examples=16)
@given(
    st.sampled_from([4, 6, 8, 10]),
    st.sampled_from([WHITE, DARK]),
    st.tuples(*[st.integers(0, 255)] * 3),
    st.tuples(*[st.integers(0, 255)] * 3),
)
def test_colors_spread_over_the_families_or_say_what_gave_way(count, ground, brand, status):
    bounds = Character.of(np.array([brand], dtype=np.uint8)).bounds(ground, GRAPHIC, 0.0, (status,))
    try:
        made = generate(Wish(count, bounds, (brand,), spread=True))
    except DomainError as error:
        event(error.code)
        return
    event(str(made.families))
    lch = srgb_to_oklch(from_bytes(made.rgb8[1:]))
    for low, high, below in OLIVES:
        assert not ((lch[:, 2] > low) & (lch[:, 2] < high) & (lch[:, 0] < below)).any()
    labs = srgb_to_lab(from_bytes(made.rgb8[1:]))
    assert ciede2000(labs, srgb_to_lab(from_bytes(np.array(status)))).min() >= TOLD_APART
    assert lch[:, 0].min() >= 0.4
    if made.families is not None:
        assert made.families.spread(made.rgb8, 1)
        assert not broken(made.rgb8, 1, by_shade=count > 6 or made.families.by_shade)


def test_bounds_too_narrow_for_the_families_give_way_one_after_the_other():
    """Reds alone have too few terms for six; and where not even three fit, distance decides alone."""
    narrow = Bounds(WHITE, lightness=(0.45, 0.66), chroma=(0.2, 0.4), olive=False)
    made = generate(Wish(6, narrow, spread=True))
    assert made.families in (Families(6, by_shade=True), None)
    assert bool(narrow.holds(made.rgb8).all())


def test_spreading_has_its_price_and_is_told():
    tidewater = (11, 110, 110)
    bounds = Character.of(np.array([tidewater], dtype=np.uint8)).bounds(
        WHITE, GRAPHIC, 0.0, ((63, 143, 79),)
    )
    wish = Wish(5, bounds, (tidewater,), spread=True)
    told = {price.name: price.apart for price in prices(wish)}
    assert set(told) == {
        *("contrast", "lightness", "strength"),
        *("families", "statuses", "held colors"),
    }
    free = generate(
        Wish(
            5,
            Bounds(WHITE, bounds.contrast, bounds.lightness, bounds.chroma, taken=bounds.taken),
            (tidewater,),
            rough=True,
        )
    )
    assert told["families"] == free.apart


def test_a_gold_stays_a_gold_on_a_dark_ground():
    """Where hues are kept, olives are left out as well: a dark yellow becomes lighter."""
    from heimat.core.charts.bounds import KeptHues

    made8 = np.array([parse_levels("#B8860B"), parse_levels("#0B6E6E")], dtype=np.uint8)
    hues = tuple(float(hue) for hue in srgb_to_oklch(from_bytes(made8))[:, 2])
    bounds = KeptHues(DARK, GRAPHIC, lightness=(0.5, 0.85), olive=False, hues=hues)
    found = for_ground(made8, bounds)
    assert bool(bounds.holds(found.rgb8).all())


def parse_levels(text):
    return tuple(bytes.fromhex(text.removeprefix("#")))
