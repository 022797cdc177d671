"""CIE XYZ, D65 white, Y = 1. Matrix of CSS Color 4, derived from the sRGB primaries of IEC 61966-2-1."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.srgb import linear_to_srgb, srgb_to_linear

_FROM_LINEAR = np.array(
    [
        [506752 / 1228815, 87881 / 245763, 12673 / 70218],
        [87098 / 409605, 175762 / 245763, 12673 / 175545],
        [7918 / 409605, 87881 / 737289, 1001167 / 1053270],
    ]
)
_TO_LINEAR = np.linalg.inv(_FROM_LINEAR)
WHITE: Floats = _FROM_LINEAR.sum(axis=1)
"""XYZ of sRGB white, shape (3,)."""


def linear_to_xyz(linear: ArrayLike) -> Floats:
    """Linear sRGB (..., 3) to XYZ."""
    return floats(linear) @ _FROM_LINEAR.T


def xyz_to_linear(xyz: ArrayLike) -> Floats:
    """XYZ (..., 3) to linear sRGB, unclipped."""
    return floats(xyz) @ _TO_LINEAR.T


def srgb_to_xyz(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to XYZ."""
    return linear_to_xyz(srgb_to_linear(srgb))


def xyz_to_srgb(xyz: ArrayLike) -> Floats:
    """XYZ (..., 3) to gamma-encoded sRGB, unclipped."""
    return linear_to_srgb(xyz_to_linear(xyz))
