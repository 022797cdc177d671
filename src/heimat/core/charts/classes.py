"""Classes from data: where one color ends and the next begins, and how many values stand in each."""

from collections.abc import Sequence
from itertools import pairwise
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.errors import DomainError

ClassMethod = Literal["equal", "quantiles", "natural", "typed"]
MOST_CLASSES = 24
_CELLS = 400
"""Natural breaks are sought among this many groups of values at most: more would not move them visibly."""


def breaks(
    values: Floats, count: int, method: ClassMethod, typed: Sequence[float] = ()
) -> list[float]:
    """The `count` - 1 inner limits of classes over finite values (n,), rising.

    `natural` is the optimal partition of Fisher 1958, which Jenks 1977 made known. Raises DomainError for no values,
    for more classes than there are values, or than their quantiles part, and for typed breaks that do not rise
    or are not as many.
    """
    if len(values) == 0:
        raise DomainError("There are no values to make classes of.", "values", "empty")
    low, high = float(values.min()), float(values.max())
    if method == "typed":
        return typed_breaks(typed, count)
    different = len(np.unique(values))
    if not 1 <= count <= MOST_CLASSES:
        raise DomainError(f"A palette has 1 to {MOST_CLASSES} classes.", "classes", "range")
    if count > different:
        raise DomainError(
            f"{count} classes of {different} different values: ask for fewer.", "classes", "few"
        )
    shares = np.arange(1, count) / count
    if method == "equal":
        return [float(each) for each in low + shares * (high - low)]
    if method == "quantiles":
        found = [float(each) for each in np.unique(np.quantile(values, shares)) if low < each]
        if len(found) < count - 1:
            raise DomainError(
                f"{count} quantiles would be alike, as too many values are: ask for fewer.",
                "classes",
                "few",
            )
        return found
    return _natural(values, count)


def breaks_around(values: Floats, middle: float, count: int, method: ClassMethod) -> list[float]:
    """The `count` - 1 inner limits of classes over finite values (n,), as many on each side of a middle among them.

    An even number has a limit there, an odd one a class around it. Raises DomainError as `breaks` does, and where one
    side has too few different values.
    """
    half = count // 2
    sides = values[values < middle], values[values >= middle]
    # With a class around the middle, each side gives it the part that lies nearest.
    parts = half + count % 2
    if half == 0:
        return []
    low, high = (breaks(side, parts, method) if len(side) else [] for side in sides)
    if len(low) < parts - 1 or len(high) < parts - 1:
        words = f"One side of {middle:g} has too many values that are alike for {parts} classes: ask for fewer."
        raise DomainError(words, "classes", "few")
    return [*low, *([] if count % 2 else [middle]), *high]


def counts(values: Floats, limits: Sequence[float]) -> list[int]:
    """How many finite values (n,) stand in each class; one that stands on a limit is of the class above it."""
    places = np.searchsorted(np.asarray(limits), values, side="right")
    return [int(each) for each in np.bincount(places, minlength=len(limits) + 1)]


def typed_breaks(typed: Sequence[float], count: int) -> list[float]:
    """The limits of `count` classes as they were typed; outside the data too, where classes stay empty.

    Raises DomainError where they do not rise or are not as many.
    """
    for before, after in pairwise(typed):
        if after <= before:
            raise DomainError(
                f"Breaks rise: {after:g} stands behind {before:g}.", "breaks", "order"
            )
    if len(typed) != count - 1:
        words = f"{count} classes need {count - 1} breaks; {len(typed)} {'is' if len(typed) == 1 else 'are'} typed."
        raise DomainError(words, "breaks", "count")
    return [float(each) for each in typed]


def _natural(values: Floats, count: int) -> list[float]:
    """Least squares within classes: dynamic programming over sorted groups of values."""
    groups, weights = _grouped(values)
    # Squares of values that are all far from 0 would differ by less than floats tell.
    points = groups - groups.mean()
    sums = np.concatenate([[0.0], np.cumsum(weights * points)])
    squares = np.concatenate([[0.0], np.cumsum(weights * points * points)])
    totals = np.concatenate([[0.0], np.cumsum(weights)])
    starts, ends = np.arange(len(points))[:, None], np.arange(1, len(points) + 1)[None, :]
    weight = np.maximum(totals[ends] - totals[starts], 1e-12)
    within = squares[ends] - squares[starts] - (sums[ends] - sums[starts]) ** 2 / weight
    within = np.where(ends > starts, np.maximum(within, 0.0), np.inf)
    cost = within[0].copy()
    cuts = np.zeros((count, len(points)), dtype=np.int64)
    for classes in range(1, count):
        # The last class begins at a start; what is before it is divided as well as it can be.
        tried = np.concatenate([[np.inf], cost[:-1]])[:, None] + within
        cuts[classes] = np.argmin(tried, axis=0)
        cost = np.take_along_axis(tried, cuts[classes][None], axis=0)[0]
    found: list[float] = []
    end = len(points) - 1
    for classes in range(count - 1, 0, -1):
        start = int(cuts[classes, end])
        found.append(float(groups[start]))
        end = start - 1
    return found[::-1]


def _grouped(values: Floats) -> tuple[Floats, Floats]:
    points, weights = np.unique(values, return_counts=True)
    if len(points) <= _CELLS:
        return points, weights.astype(np.float64)
    first = np.linspace(0, len(points), _CELLS, endpoint=False).astype(np.int64)
    grouped = np.add.reduceat(weights, first).astype(np.float64)
    means = np.add.reduceat(points * weights, first) / grouped
    return np.asarray(means), grouped
