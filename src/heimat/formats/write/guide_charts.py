"""Small charts for the guide: each palette as it is met, on its own ground; as SVG, with made-up values."""

import math
from html import escape

from heimat.core.publication.published_palettes import PublishedPalette

_WIDTH, _HEIGHT, _EDGE = 340, 110, 8
_ROWS, _COLUMNS = 5, 14
_GROUND = "#ffffff"


def drawn(palette: PublishedPalette, theme: str, name: str) -> str:
    """A palette on a chart in a theme: bars and lines by category, else a field of values."""
    colors = [color.lower() for color in palette.colors.get(theme, ())]
    if not colors:
        return ""
    marks = _by_category(colors) if palette.kind == "categorical" else _by_value(colors)
    ground = palette.grounds.get(theme, _GROUND).lower()
    edges = "auto" if palette.kind == "categorical" else "crispEdges"
    words = escape(f"{palette.name} on a chart, {name}", quote=True)
    return (
        f'<svg class="chart" viewBox="0 0 {_WIDTH} {_HEIGHT}" role="img" aria-label="{words}"'
        f' shape-rendering="{edges}">'
        f'<rect width="{_WIDTH}" height="{_HEIGHT}" fill="{ground}"/>{marks}</svg>'
    )


def _by_category(colors: list[str]) -> str:
    """A bar and a line a category."""
    half, low = _WIDTH / 2, _HEIGHT - _EDGE
    width = (half - 2 * _EDGE) / len(colors)
    bars = "".join(
        f'<rect x="{_EDGE + at * width:.1f}" y="{low - height:.1f}" width="{max(width - 2, 1):.1f}"'
        f' height="{height:.1f}" fill="{color}"/>'
        for at, color in enumerate(colors)
        if (height := (_HEIGHT - 2 * _EDGE) * (0.45 + 0.5 * abs(math.sin(1.7 * at + 0.6))))
    )
    lines = ""
    for at, color in enumerate(colors):
        level = _EDGE + (_HEIGHT - 2 * _EDGE) * (at + 0.5) / len(colors)
        points = " ".join(
            f"{half + _EDGE + (half - 2 * _EDGE) * step / 8:.1f},{level + 7 * math.sin(step * 0.9 + at * 1.3):.1f}"
            for step in range(9)
        )
        lines += f'<polyline points="{points}" fill="none" stroke="{color}" stroke-width="2"/>'
    return bars + lines


def _by_value(colors: list[str]) -> str:
    """A field of touching cells that runs through all colors."""
    wide, high = (_WIDTH - 2 * _EDGE) / _COLUMNS, (_HEIGHT - 2 * _EDGE) / _ROWS
    cells = ""
    for row in range(_ROWS):
        for column in range(_COLUMNS):
            share = 0.5 + 0.5 * math.sin(column * 0.55 + row * 0.7) * math.cos(
                row * 0.5 - column * 0.12
            )
            color = colors[min(int(share * len(colors)), len(colors) - 1)]
            cells += (
                f'<rect x="{_EDGE + column * wide:.2f}" y="{_EDGE + row * high:.2f}" width="{wide + 0.1:.2f}"'
                f' height="{high + 0.1:.2f}" fill="{color}"/>'
            )
    return cells
