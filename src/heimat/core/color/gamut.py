"""Colors of a given luminance and hue inside a gamut: sRGB, or display-p3.

Heimat maps into the gamut by reducing chroma at constant OKLCH hue and constant WCAG luminance, so that contrast is
never touched. OKLab is homogeneous: with s = C/L, linear RGB is L^3 * g(s, h), hence L = cbrt(Y / (w . g(s, h))),
and one search over s solves every color at once.
"""

from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Floats, floats, within
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
_EIGHTHS = np.arange(_PARTS) / _PARTS
PASSES, FINE_PASSES = 5, 7
"""How often what is left is parted into eight: after five, the chroma ends within 1e-6 of the edge, a thousandth of
what 8 bits can tell; after seven within 2e-8, so that no processor's last digit decides between two levels."""
_NEWTONS = 2
"""From a secant across an eighth of the grid's cell, two steps find an edge to the last digit; but where two nearly
touch, beside the blue primary, within 3e-7."""
_FLATTEST = 1e-4
"""A channel falls more steeply in front of the edge of a gamut, but where it nearly touches it twice."""
_LEAST = 1e-30
"""What is divided by is at least this."""


def in_gamut(srgb: ArrayLike) -> Mask:
    """Whether sRGB colors (..., 3) lie in 0 to 1, but for 1e-6 of float noise."""
    values = floats(srgb)
    return np.asarray(((values >= -1e-6) & (values <= 1.0 + 1e-6)).all(axis=-1))


def _unit_linear(hue: Floats, gamut: Gamut) -> Floats:
    """Linear RGB of OKLab (1, s cos h, s sin h) as cubics in s, for hues (n,) in radians: coefficients (4, 3, n).

    The cube roots of the cone responses are linear in s, so every channel is a sum of three cubes.
    """
    # The cone responses to a gray are all its lightness: 1 here.
    colored = LAB_TO_LMS[:, 1:2] * np.cos(hue) + LAB_TO_LMS[:, 2:] * np.sin(hue)
    cubes = np.empty((4, 3, len(hue)))
    cubes[0] = 1.0
    np.multiply(colored, 3.0, out=cubes[1])
    square = colored * colored
    np.multiply(square, 3.0, out=cubes[2])
    np.multiply(square, colored, out=cubes[3])
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
    y = within(y, 0.0, 1.0)
    unit = _unit_linear(np.radians(degrees), gamut)
    weight = gamut.weights @ unit
    room = _rooms(unit, weight, y, c)
    low = _edge(room, (c, np.cbrt(y), weight), gamut.highest_s, passes)
    found = _value(unit, low)
    linear = (found * (y / (gamut.weights @ found))).T.reshape(*given[0].shape, 3)
    return np.asarray(within(linear_to_srgb(within(linear, 0.0, 1.0)), 0.0, 1.0))


def _edge(
    room: Floats, strength: tuple[Floats, Floats, Floats], highest: float, passes: int
) -> Floats:
    """The last of many equal parts of 0 to `highest` before one of the cubics (4, 7, n) falls below 0: its start, (n,).

    The grid and its eighths are looked through; in the eighth that is found, Newton's method finds the edge.
    """
    count = room.shape[2]
    grid = (_powers(highest) @ room.reshape(4, 7 * count)).reshape(len(_GRID), 7, count)
    low, width = highest * _GRID[_last_inside(grid)], highest * float(_GRID[1])
    low, width = _parted(room, low, width)
    part = width / _PARTS ** (passes - 1)
    return low + np.floor((_crossings(room, strength, low, width) - low) / part) * part


@cache
def _powers(highest: float) -> Floats:
    """The powers 0 to 3 of the grid's points up to `highest`: (41, 4)."""
    return np.stack([(highest * _GRID) ** power for power in range(4)], axis=1)


def _parted(room: Floats, low: Floats, width: float) -> tuple[Floats, float]:
    """From where on (n,) the first eighth lies at whose end a cubic (4, 7, n) is below 0, and how wide it is."""
    last = _last_inside(_value(room[:, None], (low + (width * _EIGHTHS)[:, None])[:, None]))
    return low + width * _EIGHTHS[last], width / _PARTS


def _last_inside(values: Floats) -> NDArray[np.intp]:
    """The last point (p, 7, n) that is 0 or above with all before it, but for the first, (n,): -1 where all are."""
    outside = values.min(axis=1) < 0.0
    # The first point is inside already.
    outside[0] = False
    return outside.argmax(axis=0) - 1


def _crossings(
    room: Floats, strength: tuple[Floats, Floats, Floats], low: Floats, width: float
) -> Floats:
    """Where the first of the cubics (4, 7, n) falls below 0 between `low` (n,) and as much as `width` beyond it.

    That of chroma has its three roots in one place for grays: it is asked by its cube root, which is nearly straight,
    from the chroma (n,), the cube root of the luminance (n,) and the cubic of the weight (4, n), `strength`.
    """
    high = low + width
    cubic, (chroma, light, weight) = room[:, :6], strength
    near, far = _value(cubic, low), _value(cubic, high)
    crosses = far < 0.0
    s = low + width * near / np.maximum(near - far, near + _LEAST)
    for _ in range(_NEWTONS):
        # In front of an edge a channel falls.
        s -= _value(cubic, s) / np.minimum(_slope(cubic, s), -_FLATTEST)
    s[~crosses] = np.inf
    start = chroma * np.cbrt(_value(weight, low)) - light * low
    end = chroma * np.cbrt(_value(weight, high)) - light * high
    strong = low + width * start / np.maximum(start - end, start + _LEAST)
    root = np.cbrt(_value(weight, strong))
    fall = light - chroma * _slope(weight, strong) / (3.0 * root * root)
    strong += (chroma * root - light * strong) / np.maximum(fall, _LEAST)
    strong[end >= 0.0] = np.inf
    edges = np.minimum(s.min(axis=0), strong)
    return within(edges, low, high)


def _slope(cubic: Floats, s: Floats) -> Floats:
    """How much cubics (4, ...) rise at s, which broadcasts."""
    found = (3.0 * cubic[3]) * s
    found += 2.0 * cubic[2]
    found *= s
    found += cubic[1]
    return found


def _rooms(unit: Floats, weight: Floats, luminance: Floats, chroma: Floats) -> Floats:
    """Cubics in s = C/L, (4, 7, n), that are 0 or more where a color of a luminance (n,) is inside.

    No channel, of the cubics `unit` (4, 3, n), is below 0, or above 1 where all together weigh `weight` (4, n); and the
    chroma is not above the one wanted (n,).
    """
    rooms = np.empty((4, 7, len(luminance)))
    rooms[:, :3] = unit
    rooms[0, :3] += _SLACK
    np.subtract((weight * (1.0 + _SLACK))[:, None], luminance * unit, out=rooms[:, 3:6])
    np.multiply(weight, chroma * chroma * chroma, out=rooms[:, 6])
    rooms[3, 6] -= luminance
    return rooms


MORE_THAN_ANY_CHROMA = 1.0
"""An OKLCH chroma beyond every gamut: `solve` with it gives the strongest color there is."""
