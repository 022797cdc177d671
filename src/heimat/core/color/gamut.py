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
PASSES, FINE_PASSES = 5, 7
"""Five passes that each part what is left into eight: the chroma ends within 1e-6 of the edge, a thousandth of what 8
bits can tell. Few passes over many points are faster than many over one: the arrays are small. Seven end within 2e-8,
so that no processor's last digit decides between two levels."""
_EIGHTHS = np.arange(_PARTS) / _PARTS


def in_gamut(srgb: ArrayLike) -> Mask:
    """Whether sRGB colors (..., 3) lie in 0 to 1, but for 1e-6 of float noise."""
    values = floats(srgb)
    return np.asarray(((values >= -1e-6) & (values <= 1.0 + 1e-6)).all(axis=-1))


def _unit_linear(hue: Floats, gamut: Gamut) -> Floats:
    """Linear RGB of OKLab (1, s cos h, s sin h) as cubics in s, for hues (n,) in radians: coefficients (4, 3, n).

    The cube roots of the cone responses are linear in s, so every channel is a sum of three cubes.
    """
    gray, colored = (
        LAB_TO_LMS[:, :1],
        LAB_TO_LMS[:, 1:2] * np.cos(hue) + LAB_TO_LMS[:, 2:] * np.sin(hue),
    )
    square = colored * colored
    cubes = np.empty((4, 3, len(hue)))
    cubes[0], cubes[1], cubes[2], cubes[3] = (
        gray**3,
        3.0 * gray**2 * colored,
        3.0 * gray * square,
        square * colored,
    )
    return gamut.lms_to_linear @ cubes


def _value(cubic: Floats, s: Floats) -> Floats:
    """Cubics (4, ...) at s, which broadcasts."""
    found = cubic[3] * s
    for coefficient in (cubic[2], cubic[1]):
        found += coefficient
        found *= s
    found += cubic[0]
    return found


def solve(
    luminance: ArrayLike,
    chroma: ArrayLike,
    hue: ArrayLike,
    gamut: Gamut = SRGB,
    passes: int = PASSES,
) -> Floats:
    """The colors (..., 3) of a gamut, gamma-encoded, of given luminance, OKLCH hue and at most the given chroma.

    `luminance` 0 to 1 (WCAG), `chroma` 0 or more (OKLCH), `hue` in degrees; any shapes that broadcast. Where the
    gamut does not hold the chroma at that luminance and hue, the chroma is reduced until it does; hue and luminance
    stay. Near the blue primary the chromas inside the gamut have a gap: the part that begins at gray is taken. `passes`
    is how finely the edge of the gamut is found.
    """
    given = np.broadcast_arrays(floats(luminance), floats(chroma), floats(hue))
    y, c, degrees = (each.ravel() for each in given)
    y = y.clip(0.0, 1.0)
    unit = _unit_linear(np.radians(degrees), gamut)
    room = _rooms(unit, y, c * c * c, gamut)[:, :, None]
    low, width = np.zeros(len(y)), gamut.highest_s
    for points in (_GRID, *[_EIGHTHS] * passes):
        outside = _value(room, low + (width * points)[:, None]).min(axis=0) < 0.0
        # The last point with all before it inside; the first one is inside already. Where none is outside, that is -1.
        outside[0] = False
        low, width = low + width * points[outside.argmax(axis=0) - 1], width * points[1]
    found = _value(unit, low)
    linear = (found * (y / (gamut.weights @ found))).T.reshape(*given[0].shape, 3)
    return linear_to_srgb(linear.clip(0.0, 1.0)).clip(0.0, 1.0)


def _rooms(unit: Floats, luminance: Floats, cubed_chroma: Floats, gamut: Gamut) -> Floats:
    """Cubics in s = C/L, (4, 7, n), that are 0 or more where a color of a luminance is inside: no channel is below 0
    or above 1, nor the chroma above the one wanted (given as its cube)."""
    weight = gamut.weights @ unit
    rooms = np.empty((4, 7, len(luminance)))
    rooms[:, :3] = unit
    rooms[0, :3] += _SLACK
    rooms[:, 3:6] = weight[:, None] * (1.0 + _SLACK) - luminance * unit
    rooms[:, 6] = cubed_chroma * weight
    rooms[3, 6] -= luminance
    return rooms


MORE_THAN_ANY_CHROMA = 1.0
"""An OKLCH chroma beyond every gamut: `solve` with it gives the strongest color there is."""
