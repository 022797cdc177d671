"""The sRGB transfer function (IEC 61966-2-1), with the break at 0.04045; odd around zero, as in CSS Color 4."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats


def srgb_to_linear(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3), 0 to 1 and beyond, to linear light."""
    values = floats(srgb)
    size = np.abs(values)
    linear = np.where(size <= 0.04045, size / 12.92, ((size + 0.055) / 1.055) ** 2.4)
    return np.copysign(linear, values)


def linear_to_srgb(linear: ArrayLike) -> Floats:
    """Linear-light sRGB (..., 3) to gamma-encoded sRGB."""
    values = floats(linear)
    size = np.abs(values)
    encoded = np.where(size <= 0.0031308, size * 12.92, 1.055 * size ** (1 / 2.4) - 0.055)
    return np.copysign(encoded, values)
