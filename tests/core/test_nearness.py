"""Turns, nearness, keys and the one rounding: what other rules rest on, against what can be said by hand."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.angles import turn_between, unwrapped
from heimat.core.color.arrays import from_bytes, to_bytes, to_levels
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.nearness import HARDLY_DIFFERENT, differences, nearest
from heimat.core.color.overlay import solid
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.keys import Key, hue_key, parse_key, step_key, token_key
from tests.core.strategies import rgb8

angles = st.floats(-720.0, 720.0)
several = st.lists(rgb8, min_size=1, max_size=6).map(
    lambda levels: np.array(levels, dtype=np.uint8)
)


@given(angles, angles)
def test_the_shorter_turn_leads_there_and_is_no_longer_than_half_a_circle(one, other):
    turn = turn_between(one, other)
    assert -180.0 <= turn < 180.0
    off = (one + turn - other) % 360.0
    assert min(off, 360.0 - off) < 1e-9
    # The other way around it is the same, but for the half circle, which has no shorter way.
    if abs(abs(turn) - 180.0) > 1e-9:
        assert turn_between(other, one) == pytest.approx(-turn, abs=1e-9)


def test_turns_of_many_at_once_are_those_of_each():
    one, other = np.meshgrid(np.linspace(-400.0, 400.0, 17), np.linspace(-400.0, 400.0, 13))
    found = turn_between(one, other)
    assert found.shape == one.shape
    assert all(
        each == turn_between(float(first), float(second))
        for each, first, second in zip(found.ravel(), one.ravel(), other.ravel(), strict=True)
    )


def test_a_way_through_zero_has_no_jump():
    assert np.abs(np.diff(unwrapped(np.array([350.0, 358.0, 3.0, 12.0, 355.0])))).max() <= 17.0


@given(several, several)
def test_the_nearest_is_the_first_of_those_that_none_comes_nearer_than(one, other):
    table = np.array([[float(ciede2000(*srgb_to_lab(from_bytes(np.stack(pair))))) for pair in _pairs(each, other)]
                      for each in one])  # fmt: skip
    assert differences(one, other) == pytest.approx(table, abs=1e-9)
    for row, found in zip(differences(one, other), nearest(one, other), strict=True):
        assert found is not None
        assert found.place == row.tolist().index(row.min())
        assert found.distance == row.min()
        assert found.hardly_different == (row.min() < HARDLY_DIFFERENT)


def _pairs(color, others):
    return [(color, other) for other in others]


@given(several, several)
def test_a_list_is_compared_with_what_was_there_and_with_what_stands_before(there, new):
    """As when colors are read: each line against the set, and against the lines above it."""
    found = nearest(new, np.concatenate([there, new]), above=len(there))
    for place, each in enumerate(found):
        before = np.concatenate([there, new[:place]])
        (alone,) = nearest(new[place : place + 1], before)
        assert each is not None
        assert alone is not None
        assert each.distance == pytest.approx(alone.distance, abs=1e-9)
        assert (before[each.place] == before[alone.place]).all() or each.distance == pytest.approx(
            alone.distance
        )


def test_nothing_is_near_to_nothing():
    assert nearest(np.zeros((2, 3), dtype=np.uint8), np.zeros((0, 3), dtype=np.uint8)) == [
        None,
        None,
    ]
    assert nearest(np.zeros((0, 3), dtype=np.uint8), np.zeros((2, 3), dtype=np.uint8)) == []


def test_levels_are_rounded_half_up_and_clipped():
    assert to_levels([-3.0, 0.49, 0.5, 1.5, 2.5, 254.5, 255.4, 900.0]).tolist() == [
        0,
        0,
        1,
        2,
        3,
        255,
        255,
        255,
    ]
    assert to_bytes([[0.5, 2.0, -1.0]]).tolist() == [[128, 255, 0]]
    every = np.arange(256)
    assert to_bytes(from_bytes(every)).tolist() == every.tolist()


@given(rgb8, st.integers(0, 255), rgb8)
def test_a_translucent_color_over_a_ground_is_rounded_once(color, alpha, ground):
    """By whole numbers alone: halves up, whatever a float makes of them."""
    found = solid(np.array(color, dtype=np.uint8), alpha / 255, np.array(ground, dtype=np.uint8))
    for level, top, under in zip(found.tolist(), color, ground, strict=True):
        exact = top * alpha + under * (255 - alpha)
        assert abs(level * 255 - exact) * 2 <= 255 + 1


IDS = st.text("abcdefghijklmnopqrstuvwxyz0123456789-_", min_size=1, max_size=24)


@given(IDS, IDS)
def test_every_key_leads_back_to_what_it_addresses(hue, step):
    assert parse_key(hue_key(hue)) == Key("hue", hue)
    assert parse_key(token_key(hue)) == Key("token", hue)
    assert parse_key(step_key(hue, step)) == Key("step", hue, step)


@pytest.mark.parametrize(
    "text", ["", "hue", "hue:", "step:kelp", "step:kelp/", "step:/s1", "token:", "color:kelp", ":x"]
)
def test_what_is_no_key_addresses_nothing(text):
    assert parse_key(text) is None
