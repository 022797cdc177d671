"""What the cells of a column are, as people and programs write them: numbers, or days."""

import re
from collections import Counter
from collections.abc import Callable
from datetime import date
from functools import partial

import numpy as np

LONGEST_CELL = 200
MISSING = {"", "-", "–", "—", "na", "n/a", "#n/a", "nan", "null", "none", "inf", "-inf"}
"""What stands where there is no value."""
ENOUGH = 0.9
"""The share of a column's cells that make it one of numbers or days; the others are missing, which is said."""
_POINT = re.compile(r"-?(\d{1,3}([,']\d{3})+|\d+)?(\.\d+)?([eE][-+]?\d{1,3})?%?")
_COMMA = re.compile(r"-?(\d{1,3}([.']\d{3})+|\d+)?(,\d+)?([eE][-+]?\d{1,3})?%?")
_SPACES = re.compile(r"[\s\u00a0\u202f\u2009]")
_MONEY = re.compile(r"[$€£¥]")
_MINUS = re.compile(r"^[−–](?=[\d.,])")
_IN_BRACKETS = re.compile(r"\(([\d.,']+%?)\)")
"""A number below zero, as it is written in accounts."""
_NAMES = [
    "january",
    "february",
    "march",
    "april",
    "may",
    "june",
    "july",
    "august",
    "september",
    "october",
]
_NAMES += ["november", "december"]
_MONTHS = {name: number for number, name in enumerate(_NAMES, start=1)}
_MONTHS |= {name[:3]: number for name, number in _MONTHS.items()} | {"sept": 9}
_YEAR_FIRST = re.compile(r"(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?![\d-])")
_DOTTED = re.compile(r"(\d{1,2})\.(\d{1,2})\.(\d{4}|\d{2})(?![\d.])")
_SLASHED = re.compile(r"(\d{1,2})/(\d{1,2})/(\d{4}|\d{2})(?!\d)")
_YEAR_AND_MONTH = re.compile(r"(\d{4})[-/](\d{1,2})")
_MONTH_AND_YEAR = re.compile(r"(\d{1,2})[-/](\d{4})")
_NAMED_MONTH = re.compile(r"(?:(\d{1,2})\.?[ -])?([A-Za-z]{3,9})\.?[ -](?:(\d{1,2}),? )?(\d{4})")
_YEARS = (1500, 2500)
_EPOCH = date(1970, 1, 1).toordinal()

Read = dict[str, float]
"""By the text of a cell the number that it is, or the days since 1970; NaN where it is none."""


def days_of(name: str, times: Counter[str], notes: list[str]) -> Read | None:
    """The days that cells are; None where most are none. A month is its first day.

    With slashes the month or the day comes first, as more cells can be read: where all can be read both ways the month
    does, which is said.
    """
    if name.lower() in {"year", "years"}:
        return _read(times, _year)
    month_first = _read(times, partial(_day, month_first=True))
    if not any("/" in cell for cell in times):
        return month_first
    day_first = _read(times, partial(_day, month_first=False))
    if (
        month_first is None
        or day_first is None
        or _share(month_first, times) != _share(day_first, times)
    ):
        return max(month_first, day_first, key=lambda known: _share(known, times))
    told = next((cell for cell in times if day_first[cell] != month_first[cell]), None)
    if told is not None and not np.isnan(month_first[told]):
        notes.append(f"In {name} the month is read first: {told} is {_spoken(month_first[told])}.")
    return month_first


def numbers_of(name: str, times: Counter[str], notes: list[str]) -> Read | None:
    """The numbers that cells are, by the decimal sign that reads most of them; None where most are no numbers."""
    for sign in ".,":
        known = _read(times, partial(_number, decimal=sign))
        if known is not None and _share(known, times) == 1.0:
            return known
    if _read(times, _with_any_sign) is None:
        return None
    point, comma = ({cell: _number(cell, sign) for cell in times} for sign in ".,")
    best, other = sorted((point, comma), key=lambda known: -_share(known, times))
    both = {cell: value if not np.isnan(value) else other[cell] for cell, value in best.items()}
    if _share(both, times) == _share(best, times):
        return best
    notes.append(f"In {name} some numbers have a decimal comma and some a point: both are read.")
    return both


def day_of_heading(heading: str) -> float:
    """The days since 1970 of a heading that is a day, a month or a year, its first day; NaN for others.

    A month without a year is one of 2001.
    """
    named = _MONTHS.get(heading.lower().removesuffix("."))
    if named is not None:
        return _since(2001, named, 1)
    year = _year(heading)
    return _day(heading, month_first=True) if np.isnan(year) else year


def is_number(cell: str) -> bool:
    """Whether a cell alone is a number, with either decimal sign."""
    return not np.isnan(_with_any_sign(cell))


def _with_any_sign(cell: str) -> float:
    point = _number(cell, ".")
    return _number(cell, ",") if np.isnan(point) else point


def _read(times: Counter[str], one: Callable[[str], float]) -> Read | None:
    """What all cells are; None as soon as too many of them are none: most columns are told by their first cells."""
    room = (1.0 - ENOUGH) * times.total()
    known: Read = {}
    for cell, count in times.items():
        known[cell] = one(cell)
        if known[cell] != known[cell]:
            room -= count
            if room < -1e-6:
                return None
    return known if times else None


def _share(known: Read | None, times: Counter[str]) -> float:
    """The share of cells that were read."""
    if known is None:
        return 0.0
    return sum(count for cell, count in times.items() if not np.isnan(known[cell])) / max(
        times.total(), 1
    )


def _number(cell: str, decimal: str) -> float:
    if len(cell) > LONGEST_CELL or not any(sign.isdigit() for sign in cell):
        return float("nan")
    plain = _MINUS.sub("-", _MONEY.sub("", _SPACES.sub("", cell))).removeprefix("+")
    plain = _IN_BRACKETS.sub(r"-\1", plain)
    pattern, thousands = (_POINT, ",") if decimal == "." else (_COMMA, ".")
    if not pattern.fullmatch(plain):
        return float("nan")
    value = float(plain.rstrip("%").replace(thousands, "").replace("'", "").replace(decimal, "."))
    if not np.isfinite(value):
        return float("nan")
    return value / 100.0 if plain.endswith("%") else value


def _year(cell: str) -> float:
    plain = cell.removesuffix(".0")
    if not (plain.isascii() and plain.isdigit() and len(plain) == 4):
        return float("nan")
    return _since(int(plain), 1, 1) if _YEARS[0] <= int(plain) <= _YEARS[1] else float("nan")


def _day(cell: str, month_first: bool) -> float:
    """The days since 1970 of a cell that is a day, with or without a time behind, or a month."""
    if match := _YEAR_FIRST.match(cell):
        return _since(*map(int, match.groups()))
    if match := _DOTTED.match(cell):
        day, month, year = map(int, match.groups())
        return _since(year, month, day)
    if match := _SLASHED.match(cell):
        one, other, year = map(int, match.groups())
        return _since(year, *((one, other) if month_first else (other, one)))
    if match := _YEAR_AND_MONTH.fullmatch(cell):
        year, month = map(int, match.groups())
        return _since(year, month, 1)
    if match := _MONTH_AND_YEAR.fullmatch(cell):
        month, year = map(int, match.groups())
        return _since(year, month, 1)
    if match := _NAMED_MONTH.fullmatch(cell):
        before, name, behind, text = match.groups()
        named = _MONTHS.get(name.lower())
        return (
            float("nan") if named is None else _since(int(text), named, int(before or behind or 1))
        )
    return float("nan")


_SHORT_YEAR = 100


def _since(year: int, month: int, day: int) -> float:
    if year < _SHORT_YEAR:
        # As POSIX reads two digits: 69 to 99 are of the last century.
        year += 1900 if year >= 69 else 2000
    try:
        return float(date(year, month, day).toordinal() - _EPOCH)
    except ValueError:
        return float("nan")


def _spoken(since: float) -> str:
    day = date.fromordinal(int(since) + _EPOCH)
    return f"{day.day} {day.strftime('%B %Y')}"
