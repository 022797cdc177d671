"""Colors of a given luminance and hue inside a gamut: sRGB, or display-p3.

Heimat maps into the gamut by reducing chroma at constant OKLCH hue and constant WCAG luminance, so that contrast is
never touched. OKLab is homogeneous: with s = C/L, linear RGB is L^3 * g(s, h), hence L = cbrt(Y / (w . g(s, h))),
and one search over s solves every color at once.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.contrast import WEIGHTS
from heimat.core.color.spaces.display_p3 import SRGB_TO_P3
from heimat.core.color.spaces.oklab import LAB_TO_LMS, LMS_TO_LINEAR
from heimat.core.color.spaces.srgb import linear_to_srgb

Mask = NDArray[np.bool_]

_SLACK = 1e-9


@dataclass(frozen=True)
class Gamut:
    """An RGB space with the sRGB transfer function: cone responses to its linear channels (3, 3), the WCAG luminance
    of each channel (3,), and a C/L of OKLab above which it has no color."""

    lms_to_linear: Floats
    weights: Floats
    highest_s: float


SRGB = Gamut(LMS_TO_LINEAR, WEIGHTS, 0.75)
"""No sRGB color has C/L above 0.70 (the blue primary)."""
DISPLAY_P3 = Gamut(SRGB_TO_P3 @ LMS_TO_LINEAR, WEIGHTS @ np.linalg.inv(SRGB_TO_P3), 0.85)
"""No display-p3 color has C/L above 0.76 (its blue). Its luminances are those that WCAG gives to the color in sRGB."""
_GRID = np.linspace(0.0, 1.0, 41)
_PARTS = 8
_PASSES = 5
"""Five passes that each part what is left into eight: the chroma ends within 1e-6 of the edge, a thousandth of what 8
bits can tell. Few passes over many points are faster than many over one: the arrays are small."""
_EIGHTHS = np.arange(_PARTS) / _PARTS


def in_gamut(srgb: ArrayLike) -> Mask:
    """Whether sRGB colors (..., 3) lie in 0 to 1, but for 1e-6 of float noise."""
    values = floats(srgb)
    return np.asarray(((values >= -1e-6) & (values <= 1.0 + 1e-6)).all(axis=-1))


def _unit_linear(s: Floats, cosine: Floats, sine: Floats, gamut: Gamut) -> Floats:
    """Linear RGB of OKLab (1, s cos h, s sin h), channels first: (3, ...), which is what makes the search fast."""
    a, b = s * cosine, s * sine
    across = (3,) + (1,) * s.ndim
    lms = LAB_TO_LMS[:, 0].reshape(across) + LAB_TO_LMS[:, 1].reshape(across) * a + LAB_TO_LMS[:, 2].reshape(across) * b
    cubes = (lms * lms * lms).reshape(3, -1)
    return (gamut.lms_to_linear @ cubes).reshape(lms.shape)


def _luminance(linear: Floats, gamut: Gamut) -> Floats:
    return gamut.weights[0] * linear[0] + gamut.weights[1] * linear[1] + gamut.weights[2] * linear[2]


def _allowed(s: Floats, luminance: Floats, cubed_chroma: Floats, cosine: Floats, sine: Floats, gamut: Gamut) -> Mask:
    """Whether s = C/L stays in the gamut and within the chroma wanted (given as its cube)."""
    unit = _unit_linear(s, cosine, sine, gamut)
    weight = _luminance(unit, gamut)
    low = np.minimum(np.minimum(unit[0], unit[1]), unit[2])
    high = np.maximum(np.maximum(unit[0], unit[1]), unit[2])
    room = weight * (1.0 + _SLACK)
    inside = (weight > 0.0) & (low >= -_SLACK) & (luminance * high <= room)
    return np.asarray(inside & (s * s * s * luminance <= cubed_chroma * weight))


def solve(luminance: ArrayLike, chroma: ArrayLike, hue: ArrayLike, gamut: Gamut = SRGB) -> Floats:
    """The colors (..., 3) of a gamut, gamma-encoded, of given luminance, OKLCH hue and at most the given chroma.

    `luminance` 0 to 1 (WCAG), `chroma` 0 or more (OKLCH), `hue` in degrees; any shapes that broadcast. Where the
    gamut does not hold the chroma at that luminance and hue, the chroma is reduced until it does; hue and luminance
    stay. Near the blue primary the chromas inside the gamut have a gap: the part that begins at gray is taken.
    """
    y, c, degrees = np.broadcast_arrays(floats(luminance), floats(chroma), floats(hue))
    y = np.clip(y, 0.0, 1.0)
    cubed = c * c * c
    cosine, sine = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    low, width = np.zeros(y.shape), np.full(y.shape, gamut.highest_s)
    for points in (_GRID, *[_EIGHTHS] * _PASSES):
        shares = points.reshape((-1,) + (1,) * y.ndim)
        tried = _allowed(low + width * shares, y, cubed, cosine, sine, gamut)
        # The last point that is allowed with all before it; the first one is allowed already.
        tried[0] = True
        steps = np.where(tried.all(axis=0), len(points), np.argmin(tried, axis=0)) - 1
        low, width = low + width * points[steps], width * (points[1] - points[0])
    unit = _unit_linear(low, cosine, sine, gamut)
    linear = np.moveaxis(unit * (y / _luminance(unit, gamut)), 0, -1)
    return np.clip(linear_to_srgb(np.clip(linear, 0.0, 1.0)), 0.0, 1.0)


MORE_THAN_ANY_CHROMA = 1.0
"""An OKLCH chroma beyond every gamut: `solve` with it gives the strongest color there is."""
