"""A table gathered for drawing: rows in groups by category, by month or by weekday, and a number of each group."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from heimat.core.charts.columns import Column, Table
from heimat.core.color.arrays import Floats

Gather = Literal["sum", "mean"]
MOST_DRAWN = 12
"""Categories that are drawn apart; all others are gathered as one, called other."""
OTHER = "other"
MOST_POINTS = 1_500
"""Points of a scatter; of more rows every nth is drawn, and it is said."""
MOST_PERIODS = 24
_DAYS_OF_WEEK = 7
_EPOCH = date(1970, 1, 1)
_WEEKDAYS = ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun")
_MONTHS = ("Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec")


@dataclass(frozen=True)
class Groups:
    """Names of groups, and for each row (n,) the place of its group; -1 where it is in none."""

    names: tuple[str, ...]
    places: NDArray[np.int64]


def by_category(column: Column, wanted: Sequence[str] = ()) -> Groups:
    """The rows by the words of a column: wanted words first, then the most frequent ones; the rest as other.

    What the data themselves call other goes with the rest, where there is one.
    """
    there = column.categories
    names = [word for word in wanted if word in there] + [
        word for word in there if word not in wanted
    ]
    shown = names
    if len(names) > MOST_DRAWN:
        names = [word for word in names if word != OTHER] + [OTHER]
        shown = [*names[: MOST_DRAWN - 1], OTHER]
    place = {name: min(number, len(shown) - 1) for number, name in enumerate(names)}
    return Groups(
        tuple(shown), np.array([place.get(word, -1) for word in column.words], dtype=np.int64)
    )


def by_period(column: Column) -> Groups:
    """The rows by week of a column of days, by month where that is too many, by year where months are.

    Months and years that stand as their first days stay what they are.
    """
    days = [
        _EPOCH + timedelta(days=int(each)) if np.isfinite(each) else None for each in column.numbers
    ]
    there = column.numbers[np.isfinite(column.numbers)]
    by_months = in_months(column)
    is_short = len(there) > 0 and np.ptp(there) < _DAYS_OF_WEEK * MOST_PERIODS
    if is_short and not by_months:
        return _by_week(column.numbers, int(there.min()))
    months = sorted({(day.year, day.month) for day in days if day})
    if len(months) > MOST_PERIODS or (by_months and all(month == 1 for _, month in months)):
        return _by_year(days)
    one_year = len({year for year, _ in months}) == 1
    names = tuple(_MONTHS[month - 1] + ("" if one_year else f" {year}") for year, month in months)
    place = {month: number for number, month in enumerate(months)}
    found = [place[day.year, day.month] if day else -1 for day in days]
    return Groups(names, np.array(found, dtype=np.int64))


def _by_year(days: Sequence[date | None]) -> Groups:
    years = sorted({day.year for day in days if day})
    found = [years.index(day.year) if day else -1 for day in days]
    return Groups(tuple(map(str, years)), np.array(found, dtype=np.int64))


def in_months(column: Column) -> bool:
    """Whether a column of days tells months, or years: several, each as its first day."""
    days = [
        _EPOCH + timedelta(days=int(each))
        for each in np.unique(column.numbers[np.isfinite(column.numbers)])
    ]
    return len(days) > 1 and all(day.day == 1 for day in days)


def _by_week(days: Floats, first: int) -> Groups:
    """The rows by the seventh part of days from the first one on, each called by its first day."""
    there = np.isfinite(days)
    places = np.where(
        there, (np.where(there, days, first).astype(np.int64) - first) // _DAYS_OF_WEEK, -1
    )
    begun = [
        _EPOCH + timedelta(days=first + _DAYS_OF_WEEK * week)
        for week in range(int(places.max()) + 1)
    ]
    return Groups(tuple(f"{day.day} {_MONTHS[day.month - 1]}" for day in begun), places)


def by_weekday(column: Column) -> Groups:
    """The rows by weekday of a column of days; 1970 began on a Thursday."""
    there = np.isfinite(column.numbers)
    return Groups(
        _WEEKDAYS,
        np.where(there, (np.where(there, column.numbers, 0.0).astype(np.int64) + 3) % 7, -1),
    )


def in_one(table: Table) -> Groups:
    """All rows in one group."""
    return Groups(("all",), np.zeros(table.rows, dtype=np.int64))


def gathered(rows: Groups, columns: Groups, numbers: Floats, how: Gather) -> Floats:
    """A number of each group in each other group: shape (rows, columns), NaN where there is none."""
    shape = (len(rows.names), len(columns.names))
    there = (rows.places >= 0) & (columns.places >= 0) & np.isfinite(numbers)
    flat = rows.places[there] * shape[1] + columns.places[there]
    size = shape[0] * shape[1]
    sums = np.bincount(flat, weights=numbers[there], minlength=size).reshape(shape)
    times = np.bincount(flat, minlength=size).reshape(shape)
    found = sums / np.maximum(times, 1) if how == "mean" else sums
    return np.where(times > 0, found, np.nan)


def sampled(count: int) -> NDArray[np.int64]:
    """The rows (m,) of a scatter: all of them, or every nth of many."""
    return np.arange(0, count, max(1, -(-count // MOST_POINTS)), dtype=np.int64)
