"""The nearest color that reaches a contrast, against a search of all 8-bit colors."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.contrast import ratio
from heimat.core.color.passing import HUE_KEPT, KEEPS_HUE, nearest_passing
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklch
from heimat.core.color.spaces.oklab import srgb_to_oklab
from tests.examples import examples

WHITE, DARK, MIDDLE = (255, 255, 255), (11, 18, 18), (119, 119, 119)
LEVEL = st.integers(0, 255)


def brute_force(original, ground, target):
    """The least CIEDE2000 of all 8-bit colors that pass and keep the hue."""
    lab, (_, chroma, hue) = (
        srgb_to_lab(np.array(original) / 255.0),
        srgb_to_oklch(np.array(original) / 255.0),
    )
    green, blue = np.meshgrid(np.arange(256), np.arange(256), indexing="ij")
    best = np.inf
    for red in range(256):
        colors = np.stack([np.full_like(green, red), green, blue], axis=-1).reshape(-1, 3)
        colors = colors[ratio(colors, np.array(ground)) >= target]
        if chroma > KEEPS_HUE and len(colors):
            _, a, b = np.moveaxis(srgb_to_oklab(colors / 255.0), -1, 0)
            off = np.abs((np.degrees(np.arctan2(b, a)) - hue + 180.0) % 360.0 - 180.0)
            colors = colors[(off <= HUE_KEPT) | (np.ptp(colors, axis=1) == 0)]
        if len(colors):
            best = min(best, float(ciede2000(srgb_to_lab(colors / 255.0), lab).min()))
    return best


@pytest.mark.parametrize(
    ("original", "ground", "target"),
    [((223, 90, 51), WHITE, 4.5), ((223, 175, 58), WHITE, 3.0), ((11, 110, 110), DARK, 7.0)],
)
def test_the_nearest_passing_color_is_as_near_as_any(original, ground, target):
    colors, distance = nearest_passing(original, ground, target)
    assert ratio(colors[0], np.array(ground)) >= target
    assert distance[0] <= brute_force(original, ground, target) + 0.2


@examples(60)
@given(
    st.tuples(LEVEL, LEVEL, LEVEL), st.tuples(LEVEL, LEVEL, LEVEL), st.sampled_from([3.0, 4.5, 7.0])
)
def test_what_is_found_passes_keeps_the_hue_and_is_said_to_be_impossible_only_where_it_is(
    original, ground, target
):
    colors, distance = nearest_passing(original, ground, target)
    ends = max(float(ratio(np.array(end), np.array(ground))) for end in ((0, 0, 0), WHITE))
    assert np.isfinite(distance[0]) == (ends >= target)
    if not np.isfinite(distance[0]):
        return
    assert ratio(colors[0], np.array(ground)) >= target
    _, chroma, hue = srgb_to_oklch(np.array(original) / 255.0)
    if chroma > KEEPS_HUE and np.ptp(colors[0].astype(int)):
        off = abs((srgb_to_oklch(colors[0] / 255.0)[2] - hue + 180.0) % 360.0 - 180.0)
        assert off <= HUE_KEPT + 1e-6
    measured = ciede2000(srgb_to_lab(colors[0] / 255.0), srgb_to_lab(np.array(original) / 255.0))
    assert distance[0] == pytest.approx(float(measured), abs=1e-9)


def test_what_passes_stays_and_what_cannot_pass_is_said():
    colors, distance = nearest_passing([(0, 0, 0), (40, 90, 200)], [WHITE, MIDDLE], [7.0, 7.0])
    assert colors[0].tolist() == [0, 0, 0]
    assert distance[0] == 0.0
    assert np.isinf(distance[1])
