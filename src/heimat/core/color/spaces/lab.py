"""CIE 1976 L*a*b* (CIE 15) relative to D65, as used for what is compared on screens."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.xyz import WHITE, srgb_to_xyz, xyz_to_srgb

_EPSILON = 216 / 24389
_KAPPA = 24389 / 27


def lightness(luminance: ArrayLike) -> Floats:
    """CIE L*, 0 to 100, of a relative luminance 0 to 1, any shape."""
    y = floats(luminance)
    return np.where(y > _EPSILON, 116.0 * np.cbrt(y) - 16.0, _KAPPA * y)


def luminance_of(lightness_: ArrayLike) -> Floats:
    """Relative luminance 0 to 1 of a CIE L* 0 to 100, any shape: the inverse of `lightness`."""
    value = floats(lightness_)
    return np.where(value > _KAPPA * _EPSILON, ((value + 16.0) / 116.0) ** 3, value / _KAPPA)


def xyz_to_lab(xyz: ArrayLike) -> Floats:
    """XYZ (..., 3) to L*a*b*."""
    ratio = floats(xyz) / WHITE
    f = np.where(ratio > _EPSILON, np.cbrt(ratio), (_KAPPA * ratio + 16.0) / 116.0)
    x, y, z = f[..., 0], f[..., 1], f[..., 2]
    return np.stack([116.0 * y - 16.0, 500.0 * (x - y), 200.0 * (y - z)], axis=-1)


def lab_to_xyz(lab: ArrayLike) -> Floats:
    """L*a*b* (..., 3) to XYZ."""
    values = floats(lab)
    y = (values[..., 0] + 16.0) / 116.0
    f = np.stack([y + values[..., 1] / 500.0, y, y - values[..., 2] / 200.0], axis=-1)
    return np.where(f**3 > _EPSILON, f**3, (116.0 * f - 16.0) / _KAPPA) * WHITE


def srgb_to_lab(srgb: ArrayLike) -> Floats:
    """Gamma-encoded sRGB (..., 3) to L*a*b* (D65)."""
    return xyz_to_lab(srgb_to_xyz(srgb))


def lab_to_srgb(lab: ArrayLike) -> Floats:
    """L*a*b* (D65) (..., 3) to gamma-encoded sRGB, unclipped."""
    return xyz_to_srgb(lab_to_xyz(lab))
