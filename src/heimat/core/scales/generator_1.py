"""The rules of the first generator, kept for ever: what was made by it stays to the bit."""

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask
from heimat.core.scales.anchors import nearest, stretch

_CEILING = 99.5
"""L* of the lightest step where a share of the source's offset would make it white."""
_LEAST_SHARE = 0.7
"""The share of an even gap that is left beside an anchor."""

_OLIVE_FROM, _OLIVE_AT, _OLIVE_TO = 45.0, 95.0, 135.0
_OLIVE_DRIFT = -32.0
"""OKLCH hues between 45 and 135 degrees turn olive when darkened; they drift toward orange, most at 95."""


def place(targets: Floats, source_lightness: float, _oklch: Floats, counted: Mask) -> int:
    """The label nearest in lightness, of n targets (n,), however strong the source is."""
    return nearest(targets, source_lightness, counted)


def drift(hue: float, _lightness: float) -> tuple[float, float]:
    """The same at every lightness, and evenly along the scale."""
    rise, fall = (
        (hue % 360.0 - _OLIVE_FROM) / (_OLIVE_AT - _OLIVE_FROM),
        (_OLIVE_TO - hue % 360.0) / (_OLIVE_TO - _OLIVE_AT),
    )
    near = max(min(rise, fall, 1.0), 0.0)
    return _OLIVE_DRIFT * near * near * (3.0 - 2.0 * near), 0.0


def bend(targets: Floats, source_lightness: float, place: int) -> tuple[Floats, int]:
    """The targets (n,); neighbors on each side take a half, a quarter, ... of the source's offset: no gap jumps out.

    A source farther off than half a gap stretches both sides evenly instead.
    """
    offset = source_lightness - targets[place]
    shared = _shared(targets, source_lightness, place)
    gaps = -np.diff(targets)
    if place > 0 and shared[0] >= 100.0:
        # Steps far apart leave no room toward white for a share; then the lighter label may be the better place.
        shared[0] = _CEILING
        if shared[0] - shared[1] < _LEAST_SHARE * gaps[0]:
            place -= 1
            shared = _shared(targets, source_lightness, place)
            offset = min(offset, gaps.max() / 2.0)
    if (
        abs(offset) <= gaps.max() / 2.0
        and (np.diff(shared) < 0.0).all()
        and shared[0] < 100.0
        and shared[-1] > 0.0
    ):
        return shared, place
    return stretch(targets, source_lightness, place), place


def _shared(targets: Floats, source_lightness: float, place: int) -> Floats:
    """The targets with the source at a place, whose offset the neighbors share."""
    offset = source_lightness - targets[place]
    shared = targets + offset * 0.5 ** np.abs(np.arange(len(targets)) - place)
    shared[place] = source_lightness
    return shared
