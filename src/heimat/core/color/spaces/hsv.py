"""HSV, which designers type as HSB (Smith 1978): hue in degrees, saturation and value 0 to 1."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.hexcone import hexagon


def srgb_to_hsv(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to HSV; grays have hue 0."""
    hue, high, low = hexagon(floats(srgb))
    saturation = np.where(high == 0.0, 0.0, (high - low) / np.where(high == 0.0, 1.0, high))
    return np.stack([hue, saturation, high], axis=-1)


def hsv_to_srgb(hsv: ArrayLike) -> Floats:
    """HSV (..., 3) to gamma-encoded sRGB."""
    values = floats(hsv)
    hue, saturation, value = values[..., :1], values[..., 1:2], values[..., 2:3]
    k = (np.array([5.0, 3.0, 1.0]) + hue / 60.0) % 6.0
    return value - value * saturation * np.clip(np.minimum(k, 4.0 - k), 0.0, 1.0)
