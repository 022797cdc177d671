"""The finishing choice of 8-bit values.

Plain rounding turns the hue of dark and weak colors by several degrees. Of the 27 8-bit values around a wanted
color, the one that keeps the hue, then the luminance, best is taken. Where a luminance must not be passed, as when a
contrast was asked for, only those that keep to it are candidates.
"""

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Bytes, Floats, floats
from heimat.core.color.contrast import WEIGHTS, linear_of_bytes
from heimat.core.color.gray_hues import gray_axes
from heimat.core.color.spaces.lab import lightness
from heimat.core.color.spaces.oklab import LINEAR_TO_LMS, LMS_TO_LAB, srgb_to_oklab
from heimat.core.color.spaces.srgb import srgb_to_linear
from heimat.core.color.thresholds import KEEPS_HUE

_BESIDE = np.array([[-1], [0], [1]])
"""By how much each channel may differ from plain rounding."""
_CHANNELS = np.arange(3)[:, None]
HUE_FREE = 1.0
"""Degrees of hue that cost nothing: below, the luminance decides."""
_PER_DEGREE = 3.0
_PER_CHROMA = 20.0
_PER_CHROMA_OF_GRAY = 2000.0
_CHROMA_FREE, _PER_CHROMA_OFF = 0.0015, 600.0
"""OKLCH chroma that may be off, and what more of it costs, where chroma must not rise and fall from step to step."""
_OUTSIDE = 1e6
"""The cost of a luminance that must not be: only where all 27 have such a one, it is taken."""
_SLACK = 1e-12
_GRAY = 0.001


def nearest_bytes(
    srgb: ArrayLike, *, keep_chroma: bool = False, window: Floats | None = None
) -> Bytes:
    """The 8-bit colors (..., 3) that stand for sRGB 0 to 1 (..., 3), chosen among the 27 neighbors of each.

    The cost of a neighbor is its distance in L*, plus 3 for each degree of OKLCH hue beyond the first, plus 20 for
    each unit of OKLab chroma (2000 where a gray is wanted, which stays a gray), and 600 beyond 0.0015 with
    `keep_chroma`. `window` are the least and the largest WCAG luminance of each color, (2, n) in the order of all.
    """
    given = floats(srgb).clip(0.0, 1.0)
    wanted = given.reshape(-1, 3).T
    base = np.rint(wanted * 255.0).astype(np.intp)
    levels = np.minimum(np.maximum(base[:, None] + _BESIDE, 0), 255)
    around = _all_27(linear_of_bytes(levels))
    lab = (LMS_TO_LAB @ np.cbrt(LINEAR_TO_LMS @ around)).reshape(3, 27, -1)
    _settle_grays(lab, levels)
    luminance = (WEIGHTS @ around).reshape(27, -1)
    aim = srgb_to_oklab(wanted.T).T
    cost = _cost(lab, lightness(luminance), aim, srgb_to_linear(wanted))
    if keep_chroma:
        off = np.abs(np.hypot(lab[1], lab[2]) - np.hypot(aim[1], aim[2]))
        cost += _PER_CHROMA_OFF * np.maximum(off - _CHROMA_FREE, 0.0)
    if window is not None:
        least, largest = window
        cost += _OUTSIDE * ((luminance < least - _SLACK) | (luminance > largest + _SLACK))
    best = np.argmin(cost, axis=0)
    chosen = levels[_CHANNELS, np.unravel_index(best, (3, 3, 3)), np.arange(len(best))]
    return chosen.T.reshape(given.shape).astype(np.uint8)


def _all_27(beside: Floats) -> Floats:
    """All colors (3, 27 * n) that have one of three values in each channel, of channels (3, 3, n)."""
    red, green, blue = beside
    colors = np.empty((3, 3, 3, *red.shape))
    colors[0], colors[1], colors[2] = red[:, None, None], green[:, None], blue
    return colors.reshape(3, -1)


def _settle_grays(lab: Floats, levels: NDArray[np.intp]) -> None:
    """Give the grays among the colors (3, 27, n) of levels (3, 3, n) the axes that they have on every processor."""
    near = np.flatnonzero(np.ptp(levels[:, 1], axis=0) <= 2)
    if len(near):
        red, green, blue = levels[:, :, near]
        alike = (red[:, None, None] == green[:, None]) & (red[:, None, None] == blue)
        of_red, of_green, of_blue, place = np.nonzero(alike)
        lab[1:, 9 * of_red + 3 * of_green + of_blue, near[place]] = gray_axes()[
            :, red[of_red, place]
        ]


def _cost(lab: Floats, light: Floats, aim: Floats, linear: Floats) -> Floats:
    """The cost (27, n) of neighbors in OKLab (3, 27, n) and L* (27, n), for aims in OKLab and linear light (3, n)."""
    (_, a, b), (_, wa, wb) = lab, aim
    chroma, wanted_chroma = np.hypot(a, b), np.hypot(wa, wb)
    turn = np.degrees(np.abs(np.arctan2(a * wb - b * wa, a * wa + b * wb)))
    off_hue = np.maximum(turn - HUE_FREE, 0.0) * (wanted_chroma / KEEPS_HUE).clip(0.0, 1.0)
    per_chroma = np.where(wanted_chroma < _GRAY, _PER_CHROMA_OF_GRAY, _PER_CHROMA)
    off_light = np.abs(light - lightness(WEIGHTS @ linear))
    return off_light + _PER_DEGREE * off_hue + per_chroma * np.abs(chroma - wanted_chroma)
