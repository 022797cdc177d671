"""Methods, curves, nudges and pins of scales: what holds for any source, and what general libraries say."""

import colorsys

import numpy as np
import pytest
from coloraide import Color as Css
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.arrays import to_bytes
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.document.hues import DerivedSource
from heimat.core.edits import apply
from heimat.core.edits.scale_edits import SetMethod
from heimat.core.errors import DomainError
from heimat.core.planning.solved_promises import solve_promise
from heimat.core.resolve.resolved import resolve
from heimat.core.scales import READY_MADE, ScaleRequest, generate
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.ladder import LONG, USUAL, Ladder
from heimat.core.scales.measures import measure
from heimat.core.scales.methods import METHODS, Method
from heimat.core.scales.methods.between_ends import BetweenEnds
from heimat.core.scales.methods.contrast_targets import ContrastTargets
from heimat.core.scales.methods.settings import Typed
from heimat.core.scales.methods.white_and_black import WhiteBlack
from heimat.demo.demo_systems import brinemark
from tests.core.strategies import all_corners_and_random, colors, ladders
from tests.examples import examples

TIDEWATER = parse("#0B6E6E")
HUES = {key: hue for key, hue in brinemark().hues.items() if hue.ladder is None}


def one(source=TIDEWATER, ladder=USUAL, **more):
    return generate([ScaleRequest(source, ladder.lightness(), **more)])[0]


def light_of(rgb8):
    return lightness(relative_luminance(rgb8))


def hexes(scale):
    return [hex_of(rgb8) for rgb8 in scale.rgb8]


@examples(300)
@given(colors, ladders, st.sampled_from(METHODS), st.sampled_from(["nearest", "guide"]))
def test_any_method_falls_in_lightness_and_keeps_the_source(source, ladder, name, mode):
    scale = one(source, ladder, anchor=mode, method=Method(name=name))
    assert (np.diff(light_of(scale.rgb8)) < 0.0).all(), hexes(scale)
    if mode == "nearest":
        assert (scale.rgb8[scale.anchor] == rgb8_of(source)).all()
    assert hexes(one(source, ladder, anchor=mode, method=Method(name=name))) == hexes(scale)


@pytest.mark.parametrize(
    ("space", "theirs"), [("srgb", "srgb"), ("linear", "srgb-linear"), ("oklab", "oklab")]
)
def test_white_and_black_mix_to_the_bit(space, theirs):
    shares = {0: 90.0, 1: 65.0, 2: 40.0, 7: -30.0, 8: -72.5}
    scale = one(method=Method(name="mix", mix=WhiteBlack(space=space)), typed=shares)
    for place, share in shares.items():
        mixed = Css("#0B6E6E").mix(
            "white" if share > 0 else "black", abs(share) / 100.0, space=theirs
        )
        expected = to_bytes(np.clip(mixed.convert("srgb").coords(), 0.0, 1.0))
        assert scale.rgb8[place].tolist() == expected.tolist()
    assert hexes(scale)[scale.anchor] == "#0B6E6E"


def test_hsl_lightness_to_the_bit():
    lights = {0: 96.0, 3: 55.0, 8: 7.0}
    scale = one(method=Method(name="hsl"), typed=lights)
    hue, _, saturation = colorsys.rgb_to_hls(*(level / 255.0 for level in (0x0B, 0x6E, 0x6E)))
    for place, light in lights.items():
        expected = to_bytes(np.array(colorsys.hls_to_rgb(hue, light / 100.0, saturation)))
        assert scale.rgb8[place].tolist() == expected.tolist()


def test_no_defaults_are_plain_fifths():
    for ladder in READY_MADE.values():
        shares = one(ladder=ladder, method=Method(name="mix")).figures
        for fifths in (20.0, 25.0):
            assert np.abs(shares % fifths).max() > 2.0
        assert abs(shares).max() < 95.0


@pytest.mark.parametrize("ground", ["#FFFFFF", "#F2F2F2", "#000000", "#101820"])
def test_contrast_targets_are_reached(ground):
    own = ContrastTargets(ground=parse(ground))
    scale = one(anchor="guide", method=Method(name="contrast", contrast=own))
    reached = ratio(scale.rgb8, rgb8_of(parse(ground)))
    # One 8-bit level moves the contrast of the darkest steps by about four percent.
    assert np.abs(reached / scale.figures - 1.0).max() < 0.045
    steps = scale.figures[1:] / scale.figures[:-1]
    assert np.ptp(steps) < 1e-9
    typed = one(anchor="guide", method=Method(name="contrast", contrast=own), typed={4: 5.0})
    assert ratio(typed.rgb8[4], rgb8_of(parse(ground))) == pytest.approx(5.0, rel=0.02)


def test_ratios_out_of_order_on_another_ladder_break_nothing():
    own = ContrastTargets(ground=parse("#FFFFFF"))
    scale = one(
        anchor="nearest", method=Method(name="contrast", contrast=own), typed={2: 12.0, 6: 1.5}
    )
    assert (np.diff(scale.lightness) <= 1e-9).all()
    assert (scale.rgb8[scale.anchor] == rgb8_of(TIDEWATER)).all()


def test_between_two_ends():
    ends = BetweenEnds(light=parse("#FFF4E0"), dark=parse("#20102F"))
    scale = one(method=Method(name="ends", ends=ends))
    assert hexes(scale)[0] == "#FFF4E0"
    assert hexes(scale)[-1] == "#20102F"
    assert hexes(scale)[scale.anchor] == "#0B6E6E"
    half = Css("#FFF4E0").mix("#0B6E6E", 3 / scale.anchor, space="oklab").convert("srgb").clip()
    assert hexes(scale)[3] == half.to_string(hex=True).upper()
    guided = one(anchor="guide", method=Method(name="ends", ends=ends))
    assert "#0B6E6E" not in hexes(guided)


def test_switching_the_method_loses_no_setting():
    method = Method(name="mix", mix=WhiteBlack(space="oklab"))
    away = method.model_copy(update={"name": "hsl"})
    assert hexes(one(method=away)) == hexes(one(method=Method(name="hsl")))
    assert away.model_copy(update={"name": "mix"}) == method


def test_tapers_and_drifts_at_the_ends():
    curves = Curves(light_taper=0.5, dark_taper=1.0, light_drift=20.0, dark_drift=-30.0)
    usual, strong = one(), one(anchor="guide", curves=curves)
    own = srgb_to_oklch(rgb8_of(TIDEWATER) / 255.0)
    assert usual.ends[:2] == (0.25, 2.0 / 3.0)
    assert strong.chroma[0] == pytest.approx(own[1] * 0.5)
    assert strong.chroma[-1] == pytest.approx(own[1])
    assert strong.hue[0] == pytest.approx(own[2] + 20.0)
    assert strong.hue[-1] == pytest.approx(own[2] - 30.0)
    assert hexes(one(curves=curves))[usual.anchor] == "#0B6E6E"
    mixed = one(method=Method(name="mix"))
    assert mixed.ends == (1.0, 1.0, 0.0, 0.0, 0.0)


@examples(100)
@given(
    colors,
    st.integers(0, 8),
    st.tuples(st.floats(-8, 8), st.floats(-0.05, 0.05), st.floats(-40, 40)),
)
def test_a_nudge_moves_its_step_alone(source, place, nudge):
    before = one(source)
    after = one(source, nudges={place: np.array(nudge)})
    others = np.arange(9) != place
    assert (after.rgb8[others] == before.rgb8[others]).all()
    if place == before.anchor:
        assert (after.rgb8[place] == rgb8_of(source)).all()
    else:
        assert after.lightness[place] == pytest.approx(before.lightness[place] + nudge[0])
        assert after.hue[place] == pytest.approx(before.hue[place] + nudge[2])


@examples(150)
@given(colors, st.dictionaries(st.integers(0, 8), colors, min_size=1, max_size=3))
def test_neighbors_pass_through_pins(source, pins):
    pinned = {place: rgb8_of(color) for place, color in pins.items()}
    stay, smooth = one(source, pins=pinned), one(source, pins=pinned, smooth=True)
    for place, rgb8 in pinned.items():
        assert (smooth.rgb8[place] == rgb8).all()
    if smooth.anchor not in pinned:
        assert (smooth.rgb8[smooth.anchor] == rgb8_of(source)).all()
    # Where everything was in order before, it still is.
    if (np.diff(light_of(stay.rgb8)) < 0.0).all():
        assert (np.diff(smooth.lightness) < 0.0).all()


def test_a_pin_that_is_off_draws_its_neighbors_along():
    pinned = {2: np.array([0xC8, 0xC8, 0xB0], dtype=np.uint8)}
    stay, smooth = one(pins=pinned), one(pins=pinned, smooth=True)
    generated = one().lightness[2]
    off = float(light_of(pinned[2])) - generated
    assert smooth.lightness[1] - stay.lightness[1] == pytest.approx(off / 2.0)
    assert smooth.lightness[0] - stay.lightness[0] == pytest.approx(off / 4.0)
    assert smooth.lightness[3] - stay.lightness[3] == pytest.approx(off / 2.0)
    assert (smooth.rgb8[5:] == stay.rgb8[5:]).all()


@examples(150)
@given(
    colors,
    st.sampled_from(METHODS),
    st.sampled_from(["nearest", "guide"]),
    st.integers(0, 7),
    st.floats(0.1, 0.9),
)
def test_a_step_put_between_two_moves_no_other(source, name, mode, after, share):
    aims = USUAL.lightness()
    inserted = np.insert(aims, after + 1, aims[after] + share * (aims[after + 1] - aims[after]))
    before = one(source, anchor=mode, method=Method(name=name))
    request = ScaleRequest(
        source, inserted, mode, method=Method(name=name), between=frozenset({after + 1})
    )
    with_it = generate([request])[0]
    assert (np.delete(with_it.rgb8, after + 1, axis=0) == before.rgb8).all()
    light = light_of(with_it.rgb8)
    assert light[after] >= light[after + 1] >= light[after + 2]


def test_measures_of_scales_of_different_lengths():
    pins = {3: np.array([5, 5, 5], dtype=np.uint8), 5: rgb8_of(parse("#0B6E70"))}
    gray = parse("#808080")
    scales = [
        one(anchor="guide"),
        one(ladder=LONG, pins=pins),
        one(gray),
        one(gray, anchor="guide"),
        one(parse("#00FF00")),
        one(pins={4: rgb8_of(parse("#0B6E70"))}),
    ]
    exact = [set(), {3, 5}, {4}, set(), set(), {4, 5}]
    found = measure(scales, exact)
    for scale, to_the_bit, among_others in zip(scales, exact, found, strict=True):
        [alone] = measure([scale], [to_the_bit])
        assert alone.alike == among_others.alike
        assert alone.lightness.gaps == pytest.approx(among_others.lightness.gaps)
        assert alone.distance.gaps == pytest.approx(among_others.distance.gaps)
        assert alone.source == pytest.approx(among_others.source)
    even, broken, at_source, beside, neon, twice = found
    assert even.lightness.smallest == pytest.approx(89.0 / 8.0, abs=0.3)
    assert even.lightness.uneven < 0.02
    assert even.out_of_order == []
    assert broken.out_of_order == [4]
    assert broken.taken[[3, 5]].tolist() == [0.0, 0.0]
    assert at_source.source == 0.0
    assert beside.source > 0.5
    assert neon.taken.max() > 0.02
    assert twice.alike == [5]
    assert measure([], []) == []


def test_every_method_on_many_sources_stays_in_gamut_and_order():
    sources = [Color.of_bytes(rgb8) for rgb8 in all_corners_and_random(200, seed=11)]
    for name in METHODS:
        scales = generate(
            [ScaleRequest(each, LONG.lightness(), method=Method(name=name)) for each in sources]
        )
        falls = np.concatenate([-np.diff(light_of(scale.rgb8)) for scale in scales])
        assert falls.min() > 0.0


def brute_least(system, apart):
    """The smallest contrast of all published steps at least so far apart, pair by pair."""
    resolved = resolve(system)
    rgb8, positions = resolved.steps.rgb8, resolved.steps.positions
    return min(
        float(ratio(rgb8[a], rgb8[b]))
        for a in range(len(rgb8))
        for b in range(a)
        if abs(positions[a] - positions[b]) >= apart - 1e-9
    )


@pytest.mark.parametrize(
    ("apart", "aim"), [(4, 3.4), (5, 4.5), (6, 8.0), (6, 8.5), (4, 4.5), (2, 3.0)]
)
def test_a_ladder_solved_for_a_promise(apart, aim):
    system = brinemark()
    found = solve_promise(system, apart, aim)
    solved = system.model_copy(update={"ladder": found.ladder})
    assert brute_least(solved, apart) == pytest.approx(found.least, abs=1e-9)
    assert found.kept == (found.least >= aim)
    assert found.ladder.ids() == system.ladder.ids()
    anchored = {hue.id: hue.rgb8[hue.scale.anchor].tolist() for hue in resolve(solved).hue_list}
    assert anchored["gorse"] == [0xDF, 0xAF, 0x3A]
    if not found.kept:
        # What is given is the best of what was tried, at least as good as what stood there.
        assert found.least >= brute_least(system, apart) - 1e-9


def guides():
    """The demo's hues on the ladder that all share, none anchored or pinned."""
    own = {
        key: hue.model_copy(update={"anchor": Anchor(mode="guide"), "pins": {}})
        for key, hue in HUES.items()
    }
    return brinemark().model_copy(
        update={"hues": own, "tokens": {}, "pairings": {}, "told_apart": {}}
    )


def test_what_no_ladder_can_promise():
    # Of nine steps, the first, the fifth and the ninth share the contrast of L* 98.5 and 4: its root is the most.
    ends = luminance_of(np.array([98.5, 4.0])) + 0.05
    most = float(np.sqrt(ends[0] / ends[1]))
    refused = solve_promise(guides(), 4, most * 1.01)
    assert not refused.kept
    assert most <= refused.most <= most + 0.011
    assert solve_promise(guides(), 4, most * 0.985).kept
    # Five apart, no three steps stand in a row, so that far more is possible, on an uneven ladder.
    found = solve_promise(guides(), 5, 7.0)
    assert found.kept
    assert brute_least(guides().model_copy(update={"ladder": found.ladder}), 5) >= 7.0
    with pytest.raises(DomainError):
        solve_promise(guides(), 9, 3.0)


def random_asks(count):
    """Systems of some hues on a ladder, anchored, guiding or pinned at random, a distance, and a promise."""
    rng = np.random.default_rng(8)
    free = [key for key, hue in HUES.items() if not isinstance(hue.source, DerivedSource)]
    for _ in range(count):
        ladder = READY_MADE[rng.choice(list(READY_MADE))]
        hues = {}
        for key in rng.choice(free, rng.integers(2, len(free)), replace=False):
            mode, step = (
                rng.choice(["guide", "guide", "nearest", "label"]),
                str(rng.choice(ladder.ids())),
            )
            color = Color.of_bytes(tuple(rng.integers(0, 256, 3)))
            anchor = Anchor(mode=mode, step=step if mode == "label" else None)
            pins = {str(rng.choice(ladder.ids())): color} if rng.random() < 0.15 else {}
            hues[key] = HUES[key].model_copy(update={"anchor": anchor, "pins": pins, "nudges": {}})
        system = guides().model_copy(update={"hues": hues, "ladder": ladder})
        yield (
            system,
            int(rng.integers(1, ladder.longest() + 1)),
            float(rng.choice([2.0, 3.0, 4.5, 7.0])),
        )


def test_verdicts_on_promises_are_true():
    """What is kept is so by brute force; what is called impossible is reached by none of many random ladders."""
    rng, verdicts = np.random.default_rng(9), []
    for system, apart, aim in random_asks(60):
        found = solve_promise(system, apart, aim)
        verdicts.append(
            "kept" if found.kept else "impossible" if found.most is not None else "open"
        )
        if found.kept:
            assert brute_least(system.model_copy(update={"ladder": found.ladder}), apart) >= aim
        elif found.most is not None:
            assert found.most >= found.least
            for _ in range(4):
                aims = np.sort(rng.uniform(4.0, 98.5, len(system.ladder.steps)))[::-1].round(2)
                if (np.diff(aims) < 0.0).all():
                    steps = zip(system.ladder.steps, aims.tolist(), strict=True)
                    tried = [step.model_copy(update={"lightness": each}) for step, each in steps]
                    other = system.model_copy(
                        update={"ladder": Ladder(name="own", steps=tuple(tried))}
                    )
                    assert brute_least(other, apart) <= found.most + 1e-9
    assert verdicts.count("open") <= 6
    assert min(verdicts.count("kept"), verdicts.count("impossible")) > 5


def test_the_highest_ratio_that_a_ground_allows_may_be_typed():
    for ground, step in (("#FFFFFF", "s950"), ("#000000", "s50")):
        targets = ContrastTargets(ground=parse(ground), targets=(Typed(step=step, value=21.0),))
        edit = SetMethod(method=Method(name="contrast", contrast=targets))
        assert apply(brinemark(), edit).method.contrast.targets[0].value == 21.0
        over = targets.model_copy(update={"targets": (Typed(step=step, value=21.1),)})
        with pytest.raises(DomainError, match="the nearest is 21"):
            apply(brinemark(), SetMethod(method=Method(name="contrast", contrast=over)))
