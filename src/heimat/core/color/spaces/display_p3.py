"""display-p3: DCI-P3 primaries, D65 white, the sRGB transfer function. Matrix of CSS Color 4."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.srgb import linear_to_srgb, srgb_to_linear
from heimat.core.color.spaces.xyz import linear_to_xyz, xyz_to_linear

_TO_XYZ = np.array(
    [
        [608311 / 1250200, 189793 / 714400, 198249 / 1000160],
        [35783 / 156275, 247089 / 357200, 198249 / 2500400],
        [0.0, 32229 / 714400, 5220557 / 5000800],
    ]
)
_FROM_XYZ = np.linalg.inv(_TO_XYZ)
SRGB_TO_P3: Floats = floats(_FROM_XYZ @ linear_to_xyz(np.eye(3)).T)
"""Linear sRGB to linear display-p3, shape (3, 3)."""


def p3_to_srgb(p3: ArrayLike) -> Floats:
    """Gamma-encoded display-p3 (..., 3) to gamma-encoded sRGB, unclipped."""
    return linear_to_srgb(xyz_to_linear(srgb_to_linear(p3) @ _TO_XYZ.T))


def srgb_to_p3(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to gamma-encoded display-p3."""
    return linear_to_srgb(linear_to_xyz(srgb_to_linear(srgb)) @ _FROM_XYZ.T)
