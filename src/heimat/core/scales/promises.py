"""Promises: contrasts that hold for every pair of steps at least k positions apart, across all scales."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import AA_LARGE, AA_TEXT, AAA_TEXT

AIMS = (AA_LARGE, AA_TEXT, AAA_TEXT)
TOLERANCE = 1e-9
"""Of a distance in positions, which may be fractions."""


@dataclass(frozen=True)
class Promise:
    """Any two steps at least `apart` positions apart reach `least`; `aim` is the level that this meets.

    `tightest` are the indices of the pair with the smallest ratio. `kept` is False where no distance on the ladder
    reaches the aim; then `apart` is the longest there is.
    """

    aim: float
    apart: int
    least: float
    tightest: tuple[int, int]
    kept: bool


def least_by_distance(ratios: Floats, positions: Floats, longest: int) -> list[tuple[float, tuple[int, int]]]:
    """For every distance 1 to `longest`: the smallest ratio of pairs at least that far apart, and that pair.

    `ratios` (n, n) are contrasts of all steps of all scales, `positions` (n,) their places on the ladder.
    """
    distance = np.abs(positions[:, None] - positions[None, :])
    found: list[tuple[float, tuple[int, int]]] = []
    for apart in range(1, longest + 1):
        held = np.where(distance >= apart - TOLERANCE, ratios, np.inf)
        place = int(np.argmin(held))
        one, other = divmod(place, ratios.shape[1])
        found.append((float(held[one, other]), (one, other)))
    return found


def promises(ratios: Floats, positions: Floats, longest: int) -> list[Promise]:
    """The three promises over a ladder of a longest distance: 3, 4.5 and 7, each at its smallest distance."""
    if len(positions) == 0:
        return []
    found = least_by_distance(ratios, positions, longest)
    kept: list[Promise] = []
    for aim in AIMS:
        apart = next((place for place, (least, _) in enumerate(found, 1) if least >= aim and np.isfinite(least)), None)
        least, tightest = found[(apart or len(found)) - 1]
        kept.append(Promise(aim, apart or len(found), least, tightest, apart is not None))
    return kept
