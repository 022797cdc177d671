"""Reading data from CSV: separator, decimal sign and kinds of columns are found; what is passed over is said."""

import csv
import io
import re
from collections import Counter
from collections.abc import Sequence

import numpy as np

from heimat.core.charts.columns import Column, Table
from heimat.core.color.naming import NO_LINE
from heimat.core.errors import DomainError
from heimat.formats.read.cells import (
    LONGEST_CELL,
    MISSING,
    day_of_heading,
    days_of,
    is_number,
    numbers_of,
)

MOST_ROWS, MOST_COLUMNS = 200_000, 60
_SEPARATORS = "\t;|,"
"""Of two that part the lines alike, the first."""
_LOOKED_AT = 50
"""Lines by which the separator is found."""
_FEWEST_SPREAD = 3
"""Columns of numbers that may be one, spread over the times that they are headed by."""
_QUOTED = re.compile(r'"[^"]*"')
_TOTALS = {"total", "totals", "sum", "grand total", "summe", "gesamt"}


def read_table(content: bytes) -> Table:
    """Read a table with headings in its first row, or behind lines that are titles; a last row of totals is left out.

    Raises DomainError (field `data`) where there is no table, or none with a column of numbers.
    """
    text = _decoded(content)
    if not text.strip():
        raise DomainError("This file is empty.", "data", "empty")
    notes: list[str] = []
    headings, body = _whole(_rows(text), notes)
    names = _names(headings[:MOST_COLUMNS])
    cells = [
        [row[place].strip() if place < len(row) else "" for row in body]
        for place in range(len(names))
    ]
    formulas = sum(cell.startswith("=") for column in cells for cell in column)
    if formulas:
        hold = "holds a formula, which is" if formulas == 1 else "hold formulas, which are"
        notes.append(f"{_many(formulas, 'cell')} {hold} not computed: export values.")
    columns = tuple(_column(name, column, notes) for name, column in zip(names, cells, strict=True))
    columns = _long(columns, notes)
    numbers = [column.name for column in columns if column.kind == "number"]
    if numbers and all(map(is_number, numbers)):
        notes.append("The first row holds numbers too; it is taken for the headings.")
    if not numbers:
        raise DomainError(
            "No column of this table holds numbers: there is nothing to draw.", "data", "numbers"
        )
    return Table(columns, tuple(notes))


def _long(columns: tuple[Column, ...], notes: list[str]) -> tuple[Column, ...]:
    """Numbers under headings that are days, months or years, as one column of these and one of the numbers."""
    spread = [column for column in columns if column.kind == "number"]
    heads = np.array([day_of_heading(column.name) for column in spread])
    count = len(columns[0].words) if columns else 0
    if len(spread) < _FEWEST_SPREAD or np.isnan(heads).any() or count * len(spread) > MOST_ROWS:
        return columns
    notes.append(
        f"{spread[0].name} to {spread[-1].name} are read as one column of times and one of values."
    )
    times, values = (
        np.tile(heads, count),
        np.stack([column.numbers for column in spread], axis=1).ravel(),
    )
    words = tuple(column.words[row] for row in range(count) for column in spread)
    repeated = [
        Column(
            column.name,
            column.kind,
            tuple(word for word in column.words for _ in spread),
            np.repeat(column.numbers, len(spread)),
        )
        for column in columns
        if column.kind != "number"
    ]
    called = tuple(column.name for column in spread) * count
    *_, time, value = _names([*(column.name for column in repeated), "time", "value"])
    return (*repeated, Column(time, "day", called, times), Column(value, "number", words, values))


def _whole(rows: Sequence[list[str]], notes: list[str]) -> tuple[list[str], Sequence[list[str]]]:
    """The headings of a table and the rows that are its own; what is left out is said."""
    titles = _titles(rows)
    if titles:
        notes.append(
            f"What stands above the headings is passed over: “{titles[0][:LONGEST_CELL]}”."
        )
    headings, *body = rows[len(titles) :] or [[]]
    if len(headings) < 2 or not body:
        words = "This is no table: it takes a row of headings, and columns separated by comma, semicolon or tab."
        raise DomainError(words, "data", "unreadable")
    if (beyond := len(headings) - MOST_COLUMNS) > 0:
        notes.append(f"{_many(beyond, 'column')} beyond {MOST_COLUMNS} {_are(beyond)} left out.")
    if total := _total(body):
        notes.append(f"The last row, “{total}”, is left out: it adds up the others.")
        body = body[:-1]
    if (beyond := len(body) - MOST_ROWS) > 0:
        notes.append(f"{_many(beyond, 'row')} beyond {MOST_ROWS:,} {_are(beyond)} left out.")
        body = body[:MOST_ROWS]
    if uneven := sum(len(row) != len(headings) for row in body):
        have = "has" if uneven == 1 else "have"
        words = f"{_many(uneven, 'row')} {have} more or fewer cells than there are headings; what lacks is missing."
        notes.append(words)
    return headings, body


def _decoded(content: bytes) -> str:
    if content[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return content.decode("utf-16", errors="replace")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError:
        return content.decode("cp1252", errors="replace")


def _rows(text: str) -> list[list[str]]:
    lines = text.replace("\x00", "").splitlines()
    try:
        rows = csv.reader(io.StringIO("\n".join(lines)), delimiter=_separator(lines))
        return [row for row in rows if any(cell.strip() for cell in row)]
    except csv.Error as error:
        raise DomainError(f"This table cannot be read: {error}.", "data", "unreadable") from error


def _separator(lines: Sequence[str]) -> str:
    """The sign that parts most lines into equally many cells; of several the one that parts them into most."""
    looked = [_QUOTED.sub("", line) for line in lines if line.strip()][:_LOOKED_AT]

    def parts(sign: str) -> tuple[int, int]:
        times = Counter(count for line in looked if (count := line.count(sign)))
        count, often = max(times.items(), key=lambda each: (each[1], each[0]), default=(0, 0))
        return often, count

    return max(_SEPARATORS, key=parts)


def _titles(rows: Sequence[Sequence[str]]) -> list[str]:
    """The texts of rows with one cell that stand above a table of more."""
    found: list[str] = []
    for row in rows:
        cells = [cell.strip() for cell in row if cell.strip()]
        if len(cells) > 1:
            return found
        found += cells
    return []


def _total(body: Sequence[Sequence[str]]) -> str:
    """What the last row is called where it is a total: no other row is called so."""
    *others, last = body
    for place, cell in enumerate(last):
        called = cell.strip()
        if (
            called.lower() in _TOTALS
            and others
            and all(called not in map(str.strip, row[place:][:1]) for row in others)
        ):
            return called
    return ""


def _many(number: int, what: str) -> str:
    return f"{number:,} {what}" + ("" if number == 1 else "s")


def _are(number: int) -> str:
    return "is" if number == 1 else "are"


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
    times = Counter(cell for cell in cells if cell.lower() not in MISSING)
    for kind, read in (("day", days_of), ("number", numbers_of)):
        known = read(name, times, notes)
        if known is None:
            continue
        lost = sum(count for cell, count in times.items() if np.isnan(known[cell]))
        if lost:
            what = "cell is no " + kind if lost == 1 else f"cells are no {kind}s"
            notes.append(
                f"In {name} {lost:,} {what}: {'it counts' if lost == 1 else 'they count'} as missing."
            )
        numbers = np.array([known.get(cell, np.nan) for cell in cells], dtype=np.float64)
        return Column(name, "day" if kind == "day" else "number", words, numbers)
    return Column(name, "word", words, np.full(len(cells), np.nan))
