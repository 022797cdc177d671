"""Reading data from CSV: separator, decimal sign and kinds of columns are found; what is passed over is said."""

import csv
import io
import re
from collections import Counter
from collections.abc import Iterable, Sequence
from datetime import date

import numpy as np

from heimat.core.charts.table import Column, Table
from heimat.core.color.naming import NO_LINE
from heimat.core.errors import DomainError

MOST_ROWS, MOST_COLUMNS = 200_000, 60
LONGEST_CELL = 200
_SEPARATORS = ",;\t|"
_POINT = re.compile(r"[-+−]?(\d{1,3}(,\d{3})+|\d+)?(\.\d+)?([eE][-+]?\d{1,3})?%?")
_COMMA = re.compile(r"[-+−]?(\d{1,3}(\.\d{3})+|\d+)?(,\d+)?%?")
_DAY = re.compile(r"(\d{4})-(\d{1,2})-(\d{1,2})")
_OTHER_DAY = re.compile(r"(\d{1,2})\.(\d{1,2})\.(\d{4})")
_MISSING = {"", "-", "–", "na", "n/a", "nan", "null", "none"}
_ENOUGH = 0.9
"""The share of a column's cells that make it one of numbers or days; the others are missing, which is said."""
_EPOCH = date(1970, 1, 1).toordinal()


def read_table(content: bytes) -> Table:
    """Read a table with headings in its first row.

    Raises DomainError (field `data`) where there is no table, or none with a column of numbers.
    """
    text = _decoded(content)
    if not text.strip():
        raise DomainError("This file is empty.", "data", "empty")
    rows = list(_rows(text))
    if len(rows) < 2 or len(rows[0]) < 2:
        words = "This is no table: it takes a row of headings, and columns separated by comma, semicolon or tab."
        raise DomainError(words, "data", "unreadable")
    names = _names(rows[0][:MOST_COLUMNS])
    notes: list[str] = []
    if len(rows[0]) > MOST_COLUMNS:
        notes.append(f"{len(rows[0]) - MOST_COLUMNS} columns beyond {MOST_COLUMNS} are left out.")
    body = rows[1:]
    if len(body) > MOST_ROWS:
        notes.append(f"{len(body) - MOST_ROWS:,} rows beyond {MOST_ROWS:,} are left out.")
        body = body[:MOST_ROWS]
    uneven = sum(len(row) != len(rows[0]) for row in body)
    if uneven:
        notes.append(f"{uneven:,} rows have more or fewer cells than there are headings; what lacks is missing.")
    cells = [[row[place].strip() if place < len(row) else "" for row in body] for place in range(len(names))]
    formulas = sum(cell.startswith("=") for column in cells for cell in column)
    if formulas:
        notes.append(f"{formulas:,} cells hold formulas, which are not computed: export values.")
    columns = tuple(_column(name, column, notes) for name, column in zip(names, cells, strict=True))
    if not any(column.kind == "number" for column in columns):
        raise DomainError("No column of this table holds numbers: there is nothing to draw.", "data", "numbers")
    return Table(columns, tuple(notes))


def _decoded(content: bytes) -> str:
    if content[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return content.decode("utf-16", errors="replace")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError:
        return content.decode("cp1252", errors="replace")


def _rows(text: str) -> Iterable[list[str]]:
    first = text.lstrip().partition("\n")[0]
    separator = max(_SEPARATORS, key=first.count)
    lines = text.replace("\x00", "").splitlines()
    try:
        for row in csv.reader(io.StringIO("\n".join(lines)), delimiter=separator):
            if any(cell.strip() for cell in row):
                yield row
    except csv.Error as error:
        raise DomainError(f"This table cannot be read: {error}.", "data", "unreadable") from error


def _names(cells: Sequence[str]) -> list[str]:
    found: list[str] = []
    for place, cell in enumerate(cells):
        plain = " ".join(NO_LINE.sub(" ", cell).split())[:60] or f"column {place + 1}"
        name, number = plain, 2
        while name in found:
            name, number = f"{plain} {number}", number + 1
        found.append(name)
    return found


def _column(name: str, cells: list[str], notes: list[str]) -> Column:
    words = tuple(cell[:LONGEST_CELL] for cell in cells)
    # The same cell stands in many rows: each is read once.
    times = Counter(cell for cell in cells if cell.lower() not in _MISSING)
    for kind, known in (("day", _days(times)), ("number", _numbers(name, times, notes))):
        if known is None:
            continue
        lost = sum(count for cell, count in times.items() if np.isnan(known[cell]))
        if lost:
            what = "numbers" if kind == "number" else "days"
            notes.append(f"In {name} {lost:,} cells are no {what}: they count as missing.")
        numbers = np.array([known.get(cell, np.nan) for cell in cells], dtype=np.float64)
        return Column(name, "day" if kind == "day" else "number", words, numbers)
    return Column(name, "word", words, np.full(len(cells), np.nan))


def _share(known: dict[str, float], times: Counter[str]) -> float:
    """The share of cells that were read."""
    return sum(count for cell, count in times.items() if not np.isnan(known[cell])) / max(times.total(), 1)


def _days(times: Counter[str]) -> dict[str, float] | None:
    known = {cell: _day(cell) for cell in times}
    return known if _share(known, times) >= _ENOUGH else None


def _numbers(name: str, times: Counter[str], notes: list[str]) -> dict[str, float] | None:
    """The numbers that cells are, by the decimal sign that reads most of them; None where most are no numbers."""
    point, comma = ({cell: _number(cell, sign) for cell in times} for sign in ".,")
    best, other = sorted((point, comma), key=lambda known: -_share(known, times))
    both = {cell: value if not np.isnan(value) else other[cell] for cell, value in best.items()}
    if _share(both, times) < _ENOUGH:
        return None
    if _share(both, times) == _share(best, times):
        return best
    notes.append(f"In {name} some numbers have a decimal comma and some a point: both are read.")
    return both


def _number(cell: str, decimal: str) -> float:
    plain = cell.replace(" ", "").replace("\u00a0", "").replace("\u202f", "")
    pattern, thousands = (_POINT, ",") if decimal == "." else (_COMMA, ".")
    if not any(sign.isdigit() for sign in plain) or len(plain) > LONGEST_CELL or not pattern.fullmatch(plain):
        return float("nan")
    percent = plain.endswith("%")
    value = float(plain.rstrip("%").replace("−", "-").replace(thousands, "").replace(decimal, "."))
    if not np.isfinite(value):
        return float("nan")
    return value / 100.0 if percent else value


def _day(cell: str) -> float:
    if match := _DAY.match(cell):
        year, month, day = map(int, match.groups())
    elif match := _OTHER_DAY.fullmatch(cell):
        day, month, year = map(int, match.groups())
    else:
        return float("nan")
    try:
        return float(date(year, month, day).toordinal() - _EPOCH)
    except ValueError:
        return float("nan")
