"""L*a*b* of a few 8-bit colors, remembered by the colors: while one thing moves the others are asked for anew."""

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.memory import remembered

_FEW = 400
"""Levels up to which colors are a few."""


def lab_of_few(rgb8: Bytes) -> Floats:
    """L*a*b* (..., 3) of 8-bit colors (..., 3). It may be shared, and cannot be written to."""
    if rgb8.size > _FEW:
        return srgb_to_lab(from_bytes(rgb8))
    return _lab(rgb8.tobytes()).reshape(rgb8.shape)


@remembered(4096)
def _lab(levels: bytes) -> Floats:
    found = srgb_to_lab(from_bytes(np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)))
    found.setflags(write=False)
    return found
