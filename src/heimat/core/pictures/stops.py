"""Ordered stops of an area: the fewest colors that, joined by straight lines in OKLab, stay near the area's colors.

The area's colors are gathered along their lightness; the way through them is the curve to be kept. Of all ways to
join points of the curve by lines that stay within the difference, the one with the fewest is found by looking at
each pair of points once (as polylines are simplified: Imai and Iri 1988).
"""

import itertools
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, to_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import linear_to_xyz, oklab_to_linear, oklab_to_srgb, xyz_to_lab
from heimat.core.errors import DomainError
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.rectangle import Rectangle, oklab_of

USUAL_DIFFERENCE = 3.0
LEAST_DIFFERENCE, MOST_DIFFERENCE = 1.0, 20.0
MOST_STOPS = 24
_SLICES = 40
_SAMPLED = 250_000


@dataclass(frozen=True)
class FittedStops:
    """Stops from dark to light, 8 bits (n, 3); the largest CIEDE2000 of the curve from them; the curve itself."""

    rgb8: Bytes
    largest: float
    curve: Bytes


def fitted_stops(
    pixels: Pixels, marked: Rectangle, difference: float = USUAL_DIFFERENCE
) -> FittedStops:
    """The fewest stops of an area within a CIEDE2000 difference of 1 to 20 along its lightness.

    Raises DomainError (fields `rectangle`, `difference`) for an area without a range of lightness, or a difference that
    24 stops do not reach.
    """
    if not LEAST_DIFFERENCE <= difference <= MOST_DIFFERENCE:
        raise DomainError("The difference is 1 to 20.", "difference", "limit")
    inside = marked.within(pixels)
    colors = inside.of(pixels.rgb8).reshape(-1, 3)
    if pixels.solid is not None:
        colors = colors[
            pixels.solid[
                inside.y : inside.y + inside.height, inside.x : inside.x + inside.width
            ].ravel()
        ]
    if len(colors) < 2:
        raise DomainError("Mark an area with more in it.", "rectangle", "empty")
    curve8 = _curve(oklab_of(colors[:: max(1, len(colors) // _SAMPLED)]))
    if len(curve8) < 2:
        raise DomainError(
            "This area has one lightness only, so its colors have no order. Mark more.",
            "rectangle",
            "flat",
        )
    curve = oklab_of(curve8)
    chosen = _fewest(curve, difference)
    if len(chosen) > MOST_STOPS:
        raise DomainError(
            f"{len(chosen)} stops would be needed; at most {MOST_STOPS} are kept. Allow more difference.",
            "difference",
            "limit",
        )
    largest = max(_off(curve, one, other) for one, other in itertools.pairwise(chosen))
    return FittedStops(curve8[chosen], largest, curve8)


def _curve(oklab: Floats) -> Bytes:
    """The mean colors of 40 slices of lightness, those that hold anything, from dark to light, 8 bits, (n, 3).

    Rounding may bring two slices to one lightness, or in the wrong order; the darker one stands for both.
    """
    light = oklab[:, 0]
    low, high = np.percentile(light, (0.5, 99.5))
    if high - low < 0.02:
        return np.empty((0, 3), dtype=np.uint8)
    places = np.clip(((light - low) / (high - low) * _SLICES).astype(int), 0, _SLICES - 1)
    sizes = np.bincount(places, minlength=_SLICES)
    sums = np.stack(
        [np.bincount(places, weights=oklab[:, axis], minlength=_SLICES) for axis in range(3)],
        axis=-1,
    )
    held = sizes >= max(1, len(oklab) // 5000)
    rounded8 = to_bytes(np.clip(oklab_to_srgb(sums[held] / sizes[held, None]), 0.0, 1.0))
    rounded = oklab_of(rounded8)[:, 0]
    lightest = np.maximum.accumulate(rounded)
    return rounded8[np.concatenate([[True], rounded[1:] > lightest[:-1]])]


def _lab(oklab: Floats) -> Floats:
    return xyz_to_lab(linear_to_xyz(np.clip(oklab_to_linear(oklab), 0.0, 1.0)))


def _off(curve: Floats, one: int, other: int) -> float:
    """The largest CIEDE2000 of the curve between two of its points from the line between the two."""
    between = curve[one : other + 1]
    along = (between[:, :1] - curve[one, 0]) / (curve[other, 0] - curve[one, 0])
    line = curve[one] + along * (curve[other] - curve[one])
    return float(ciede2000(_lab(between), _lab(line)).max())


def _fewest(curve: Floats, difference: float) -> list[int]:
    """The fewest points, first and last among them, whose lines stay within a difference."""
    count = len(curve)
    steps = [0, *[count] * (count - 1)]
    before = [0] * count
    for other in range(1, count):
        for one in range(other):
            if steps[one] + 1 < steps[other] and _off(curve, one, other) <= difference:
                steps[other], before[other] = steps[one] + 1, one
    way = [count - 1]
    while way[-1] != 0:
        way.append(before[way[-1]])
    return way[::-1]
