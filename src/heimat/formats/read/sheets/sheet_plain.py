"""Sheets out of the plain forms: JSON with tokens in a list, TypeScript with themes as objects, tables, swatches."""

import csv
import io
import json
import re
from collections.abc import Iterable, Mapping
from typing import Any

from heimat.core.document.themes import Scheme, Wanted
from heimat.core.importing.sheet import DEFAULT, Named, Sheet, SheetMaker, SheetValue
from heimat.formats.read.sheets.sheet_reader import SheetReader
from heimat.formats.read.sheets.sheet_values import color_of

_THEMES = re.compile(r"\bthemes\s*=\s*(?=\{)")
_TITLE = re.compile(r"/\*\s*(.{1,80}?)\s+\d+\.\d+\.\d+\S*\s*\*/")
_SWATCH = re.compile(r"\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.{1,200}?))?\s*$")
_THEMED = re.compile(r"(.{1,160}) \(([^()]{1,80})\)$")
_BESIDE = frozenset({"name", "property", "note", "usage", "deprecated, use", "system", "version"})
"""Columns of a table that are no themes."""


def read_json(root: dict[str, Any]) -> Sheet:
    """A list of tokens, each with its values by theme."""
    maker = SheetMaker("plain JSON", str(root.get("system", ""))[:80])
    for theme in _dicts(root.get("themes")):
        scheme: Scheme | None = (
            theme["scheme"] if theme.get("scheme") in ("light", "dark") else None
        )
        contrast: Wanted | None = (
            theme["contrast"] if theme.get("contrast") in ("usual", "more") else None
        )
        maker.theme(str(theme.get("name", ""))[:80] or DEFAULT, scheme, contrast)
    for token in _dicts(root.get("tokens")):
        name, aliases = str(token.get("name", ""))[:160], token.get("stands for", {})
        values: dict[str, SheetValue] = {}
        for said_in, text in _texts(token.get("values")):
            alias = aliases.get(said_in) if isinstance(aliases, dict) else None
            color = color_of(text)
            if isinstance(alias, str):
                values[said_in] = Named(alias)
            elif color is not None:
                values[said_in] = color
            else:
                maker.pass_over(f"{name}: “{text[:40]}” is no color.")
        gone = token.get("deprecated")
        more = (
            {"replacement": str(gone.get("use") or ""), "reason": str(gone.get("reason", ""))}
            if isinstance(gone, dict)
            else {}
        )
        said = {key: str(token.get(key, ""))[:400] for key in ("note", "usage")}
        maker.token(name, values, deprecated=isinstance(gone, dict), **said, **more)
    return maker.made()


def read_script(text: str) -> Sheet:
    """An object `themes` of objects of colors by name, as JSON within a module."""
    titled = _TITLE.match(text.lstrip())
    maker = SheetMaker("TypeScript", titled[1] if titled else "")
    match = _THEMES.search(text)
    try:
        found, _ = json.JSONDecoder().raw_decode(text[match.end() :]) if match else ({}, 0)
    except (ValueError, RecursionError):
        found = {}
    themes = [(name, dict(_texts(each))) for name, each in found.items() if isinstance(each, dict)]
    for name in dict.fromkeys(name for _, values in themes for name in values):
        colors = {theme: color_of(values[name]) for theme, values in themes if name in values}
        maker.token(name, {theme: color for theme, color in colors.items() if color is not None})
    return maker.made()


def read_table(text: str) -> Sheet:
    """A row a token, a column a theme."""
    maker = SheetMaker("table")
    try:
        rows = list(csv.reader(io.StringIO(text.replace("\0", ""), newline="")))
    except csv.Error as error:
        maker.pass_over(f"The table cannot be read: {error}.")
        return maker.made()
    heads = [_plain(cell.strip()) for cell in rows[0]] if rows else []
    at = {head.lower(): place for place, head in enumerate(heads)}
    if "name" not in at:
        return maker.made()
    themes = [
        (place, head) for place, head in enumerate(heads) if head and head.lower() not in _BESIDE
    ]
    for number, row in enumerate(rows[1:], start=2):
        cells = [_plain(cell) for cell in row] + [""] * (len(heads) - len(row))
        values = _values((head[:80], cells[place]) for place, head in themes)
        if not values and any(cells):
            maker.pass_over(f"Row {number}: there is no color in it.")
        gone = _in(cells, at, "deprecated, use")
        said = {key: cells[at[key]][:400] for key in ("note", "usage") if key in at}
        instead = "" if gone == "nothing" else gone
        maker.token(
            cells[at["name"]][:160], values, deprecated=bool(gone), replacement=instead, **said
        )
        maker.system = maker.system or _in(cells, at, "system")[:80]
    return maker.made()


def _values(cells: Iterable[tuple[str, str]]) -> dict[str, SheetValue]:
    """The colors among cells, each by its heading."""
    read = ((head, color_of(cell)) for head, cell in cells if cell)
    return {head: color for head, color in read if color is not None}


def _in(cells: list[str], at: Mapping[str, int], column: str) -> str:
    return cells[at[column]] if column in at else ""


def read_swatches(text: str) -> Sheet:
    """Swatches in lines of levels and a name, a theme in brackets behind it."""
    maker = SheetMaker("swatches")
    for line in text.splitlines():
        match = _SWATCH.match(line)
        if match is None or not match[4]:
            continue
        color = color_of(f"rgb({match[1]} {match[2]} {match[3]})")
        themed = _THEMED.fullmatch(match[4])
        name, theme = (themed[1], themed[2]) if themed else (match[4], DEFAULT)
        if color is not None:
            maker.token(name, {theme: color})
    return maker.made()


def _dicts(value: Any) -> list[dict[str, Any]]:
    return [each for each in value if isinstance(each, dict)] if isinstance(value, list) else []


def _texts(value: Any) -> list[tuple[str, str]]:
    if not isinstance(value, dict):
        return []
    return [(str(key)[:160], each) for key, each in value.items() if isinstance(each, str)]


def _plain(cell: str) -> str:
    """A cell without the apostrophe that keeps spreadsheets from computing it."""
    text = cell.strip()
    return text[1:] if text.startswith("'") and text[1:2] in ("=", "+", "-", "@") else text


SWATCHES = SheetReader(
    lambda start, ending: ending == ".gpl" or start.startswith("GIMP Palette"),
    lambda start, _: read_swatches(start),
)
TABLES = SheetReader(lambda _, ending: ending == ".csv", lambda start, __: read_table(start))
