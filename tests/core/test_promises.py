"""Promises against every pair there is, one by one."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.contrast import ratio
from heimat.core.document.order import in_order
from heimat.core.edits import apply_all
from heimat.core.edits.hue_edits import PinStep
from heimat.core.edits.ladder_edits import SetHueLadder
from heimat.core.edits.scale_edits import SetWide
from heimat.core.edits.source_edits import SetSource
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.promises import TOLERANCE, least_by_distance, promises
from heimat.demo.demo_systems import brinemark
from tests.examples import examples


def every_pair(readings, positions, apart):
    """The smallest ratio of two steps so far apart, from a table of all pairs."""
    far = np.abs(positions[:, None] - positions) >= apart - TOLERANCE
    least = np.inf
    for luminance in readings:
        light = luminance + 0.05
        ratios = np.maximum(light[:, None], light) / np.minimum(light[:, None], light)
        least = min(least, ratios[far].min(initial=np.inf))
    return least


@st.composite
def steps(draw):
    """Luminances in any order at positions on any ladders: whole, in thirds, or anywhere; seen in one or two gamuts."""
    count = draw(st.integers(1, 40))
    longest = draw(st.integers(1, 23))
    places = {
        "whole": st.integers(0, longest).map(float),
        "in thirds": st.integers(0, 3 * longest).map(lambda third: third / 3),
        "anywhere": st.floats(-2.0, longest + 2.0),
    }
    place = places[draw(st.sampled_from(sorted(places)))]
    positions = np.array(draw(st.lists(place, min_size=count, max_size=count)))
    # Few levels, so that many are equal.
    level = st.integers(0, 255).map(lambda byte: byte / 255)
    first, second = (
        np.array(draw(st.lists(level, min_size=count, max_size=count))) for _ in range(2)
    )
    return ([first, second] if draw(st.booleans()) else [first]), positions, longest


@examples(400)
@given(steps())
def test_the_least_ratio_at_every_distance_is_that_of_all_pairs(drawn):
    readings, positions, longest = drawn
    found = least_by_distance(readings, positions, longest)
    assert len(found) == longest
    for apart, (least, (one, other)) in enumerate(found, 1):
        assert least == every_pair(readings, positions, apart)
        if np.isfinite(least):
            assert abs(positions[one] - positions[other]) >= apart - TOLERANCE
            pair = [light[[one, other]] for light in readings]
            assert least == every_pair(pair, np.array([0.0, 1.0]), 1)


def test_promises_of_a_document_hold_where_pins_cross_and_ladders_differ():
    """Light steps pinned dark, dark ones light, hues with ladders of their own, and one beyond sRGB."""
    system = apply_all(
        brinemark(),
        [
            PinStep(hue="kelp", step="s200", color="#0A2010"),
            PinStep(hue="kelp", step="s800", color="#F0FFF0"),
            PinStep(hue="sound", step="s700", color="#4785CC"),
            SetHueLadder(hue="gorse", ladder="short"),
            SetHueLadder(hue="heather", ladder="long"),
            SetSource(hue="buoy", color="color(display-p3 1 0.35 0.1)"),
            SetWide(hue="buoy", wide=True),
        ],
    ).system
    resolved = resolve(system)
    colors = np.concatenate([resolved.hues[hue.id].scale.rgb8 for hue in in_order(system.hues)])
    positions = resolved.steps.positions
    assert len(positions) == len(colors)
    for promise in resolved.promises:
        far = np.abs(positions[:, None] - positions) >= promise.apart - TOLERANCE
        assert promise.least <= ratio(colors[:, None], colors)[far].min() + 1e-12
        assert promise.kept == (promise.least >= promise.aim)
    # What crosses is found: 200 and 800 of kelp are six apart, and each is like the others' far end.
    assert resolve(brinemark()).promises[0].apart < resolved.promises[0].apart == 8


def test_steps_of_equal_luminance_promise_nothing_and_none_at_all_nothing_either():
    found = least_by_distance([np.full(30, 0.2)], np.tile(np.arange(10.0), 3), 9)
    assert [least for least, _ in found] == [1.0] * 9
    assert promises([np.zeros(0)], np.zeros(0), 9) == []


@pytest.mark.parametrize("scattered", [False, True])
def test_two_hundred_scales_of_twenty_four_need_no_table_of_pairs(scattered, monkeypatch):
    """All pairs would be 23 million ratios; what is made at a time stays near the number of steps."""
    largest = 0
    plain = np.maximum

    def watched(*given, **more):
        nonlocal largest
        made = plain(*given, **more)
        largest = max(largest, np.size(made))
        return made

    monkeypatch.setattr(np, "maximum", watched)
    rng = np.random.default_rng(4)
    positions = rng.uniform(0.0, 23.0, 4800) if scattered else np.tile(np.arange(24.0), 200)
    least_by_distance([rng.uniform(0.0, 1.0, 4800)], positions, 23)
    assert 0 < largest < 30 * 4800
