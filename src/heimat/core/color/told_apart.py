"""Told-apart sets: the distances between all pairs under every vision and severity."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.contrast import linear_of_bytes
from heimat.core.color.spaces import linear_to_xyz, xyz_to_lab
from heimat.core.color.vision import COLOR_VISIONS, SEVERITIES, Vision, simulate_severities
from heimat.core.memory import remembered

_REMEMBERED = 256


@dataclass(frozen=True)
class VisionDistance:
    """One pair under one vision: the least distance over all severities, and where it is below the threshold.

    `below` are the intervals of severity, from and to, in which it is; none where it never is.
    """

    vision: Vision
    least: float
    at_severity: float
    below: tuple[tuple[float, float], ...]


@dataclass(frozen=True)
class PairDistance:
    """Two members of a set (positions), their distance in typical vision and under each deficiency."""

    one: int
    other: int
    typical: float
    visions: tuple[VisionDistance, ...]

    @cached_property
    def worst(self) -> VisionDistance:
        """The vision under which the pair comes closest."""
        return min(self.visions, key=lambda distance: distance.least)

    @cached_property
    def least(self) -> float:
        """The smallest distance under any vision, typical vision included."""
        return min(self.typical, self.worst.least)


def seen_labs(rgb8: Bytes) -> Floats:
    """L*a*b* of 8-bit colors (n, 3) under each of `COLOR_VISIONS` at each severity: shape (3, 11, n, 3)."""
    linear = linear_of_bytes(rgb8)
    seen = np.stack([simulate_severities(linear, vision) for vision in COLOR_VISIONS])
    return xyz_to_lab(linear_to_xyz(seen))


def distances(rgb8: Bytes, threshold: float) -> tuple[PairDistance, ...]:
    """All pairs (upper triangle) of 8-bit colors (n, 3), in the order of their positions."""
    return _distances(rgb8.tobytes(), threshold)


@remembered(_REMEMBERED)
def _distances(levels: bytes, threshold: float) -> tuple[PairDistance, ...]:
    """Remembered by the colors themselves: while something else is dragged, a set is asked for again and again."""
    rgb8 = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    one, other = np.triu_indices(len(rgb8), k=1)
    if len(one) == 0:
        return ()
    labs = seen_labs(rgb8)
    found = ciede2000(labs[:, :, one], labs[:, :, other])
    # For all visions (3) and pairs at once: where each comes closest over the severities, and whether too close.
    closest = found.argmin(axis=1)
    least = np.take_along_axis(found, closest[:, None], axis=1)[:, 0]
    low = found < threshold
    return tuple(
        PairDistance(
            int(one[pair]),
            int(other[pair]),
            float(found[0, 0, pair]),
            tuple(
                VisionDistance(
                    vision,
                    float(least[place, pair]),
                    float(SEVERITIES[closest[place, pair]]),
                    _below(low[place, :, pair]) if least[place, pair] < threshold else (),
                )
                for place, vision in enumerate(COLOR_VISIONS)
            ),
        )
        for pair in range(len(one))
    )


def distance_curves(rgb8: Bytes) -> Floats:
    """The distances of all pairs (upper triangle, m) of 8-bit colors (n, 3) at each severity: shape (3, 11, m)."""
    one, other = np.triu_indices(len(rgb8), k=1)
    labs = seen_labs(rgb8)
    return ciede2000(labs[:, :, one], labs[:, :, other])


def _below(low: NDArray[np.bool_]) -> tuple[tuple[float, float], ...]:
    """The first and the last severity of each run at which a pair is too close."""
    edges = np.flatnonzero(np.diff(np.concatenate([[False], low, [False]]).astype(np.int8)))
    runs = zip(edges[::2], edges[1::2] - 1, strict=True)
    return tuple((float(SEVERITIES[first]), float(SEVERITIES[last])) for first, last in runs)
