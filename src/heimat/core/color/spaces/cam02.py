"""CAM02-UCS (Luo, Cui and Li 2006), over CIECAM02 (CIE 159:2004), under the viewing conditions of sRGB.

D65 white, average surround, background of 20 % and an adapting luminance of 64 lux / (5 π), as IEC 61966-2-1 has it.
Used where palettes for data are measured: distances in it are near to what is seen, over short and long ways alike.
"""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.spaces.xyz import linear_to_xyz

_CAT02 = np.array([[0.7328, 0.4296, -0.1624], [-0.7036, 1.6975, 0.0061], [0.0030, 0.0136, 0.9834]])
_HPE = np.array([[0.38971, 0.68898, -0.07868], [-0.22981, 1.18340, 0.04641], [0.0, 0.0, 1.0]])
_BACKGROUND = 20.0
ADAPTING = 64.0 / np.pi / 5.0
"""Luminance to which the eye is adapted, cd/m²."""
_C, _NC, _F = 0.69, 1.0, 1.0
_C1, _C2 = 0.007, 0.0228

_WHITE = linear_to_xyz(np.ones(3)) * 100.0
_K = 1.0 / (5.0 * ADAPTING + 1.0)
_FL = 0.2 * _K**4 * 5.0 * ADAPTING + 0.1 * (1.0 - _K**4) ** 2 * (5.0 * ADAPTING) ** (1.0 / 3.0)
_N = _BACKGROUND / _WHITE[1]
_NBB = 0.725 * _N**-0.2
_Z = 1.48 + np.sqrt(_N)
_DEGREE = min(max(_F * (1.0 - np.exp((-ADAPTING - 42.0) / 92.0) / 3.6), 0.0), 1.0)
_ADAPTED = _WHITE[1] * _DEGREE / (_CAT02 @ _WHITE) + 1.0 - _DEGREE
_TO_CONES = _HPE @ np.linalg.inv(_CAT02) @ (_ADAPTED[:, None] * _CAT02)


def _responses(xyz100: Floats) -> Floats:
    cones = xyz100 @ _TO_CONES.T
    power = (_FL * np.abs(cones) / 100.0) ** 0.42
    return np.sign(cones) * 400.0 * power / (power + 27.13) + 0.1


def _achromatic(responses: Floats) -> Floats:
    return np.asarray((responses @ np.array([2.0, 1.0, 0.05]) - 0.305) * _NBB)


_WHITE_RESPONSE = _achromatic(_responses(_WHITE))


def xyz_to_cam02(xyz: ArrayLike) -> Floats:
    """XYZ (..., 3), Y = 1 for white, to J' (0 to 100), a', b'; same shape."""
    responses = _responses(floats(xyz) * 100.0)
    red, green, blue = responses[..., 0], responses[..., 1], responses[..., 2]
    a, b = red - 12.0 * green / 11.0 + blue / 11.0, (red + green - 2.0 * blue) / 9.0
    hue = np.arctan2(b, a)
    light = 100.0 * (np.maximum(_achromatic(responses), 0.0) / _WHITE_RESPONSE) ** (_C * _Z)
    eccentric = 0.25 * (np.cos(hue + 2.0) + 3.8)
    t = 50000.0 / 13.0 * _NC * _NBB * eccentric * np.hypot(a, b) / (red + green + 1.05 * blue)
    colorful = t**0.9 * np.sqrt(light / 100.0) * (1.64 - 0.29**_N) ** 0.73 * _FL**0.25
    strength = np.log1p(_C2 * colorful) / _C2
    return np.stack(
        [
            (1.0 + 100.0 * _C1) * light / (1.0 + _C1 * light),
            strength * np.cos(hue),
            strength * np.sin(hue),
        ],
        axis=-1,
    )
