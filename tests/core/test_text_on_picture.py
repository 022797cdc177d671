"""Text on pictures, against every pixel looked at one by one."""

import numpy as np
import pytest

from heimat.core.color.contrast import ratio
from heimat.core.color.overlay import solid
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.text import (
    Box,
    behind,
    best_colors,
    best_place,
    least_scrim,
    rectangle_of,
    short_map,
)

RNG = np.random.default_rng(7)
PICTURE = Pixels(RNG.integers(0, 256, (40, 64, 3), dtype=np.uint8), None, "image/png")
WHITE = np.array([255, 255, 255], dtype=np.uint8)
BOX = Box(20.0, 8.0, 40.0, (64.0, 30.0), 0.25, 0.5)


def behind_by_hand(box, width):
    """All pixels that are behind a block, found by where each of them is on the page."""
    scale = max(width / PICTURE.width, box.box_height / PICTURE.height)
    off = ((PICTURE.width * scale - width) / 2, (PICTURE.height * scale - box.box_height) / 2)
    left, top = (
        box.across * (width - box.width) + off[0],
        box.down * (box.box_height - box.height) + off[1],
    )
    found = []
    for y in range(PICTURE.height):
        for x in range(PICTURE.width):
            inside_x = x * scale < left + box.width and (x + 1) * scale > left
            inside_y = y * scale < top + box.height and (y + 1) * scale > top
            if inside_x and inside_y:
                found.append(PICTURE.rgb8[y, x])
    return np.array(found)


def test_shares_are_those_of_the_pixels_behind_it_at_every_width():
    for each in behind(PICTURE, BOX, WHITE, 4.5):
        pixels = behind_by_hand(BOX, each.box_width)
        reached = ratio(pixels, WHITE)
        assert each.short == pytest.approx((reached < 4.5).mean(), abs=1e-9)
        assert each.below == pytest.approx(
            [(reached < level).mean() for level in (3.0, 4.5, 7.0)], abs=1e-9
        )
        assert each.worst == pytest.approx(reached.min(), rel=1e-5)


def test_a_cell_is_hatched_where_any_of_its_pixels_falls_short():
    found = short_map(PICTURE, WHITE, 4.5, most=16)
    short = ratio(PICTURE.rgb8, WHITE) < 4.5
    assert found.shape == (10, 16)
    assert (found == short.reshape(10, 4, 16, 4).any(axis=(1, 3))).all()
    assert (short_map(PICTURE, WHITE, 4.5) == short).all()


def test_the_least_scrim_does_it_and_a_little_less_does_not():
    black = np.zeros(3, dtype=np.uint8)
    alpha = least_scrim(PICTURE, BOX, WHITE, 4.5, black, 0.1)
    assert alpha is not None

    def worst(at):
        return max(
            float((ratio(solid(black, at, behind_by_hand(BOX, width)), WHITE) < 4.5).mean())
            for width in BOX.box_widths
        )

    assert worst(alpha) <= 0.1 < worst(alpha - 0.01)
    assert least_scrim(PICTURE, BOX, WHITE, 4.5, WHITE, 0.1) is None


def test_the_best_place_is_the_calm_one_and_the_best_color_falls_short_least():
    rgb8 = RNG.integers(120, 256, (60, 120, 3), dtype=np.uint8)
    rgb8[40:60, 80:120] = (10, 20, 30)
    picture = Pixels(rgb8, None, "image/png")
    box = Box(24.0, 10.0, 60.0, (120.0,), 0.0, 0.0)
    across, down = best_place(picture, box, WHITE, 4.5)
    moved = Box(24.0, 10.0, 60.0, (120.0,), across, down)
    assert behind(picture, moved, WHITE, 4.5)[0].short == 0.0
    x0, y0, x1, y1 = rectangle_of(picture, moved, 120.0)
    assert (x0, y0) >= (80, 40)
    assert (x1, y1) <= (120, 60)
    colors = np.array([[255, 255, 255], [0, 0, 0], [128, 128, 128]], dtype=np.uint8)
    shares = best_colors(picture, box, colors, 4.5)
    for color, share in zip(colors, shares, strict=True):
        assert share == pytest.approx(behind(picture, box, color, 4.5)[0].short, abs=1e-9)
    assert shares.argmin() == 1
