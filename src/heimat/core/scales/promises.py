"""Promises: contrasts that hold for every pair of steps at least k positions apart, across all scales."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import AA_LARGE, AA_TEXT, AAA_TEXT, ratio_of_luminances

AIMS = (AA_LARGE, AA_TEXT, AAA_TEXT)
TOLERANCE = 1e-9
"""Of a distance in positions, which may be fractions."""

Pair = tuple[int, int]
Places = NDArray[np.intp]


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


def least_by_distance(
    readings: Sequence[Floats], positions: Floats, longest: int
) -> list[tuple[float, Pair]]:
    """For every distance 1 to `longest`: the smallest ratio of pairs at least that far apart, and that pair.

    `readings` are luminances (n,) of all steps of all scales, in sRGB and perhaps in a wider gamut, of which the
    lesser ratio counts; `positions` (n,) are their places on the ladder. Without any such pair, infinity and (0, 0).

    Steps are gathered by the whole part of their position. The smallest ratio that a step has with all those of some
    gatherings before it is the one with the next in luminance, above or below, which is looked up. Where two
    gatherings are just k apart and some of their steps are less, these are compared one by one. So no pair is passed
    over, whatever order the steps are in, and there is no table of all pairs.
    """
    gathered = _Gathered.of(positions)
    best: list[tuple[float, Pair]] = [(np.inf, (0, 0))] * longest
    for luminance in readings:
        order = np.argsort(luminance, kind="stable")
        rising = _rising(gathered, order)
        for apart in range(1, min(longest, len(gathered.members) - 1) + 1):
            found = [_nearest(gathered, rising, order, luminance, apart)]
            found += [
                _side_by_side(
                    luminance,
                    positions,
                    gathered.members[place - apart],
                    gathered.members[place],
                    apart,
                )
                for place in gathered.mixed(apart)
            ]
            best[apart - 1] = min(best[apart - 1], *found)
    return best


@dataclass(frozen=True)
class _Gathered:
    """Steps gathered by the whole part of their position: of each step the gathering (n,), of each gathering its steps
    and its first and last position (m,)."""

    of_step: Places
    members: list[Places]
    first: Floats
    last: Floats

    @classmethod
    def of(cls, positions: Floats) -> "_Gathered":
        whole = np.floor(positions + TOLERANCE).astype(np.intp)
        whole -= whole.min()
        members = [np.flatnonzero(whole == place) for place in range(int(whole.max()) + 1)]
        first = np.array([positions[each].min() if len(each) else np.inf for each in members])
        last = np.array([positions[each].max() if len(each) else -np.inf for each in members])
        return cls(whole, members, first, last)

    def far(self, apart: int) -> NDArray[np.bool_]:
        """For every gathering from `apart` on, whether all of it is that far from all of the one so many before."""
        return self.first[apart:] - self.last[:-apart] >= apart - TOLERANCE

    def mixed(self, apart: int) -> list[int]:
        """The gatherings of which only some steps are that far from the gathering so many before."""
        return (np.flatnonzero(~self.far(apart)) + apart).tolist()


def _rising(gathered: _Gathered, order: Places) -> Places:
    """For every gathering the steps of it and of all before, by rising luminance, one gathering after another.

    A step is told by its place in the order of luminance, plus the number of all steps times the gathering.
    """
    return np.flatnonzero(np.arange(len(gathered.members))[:, None] >= gathered.of_step[order])


def _nearest(
    gathered: _Gathered, rising: Places, order: Places, luminance: Floats, apart: int
) -> tuple[float, Pair]:
    """The smallest ratio of a step with all of the gatherings that are wholly far enough before its own."""
    count = len(order)
    reach = np.arange(len(gathered.members)) - apart
    reach[apart:] -= ~gathered.far(apart)
    rank = np.empty(count, dtype=np.intp)
    rank[order] = np.arange(count)
    upto = reach[gathered.of_step]
    steps = np.flatnonzero(upto >= 0)
    if not len(steps):
        return np.inf, (0, 0)
    wanted = upto[steps] * count + rank[steps]
    above = np.searchsorted(rising, wanted)
    beside = np.stack([np.maximum(above - 1, 0), np.minimum(above, len(rising) - 1)])
    found = rising[beside]
    ratios = ratio_of_luminances(luminance[order[found % count]], luminance[steps])
    ratios[found // count != upto[steps]] = np.inf
    side, place = divmod(int(np.argmin(ratios)), len(steps))
    return float(ratios[side, place]), (int(order[found[side, place] % count]), int(steps[place]))


def _side_by_side(
    luminance: Floats, positions: Floats, before: Places, here: Places, apart: int
) -> tuple[float, Pair]:
    """The smallest ratio between steps of two gatherings that are at least so far apart."""
    if not len(before) or not len(here):
        return np.inf, (0, 0)
    far = positions[here] - positions[before][:, None] >= apart - TOLERANCE
    ratios = np.where(far, ratio_of_luminances(luminance[before][:, None], luminance[here]), np.inf)
    one, other = divmod(int(np.argmin(ratios)), len(here))
    return float(ratios[one, other]), (int(before[one]), int(here[other]))


def promises(readings: Sequence[Floats], positions: Floats, longest: int) -> list[Promise]:
    """The promises 3, 4.5 and 7 over steps (n,) of a ladder, each at its smallest distance of up to `longest`."""
    if len(positions) == 0:
        return []
    found = least_by_distance(readings, positions, longest)
    kept: list[Promise] = []
    for aim in AIMS:
        apart = next(
            (
                place
                for place, (least, _) in enumerate(found, 1)
                if least >= aim and np.isfinite(least)
            ),
            None,
        )
        least, tightest = found[(apart or len(found)) - 1]
        kept.append(Promise(aim, apart or len(found), least, tightest, apart is not None))
    return kept
