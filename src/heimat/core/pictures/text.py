"""Text on a picture: what share of the area behind a block of it falls short, over the picture's own pixels.

A picture covers a box on the page, as wide as the page and of a height that stays: it is scaled until it fills it and
is cropped on both sides alike. A block of text stands at a share `across` and `down` of the room that it has there. So
the same text meets other parts of the picture at other widths; the worst of them counts.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import (
    AA_LARGE,
    AA_TEXT,
    AAA_TEXT,
    FLARE,
    WEIGHTS,
    linear_of_bytes,
    relative_luminance,
)
from heimat.core.color.overlay import solid
from heimat.core.pictures.decoding import Pixels

LEVELS = (AA_LARGE, AA_TEXT, AAA_TEXT)
_MOST_CELLS = 400_000
"""Cells in which a picture is searched for a place; each knows how many of its pixels fall short."""
_PLACES = (25, 19)
_SCRIM_STEPS = 100


@dataclass(frozen=True)
class Box:
    """A block of text (width and height) in a box on the page (height, several widths), all in CSS pixels, with its
    place in the room that it has: shares 0 to 1 across and down."""

    width: float
    height: float
    box_height: float
    box_widths: tuple[float, ...]
    across: float
    down: float


@dataclass(frozen=True)
class Behind:
    """What is behind the block at one width: the rectangle in the picture's pixels, the share of it below the level
    asked for and below 3, 4.5 and 7, and the lowest contrast."""

    box_width: float
    rectangle: tuple[int, int, int, int]
    short: float
    below: tuple[float, float, float]
    worst: float


_LEVELS_8 = np.arange(256, dtype=np.uint8)
_NO_SCRIM = np.zeros(3, dtype=np.uint8)


def luminances(rgb8: Bytes, scrim8: Bytes = _NO_SCRIM, alpha: float = 0.0) -> NDArray[np.float32]:
    """WCAG relative luminance of many pixels (..., 3), perhaps under a scrim, by table, in single precision."""
    levels = solid(scrim8, alpha, np.repeat(_LEVELS_8[:, None], 3, axis=1))
    tables = (linear_of_bytes(levels) * WEIGHTS).astype(np.float32)
    red, green, blue = (tables[:, channel][rgb8[..., channel]] for channel in range(3))
    return np.asarray(red + green + blue)


def rectangle_of(pixels: Pixels, box: Box, box_width: float) -> tuple[int, int, int, int]:
    """Left, top, right and bottom of what is behind the block at a width, in the picture's pixels; never empty."""
    scale = max(box_width / pixels.width, box.box_height / pixels.height)
    off_x = (pixels.width * scale - box_width) / 2.0
    off_y = (pixels.height * scale - box.box_height) / 2.0
    width, height = min(box.width, box_width), min(box.height, box.box_height)
    left = off_x + box.across * (box_width - width)
    top = off_y + box.down * (box.box_height - height)
    x0, x1 = sorted((int(left / scale), int(np.ceil((left + width) / scale))))
    y0, y1 = sorted((int(top / scale), int(np.ceil((top + height) / scale))))
    x0, y0 = min(max(x0, 0), pixels.width - 1), min(max(y0, 0), pixels.height - 1)
    return x0, y0, min(max(x1, x0 + 1), pixels.width), min(max(y1, y0 + 1), pixels.height)


def behind(pixels: Pixels, box: Box, text8: Bytes, level: float) -> list[Behind]:
    """What is behind a block of text of an opaque color (3,) at each width."""
    own = float(relative_luminance(text8))
    found = []
    for width in box.box_widths:
        x0, y0, x1, y1 = rectangle_of(pixels, box, width)
        luminance = luminances(pixels.rgb8[y0:y1, x0:x1])
        shares = [_share_short(luminance, own, each) for each in (level, *LEVELS)]
        least, most = float(luminance.min()), float(luminance.max())
        nearest = min(max(own, least), most)
        worst = (max(own, nearest) + FLARE) / (min(own, nearest) + FLARE)
        if least <= own <= most:
            worst = _lowest(luminance, own)
        found.append(
            Behind(width, (x0, y0, x1, y1), shares[0], (shares[1], shares[2], shares[3]), worst)
        )
    return found


def _lowest(luminance: NDArray[np.float32], own: float) -> float:
    higher = np.maximum(luminance, own) + FLARE
    lower = np.minimum(luminance, own) + FLARE
    return float((higher / lower).min())


def _window(own: float, level: float) -> tuple[float, float]:
    """The luminances between which a ground falls short of a level for a text."""
    # Single precision may lift a luminance over a boundary: what is that near falls short.
    slack = 1e-6
    return (own + FLARE) / level - FLARE + slack, (own + FLARE) * level - FLARE - slack


def _share_short(luminance: NDArray[np.float32], own: float, level: float) -> float:
    low, high = _window(own, level)
    return float(np.count_nonzero((luminance > low) & (luminance < high)) / luminance.size)


def short_map(pixels: Pixels, text8: Bytes, level: float, most: int = 1024) -> NDArray[np.bool_]:
    """Where a text of a color (3,) could not stand: cells (h, w) of at most `most` a side in which any pixel falls
    short, computed over all pixels."""
    low, high = _window(float(relative_luminance(text8)), level)
    step = max(1, -(-max(pixels.width, pixels.height) // most))
    rows = []
    for top in range(0, pixels.height, step):
        luminance = luminances(pixels.rgb8[top : top + step])
        short = ((luminance > low) & (luminance < high)).any(axis=0)
        rows.append(np.add.reduceat(short.astype(np.int32), np.arange(0, pixels.width, step)) > 0)
    return np.array(rows)


def best_place(pixels: Pixels, box: Box, text8: Bytes, level: float) -> tuple[float, float]:
    """Where in its box a block of a color (3,) falls short least, at its worst width: shares across and down.

    Of places that are as good, the one nearest to where the block is now.
    """
    step = max(1, int(np.ceil(np.sqrt(pixels.width * pixels.height / _MOST_CELLS))))
    low, high = _window(float(relative_luminance(text8)), level)
    luminance = luminances(pixels.rgb8[::step, ::step])
    short = (luminance > low) & (luminance < high)
    summed: NDArray[np.int64] = np.zeros((short.shape[0] + 1, short.shape[1] + 1), dtype=np.int64)
    summed[1:, 1:] = short.cumsum(axis=0, dtype=np.int64).cumsum(axis=1, dtype=np.int64)
    across, down = np.meshgrid(np.linspace(0.0, 1.0, _PLACES[0]), np.linspace(0.0, 1.0, _PLACES[1]))
    places = [(float(a), float(d)) for a, d in zip(across.ravel(), down.ravel(), strict=True)]

    def worst(place: tuple[float, float]) -> float:
        moved = Box(box.width, box.height, box.box_height, box.box_widths, *place)
        return max(
            _short_in(summed, rectangle_of(pixels, moved, width), step) for width in box.box_widths
        )

    def away(place: tuple[float, float]) -> float:
        return abs(place[0] - box.across) + abs(place[1] - box.down)

    return min(places, key=lambda place: (round(worst(place), 4), away(place)))


def _short_in(summed: NDArray[np.int64], rectangle: tuple[int, int, int, int], step: int) -> float:
    height, width = summed.shape[0] - 1, summed.shape[1] - 1
    x0, y0 = min(rectangle[0] // step, width - 1), min(rectangle[1] // step, height - 1)
    x1, y1 = (
        min(max(-(-rectangle[2] // step), x0 + 1), width),
        min(max(-(-rectangle[3] // step), y0 + 1), height),
    )
    count = summed[y1, x1] - summed[y0, x1] - summed[y1, x0] + summed[y0, x0]
    return float(count / ((x1 - x0) * (y1 - y0)))


def least_scrim(
    pixels: Pixels, box: Box, text8: Bytes, level: float, scrim8: Bytes, share: float
) -> float | None:
    """The least alpha (hundredths) of a scrim (3,) between picture and text with which at most `share` falls short.

    None where even an opaque one does not do it.
    """
    areas = []
    for width in box.box_widths:
        x0, y0, x1, y1 = rectangle_of(pixels, box, width)
        areas.append(pixels.rgb8[y0:y1, x0:x1].reshape(-1, 3))
    own = float(relative_luminance(text8))

    def does(alpha: float) -> bool:
        return all(
            _share_short(luminances(area, scrim8, alpha), own, level) <= share for area in areas
        )

    low, high = 0, _SCRIM_STEPS
    if does(0.0):
        return 0.0
    if not does(1.0):
        return None
    while high - low > 1:
        middle = (low + high) // 2
        if does(middle / _SCRIM_STEPS):
            high = middle
        else:
            low = middle
    return high / _SCRIM_STEPS


def best_colors(pixels: Pixels, box: Box, colors8: Bytes, level: float) -> Floats:
    """The share that falls short behind a block for each of several text colors (n, 3), at the worst width: (n,)."""
    found: list[Floats] = []
    for width in box.box_widths:
        x0, y0, x1, y1 = rectangle_of(pixels, box, width)
        ordered = np.sort(luminances(pixels.rgb8[y0:y1, x0:x1]).ravel())
        windows: Sequence[tuple[float, float]] = [
            _window(float(own), level) for own in relative_luminance(colors8)
        ]
        low = np.searchsorted(ordered, [each[0] for each in windows], side="right")
        high = np.searchsorted(ordered, [each[1] for each in windows], side="left")
        found.append(np.maximum(high - low, 0) / len(ordered))
    return np.asarray(np.max(found, axis=0))
