"""Scales: what holds for any source color on any ready-made ladder."""

import itertools
import os
import subprocess
import sys

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.edits import apply
from heimat.core.edits.hue_edits import PinStep
from heimat.core.errors import DomainError
from heimat.core.resolve.resolved import resolve
from heimat.core.scales import GENERATORS, READY_MADE, ScaleRequest, generate
from heimat.core.scales.generator_2 import STRONG
from heimat.core.scales.ladder import USUAL, Ladder, LadderStep
from heimat.core.scales.measures import measure
from heimat.core.scales.promises import promises
from heimat.demo.demo_systems import brinemark
from tests.core import generators
from tests.core.strategies import all_corners_and_random, anchors, colors, ladders
from tests.examples import examples

DIGESTS = {
    1: "a7fb8a4d584783620e382a1e2921708b8f0ace7179f0d84a5b6b77017fdd56c1",
    2: "bc7786b2ba0517284b4baeb8bd16b6f07218ca6fb8b6c3ed28d7f8e98d6c3461",
    3: "59a7d0298d14155b32efb987c5b71ac0ab9f6d493e0d6e150cd92969dd84c0d5",
}

EVEN_GAP = 89.0 / 8.0


def light_of(rgb8):
    return lightness(relative_luminance(rgb8))


@examples(300)
@given(colors, ladders, anchors, st.data())
def test_monotonic_exact_and_equal_from_run_to_run(source, ladder, mode, data):
    fixed = data.draw(st.integers(0, len(ladder.steps) - 1)) if mode == "label" else None
    request = ScaleRequest(source, ladder.lightness(), mode, fixed)
    scale = generate([request])[0]
    light = light_of(scale.rgb8)
    # An anchor at a label far from its lightness can crowd a scale, and then a finding says so.
    if mode != "label" or not scale.crowded:
        assert (np.diff(light) < 0.0).all(), light
    if mode == "guide":
        assert scale.anchor is None
    else:
        assert (scale.rgb8[scale.anchor] == rgb8_of(source)).all()
    if fixed is not None:
        assert scale.anchor == fixed
    assert (generate([request])[0].rgb8 == scale.rgb8).all()


def test_many_sources_at_once():
    sources = [Color.of_bytes(rgb8) for rgb8 in all_corners_and_random(600, seed=7)]
    for ladder in READY_MADE.values():
        scales = generate([ScaleRequest(source, ladder.lightness()) for source in sources])
        off_hue, stronger, gaps = [], [], []
        for source, scale in zip(sources, scales, strict=True):
            made = np.arange(len(scale.rgb8)) != scale.anchor
            lch = srgb_to_oklch(scale.rgb8[made] / 255.0)
            colored = lch[:, 1] > 0.02
            turn = np.abs((lch[:, 2] - scale.hue[made] + 180.0) % 360.0 - 180.0)
            off_hue.append(turn[colored])
            own = srgb_to_oklch(rgb8_of(source) / 255.0)[1]
            # An 8-bit level is worth up to 0.005 of chroma in the darks.
            stronger.append((lch[:, 1] - own).max())
            # A strong source that leaves a lighter step stands far above its label.
            aims, own_light = ladder.lightness(), scale.source_lightness
            bright = own > STRONG and own_light > aims[:2].mean()
            bright |= own_light > aims[scale.anchor] + 0.6 * -np.diff(aims).min()
            if ladder.name != "fine" and not bright:
                beside = np.abs(np.diff(light_of(scale.rgb8)))[
                    max(scale.anchor - 1, 1) : scale.anchor + 1
                ]
                gaps.append(beside / (89.0 / (len(ladder.steps) - 1)))
        turns = np.concatenate(off_hue)
        assert (turns > 2.0).mean() < 0.001
        assert turns.max() < 4.0
        assert max(stronger) < 0.006
        if gaps:
            beside = np.concatenate(gaps)
            assert beside.min() > 0.65
            assert beside.max() < 1.4


def test_even_without_an_anchor():
    scale = generate([ScaleRequest(parse("#0B6E6E"), USUAL.lightness(), "guide")])[0]
    assert np.abs(np.diff(light_of(scale.rgb8)) + EVEN_GAP).max() < 0.5


def test_pins_are_exact():
    pinned = np.array([0x2A, 0x8C, 0x82], dtype=np.uint8)
    scale = generate([ScaleRequest(parse("#0B6E6E"), USUAL.lightness(), pins={4: pinned})])[0]
    assert (scale.rgb8[4] == pinned).all()
    assert scale.anchor == 5


def test_grays_make_gray_scales():
    scale = generate([ScaleRequest(parse("#777777"), USUAL.lightness(), neutral=True)])[0]
    assert (np.ptp(scale.rgb8, axis=1) == 0).all()


def test_yellows_do_not_turn_olive():
    scale = generate([ScaleRequest(parse("#DFAF3A"), USUAL.lightness())])[0]
    hues = srgb_to_oklch(scale.rgb8 / 255.0)[:, 2]
    assert hues[2] > 80.0
    assert 45.0 < hues[-1] < 65.0


def test_unknown_generator():
    with pytest.raises(DomainError):
        generate([ScaleRequest(parse("#0B6E6E"), USUAL.lightness())], generator=99)


def test_every_generator_makes_the_same_bytes_for_ever_and_on_every_processor():
    """The digests are of what each made first. Another processor is another way to multiply matrices: without FMA."""
    assert {generator: generators.digest(generator) for generator in GENERATORS} == DIGESTS
    environment = {
        **os.environ,
        "PYTHONPATH": os.pathsep.join(sys.path),
        "OPENBLAS_CORETYPE": "Nehalem",
    }
    command = [sys.executable, "-m", generators.__name__]
    elsewhere = subprocess.run(command, env=environment, capture_output=True, text=True, check=True)
    assert elsewhere.stdout.split() == list(DIGESTS.values())


def test_two_hundred_scales_are_as_each_alone():
    sources = [Color.of_bytes(rgb8) for rgb8 in all_corners_and_random(140, seed=8)][:200]
    requests = [ScaleRequest(source, USUAL.lightness()) for source in sources]
    together = generate(requests)
    for place in (0, 9, 77, 199):
        assert (generate([requests[place]])[0].rgb8 == together[place].rgb8).all()


def test_promises_by_brute_force():
    sources = [parse(text) for text in ("#0B6E6E", "#DF5A33", "#DFAF3A", "#8A6FA8")]
    scales = generate([ScaleRequest(source, USUAL.lightness()) for source in sources])
    rgb8 = np.concatenate([scale.rgb8 for scale in scales])
    positions = np.tile(np.arange(9.0), len(scales))
    found = promises([relative_luminance(rgb8)], positions, 9)
    assert [promise.aim for promise in found] == [3.0, 4.5, 7.0]
    for promise in found:
        pairs = [
            float(ratio(rgb8[a], rgb8[b]))
            for a, b in itertools.combinations(range(len(rgb8)), 2)
            if abs(positions[a] - positions[b]) >= promise.apart
        ]
        assert min(pairs) == pytest.approx(promise.least, abs=1e-12)
        assert promise.kept == (promise.least >= promise.aim)


def test_what_even_ladders_promise_with_guides():
    sources = [Color.of_bytes(rgb8) for rgb8 in all_corners_and_random(100, seed=9)]
    for name, expected in (("usual", {3.0: 4, 4.5: 5, 7.0: 6}), ("long", {3.0: 5, 4.5: 6, 7.0: 7})):
        ladder = READY_MADE[name]
        scales = generate([ScaleRequest(source, ladder.lightness(), "guide") for source in sources])
        rgb8 = np.concatenate([scale.rgb8 for scale in scales])
        positions = np.tile(np.arange(float(len(ladder.steps))), len(scales))
        found = promises([relative_luminance(rgb8)], positions, len(ladder.steps))
        assert {promise.aim: promise.apart for promise in found if promise.kept} == expected


@pytest.mark.parametrize(
    "steps",
    [
        [("s1", "a", 90), ("s2", "a", 50), ("s3", "c", 10)],
        [("s1", "a", 90), ("s1", "b", 50), ("s3", "c", 10)],
        [("s1", "a", 50), ("s2", "b", 90), ("s3", "c", 10)],
        [("s1", "a", 90)],
    ],
    ids=["label twice", "id twice", "out of order", "one step"],
)
def test_ladders_that_cannot_be(steps):
    with pytest.raises(ValueError, match=r"ladder|lightness|at least 3"):
        Ladder(
            name="own",
            steps=tuple(LadderStep(id=i, label=name, lightness=light) for i, name, light in steps),
        )


def test_positions_on_the_ladder():
    aims = USUAL.lightness()
    between = (aims[0] + aims[1]) / 2.0
    found = USUAL.positions(np.array([aims[0], between, aims[-1], 100.0]))
    assert found[:3].tolist() == pytest.approx([0.0, 0.5, 8.0])
    assert found[3] < 0.0


def test_two_steps_of_one_color_are_out_of_order():
    system = brinemark()
    for step in ("s300", "s400"):
        system = apply(system, PinStep(hue="kelp", step=step, color="#7FB38A"))
    hue = resolve(system).hues["kelp"]
    (told,) = measure([hue.scale], [set()])
    labels = [hue.steps[place].id for place in told.out_of_order]
    assert "s400" in labels
