"""Mixing two colors: the colors between them, at even distances in a chosen space."""

import numpy as np

from heimat.core.color.arrays import Bytes, from_bytes, to_bytes
from heimat.core.color.blending import MixSpace, blend

FEWEST, MOST = 1, 9


def mixed(one8: Bytes, other8: Bytes, count: int, space: MixSpace) -> Bytes:
    """The `count` 8-bit colors between two, without the ends, (count, 3); see `blend` for the spaces."""
    shares = np.arange(1, count + 1)[:, None] / (count + 1)
    return to_bytes(blend(from_bytes(one8), from_bytes(other8), shares, space))
