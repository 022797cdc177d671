"""Colors of a given luminance and hue inside the sRGB gamut.

Heimat maps into the gamut by reducing chroma at constant OKLCH hue and constant WCAG luminance, so that contrast is
never touched. OKLab is homogeneous: with s = C/L, linear RGB is L^3 * g(s, h), hence L = cbrt(Y / (w . g(s, h))),
and one search over s solves every color at once.
"""

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.contrast import WEIGHTS
from heimat.core.color.spaces.oklab import LAB_TO_LMS, LMS_TO_LINEAR
from heimat.core.color.spaces.srgb import linear_to_srgb

Mask = NDArray[np.bool_]

_SLACK = 1e-9
_HIGHEST_S = 0.75
"""No sRGB color has C/L above 0.70 (the blue primary)."""
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


def _unit_linear(s: Floats, cosine: Floats, sine: Floats) -> Floats:
    """Linear RGB of OKLab (1, s cos h, s sin h), channels first: (3, ...), which is what makes the search fast."""
    a, b = s * cosine, s * sine
    across = (3,) + (1,) * s.ndim
    lms = LAB_TO_LMS[:, 0].reshape(across) + LAB_TO_LMS[:, 1].reshape(across) * a + LAB_TO_LMS[:, 2].reshape(across) * b
    cubes = (lms * lms * lms).reshape(3, -1)
    return (LMS_TO_LINEAR @ cubes).reshape(lms.shape)


def _luminance(linear: Floats) -> Floats:
    return WEIGHTS[0] * linear[0] + WEIGHTS[1] * linear[1] + WEIGHTS[2] * linear[2]


def _allowed(s: Floats, luminance: Floats, cubed_chroma: Floats, cosine: Floats, sine: Floats) -> Mask:
    """Whether s = C/L stays in the gamut and within the chroma wanted (given as its cube)."""
    unit = _unit_linear(s, cosine, sine)
    weight = _luminance(unit)
    low = np.minimum(np.minimum(unit[0], unit[1]), unit[2])
    high = np.maximum(np.maximum(unit[0], unit[1]), unit[2])
    room = weight * (1.0 + _SLACK)
    inside = (weight > 0.0) & (low >= -_SLACK) & (luminance * high <= room)
    return np.asarray(inside & (s * s * s * luminance <= cubed_chroma * weight))


def solve(luminance: ArrayLike, chroma: ArrayLike, hue: ArrayLike) -> Floats:
    """The sRGB colors (..., 3), 0 to 1, of given luminance, OKLCH hue and at most the given chroma.

    `luminance` 0 to 1 (WCAG), `chroma` 0 or more (OKLCH), `hue` in degrees; any shapes that broadcast. Where the
    gamut does not hold the chroma at that luminance and hue, the chroma is reduced until it does; hue and luminance
    stay. Near the blue primary the chromas inside the gamut have a gap: the part that begins at gray is taken.
    """
    y, c, degrees = np.broadcast_arrays(floats(luminance), floats(chroma), floats(hue))
    y = np.clip(y, 0.0, 1.0)
    cubed = c * c * c
    cosine, sine = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    low, width = np.zeros(y.shape), np.full(y.shape, _HIGHEST_S)
    for points in (_GRID, *[_EIGHTHS] * _PASSES):
        shares = points.reshape((-1,) + (1,) * y.ndim)
        tried = _allowed(low + width * shares, y, cubed, cosine, sine)
        # The last point that is allowed with all before it; the first one is allowed already.
        tried[0] = True
        steps = np.where(tried.all(axis=0), len(points), np.argmin(tried, axis=0)) - 1
        low, width = low + width * points[steps], width * (points[1] - points[0])
    unit = _unit_linear(low, cosine, sine)
    linear = np.moveaxis(unit * (y / _luminance(unit)), 0, -1)
    return np.clip(linear_to_srgb(np.clip(linear, 0.0, 1.0)), 0.0, 1.0)


MORE_THAN_ANY_CHROMA = 1.0
"""An OKLCH chroma beyond every gamut: `solve` with it gives the strongest color there is."""
