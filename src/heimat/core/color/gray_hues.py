"""What rounding leaves of a gray's hue, the same on every processor.

OKLab's a and b of an 8-bit gray are what rounding errors leave, about 1e-16. Their direction means nothing, yet it
takes part in the choice between neighbors of a weak color; and it depends on whether a processor multiplies and adds
with one rounding or with two. Here it is always with one (IEEE 754 fusedMultiplyAdd), as most do.
"""

import math

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import linear_of_bytes
from heimat.core.color.spaces.oklab import LINEAR_TO_LMS, LMS_TO_LAB
from heimat.core.memory import remembered

_SPLIT = 2.0**27 + 1.0


@remembered(1)
def gray_axes() -> Floats:
    """OKLab's a and b of the 256 grays of 8 bits, shape (2, 256)."""
    cones = [
        np.cbrt([_dot(row, [light] * 3) for row in LINEAR_TO_LMS])
        for light in linear_of_bytes(np.arange(256))
    ]
    axes = np.array([[_dot(row, each) for each in cones] for row in LMS_TO_LAB[1:]])
    axes.setflags(write=False)
    return axes


def _dot(row: Floats, column: Floats | list[float]) -> float:
    total = 0.0
    for one, other in zip(row, column, strict=True):
        total = _multiply_and_add(float(one), float(other), total)
    return total


def _multiply_and_add(one: float, other: float, add: float) -> float:
    """one * other + add with a single rounding: the product's own error is found exactly (Dekker 1971) and summed."""
    product = one * other
    high, other_high = _high(one), _high(other)
    low, other_low = one - high, other - other_high
    error = ((high * other_high - product) + high * other_low + low * other_high) + low * other_low
    return math.fsum((product, error, add))


def _high(number: float) -> float:
    """The upper half of the digits of a number (Veltkamp)."""
    scaled = _SPLIT * number
    return scaled - (scaled - number)
