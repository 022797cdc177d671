"""What HSL and HSV share: the hue around the hexagon of RGB (Smith 1978)."""

import numpy as np

from heimat.core.color.arrays import Floats


def hexagon(srgb: Floats) -> tuple[Floats, Floats, Floats]:
    """Return hue in degrees, the largest and the smallest channel of sRGB (..., 3)."""
    high, low = srgb.max(axis=-1), srgb.min(axis=-1)
    span = np.where(high == low, 1.0, high - low)
    r, g, b = srgb[..., 0], srgb[..., 1], srgb[..., 2]
    hue = np.where(
        high == r,
        ((g - b) / span) % 6.0,
        np.where(high == g, (b - r) / span + 2.0, (r - g) / span + 4.0),
    )
    return np.where(high == low, 0.0, hue * 60.0), high, low
