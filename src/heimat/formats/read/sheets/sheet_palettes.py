"""Palettes out of the files that hold them: JSON, stylesheets, modules for charts, and themes of charting libraries."""

import json
import re
from collections.abc import Iterable, Mapping
from typing import Any

from pydantic import ValidationError

from heimat.core.charts.suitability import PaletteKind
from heimat.core.color.exact_color import Color
from heimat.core.document.palette_making import PaletteMaking
from heimat.core.importing.sheet import DEFAULT, Sheet, SheetPalette, SheetValue
from heimat.formats.read.sheets.sheet_reader import SheetReader
from heimat.formats.read.sheets.sheet_values import color_of

MOST_READ, MOST_COLORS = 1_000, 1_024
"""Palettes of a file, and colors of a palette, that are read."""
_KINDS: tuple[PaletteKind, ...] = ("categorical", "sequential", "diverging")
_MODULE = re.compile(r"^(?:export const palettes|PALETTES)\s*=\s*(?=\{)", re.M)
_TITLED = re.compile(r"(?:/\*|TITLE = \"|#)\s*(.{1,80}?)\s+\d+\.\d+\.\d+[\w.\-]*\s*(?:,|$)", re.M)
_CYCLE = re.compile(
    r"^\s*axes\.prop_cycle\s*:\s*cycler\(\s*(?:'color'|\"color\"|color\s*=)\s*,?\s*\[([^\]]{1,40000})\]",
    re.M,
)
_QUOTED = re.compile(r"['\"]([^'\"]{1,60})['\"]")
_LABEL = re.compile(r"chart-(?P<name>[\w-]{1,120}?)-1-label")
_STOP = re.compile(r"#[0-9a-fA-F]{3,8}|[a-z]{2,9}\([^()]{1,120}\)")
_HEX = re.compile(r"[0-9a-fA-F]{6}")


def read_json(root: dict[str, Any]) -> Sheet:
    """Palettes in a list, each with its colors by theme."""
    palettes = []
    for each in _objects(root.get("palettes"))[:MOST_READ]:
        kind = each.get("kind")
        ends = [str(words)[:80] for words in _list(each.get("ends"))[:2]]
        middle = each.get("middle")
        palettes.append(
            SheetPalette(
                name=str(each.get("name", ""))[:200],
                kind=kind if kind in _KINDS else None,
                colors=_by_theme(each.get("colors")),
                stops=_by_theme(each.get("stops")),
                categories=tuple(
                    str(words)[:80] for words in _list(each.get("categories"))[:MOST_COLORS]
                ),
                middle=_number(middle) or 0.0,
                ends=(ends[0], ends[1]) if len(ends) == 2 else ("", ""),
                breaks=tuple(
                    found
                    for number in _list(each.get("breaks"))[:MOST_COLORS]
                    if (found := _number(number)) is not None
                ),
                note=str(each.get("note", ""))[:400],
                told_by=tuple(str(words)[:20] for words in _list(each.get("told by"))[:20]),
                made=_made(each.get("made")),
            )
        )
    return sheet("palettes", palettes, str(root.get("name", ""))[:80])


def read_module(text: str) -> Sheet:
    """A module with an object of palettes by name, of themes by name, of their colors and stops: TypeScript, Python."""
    titled, match = _TITLED.search(text[:400]), _MODULE.search(text)
    try:
        found, _ = json.JSONDecoder().raw_decode(text[match.end() :]) if match else ({}, 0)
    except (ValueError, RecursionError):
        found = {}
    palettes = []
    for name, themes in list(found.items())[:MOST_READ]:
        colors = {
            theme: each.get("colors")
            for theme, each in _dict(themes).items()
            if isinstance(each, dict)
        }
        stops = {
            theme: each.get("stops")
            for theme, each in _dict(themes).items()
            if isinstance(each, dict)
        }
        through = _by_theme(stops)
        kind: PaletteKind | None = None if through else "categorical"
        palettes.append(SheetPalette(str(name)[:200], kind, _by_theme(colors), through))
    return sheet("charts in code", palettes, titled[1] if titled else "")


def read_style(text: str) -> Sheet:
    """The cycle of colors of a style sheet for plots."""
    match, titled = _CYCLE.search(text), _TITLED.search(text[:400])
    written = _QUOTED.findall(match[1]) if match else []
    colors = _colors([f"#{each}" if _HEX.fullmatch(each) else each for each in written])
    palettes = [SheetPalette("series", "categorical", {DEFAULT: colors})] if colors else []
    return sheet("a style for plots", palettes, titled[1] if titled else "")


def read_theme(root: dict[str, Any]) -> Sheet:
    """A theme of a charting library, of the forms that are written: the colors by category, and its continuous ones."""
    config, layout = _dict(_dict(root.get("config")).get("range")), _dict(root.get("layout"))
    shown, scales = (
        _dict(_dict(root.get("visualMap")).get("inRange")),
        _dict(layout.get("colorscale")),
    )
    series = _colors(config.get("category") or layout.get("colorway") or root.get("color"))
    ordered = _colors(config.get("ramp") or shown.get("color") or _stops(scales.get("sequential")))
    sided = _colors(config.get("diverging") or _stops(scales.get("diverging")))
    found: list[SheetPalette] = []
    if series:
        found.append(SheetPalette("series", "categorical", {DEFAULT: series}))
    if ordered:
        classes = _colors(config.get("ordinal"))
        found.append(
            SheetPalette(
                "ordered", "sequential", {DEFAULT: classes} if classes else {}, {DEFAULT: ordered}
            )
        )
    if sided:
        found.append(SheetPalette("two ways", "diverging", {}, {DEFAULT: sided}))
    return sheet("a theme for charts", found)


def of_properties(
    values: Mapping[str, Mapping[str, SheetValue]], gradients: Mapping[str, Mapping[str, str]]
) -> tuple[SheetPalette, ...]:
    """Palettes out of custom properties by theme: colors by number with their labels, gradients of what runs."""
    labels = (_LABEL.fullmatch(name) for each in values.values() for name in each)
    names = list(dict.fromkeys(match["name"] for match in labels if match))
    palettes = []
    for name in names[:MOST_READ]:
        colors = {theme: _numbered(declared, name) for theme, declared in values.items()}
        ramps = {
            theme: declared.get(f"chart-{name}-ramp", "") for theme, declared in gradients.items()
        }
        through = _by_theme(
            {theme: _STOP.findall(ramp.partition("(")[2]) for theme, ramp in ramps.items()}
        )
        kept = {theme: each for theme, each in colors.items() if each}
        if kept or through:
            palettes.append(SheetPalette(name, None if through else "categorical", kept, through))
    return tuple(palettes)


def is_of(name: str, palettes: Iterable[SheetPalette]) -> bool:
    """Whether a custom property, without its dashes, is one of a palette's."""
    return any(name.startswith(f"chart-{palette.name}-") for palette in palettes)


def _numbered(declared: Mapping[str, SheetValue], name: str) -> tuple[Color, ...]:
    found: list[Color] = []
    while (
        isinstance(value := declared.get(f"chart-{name}-{len(found) + 1}"), Color)
        and len(found) < MOST_COLORS
    ):
        found.append(value)
    return tuple(found)


def is_palettes(root: dict[str, Any]) -> bool:
    """Whether JSON holds palettes in a list."""
    return isinstance(root.get("palettes"), list)


def sheet(form: str, palettes: Iterable[SheetPalette], system: str = "") -> Sheet:
    """A sheet of palettes alone, those that have colors at all."""
    kept = tuple(each for each in palettes if each.colors or each.stops)
    return Sheet(form, (), (), (), system, kept)


def _made(data: Any) -> PaletteMaking | None:
    try:
        return PaletteMaking.model_validate(data)
    except ValidationError:
        return None


def _by_theme(value: Any) -> dict[str, tuple[Color, ...]]:
    found = {str(theme)[:80]: _colors(each) for theme, each in _dict(value).items()}
    return {theme: colors for theme, colors in found.items() if colors}


def _colors(value: Any) -> tuple[Color, ...]:
    """The colors of a list, if each of its texts is one."""
    texts = _list(value)[:MOST_COLORS]
    found = [color_of(text) for text in texts if isinstance(text, str)]
    colors = tuple(color for color in found if color is not None)
    return colors if len(colors) == len(texts) else ()


def _stops(value: Any) -> list[Any]:
    """The colors of a scale of places and colors."""
    return [each[1] for each in _list(value) if isinstance(each, list) and len(each) == 2]


def _number(value: Any) -> float | None:
    is_one = isinstance(value, int | float) and not isinstance(value, bool) and abs(value) < 1e12
    return float(value) if is_one else None


def _dict(value: Any) -> dict[str, Any]:
    return value if isinstance(value, dict) else {}


def _list(value: Any) -> list[Any]:
    return value if isinstance(value, list) else []


def _objects(value: Any) -> list[dict[str, Any]]:
    return [each for each in _list(value) if isinstance(each, dict)]


STYLES = SheetReader(lambda _, ending: ending == ".mplstyle", lambda start, __: read_style(start))
