"""Reading tables (CSV after RFC 4180, also with semicolons or tabs): a column of names and one of values."""

import csv
import io
import re
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from heimat.core.color.color_lines import Reading
from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.errors import DomainError
from heimat.formats.read.reading import BLANK, Found, TextReader, nothing

_NAMES = frozenset({"name", "names", "token", "label", "title", "id", "key", "variable", "swatch"})
_VALUES = frozenset(
    {
        "color",
        "colour",
        "value",
        "hex",
        "hexcode",
        "css",
        "code",
        "rgb",
        "rgba",
        "hsl",
        "hsla",
        "hsb",
        "hsv",
        "lab",
        "lch",
    }
    | {"oklab", "oklch", "light", "dark", "day", "night"}
)
_THEMES = frozenset({"light", "dark", "day", "night"})
"""Headings of columns that hold a color each."""
_GROUPS = frozenset(
    {"group", "role", "kind", "category", "type", "usage", "use", "family", "collection"}
)
_LEVELS = ({"r", "red"}, {"g", "green"}, {"b", "blue"})
_WORDS = re.compile(r"[^a-z0-9]+")
_FORMULA = ("=", "+", "@")
_MOST_LEVEL = 255
_DELIMITERS = ",;\t|"


@dataclass(frozen=True)
class _Columns:
    """Which column says what, by place: names, groups, whole values, values of a theme each, and levels of r, g, b."""

    name: int | None
    group: int | None
    values: tuple[int, ...]
    themes: dict[int, str]
    levels: tuple[int, int, int] | None

    @classmethod
    def of(cls, headings: list[str]) -> "_Columns":
        words = [set(_WORDS.split(heading)) - {""} for heading in headings]
        themes = {place: headings[place] for place in _saying(words, _THEMES)}
        name = _first(place for place in _saying(words, _NAMES) if place not in themes)
        group = _first(place for place in _saying(words, _GROUPS) if place != name)
        levels = [
            _first(place for place, here in enumerate(words) if here and here <= each)
            for each in _LEVELS
        ]
        taken = {name, group, *themes, *levels}
        values = tuple(place for place in _saying(words, _VALUES) if place not in taken)
        of_levels = tuple(place for place in levels if place is not None)
        return cls(name, group, values, themes, of_levels if len(of_levels) == 3 else None)

    def any(self) -> bool:
        """Whether it is told where the colors are."""
        return bool(self.values or self.themes or self.levels)


def read(text: str) -> Reading:
    """Read a table with headings. Never raises; cells that are formulas are refused, not computed."""
    rows, number = _rows(text), 1
    columns = _Columns.of(_headings(rows))
    if not columns.any():
        words = "No heading says color, value or hex, or red, green and blue, so it is not known where the colors are."
        return nothing("table", words)
    found = Found("table")
    try:
        for number, row in rows:
            if not any(cell.strip() for cell in row):
                continue
            if not found.allowance.row(number):
                break
            _row(number, [cell.strip() for cell in row], columns, found)
    except csv.Error as error:
        found.allowance.stop(number + 1, f"the table cannot be read there ({error})")
    if found.empty:
        return nothing("table", "There are headings in this table, and nothing below them.")
    return found.reading()


def looks_like(text: str) -> bool:
    """Whether the first line is a row of headings, one of which says that colors stand below it."""
    first, _, rest = text.partition("\n")
    cells = _headings(_rows(first.rstrip("\r")))
    if len(cells) < 2 or not all(cell and not any(map(str.isdigit, cell)) for cell in cells):
        return False
    columns = _Columns.of(cells)
    if columns.levels and not (columns.values or columns.themes):
        # Red, green and blue may be colors themselves: as headings they have numbers below.
        return any(map(str.isdigit, rest.partition("\n")[0]))
    return columns.any()


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


def _saying(words: Sequence[set[str]], wanted: frozenset[str]) -> list[int]:
    """Where any of the words that are wanted stands."""
    return [place for place, here in enumerate(words) if here & wanted]


def _first(places: Iterable[int]) -> int | None:
    return next(iter(places), None)


def _row(number: int, row: list[str], columns: _Columns, found: Found) -> None:
    text = ", ".join(row)[:400]
    if found.full:
        found.skip(text)
        return
    name, group = _cell(row, columns.name), _cell(row, columns.group)
    whole = [cell for place in columns.values if (cell := _cell(row, place))]
    themes = [
        (words, cell) for place, words in columns.themes.items() if (cell := _cell(row, place))
    ]
    if any(cell.startswith(_FORMULA) for cell in [name, *whole, *(cell for _, cell in themes)]):
        found.problem(number, text, "This row holds a formula. Give values: Heimat computes none.")
        return
    first, reason = _of_row(whole, [_cell(row, place) for place in columns.levels or ()])
    if first is not None:
        found.color(number, text, name, first, group)
    for words, cell in themes:
        color, reason = _read(cell)
        if color is not None:
            found.color(
                number, text, f"{name} {words}".strip() if len(themes) > 1 else name, color, group
            )
            first = color
    if first is None:
        found.problem(number, text, reason or "There is no color in this row.")


def _of_row(whole: list[str], levels: list[str]) -> tuple[Color | None, str]:
    """The first color of a row's cells, or of its levels; without any, why the first cell holds none."""
    why = ""
    for cell in whole:
        color, reason = _read(cell)
        if color is not None:
            return color, ""
        why = why or reason
    return _of_levels(levels) if levels and all(levels) else (None, why)


def _cell(row: list[str], place: int | None) -> str:
    return row[place] if place is not None and place < len(row) else ""


def _of_levels(cells: list[str]) -> tuple[Color | None, str]:
    if all(cell.isascii() and cell.isdigit() and int(cell[:4]) <= _MOST_LEVEL for cell in cells):
        r, g, b = (int(cell) for cell in cells)
        return Color.of_bytes((r, g, b)), ""
    return None, f"{', '.join(cells)[:60]} are not levels from 0 to 255."


def _read(cell: str) -> tuple[Color | None, str]:
    try:
        return parse(cell), ""
    except DomainError as refusal:
        return None, refusal.message


READER = TextReader(
    lambda start, ending: ending in (".csv", ".tsv") or looks_like(start),
    lambda text: read(text.lstrip(BLANK)),
)
