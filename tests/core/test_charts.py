"""Palettes for data, the arithmetic: distances, searches, ramps, arms, classes, what a set suits."""

import colour
import numpy as np
import pytest
from hypothesis import event, given, settings
from hypothesis import strategies as st

from heimat.core.charts.apart import all_apart, apart, nearest_pair, seen8
from heimat.core.charts.bounds import Bounds, KeptHues
from heimat.core.charts.categorical import Wish, for_ground, generate
from heimat.core.charts.character import Character, generate_like, prices
from heimat.core.charts.classes import breaks, breaks_around, counts
from heimat.core.charts.diverging import GOOD_ENDS, LEAST_ENDS, Arms, class_places, partners
from heimat.core.charts.places import around, even_limits
from heimat.core.charts.ramp import UNEVEN, Way, evenly, lights, ramp, spread
from heimat.core.charts.suitability import suitability
from heimat.core.color.arrays import from_bytes, to_bytes
from heimat.core.color.ciede2000 import ciede2000, distances
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import (
    luminance_of,
    srgb_to_lab,
    srgb_to_oklch,
    srgb_to_xyz,
    xyz_to_cam02,
)
from heimat.core.color.vision import COLOR_VISIONS, simulate
from heimat.core.document.palettes import Categorical, PaletteColor
from heimat.core.document.tokens import HueAlias
from heimat.core.errors import DomainError
from tests.examples import examples

WHITE, DARK, TIDEWATER = (255, 255, 255), (11, 18, 18), (11, 110, 110)
LIVELY = {"lightness": (0.45, 1.0), "chroma": (0.06, 0.5)}
colors8 = st.lists(st.tuples(*[st.integers(0, 255)] * 3), min_size=2, max_size=9).map(
    lambda levels: np.array(levels, dtype=np.uint8)
)


def least_by_hand(rgb8):
    """Pair by pair, vision by vision and severity by severity, with the general form of CIEDE2000."""
    tenths = [place / 10.0 for place in range(1, 11)]
    seen = [
        from_bytes(rgb8),
        *(
            simulate(from_bytes(rgb8), vision, tenth)
            for vision in COLOR_VISIONS
            for tenth in tenths
        ),
    ]
    return min(
        float(ciede2000(srgb_to_lab(view[one]), srgb_to_lab(view[other])))
        for view in seen
        for one in range(len(rgb8))
        for other in range(one)
    )


@examples(60)
@given(colors8)
def test_the_form_for_searches_gives_the_same_distances(rgb8):
    least, one, other = nearest_pair(rgb8)
    assert least == pytest.approx(least_by_hand(rgb8), abs=1e-6)
    pair = distances(seen8(rgb8[[one]]), seen8(rgb8[[other]]))
    assert float(pair.min()) == pytest.approx(least, abs=1e-9)


def test_cam02_ucs_agrees_with_a_general_library():
    xyz = srgb_to_xyz(np.random.default_rng(2).uniform(0.0, 1.0, (200, 3)))
    surround = colour.VIEWING_CONDITIONS_CIECAM02["Average"]
    white = srgb_to_xyz(np.ones(3)) * 100.0
    told = colour.XYZ_to_CIECAM02(xyz * 100.0, white, 64.0 / np.pi / 5.0, 20.0, surround)
    theirs = colour.JMh_CIECAM02_to_CAM02UCS(np.stack([told.J, told.M, told.h], axis=-1))
    assert np.abs(xyz_to_cam02(xyz) - theirs).max() < 1e-9


@pytest.mark.parametrize(
    ("count", "ground", "bounds", "held", "best"),
    [
        (6, WHITE, {}, (), 27.1),
        (8, WHITE, {}, (TIDEWATER,), 19.9),
        (10, WHITE, LIVELY, (), 14.1),
        (6, WHITE, LIVELY, (TIDEWATER,), 17.7),
        (8, DARK, LIVELY, (), 21.8),
    ],
)
def test_searches_reach_what_a_minute_of_searching_reached(count, ground, bounds, held, best):
    """At least 95 % of it; the others of the table are printed by the measurements."""
    asked = Wish(count, Bounds(ground, **bounds), held)
    made = generate(asked)
    assert made.apart >= 0.95 * best
    assert made.apart == pytest.approx(least_by_hand(made.rgb8), abs=1e-6)
    assert (made.rgb8[: len(held)] == np.array(held, dtype=np.uint8).reshape(-1, 3)).all()
    assert bool(asked.bounds.holds(made.rgb8[len(held) :]).all())
    # Searched anew, not remembered.
    again = generate.__wrapped__(asked)
    assert (again.rgb8 == made.rgb8).all()


@settings(max_examples=12)
@given(
    st.integers(2, 7),
    st.sampled_from([WHITE, DARK, (245, 240, 225)]),
    st.floats(0.0, 1.0),
    st.lists(st.tuples(*[st.integers(0, 255)] * 3), min_size=1, max_size=3),
)
def test_whatever_is_asked_for_holds(count, ground, reach, brand):
    """Bounds, order, held colors, over random brands: leaning to the brand costs no more than it says."""
    character = Character.of(np.array(brand, dtype=np.uint8))
    held = (brand[0],) if count > 1 else ()
    bounds = character.bounds(ground, 3.0, reach)
    try:
        made = generate_like(character, Wish(count, bounds, held), reach)
    except DomainError as error:
        event(error.code)
        return
    assert tuple(int(each) for each in made.rgb8[0]) == brand[0]
    assert bool(bounds.holds(made.rgb8[1:]).all())
    far = all_apart(seen8(made.rgb8))
    for place in range(2, count):
        room = far[:place].min(axis=0)
        room[:place] = -1.0
        assert room[place] == room.max()
    assert made.apart >= 0.9 * generate(Wish(count, bounds, held)).apart - 1e-9


def test_one_more_leaves_the_others_and_bounds_have_their_price():
    asked = Wish(5, Bounds(WHITE, **LIVELY), (TIDEWATER,))
    made = generate(asked)
    held = tuple(tuple(int(level) for level in color) for color in made.rgb8)
    more = generate(Wish(6, asked.bounds, held))
    assert (more.rgb8[:5] == made.rgb8).all()
    assert len(more.rgb8) == 6
    told = {price.name: price.apart for price in prices(asked)}
    assert set(told) == {"contrast", "lightness", "strength", "held colors"}
    assert max(told.values()) > made.apart


def test_bounds_that_leave_nothing_say_so():
    with pytest.raises(DomainError, match="too few to choose from"):
        generate(Wish(6, Bounds(WHITE, 21.0)))
    with pytest.raises(DomainError, match="2 to 12"):
        generate(Wish(13, Bounds(WHITE)))
    with pytest.raises(DomainError, match="held"):
        generate(Wish(2, Bounds(WHITE), (TIDEWATER, DARK, (200, 20, 20))))


def test_on_another_ground_every_category_keeps_its_hue():
    made = generate(Wish(6, Bounds(WHITE, **LIVELY)))
    hues = tuple(float(hue) for hue in srgb_to_oklch(from_bytes(made.rgb8))[:, 2])
    bounds = KeptHues(DARK, 3.0, hues=hues)
    found = for_ground(made.rgb8, bounds)
    assert bool(bounds.holds(found.rgb8).all())
    assert found.apart >= 15.0


@pytest.mark.parametrize("chroma", [0.05, 0.12, 0.25])
def test_ramps_are_even_and_monotonic_whatever_the_hue(chroma):
    for hue in range(0, 360, 15):
        source = to_bytes(
            solve(luminance_of(np.float64(50.0)), np.float64(chroma), np.float64(hue))
        )
        found = ramp(Way.through(source[None], (96.0, 14.0)))
        assert found.spread <= 0.02
        assert found.worst <= UNEVEN
        assert np.abs(found.rgb8 - found.srgb * 255.0).max() <= 1.0
        assert (np.diff(relative_luminance(found.rgb8)) < 0.0).sum() == found.most - 1


def test_a_ramp_runs_either_way_and_says_how_many_classes_it_has():
    source = np.array([TIDEWATER], dtype=np.uint8)
    there, back = (ramp(Way.through(source, ends), 9) for ends in ((96.0, 14.0), (14.0, 96.0)))
    assert (there.rgb8 == back.rgb8[::-1]).all()
    assert (there.turned().rgb8 == back.rgb8).all()
    assert np.allclose(there.turned().srgb, back.srgb, atol=1e-12)
    short = ramp(Way.through(np.array([[128, 128, 128]], dtype=np.uint8), (50.0, 48.0)))
    assert short.most < 256
    distinct = np.unique(short.rgb8, axis=0)
    assert short.most <= len(distinct)


@pytest.mark.parametrize("hue", [105.0, 135.0, 180.0])
def test_no_more_chroma_gives_way_than_even_steps_take(hue):
    source = to_bytes(solve(luminance_of(np.float64(85.0)), np.float64(0.2), np.float64(hue)))
    way = Way.through(source[None], (96.0, 14.0))
    found = ramp(way, 9)
    shares = np.linspace(1.0, 0.0, 21).tolist()
    uneven = {
        share: max(spread(simulate(evenly(way, 9, share), each)) for each in COLOR_VISIONS)
        for share in shares
    }
    assert uneven[found.share] == found.worst <= UNEVEN
    assert 0.0 < found.share < 1.0
    assert all(worst > UNEVEN for share, worst in uneven.items() if share > found.share)


@pytest.mark.parametrize("middle", [95.0, 20.0])
def test_arms_are_equal_and_partners_stand_apart(middle):
    end = 35.0 if middle > 50.0 else 68.0
    for hue in range(0, 360, 30):
        low8 = to_bytes(solve(luminance_of(np.float64(45.0)), np.float64(0.12), np.float64(hue)))
        best = partners(low8, end)[0]
        assert best.apart >= LEAST_ENDS
        high8 = to_bytes(
            solve(luminance_of(np.float64(end)), np.float64(best.chroma), np.float64(best.hue))
        )
        arms = Arms.between(low8, high8, middle, end)
        for count in (5, 8, 9):
            rgb8 = nearest_bytes(arms.at(class_places(count)))
            light = lights(rgb8)
            assert np.abs(light - light[::-1]).max() <= 1.0
            steps = np.diff(light[: (count + 1) // 2])
            assert (steps > 0.0).all() or (steps < 0.0).all()
    assert GOOD_ENDS > LEAST_ENDS


def test_natural_breaks_are_the_best_of_all_partitions():
    rng = np.random.default_rng(3)
    values = np.round(np.concatenate([rng.normal(mean, 1.0, 6) for mean in (0.0, 9.0, 20.0)]), 1)
    ordered = np.sort(values)

    def within(limits):
        places = np.searchsorted(limits, ordered, side="right")
        return sum(
            ((ordered[places == place] - ordered[places == place].mean()) ** 2).sum()
            for place in set(places)
        )

    found = within(breaks(values, 3, "natural"))
    unique = np.unique(ordered)[1:]
    every = [within([one, other]) for one in unique for other in unique if other > one]
    assert found == pytest.approx(min(every))


def test_classes_hold_every_value_once_and_refuse_what_cannot_be():
    values = np.random.default_rng(5).exponential(3.0, 500)
    for method in ("equal", "quantiles", "natural"):
        limits = breaks(values, 5, method)
        assert limits == sorted(limits)
        assert sum(counts(values, limits)) == 500
    assert max(counts(values, breaks(values, 5, "quantiles"))) <= 101
    assert breaks(values, 3, "typed", (1.0, 2.0)) == [1.0, 2.0]
    assert breaks(values, 3, "typed", (1.0, 1e6)) == [1.0, 1e6]
    for typed, words in (((2.0, 1.0), "rise"), ((1.0, 1.0), "rise")):
        with pytest.raises(DomainError, match=words):
            breaks(values, 3, "typed", typed)
    with pytest.raises(DomainError, match="fewer"):
        breaks(np.array([1.0, 1.0, 2.0]), 3, "equal")
    with pytest.raises(DomainError, match="no values"):
        breaks(np.array([]), 3, "equal")


def test_a_middle_stays_in_the_middle_wherever_the_data_reach():
    values = np.array([-5.0, 0.0, 10.0, 20.0, np.nan])
    same = around(values, -5.0, 0.0, 20.0, same_unit=True)
    assert np.allclose(same[:4], [0.375, 0.5, 0.75, 1.0])
    full = around(values, -5.0, 0.0, 20.0, same_unit=False)
    assert np.allclose(full[:4], [0.0, 0.5, 0.75, 1.0])
    assert np.isnan(full[4])
    assert even_limits(-5.0, 0.0, 20.0, 4, same_unit=True) == [-10.0, 0.0, 10.0]
    assert even_limits(-5.0, 0.0, 20.0, 4, same_unit=False) == [-2.5, 0.0, 10.0]


def test_what_a_set_suits_is_told_with_figures():
    source = np.array([TIDEWATER], dtype=np.uint8)
    ramped = ramp(Way.through(source, (96.0, 14.0)), 7).rgb8
    assert suitability(ramped)[0].kind == "sequential"
    arms = Arms.between(source[0], np.array([223, 90, 51], dtype=np.uint8), 95.0, 35.0)
    assert suitability(nearest_bytes(arms.at(class_places(7))))[0].kind == "diverging"
    apart8 = generate(Wish(5, Bounds(WHITE, **LIVELY))).rgb8
    first = suitability(apart8)[0]
    assert (first.kind, first.suits) == ("categorical", True)
    assert "apart under any vision" in first.why
    assert not any(
        each.suits for each in suitability(np.array([[10, 10, 10], [12, 12, 12]], dtype=np.uint8))
    )
    assert float(ratio(apart8, np.array(WHITE, dtype=np.uint8)).min()) >= 3.0


@pytest.mark.parametrize("method", ["quantiles", "natural"])
@pytest.mark.parametrize("count", [2, 3, 6, 7])
def test_classes_around_a_middle_have_it_in_the_middle(method, count):
    values = np.concatenate([np.linspace(-4.0, 0.0, 40), np.linspace(0.0, 60.0, 300) ** 1.2])
    limits = breaks_around(values, 0.0, count, method)
    assert len(limits) == count - 1
    assert limits == sorted(set(limits))
    below, above = [each for each in limits if each < 0.0], [each for each in limits if each > 0.0]
    assert len(below) == len(above) == (count - 1) // 2
    assert (0.0 in limits) == (count % 2 == 0)
    with pytest.raises(DomainError):
        breaks_around(np.array([-1.0, 2.0, 3.0, 4.0, 5.0]), 0.0, 6, method)


@pytest.mark.parametrize("brand", ["#39FF14", "#FF00C8", "#4055FF", "#FF3B30"])
def test_a_neon_brand_has_series_that_are_told_apart_and_no_neon_beside_it(brand):
    own8 = np.array(parse_hex(brand), dtype=np.uint8)
    character = Character.of(own8[None])
    held = tuple(int(level) for level in own8)
    made = generate_like(
        character, Wish(6, character.bounds((255, 255, 255), 1.0, 0.0), (held,)), 0.0
    )
    assert made.apart >= 10.0
    assert float(srgb_to_oklch(from_bytes(made.rgb8[1:]))[:, 1].max()) <= 0.21


def parse_hex(text):
    return list(bytes.fromhex(text.removeprefix("#")))


def test_what_stands_on_a_limit_is_of_the_class_above_it():
    values = np.array([0.0, 1.0, 1.0, 2.0, 3.0])
    assert counts(values, [1.0, 2.0]) == [1, 2, 2]
    assert counts(values, [0.0, 3.0]) == [0, 4, 1]


def mirrored(lights, low=(0.09, 30.0), high=(0.09, 250.0)):
    """Colors of some L*, the first half of one hue, the second of another; a middle of odd counts is gray."""
    half = len(lights) / 2
    sides = [
        low if place + 0.5 < half else high if place + 0.5 > half else (0.0, 0.0)
        for place in range(len(lights))
    ]
    chroma, hue = np.array(sides).T
    return nearest_bytes(solve(luminance_of(np.array(lights)), chroma, hue))


@pytest.mark.parametrize(
    "lights8",
    [
        (40.0, 80.0, 80.0, 40.0),
        (40.0, 62.0, 85.0, 85.0, 62.0, 40.0),
        (30.0, 50.0, 70.0, 92.0, 90.0, 71.0, 52.0, 33.0),
        (30.0, 60.0, 90.0, 60.0, 30.0),
    ],
)
def test_an_even_number_of_colors_diverges_from_a_limit_as_an_odd_one_from_a_middle(lights8):
    assert suitability(mirrored(lights8))[0].kind == "diverging"
    assert suitability(mirrored(lights8))[0].suits


@pytest.mark.parametrize(
    ("lights8", "words"),
    [
        ((30.0, 60.0, 90.0, 70.0, 55.0), "L*"),
        ((30.0, 50.0, 65.0, 80.0, 90.0, 40.0), "not the middle"),
        ((40.0, 80.0, 80.0, 80.0, 80.0, 40.0), "rise to one middle"),
    ],
)
def test_lopsided_and_flat_colors_do_not_diverge(lights8, words):
    (told,) = [each for each in suitability(mirrored(lights8)) if each.kind == "diverging"]
    assert not told.suits
    assert words in told.why


def test_natural_breaks_of_many_values_stand_at_what_they_stand_for():
    """Many thousands of values are gathered first: each gathering stands for all of its values."""
    rng = np.random.default_rng(6)
    values = np.concatenate(
        [
            rng.uniform(low, low + 10.0, count)
            for low, count in ((0.0, 9000), (60.0, 300), (90.0, 4000))
        ]
    )
    # Many of them more than once.
    first, second = breaks(np.round(values, 2), 3, "natural")
    assert 60.0 <= first < 62.0
    assert 88.0 <= second < 91.0


def test_what_a_set_is_called_fit_for_is_what_a_palette_of_it_is_asked_for():
    """By one threshold: of a set that suits as it is pasted no pair is too close, once it is a palette."""
    asked = Categorical(
        colors=tuple(PaletteColor(id=name, value=HueAlias(hue=name)) for name in ("one", "two"))
    ).asked
    far8 = generate(Wish(4, Bounds(WHITE))).rgb8
    near8 = np.array([[11, 110, 110], [223, 90, 51], [138, 111, 168]], dtype=np.uint8)
    assert 10.0 < nearest_pair(near8)[0] < asked < nearest_pair(far8)[0]
    far, near = (
        next(each for each in suitability(rgb8) if each.kind == "categorical")
        for rgb8 in (far8, near8)
    )
    assert far.suits
    assert not near.suits
    assert f"{asked:g} is asked for" in near.why


def test_where_one_color_is_free_it_is_looked_for_from_many_beginnings():
    """As far as any color inside the bounds gets, of all those of a fine grid."""
    held = tuple(map(tuple, generate(Wish(5, Bounds(WHITE, **LIVELY))).rgb8.tolist()))
    bounds = Bounds(WHITE, **LIVELY)
    made = generate(Wish(6, bounds, held))
    levels = np.arange(0, 256, 15, dtype=np.uint8)
    grid = np.stack(np.meshgrid(levels, levels, levels, indexing="ij"), axis=-1).reshape(-1, 3)
    inside = grid[bounds.holds(grid)]
    others = np.array(held, dtype=np.uint8)
    room = apart(seen8(inside), seen8(others)).min(axis=1).max()
    own = apart(seen8(made.rgb8[5:]), seen8(others)).min()
    assert own >= room - 0.2
