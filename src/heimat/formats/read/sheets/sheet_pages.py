"""Sheets out of what is made to be looked at: the guide's tables, and the sheet of swatches as SVG."""

import re
from html.parser import HTMLParser
from typing import Any

from defusedxml import ElementTree
from defusedxml.common import DefusedXmlException

from heimat.core.importing.sheet import DEFAULT, Sheet, SheetMaker, SheetValue
from heimat.formats.read.sheets.sheet_reader import SheetReader
from heimat.formats.read.sheets.sheet_values import color_of

_SCALE = re.compile(r"(.{1,120})\.([^.]{1,40}) to \1\.([^.]{1,40})")
_SVG = "{http://www.w3.org/2000/svg}"
_NAME_AT = 10.0
_VALUE = re.compile(r"#[0-9a-f]{6}(?:[0-9a-f]{2})?$")


class _Tables(HTMLParser):
    """The rows of tables, cell by cell as lists of texts, with the heading before each table."""

    def __init__(self) -> None:
        super().__init__()
        self.rows: list[tuple[str, list[list[str]]]] = []
        self.title = ""
        self._heading = ""
        self._in: list[str] = []
        self._row: list[list[str]] | None = None

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        del attrs
        if tag in ("h1", "h2", "h3"):
            self._heading = ""
        elif tag == "tr":
            self._row = []
        elif tag in ("td", "th") and self._row is not None:
            self._row.append([])
        if tag not in ("br", "meta"):
            self._in.append(tag)

    def handle_endtag(self, tag: str) -> None:
        if tag == "h1":
            self.title = self._heading
        if tag == "tr" and self._row is not None:
            self.rows.append((self._heading, self._row))
            self._row = None
        if tag in self._in:
            while self._in.pop() != tag:
                pass

    def handle_data(self, data: str) -> None:
        text = data.strip()
        if not text or "style" in self._in:
            return
        if self._in and self._in[-1] in ("h1", "h2", "h3"):
            self._heading += text
        elif self._row:
            self._row[-1].append(text)


def read_guide(text: str) -> Sheet:
    """The tokens and scales of a guide, or of a part of one."""
    tables = _Tables()
    tables.feed(text)
    maker = SheetMaker("guide", re.sub(r"\s+\d+\.\d+\.\d+\S*$", "", tables.title)[:80])
    themes: list[str] = []
    steps: list[tuple[str, str, str]] = []
    for heading, row in tables.rows:
        first = row[0] if row else []
        if first == ["token"]:
            themes = [" ".join(cell) for cell in row[1:-1]]
        elif (
            themes and len(row) == len(themes) + 2 and len(first) == 2 and first[1].startswith("--")
        ):
            values: dict[str, SheetValue] = {}
            for theme, cell in zip(themes, row[1:], strict=False):
                color = next(
                    (found for each in cell if (found := color_of(each)) is not None), None
                )
                if color is not None:
                    values[theme] = color
            maker.token(first[0], values, note=" ".join(row[-1])[:400])
        elif (scale := _SCALE.fullmatch(heading)) is not None:
            steps += [(scale[1], cell[0], cell[1]) for cell in row if len(cell) >= 2]
    for hue, label, value in steps:
        color = color_of(value)
        if color is not None:
            maker.token(f"{hue}.{label}", dict.fromkeys(themes or [DEFAULT], color))
    return maker.made()


def read_drawing(text: str) -> Sheet:
    """The rows of a sheet of swatches: a name, and a color a theme."""
    maker = SheetMaker("sheet of swatches")
    try:
        root = ElementTree.fromstring(text)
    except (ElementTree.ParseError, DefusedXmlException, ValueError, RecursionError):
        return maker.made()
    heads, rows = _places(root)
    title = next(iter(rows.values()), ("", {}))
    if not title[1]:
        maker.system = re.sub(r"\s+\d+\.\d+\.\d+\S*$", "", title[0])[:80]
    # A swatch's value stands to the right of its column's beginning.
    columns = sorted(heads)
    for name, cells in rows.values():
        values: dict[str, SheetValue] = {}
        for x, value in cells.items():
            column = max((each for each in columns if each <= x), default=None)
            color = color_of(value) if _VALUE.fullmatch(value) else None
            if color is not None:
                values[heads[column][:80] if column is not None else DEFAULT] = color
        maker.token(name[:160], values)
    return maker.made()


def _places(root: Any) -> tuple[dict[float, str], dict[float, tuple[str, dict[float, str]]]]:
    """Where texts stand: headings by x, and by y each row's name with its other texts by x."""
    heads: dict[float, str] = {}
    rows: dict[float, tuple[str, dict[float, str]]] = {}
    for each in root.iter(f"{_SVG}text"):
        try:
            x, y = float(each.get("x", "nan")), float(each.get("y", "nan"))
        except ValueError:
            continue
        words = (each.text or "").strip()
        if x == _NAME_AT:
            rows.setdefault(y, (words, {}))
        elif y in rows:
            rows[y][1][x] = words
        elif words:
            heads[x] = words
    return heads, rows


DRAWINGS = SheetReader(
    lambda start, ending: ending == ".svg" or start.startswith("<svg"),
    lambda start, _: read_drawing(start),
)
GUIDES = SheetReader(
    lambda start, ending: ending in (".html", ".htm") or start.startswith("<"),
    lambda start, _: read_guide(start),
)
