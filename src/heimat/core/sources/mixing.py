"""Mixing two colors: the colors between them, at even distances in a chosen space."""

from typing import Literal, get_args

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_bytes
from heimat.core.color.contrast import WEIGHTS
from heimat.core.color.gamut import in_gamut, solve
from heimat.core.color.spaces import (
    linear_to_srgb,
    oklab_to_linear,
    oklab_to_oklch,
    oklab_to_srgb,
    oklch_to_oklab,
    srgb_to_linear,
    srgb_to_oklab,
)

MixSpace = Literal["oklab", "oklch", "linear", "srgb"]
MIX_SPACES: tuple[MixSpace, ...] = get_args(MixSpace)
FEWEST, MOST = 1, 9
_POWERLESS = 2e-4
"""OKLCH chroma below which a hue is noise; a gray takes the other end's hue, as in CSS Color 4."""


def mixed(one8: Bytes, other8: Bytes, count: int, space: MixSpace) -> Bytes:
    """The `count` 8-bit colors between two, without the ends, (count, 3).

    In OKLCH the hue goes the shorter way; what leaves the gamut gives up chroma at its own hue and luminance.
    """
    shares = np.arange(1, count + 1)[:, None] / (count + 1)
    one, other = from_bytes(one8), from_bytes(other8)
    if space == "srgb":
        return to_bytes(one + shares * (other - one))
    if space == "linear":
        start, end = srgb_to_linear(one), srgb_to_linear(other)
        return to_bytes(linear_to_srgb(start + shares * (end - start)))
    start, end = srgb_to_oklab(one), srgb_to_oklab(other)
    if space == "oklab":
        return to_bytes(np.clip(oklab_to_srgb(start + shares * (end - start)), 0.0, 1.0))
    return to_bytes(_between_oklch(oklab_to_oklch(start), oklab_to_oklch(end), shares))


def _between_oklch(start: Floats, end: Floats, shares: Floats) -> Floats:
    if start[1] < _POWERLESS:
        start = np.array([start[0], start[1], end[2]])
    if end[1] < _POWERLESS:
        end = np.array([end[0], end[1], start[2]])
    turn = (end[2] - start[2] + 180.0) % 360.0 - 180.0
    between = start + shares * np.array([end[0] - start[0], end[1] - start[1], turn])
    linear = oklab_to_linear(oklch_to_oklab(between))
    srgb = linear_to_srgb(linear)
    held = solve(np.clip(linear @ WEIGHTS, 0.0, 1.0), between[:, 1], between[:, 2])
    return np.where(in_gamut(srgb)[:, None], np.clip(srgb, 0.0, 1.0), held)
