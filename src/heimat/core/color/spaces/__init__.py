"""Color spaces, one a file; every function maps arrays of shape (..., 3) to arrays of the same shape.

Ranges: sRGB, linear sRGB, display-p3, HSL and HSV 0 to 1 with hues in degrees 0 to 360; XYZ with Y = 1 for
white (D65); CIE L*a*b* with L* 0 to 100 (D65); OKLab and OKLCH with L 0 to 1 and hues in degrees.
"""

from heimat.core.color.spaces.cam02 import xyz_to_cam02
from heimat.core.color.spaces.display_p3 import p3_to_srgb, srgb_to_p3
from heimat.core.color.spaces.hsl import hsl_to_srgb, srgb_to_hsl
from heimat.core.color.spaces.hsv import hsv_to_srgb, srgb_to_hsv
from heimat.core.color.spaces.lab import (
    lab_to_srgb,
    lab_to_xyz,
    lightness,
    luminance_of,
    srgb_to_lab,
    xyz_to_lab,
)
from heimat.core.color.spaces.oklab import (
    linear_to_oklab,
    oklab_to_linear,
    oklab_to_oklch,
    oklab_to_srgb,
    oklch_to_oklab,
    oklch_to_srgb,
    srgb_to_oklab,
    srgb_to_oklch,
)
from heimat.core.color.spaces.srgb import linear_to_srgb, srgb_to_linear
from heimat.core.color.spaces.xyz import linear_to_xyz, srgb_to_xyz, xyz_to_linear, xyz_to_srgb

__all__ = [
    "hsl_to_srgb",
    "hsv_to_srgb",
    "lab_to_srgb",
    "lab_to_xyz",
    "lightness",
    "linear_to_oklab",
    "linear_to_srgb",
    "linear_to_xyz",
    "luminance_of",
    "oklab_to_linear",
    "oklab_to_oklch",
    "oklab_to_srgb",
    "oklch_to_oklab",
    "oklch_to_srgb",
    "p3_to_srgb",
    "srgb_to_hsl",
    "srgb_to_hsv",
    "srgb_to_lab",
    "srgb_to_linear",
    "srgb_to_oklab",
    "srgb_to_oklch",
    "srgb_to_p3",
    "srgb_to_xyz",
    "xyz_to_cam02",
    "xyz_to_lab",
    "xyz_to_linear",
    "xyz_to_srgb",
]
