"""Several colors as text, to be pasted elsewhere: values, rows of name and value, or named shapes."""

from collections.abc import Sequence
from html import escape
from itertools import groupby
from typing import Literal

from typing_extensions import TypedDict

from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.notation import Notation
from heimat.core.errors import DomainError
from heimat.core.legibility.selected import Selected, find
from heimat.core.resolve.resolved import Resolved
from heimat.view.figures import color_text

CopyForm = Literal["values", "rows", "shapes"]
_SIDE = 64
"""Pixels of a shape's side. Shapes of a row touch."""


class CopiedView(TypedDict):
    """Colors as text, in the order asked for."""

    text: str


def copied_view(
    resolved: Resolved, theme: str | None, keys: Sequence[str], notation: Notation, form: CopyForm
) -> CopiedView:
    """The colors of some keys, in a theme or in the first: their values in a notation, or in hex where it cannot hold
    one, a line each; the same behind their names and a tab; or SVG 1.1 of one rectangle a color, named as it is, and
    one group a hue or palette.

    Raises DomainError (field `keys`) for a key that names nothing.
    """
    found: list[Selected] = []
    shown = resolved.theme(theme)
    for place, key in enumerate(keys):
        color = find(resolved, shown, key)
        if color is None:
            raise DomainError("That color is not there any more.", f"keys.{place}", "missing")
        found.append(color)
    if form == "shapes":
        return {"text": _shapes(resolved, found)}
    values = [color_text(each.color, notation) for each in found]
    if form == "rows":
        values = [f"{each.name}\t{text}" for each, text in zip(found, values, strict=True)]
    return {"text": "\n".join(values)}


def _shapes(resolved: Resolved, found: list[Selected]) -> str:
    groups = [
        (name, list(colors))
        for name, colors in groupby(found, lambda color: _group(resolved, color))
    ]
    width = _SIDE * max(len(colors) for _, colors in groups)
    height = _SIDE * len(groups)
    lines = [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {height}" width="{width}" height="{height}">'
    ]
    for row, (name, colors) in enumerate(groups):
        lines.append(f'<g id="{escape(name)}">')
        for place, color in enumerate(colors):
            seen = f'fill="{hex_of(rgb8_of(color.color))}"'
            if color.color.alpha < 1.0:
                seen += f' fill-opacity="{color.color.alpha:g}"'
            box = f'x="{place * _SIDE}" y="{row * _SIDE}" width="{_SIDE}" height="{_SIDE}"'
            lines.append(f'<rect id="{escape(color.name)}" {box} {seen}/>')
        lines.append("</g>")
    return "\n".join([*lines, "</svg>"]) + "\n"


def _group(resolved: Resolved, color: Selected) -> str:
    """What a color belongs to: its palette, or its hue; tokens are together."""
    if color.kind == "palette":
        palette = color.key.partition(":")[2].partition("/")[0]
        return resolved.system.palettes[palette].name
    if color.kind == "token" or color.hue is None:
        return "tokens"
    return color.hue.name
