"""A continuous palette as stops between which programs interpolate: enough of them that nobody sees a difference.

Charting libraries interpolate in gamma-encoded sRGB, so the design is held to straight lines there.
"""

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import srgb_to_lab

CLOSE, CLOSE_ROUNDED = 0.5, 1.5
"""How far (CIEDE2000) the lines between stops may be from the design, before and after the stops are rounded."""
DESIGNED = 257
"""Colors by which a design is told: stops are every so-many-th of them."""
_EVERY = (32, 16, 8, 4, 2, 1)


def stops_of(design: Floats) -> Bytes:
    """The fewest of some evenly spaced 8-bit stops (n, 3) that stay close to a design (257, 3), sRGB 0 to 1."""
    for every in _EVERY:
        stops = design[::every]
        rounded = to_bytes(stops)
        near, near_rounded = _off(stops, design), _off(from_bytes(rounded), design)
        if near <= CLOSE and near_rounded <= CLOSE_ROUNDED:
            break
    return rounded


def interpolated(stops: Floats, count: int) -> Floats:
    """Colors (count, 3) on the straight lines between stops (n, 3), as programs draw them."""
    places = np.linspace(0.0, len(stops) - 1.0, count)
    return np.stack(
        [np.interp(places, np.arange(len(stops)), stops[:, channel]) for channel in range(3)],
        axis=-1,
    )


def _off(stops: Floats, design: Floats) -> float:
    return float(
        ciede2000(srgb_to_lab(interpolated(stops, len(design))), srgb_to_lab(design)).max()
    )
