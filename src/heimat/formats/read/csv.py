"""Reading tables (CSV after RFC 4180, also with semicolons or tabs): a column of names and one of values."""

import csv
import io

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
    rows = _rows(text)
    if len(rows) < 2:
        return nothing("table", "A table has a row of headings and a row for each color.")
    headings = [cell.strip().lower() for cell in rows[0][1]]
    named = next((place for place, heading in enumerate(headings) if heading in _NAMES), None)
    valued = [place for place, heading in enumerate(headings) if heading in _VALUES]
    if not valued:
        return nothing("table", "No heading says color, value or hex, so it is not known where the colors are.")
    found = Found("table")
    for number, row in rows[1:]:
        if any(cell.strip() for cell in row):
            _row(number, row, named, valued, found)
    reading = found.reading()
    return reading if reading.lines else nothing("table", "There are headings in this table, and nothing below them.")


def looks_like(text: str) -> bool:
    """Whether the first line is a row of headings, one of which says that colors stand below it."""
    rows = _rows("\n".join(text.splitlines()[:1]))
    cells = [cell.strip().lower() for cell in rows[0][1]] if rows else []
    return len(cells) > 1 and any(cell in _VALUES for cell in cells) and all(cells)


def _rows(text: str) -> list[tuple[int, list[str]]]:
    first = text.partition("\n")[0]
    delimiter = max(_DELIMITERS, key=first.count)
    found: list[tuple[int, list[str]]] = []
    reader = csv.reader(io.StringIO(text.replace("\0", ""), newline=""), delimiter=delimiter)
    try:
        for row in reader:
            found.append((reader.line_num, row))
    except csv.Error:
        return found
    return found


def _row(number: int, row: list[str], named: int | None, valued: list[int], found: Found) -> None:
    name = row[named].strip() if named is not None and named < len(row) else ""
    cells = [row[place].strip() for place in valued if place < len(row) and row[place].strip()]
    text = ", ".join(row)
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
