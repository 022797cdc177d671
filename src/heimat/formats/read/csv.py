"""Reading tables (CSV after RFC 4180, also with semicolons or tabs): a column of names and one of values."""

import csv
import io
from collections.abc import Iterator

from heimat.core.color.notation import Color, parse
from heimat.core.color.reading import Reading
from heimat.core.errors import DomainError
from heimat.formats.read.reading import Found, nothing

_NAMES = frozenset({"name", "token", "color name", "colour name", "label", "title", "id", "key"})
_VALUES = frozenset({"color", "colour", "value", "hex", "css", "code", "rgb", "hsl", "oklch"})
_FORMULA = ("=", "+", "@")
_DELIMITERS = ",;\t|"


def read(text: str) -> Reading:
    """Read a table with headings. Never raises; cells that are formulas are refused, not computed."""
    rows, number = _rows(text), 1
    headings = _headings(rows)
    named = next((place for place, heading in enumerate(headings) if heading in _NAMES), None)
    valued = [place for place, heading in enumerate(headings) if heading in _VALUES]
    if not valued:
        return nothing("table", "No heading says color, value or hex, so it is not known where the colors are.")
    found = Found("table")
    try:
        for number, row in rows:
            if not any(cell.strip() for cell in row):
                continue
            if not found.allowance.row(number):
                break
            _row(number, row, named, valued, found)
    except csv.Error as error:
        found.allowance.stop(number + 1, f"the table cannot be read there ({error})")
    if found.empty:
        return nothing("table", "There are headings in this table, and nothing below them.")
    return found.reading()


def looks_like(text: str) -> bool:
    """Whether the first line is a row of headings, one of which says that colors stand below it."""
    cells = _headings(_rows(text.partition("\n")[0].rstrip("\r")))
    return len(cells) > 1 and any(cell in _VALUES for cell in cells) and all(cells)


def _headings(rows: Iterator[tuple[int, list[str]]]) -> list[str]:
    try:
        return [cell.strip().lower() for cell in next(rows, (1, []))[1]]
    except csv.Error:
        return []


def _rows(text: str) -> Iterator[tuple[int, list[str]]]:
    """The rows and the lines that they end on. Raises csv.Error at one that is too long."""
    first = text.partition("\n")[0]
    delimiter = max(_DELIMITERS, key=first.count)
    reader = csv.reader(io.StringIO(text.replace("\0", ""), newline=""), delimiter=delimiter)
    for row in reader:
        yield reader.line_num, row


def _row(number: int, row: list[str], named: int | None, valued: list[int], found: Found) -> None:
    name = row[named].strip() if named is not None and named < len(row) else ""
    cells = [row[place].strip() for place in valued if place < len(row) and row[place].strip()]
    text = ", ".join(row)[:400]
    if found.full:
        found.skip(text)
        return
    if name.startswith(_FORMULA) or any(cell.startswith(_FORMULA) for cell in cells):
        found.problem(number, text, "This row holds a formula. Give values: Heimat computes none.")
        return
    if not cells:
        found.problem(number, text, "There is no color in this row.")
        return
    reason = ""
    for cell in cells:
        color, reason = _read(cell)
        if color is not None:
            found.color(number, text, name, color)
            return
    found.problem(number, text, reason)


def _read(cell: str) -> tuple[Color | None, str]:
    try:
        return parse(cell), ""
    except DomainError as refusal:
        return None, refusal.message
