"""No two steps alike: where a side of a ladder has less room than 8 bits have grays, rounding would give one twice."""

from collections.abc import Sequence
from itertools import pairwise

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.rounding import nearest_bytes

_BESIDE = np.stack(np.meshgrid(*[[-1, 0, 1]] * 3), axis=-1).reshape(-1, 3)
_MORE = 1e-9
"""Luminance that is more, whatever rounding does: one level of blue beside black is 2e-5."""


def distinct(rgb8: Bytes, wanted: Floats, anchor: int) -> Bytes:
    """Steps (n, 3) that do not fall so, each darker than the one before, chosen among the neighbors of what is wanted.

    `wanted` (n, 3) is sRGB. From the anchor, which stays, outward; where no neighbor is left, a step is the next
    color beyond the one before it.
    """
    found = rgb8.copy()
    for way in (-1, 1):
        side = range(anchor, -1 if way < 0 else len(found), way)
        # Outward from the anchor, and back from the end, which may be white or black already.
        _in_order(found, wanted, list(side), way)
        _in_order(found, wanted, list(side)[:0:-1], -way)
        if any(not _beyond(found[at], found[before], way) for before, at in pairwise(side)):
            for before, at in pairwise(side):
                found[at] = _least(found[before], way)
    return found


def _in_order(found: Bytes, wanted: Floats, places: Sequence[int], way: int) -> None:
    for before, at in pairwise(places):
        for srgb in (wanted[at], from_bytes(found[before])):
            if not _beyond(found[at], found[before], way):
                found[at] = _next(srgb, found[before], way)


def _beyond(color: Bytes, before: Bytes, way: int) -> bool:
    return float(relative_luminance(before) - relative_luminance(color)) * way > _MORE


def _next(srgb: Floats, before: Bytes, way: int) -> Bytes:
    """The neighbor of a color that is lighter (-1) or darker (1) than the one before it."""
    luminance = float(relative_luminance(before))
    low, high = (luminance + _MORE, 1.0) if way < 0 else (0.0, luminance - _MORE)
    return nearest_bytes(srgb, keep_chroma=True, window=np.array([[low], [high]]))


def _least(before: Bytes, way: int) -> Bytes:
    """The neighbor that is lighter (-1) or darker (1) by least."""
    around = np.clip(before.astype(np.intp) + _BESIDE, 0, 255)
    further = (relative_luminance(before) - relative_luminance(around)) * way
    return around[np.argmin(np.where(further > _MORE, further, np.inf))].astype(np.uint8)
