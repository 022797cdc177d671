"""Neighboring areas that merge, and outlines that stand out from both sides."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.contrast import ratio
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.legibility.outline import outline
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.main_colors import Wanted, main_colors
from heimat.core.pictures.merging import borders, merging, merging_map

GREEN, RED, GRAY = (0x3F, 0x8F, 0x4F), (0xBF, 0x36, 0x50), (0xE8, 0xE8, 0xE8)
LEVELS = st.tuples(st.integers(0, 255), st.integers(0, 255), st.integers(0, 255))


def fields(*colors):
    """A picture of upright stripes, each 40 pixels wide."""
    rgb8 = np.concatenate([np.full((60, 40, 3), color, dtype=np.uint8) for color in colors], axis=1)
    return Pixels(rgb8, None, "image/png")


def test_colors_that_merge_are_found_only_where_they_touch():
    touching = main_colors(fields(GREEN, RED, GRAY), Wanted(count=6))
    (found,) = merging(touching, 10.0)
    pair = {tuple(touching.rgb8[place].tolist()) for place in (found.pair.one, found.pair.other)}
    assert pair == {GREEN, RED}
    assert found.pair.worst.vision == "deutan"
    assert found.pair.typical > 60.0
    apart = main_colors(fields(GREEN, GRAY, RED), Wanted(count=6))
    assert merging(apart, 10.0) == []


def test_borders_are_counted_pixel_by_pixel_and_marked_where_they_are():
    labels = np.array([[0, 0, 1], [0, 2, 1], [-1, 2, 2]])
    by_hand = {}
    for y in range(3):
        for x in range(3):
            for other in ((y, x + 1), (y + 1, x)):
                if (
                    max(other) < 3
                    and labels[other] != labels[y, x]
                    and min(labels[other], labels[y, x]) >= 0
                ):
                    key = tuple(sorted((int(labels[y, x]), int(labels[other]))))
                    by_hand[key] = by_hand.get(key, 0) + 1
    assert borders(labels) == by_hand
    stripes = main_colors(fields(GREEN, RED), Wanted(count=4))
    marked = merging_map(stripes.labels, 0, 1)
    columns = np.flatnonzero(marked.any(axis=0)) * stripes.step
    assert 36 <= columns.min() <= 40 <= columns.max() <= 44


@given(LEVELS, LEVELS)
def test_an_outline_stands_out_from_both_sides(part, around):
    one, other = np.array(part, dtype=np.uint8), np.array(around, dtype=np.uint8)
    found = outline(one, other)
    if found is None:
        # No luminance is three away from both: black and white are the farthest.
        assert (
            max(
                min(float(ratio(np.full(3, end), side)) for side in (one, other))
                for end in (0, 255)
            )
            < 3.1
        )
        return
    assert float(ratio(found, one)) >= 3.0
    assert float(ratio(found, other)) >= 3.0
    chroma, kept = srgb_to_oklch(one / 255.0)[1], srgb_to_oklch(found / 255.0)
    if chroma > 0.05 and kept[1] > 0.05:
        assert abs((kept[2] - srgb_to_oklch(one / 255.0)[2] + 180.0) % 360.0 - 180.0) < 4.0


def test_a_picture_of_one_color_has_no_neighbors():
    assert merging(main_colors(fields(GRAY, GRAY), Wanted(count=4)), 10.0) == []
    assert borders(np.zeros((4, 4), dtype=int)) == pytest.approx({})
