"""OKLab and OKLCH (Ottosson 2020), with the matrices of CSS Color 4.

CSS Color 4 gives the first matrix for XYZ; here it stands combined with the one from linear sRGB.
"""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.srgb import linear_to_srgb, srgb_to_linear

LINEAR_TO_LMS: Floats = np.array(
    [
        [0.41222146947076305, 0.5363325372617348, 0.0514459932675022],
        [0.21190349581782522, 0.6806995506452344, 0.10739695353694055],
        [0.08830245919005643, 0.2817188391361215, 0.6299787016738222],
    ]
)
"""Linear sRGB to cone responses, shape (3, 3): the matrix of CSS Color 4 from XYZ, times that from linear sRGB to XYZ.

It is written out, because a product that is computed anew may differ in its last digit from processor to processor.
"""
LMS_TO_LAB: Floats = np.array(
    [
        [0.2104542683093140, 0.7936177747023054, -0.0040720430116193],
        [1.9779985324311684, -2.4285922420485799, 0.4505937096174110],
        [0.0259040424655478, 0.7827717124575296, -0.8086757549230774],
    ]
)
"""Cube roots of the cone responses to OKLab, shape (3, 3)."""
LMS_TO_LINEAR: Floats = floats(np.linalg.inv(LINEAR_TO_LMS))
"""Cone responses to linear sRGB, shape (3, 3)."""
LAB_TO_LMS: Floats = floats(np.linalg.inv(LMS_TO_LAB))
"""OKLab to the cube roots of the cone responses, shape (3, 3)."""


def linear_to_oklab(linear: ArrayLike) -> Floats:
    """Linear sRGB (..., 3) to OKLab."""
    return np.cbrt(floats(linear) @ LINEAR_TO_LMS.T) @ LMS_TO_LAB.T


def oklab_to_linear(oklab: ArrayLike) -> Floats:
    """OKLab (..., 3) to linear sRGB, unclipped."""
    return (floats(oklab) @ LAB_TO_LMS.T) ** 3 @ LMS_TO_LINEAR.T


def srgb_to_oklab(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to OKLab."""
    return linear_to_oklab(srgb_to_linear(srgb))


def oklab_to_srgb(oklab: ArrayLike) -> Floats:
    """OKLab (..., 3) to gamma-encoded sRGB, unclipped."""
    return linear_to_srgb(oklab_to_linear(oklab))


def oklab_to_oklch(oklab: ArrayLike) -> Floats:
    """OKLab (..., 3) to OKLCH; hue in degrees, 0 to 360."""
    values = floats(oklab)
    a, b = values[..., 1], values[..., 2]
    return np.stack([values[..., 0], np.hypot(a, b), np.degrees(np.arctan2(b, a)) % 360.0], axis=-1)


def oklch_to_oklab(oklch: ArrayLike) -> Floats:
    """OKLCH (..., 3), hue in degrees, to OKLab."""
    values = floats(oklch)
    hue = np.radians(values[..., 2])
    chroma = values[..., 1]
    return np.stack([values[..., 0], chroma * np.cos(hue), chroma * np.sin(hue)], axis=-1)


def srgb_to_oklch(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to OKLCH."""
    return oklab_to_oklch(srgb_to_oklab(srgb))


def oklch_to_srgb(oklch: ArrayLike) -> Floats:
    """OKLCH (..., 3) to gamma-encoded sRGB, unclipped."""
    return oklab_to_srgb(oklch_to_oklab(oklch))
