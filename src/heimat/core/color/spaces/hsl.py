"""HSL (Joblove and Greenberg 1978), as in CSS Color 4: hue in degrees, saturation and lightness 0 to 1."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.hexcone import hexagon


def srgb_to_hsl(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to HSL; grays have hue 0."""
    hue, high, low = hexagon(floats(srgb))
    light = (high + low) / 2.0
    room = 1.0 - np.abs(2.0 * light - 1.0)
    saturation = np.where(high == low, 0.0, (high - low) / np.where(room == 0.0, 1.0, room))
    return np.stack([hue, saturation, light], axis=-1)


def hsl_to_srgb(hsl: ArrayLike) -> Floats:
    """HSL (..., 3) to gamma-encoded sRGB."""
    values = floats(hsl)
    hue, saturation, light = values[..., :1], values[..., 1:2], values[..., 2:3]
    k = (np.array([0.0, 8.0, 4.0]) + hue / 30.0) % 12.0
    reach = saturation * np.minimum(light, 1.0 - light)
    return light - reach * np.clip(np.minimum(k - 3.0, 9.0 - k), -1.0, 1.0)
