"""Promises: contrasts that hold for every pair of steps at least k positions apart, across all scales."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import AA_LARGE, AA_TEXT, AAA_TEXT, ratio_of_luminances

AIMS = (AA_LARGE, AA_TEXT, AAA_TEXT)
TOLERANCE = 1e-9
"""Of a distance in positions, which may be fractions."""
_CELLS = 1 << 16
"""Pairs that are looked at in one go: enough to keep the arrays' overhead away, few enough to stay in a cache."""

Pair = tuple[int, int]


@dataclass(frozen=True)
class Promise:
    """Any two steps at least `apart` positions apart reach `least`; `aim` is the level that this meets.

    `tightest` are the indices of the pair with the smallest ratio. `kept` is False where no distance on the ladder
    reaches the aim; then `apart` is the longest there is.
    """

    aim: float
    apart: int
    least: float
    tightest: Pair
    kept: bool


def least_by_distance(readings: Sequence[Floats], positions: Floats, longest: int) -> list[tuple[float, Pair]]:
    """For every distance 1 to `longest`: the smallest ratio of pairs at least that far apart, and that pair.

    `readings` are luminances (n,) of all steps of all scales, in sRGB and perhaps in a wider gamut, of which the
    lesser ratio counts; `positions` (n,) are their places on the ladder. Without any such pair, infinity and (0, 0).

    Sorted by luminance, the pairs i places apart have ratios of which the smallest rises with i: so they are looked at
    from the nearest on, until nothing smaller can come. No pair is passed over, whatever order the steps are in.
    """
    best: list[tuple[float, Pair]] = [(np.inf, (0, 0))] * longest
    for luminance in readings:
        order = np.argsort(luminance, kind="stable")
        _sweep(luminance[order], positions[order], order, best)
    return best


def _sweep(luminance: Floats, positions: Floats, order: np.ndarray, best: list[tuple[float, Pair]]) -> None:
    """Take up into `best` what the pairs of rising luminances (n,) have, block by block of places between them."""
    count, longest = len(luminance), len(best)
    places = np.arange(count)
    between = 1
    while between < count:
        block = np.arange(between, min(between + max(_CELLS // count, 1), count))
        upper = places + block[:, None]
        inside = upper < count
        upper = np.where(inside, upper, 0)
        ratios = np.where(inside, ratio_of_luminances(luminance[upper], luminance), np.inf)
        apart = np.floor(np.abs(positions[upper] - positions) + TOLERANCE)
        smallest = float(ratios[0].min())
        for distance in range(longest, 0, -1):
            if best[distance - 1][0] <= smallest:
                continue
            held = np.where(apart >= distance, ratios, np.inf)
            place = int(np.argmin(held))
            least = float(held.flat[place])
            if least < best[distance - 1][0]:
                row, lower = divmod(place, count)
                one, other = int(order[lower]), int(order[upper[row, lower]])
                best[distance - 1] = (least, (min(one, other), max(one, other)))
        if float(ratios[-1].min()) >= max(least for least, _ in best):
            return
        between = int(block[-1]) + 1


def promises(readings: Sequence[Floats], positions: Floats, longest: int) -> list[Promise]:
    """The three promises over a ladder of a longest distance: 3, 4.5 and 7, each at its smallest distance."""
    if len(positions) == 0:
        return []
    found = least_by_distance(readings, positions, longest)
    kept: list[Promise] = []
    for aim in AIMS:
        apart = next((place for place, (least, _) in enumerate(found, 1) if least >= aim and np.isfinite(least)), None)
        least, tightest = found[(apart or len(found)) - 1]
        kept.append(Promise(aim, apart or len(found), least, tightest, apart is not None))
    return kept
