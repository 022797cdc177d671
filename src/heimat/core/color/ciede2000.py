"""CIEDE2000 (CIE 142-2001), in the form of Sharma, Wu and Dalal 2005, and the threshold that Heimat uses.

Half of observers see a difference at about 0.8 and accept one up to about 1.8. The formula was fitted for small
differences; for large ones it orders well enough, and the threshold below is a convention (Szafir 2018 on how
the size of a mark changes what can be told apart).

It is computed with one angle alone: the mean hue is the direction of the sum of unit vectors, its multiples follow by
the addition theorems, and the difference of hues comes from the dot and the cross product. That is the same formula, in
half the time.
"""

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Floats, floats

TOLD_APART = 10.0
"""What members of a told-apart set keep between them unless the set says otherwise."""

_POW7 = 25.0**7
_TINY = 1e-30
_OPPOSITE, _CANCELLED = 1e-3, 1e-12
"""Shares of two chromas' product: below the first, the sum of both vectors says little; below the other, nothing."""
_COS = {degrees: float(np.cos(np.radians(degrees))) for degrees in (30, 6, 63)}
_SIN = {degrees: float(np.sin(np.radians(degrees))) for degrees in (30, 6, 63)}


@dataclass(frozen=True)
class LabParts:
    """L*, a*, b* of colors and their chroma, each an array of the same shape."""

    light: Floats
    a: Floats
    b: Floats
    chroma: Floats

    def __getitem__(self, key: Any) -> "LabParts":
        return LabParts(*(each[key] for each in (self.light, self.a, self.b, self.chroma)))

    def single(self) -> "LabParts":
        """The same in single precision, for what is asked too often to be asked exactly."""
        every = (self.light, self.a, self.b, self.chroma)
        singles: list[NDArray[Any]] = [each.astype(np.float32) for each in every]
        return LabParts(*singles)


def parts(lab: Floats) -> LabParts:
    """L*a*b* colors (..., 3) by their parts, each of shape (...)."""
    return LabParts(lab[..., 0], lab[..., 1], lab[..., 2], np.hypot(lab[..., 1], lab[..., 2]))


def ciede2000(lab_a: ArrayLike, lab_b: ArrayLike) -> Floats:
    """Difference of L*a*b* colors (..., 3) that broadcast; result (...), 0 for equal colors."""
    return distances(parts(floats(lab_a)), parts(floats(lab_b)))


def distances(one: LabParts, other: LabParts) -> Floats:
    """Difference of colors whose parts broadcast; result of that shape, 0 for equal colors."""
    stretch = 1.5 - 0.5 * _share((one.chroma + other.chroma) * 0.5)
    a1, a2 = one.a * stretch, other.a * stretch
    c1, c2 = np.sqrt(a1 * a1 + one.b * one.b), np.sqrt(a2 * a2 + other.b * other.b)
    product = c1 * c2
    together = product + a1 * a2 + one.b * other.b
    # 2 √(c1 c2) sin(Δh / 2), with Δh from the first hue to the second.
    d_hue = (a1 * other.b - one.b * a2) * np.sqrt(2.0 / np.maximum(together, _TINY))
    x, y = a1 * c2 + a2 * c1, one.b * c2 + other.b * c1
    opposite = together <= _OPPOSITE * product
    if opposite.any():
        d_hue, x, y = _of_opposites(opposite, product, together, (d_hue, x, y), (a1, one.b))
    length = np.maximum(np.sqrt(x * x + y * y), _TINY)
    cos1, sin1 = x / length, y / length
    cos2, sin2 = cos1 * cos1 - sin1 * sin1, 2.0 * cos1 * sin1
    cos3, sin3 = cos2 * cos1 - sin2 * sin1, sin2 * cos1 + cos2 * sin1
    cos4, sin4 = cos2 * cos2 - sin2 * sin2, 2.0 * cos2 * sin2
    t = (
        1.0
        - 0.17 * (cos1 * _COS[30] + sin1 * _SIN[30])
        + 0.24 * cos2
        + 0.32 * (cos3 * _COS[6] - sin3 * _SIN[6])
        - 0.20 * (cos4 * _COS[63] + sin4 * _SIN[63])
    )
    mean_c = (c1 + c2) * 0.5
    off = ((one.light + other.light) * 0.5 - 50.0) ** 2
    hue = np.degrees(np.arctan2(sin1, cos1)) % 360.0
    rotation = (
        -np.sin(np.radians(60.0 * np.exp(-(((hue - 275.0) / 25.0) ** 2)))) * 2.0 * _share(mean_c)
    )
    light = (other.light - one.light) / (1.0 + 0.015 * off / np.sqrt(20.0 + off))
    chroma = (c2 - c1) / (1.0 + 0.045 * mean_c)
    hues = d_hue / (1.0 + 0.015 * mean_c * t)
    return np.sqrt(
        np.maximum(light * light + chroma * chroma + hues * hues + rotation * chroma * hues, 0.0)
    )


def _of_opposites(
    opposite: np.ndarray,
    product: Floats,
    together: Floats,
    known: tuple[Floats, Floats, Floats],
    first: tuple[Floats, Floats],
) -> tuple[Floats, Floats, Floats]:
    """Difference of hues and the mean hue's direction of opposite hues, and what is known of both for all others.

    The mean of two hues that are opposite to the last digit is, as the standard counts, half the sum of their angles.
    """
    (c1_c2, sums, d_hue, x, y, a, b) = (
        np.broadcast_to(each, opposite.shape)[opposite]
        for each in (product, together, *known, *first)
    )
    # Grays have no hue, and need none.
    cancelled = (c1_c2 > 0.0) & (np.hypot(x, y) <= _CANCELLED * c1_c2)
    # Of two that are opposite, the first has the smaller angle, below 180 degrees, or the larger.
    smaller = np.where((b > 0.0) | ((b == 0.0) & (a > 0.0)), 1.0, -1.0)
    way = np.where(cancelled, smaller, np.where(d_hue < 0.0, -1.0, 1.0))
    turned = way * np.sqrt(2.0 * np.maximum(2.0 * c1_c2 - sums, 0.0))
    found = turned, np.where(cancelled, -b * smaller, x), np.where(cancelled, a * smaller, y)
    mended = tuple(np.array(each) for each in known)
    for each, values in zip(mended, found, strict=True):
        each[opposite] = values
    return mended[0], mended[1], mended[2]


def _share(chroma: Floats) -> Floats:
    square = chroma * chroma
    seventh = square * square * square * chroma
    return np.sqrt(seventh / (seventh + _POW7))


def distance_text(value: float) -> str:
    """A CIEDE2000 distance with one decimal, cut and never rounded up over a threshold."""
    return f"{int(value * 10) / 10:.1f}"


def distance_words(value: float) -> str:
    """A distance with the name of its measure, for a sentence."""
    return f"CIEDE2000 {distance_text(value)}"
