"""How near colors come to one another, in CIEDE2000."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import srgb_to_lab

HARDLY_DIFFERENT = 2.0
"""Below, two colors are taken for one: half of observers accept a difference up to about 1.8."""


def differences(one8: Bytes, other8: Bytes) -> Floats:
    """CIEDE2000 of every one of n 8-bit colors (n, 3) with every one of m (m, 3): shape (n, m)."""
    one, other = srgb_to_lab(from_bytes(one8)), srgb_to_lab(from_bytes(other8))
    return np.asarray(ciede2000(one[:, None], other[None]))


@dataclass(frozen=True)
class Nearest:
    """The color of a set that another comes nearest to, by its place, the CIEDE2000 between, and whether that is so
    little that both are taken for one."""

    place: int
    distance: float

    @property
    def hardly_different(self) -> bool:
        """Whether both are taken for one color."""
        return self.distance < HARDLY_DIFFERENT


def nearest(one8: Bytes, other8: Bytes, *, above: int | None = None) -> list[Nearest | None]:
    """For every one of n 8-bit colors (n, 3) the nearest of m (m, 3), m first of equals; None where there is none.

    With `above`, the colors of `other8` from that place on are the n themselves, and each is only compared with those
    that stand before it.
    """
    if len(one8) == 0 or len(other8) == 0:
        return [None] * len(one8)
    found = differences(one8, other8)
    if above is not None:
        places = np.arange(len(one8))
        found[:, above:][places[:, None] <= places[None, :]] = np.inf
    best = found.argmin(axis=1)
    return [
        Nearest(int(place), float(found[row, place])) if np.isfinite(found[row, place]) else None
        for row, place in enumerate(best)
    ]
