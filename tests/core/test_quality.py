"""How good generated scales are, by a general library's figures: `./heimat bench quality`, in reduced size."""

import numpy as np
import pytest

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.document.hues import GivenSource
from heimat.core.legibility.why import why_step
from heimat.core.resolve.resolved import resolve
from heimat.core.scales import READY_MADE, ScaleRequest, generate
from heimat.core.scales.generator_rules import LATEST_GENERATOR, RULES
from heimat.core.scales.methods import Method
from heimat.core.scales.methods.hsl_lightness import HslLightness
from heimat.core.scales.methods.white_and_black import WhiteBlack
from heimat.demo.demo_systems import brinemark
from tools.bench import quality
from tools.bench.quality import Measured

COUNT = 1000
SOURCES = quality.sources(COUNT)
TIGHT = [(248, 244, 251), (246, 246, 246), (245, 247, 244), (255, 242, 242), (22, 22, 24)]
"""Sources just inside the ladder's ends: the fine ladder asks for twelve steps where 8 bits have nine grays."""
USUAL = READY_MADE["usual"]


@pytest.mark.parametrize("ladder", READY_MADE.values(), ids=READY_MADE)
@pytest.mark.parametrize("name", ["even", "contrast"])
def test_every_bar_is_kept_by_the_newest_generator(ladder, name):
    lines = quality.judged(SOURCES, ladder, name, LATEST_GENERATOR)
    bars = quality.bars(ladder, name)
    assert set(bars) <= set(lines)
    for line, (share, worst) in bars.items():
        # Corners of the cube, which are the hardest, weigh more among few.
        assert lines[line].share <= 2.0 * share, line
        assert lines[line].worst <= worst, line


@pytest.mark.parametrize(
    ("generator", "misses"),
    [
        (1, {quality.OLIVE_LINE, quality.JUMP_LINE, quality.BESIDE_LINE, quality.LIGHTEST_LINE}),
        (2, {quality.LIGHTEST_GAP_LINE, quality.TURN_LINE}),
    ],
)
def test_older_generators_are_seen_to_miss_them(generator, misses):
    missed = set()
    for ladder in (USUAL, READY_MADE["fine"]):
        lines = quality.judged(SOURCES, ladder, "even", generator)
        bars = quality.bars(ladder, "even").items()
        missed |= {
            line
            for line, (share, worst) in bars
            if lines[line].share > share or lines[line].worst > worst
        }
    assert misses <= missed


def scale(source, generator=LATEST_GENERATOR, **more):
    return generate([ScaleRequest(parse(source), USUAL.lightness(), **more)], generator)[0]


def test_lemon_yellows_darken_through_gold_and_olives_stay_olive():
    measured = Measured.of(scale("#FFFF00").rgb8)
    assert (np.diff(measured.hue[1:]) < 1.0).all()
    assert measured.hue[measured.light < 75.0].max() < quality.OLIVE[0]
    olive = Measured.of(scale("#808000").rgb8)
    assert np.ptp(olive.hue[2:7]) < 4.0


def test_why_a_strong_color_is_not_the_lightest_step():
    system = brinemark()
    lemon = system.hues["gorse"].model_copy(update={"source": GivenSource(color=parse("#FFEB3B"))})
    hue = resolve(system.model_copy(update={"hues": {**system.hues, "gorse": lemon}})).hues["gorse"]
    assert hue.scale.anchor == 1
    assert (
        "nearest to 100, but so strong a color leaves a lighter step and stands at 200"
        in why_step(hue, 1)
    )


def test_the_drift_has_no_leap():
    """Over all hues from orange to green and all lightnesses, one degree or one L* turns the dark end by a little."""
    rules = RULES[LATEST_GENERATOR]
    found = np.array(
        [[rules.drift(hue, light) for hue in range(40, 140)] for light in range(20, 100)]
    )
    assert np.abs(np.diff(found, axis=0))[..., 0].max() < 6.0
    assert np.abs(np.diff(found, axis=1))[..., 0].max() < 8.0


@pytest.mark.parametrize("ladder", READY_MADE.values(), ids=READY_MADE)
def test_a_fixed_label_inside_the_ladder_never_gives_two_equal_steps(ladder):
    light = Measured.of(SOURCES).light
    inside = np.concatenate(
        [SOURCES[(light < 96.8) & (light > 8.0)][::5], np.array(TIGHT, dtype=np.uint8)]
    )
    for place in range(len(ladder.steps)):
        requests = [
            ScaleRequest(Color.of_bytes(each), ladder.lightness(), "label", place)
            for each in inside
        ]
        luminance = Measured.of(np.stack([made.rgb8 for made in generate(requests)])).luminance
        assert (np.diff(luminance, axis=1) < 0.0).all(), place


def test_mixes_hold_the_hue_where_asked_to():
    colored = SOURCES[Measured.of(SOURCES).chroma > 0.05]
    for space in ("srgb", "linear", "oklab"):
        off = {}
        for hold in (False, True):
            method = Method(name="mix", mix=WhiteBlack(space=space, hold_hue=hold))
            made = Measured.of(
                np.stack(
                    [each.rgb8 for each in quality.made(colored, USUAL, method, LATEST_GENERATOR)]
                )
            )
            turn = np.abs((made.hue - Measured.of(colored).hue[:, None] + 180.0) % 360.0 - 180.0)
            off[hold] = np.where((made.chroma > 0.02) & (made.light > 5.0), turn, 0.0).max(axis=1)
        assert (off[True] > 2.0).mean() < 0.01
        assert (off[False] > 2.0).mean() > 0.3 or space == "oklab"


def test_hsl_tints_are_no_stronger_than_the_source_where_asked_to():
    assert Measured.of(scale("#010001", method=Method(name="hsl")).rgb8).chroma.max() > 0.3
    kept = Method(name="hsl", hsl=HslLightness(no_stronger=True))
    own = Measured.of(SOURCES)
    for each, chroma, light in zip(
        quality.made(SOURCES, USUAL, kept, LATEST_GENERATOR), own.chroma, own.light, strict=True
    ):
        made = Measured.of(each.rgb8)
        assert made.chroma[made.light > light + 1.0].max(initial=0.0) <= chroma + 0.006
