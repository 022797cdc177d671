"""The finishing choice of 8-bit values.

Plain rounding turns the hue of dark and weak colors by several degrees. Of the 27 8-bit values around a wanted
color, the one that keeps the hue, then the luminance, best is taken.
"""

import itertools

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Bytes, Floats, floats
from heimat.core.color.contrast import WEIGHTS, linear_of_bytes, relative_luminance
from heimat.core.color.spaces.lab import lightness
from heimat.core.color.spaces.oklab import linear_to_oklab, srgb_to_oklab
from heimat.core.color.spaces.srgb import srgb_to_linear

_AROUND = np.array(list(itertools.product((-1, 0, 1), repeat=3)))
HUE_FREE = 1.0
"""Degrees of hue that cost nothing: below, the luminance decides."""
_PER_DEGREE = 3.0
_PER_CHROMA = 20.0
_PER_CHROMA_OF_GRAY = 2000.0
_GRAY = 0.001
_COLORED = 0.02
"""OKLCH chroma from which a degree of hue counts in full; weaker colors have hardly any hue to keep."""


def nearest_bytes(srgb: ArrayLike) -> Bytes:
    """The 8-bit colors (..., 3) that stand for sRGB 0 to 1 (..., 3), chosen among the 27 neighbours of each.

    The cost of a neighbour is its distance in L*, plus 3 for each degree of OKLCH hue beyond the first, plus 20 for
    each unit of OKLab chroma (2000 where a gray is wanted, which stays a gray).
    """
    wanted = np.clip(floats(srgb), 0.0, 1.0)
    base = np.rint(wanted * 255.0).astype(np.intp)
    around = np.clip(base[..., None, :] + _AROUND, 0, 255)
    lab = linear_to_oklab(linear_of_bytes(around))
    aim = srgb_to_oklab(wanted)[..., None, :]
    cost = _cost(lab, aim, lightness(relative_luminance(around)), wanted)
    best = np.argmin(cost, axis=-1)
    chosen = np.take_along_axis(around, best[..., None, None], axis=-2)[..., 0, :]
    return chosen.astype(np.uint8)


def _cost(lab: Floats, aim: Floats, light: Floats, wanted: Floats) -> Floats:
    a, b = lab[..., 1], lab[..., 2]
    wa, wb = aim[..., 1], aim[..., 2]
    chroma, wanted_chroma = np.hypot(a, b), np.hypot(wa, wb)
    turn = np.degrees(np.abs(np.arctan2(a * wb - b * wa, a * wa + b * wb)))
    wanted_light = lightness(srgb_to_linear(wanted) @ WEIGHTS)[..., None]
    off_hue = np.maximum(turn - HUE_FREE, 0.0) * np.clip(wanted_chroma / _COLORED, 0.0, 1.0)
    per_chroma = np.where(wanted_chroma < _GRAY, _PER_CHROMA_OF_GRAY, _PER_CHROMA)
    return np.abs(light - wanted_light) + _PER_DEGREE * off_hue + per_chroma * np.abs(chroma - wanted_chroma)
