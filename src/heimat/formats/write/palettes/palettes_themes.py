"""Palettes as themes of charting libraries, in the first theme: Vega-Lite, ECharts, Plotly.

Vega-Lite: `config.range` of its specification, version 6. ECharts: a theme object, version 6 (`color`, `visualMap`).
Plotly: `layout.template`, version 3 (`colorway`, `colorscale`).
"""

import json
from typing import Any

from heimat.core.publication.publication import Publication
from heimat.core.publication.published_palettes import PublishedPalette


def vega_lite(publication: Publication, version: str) -> bytes:
    """`config` for a Vega-Lite specification: the first palette of each kind is what charts take by themselves."""
    del version
    series, ordered, sided = _first_of_each(publication)
    ranges: dict[str, Any] = {}
    if series:
        ranges["category"] = list(_colors(publication, series))
    if ordered:
        stops = list(_stops(publication, ordered))
        ranges |= {"ordinal": list(_colors(publication, ordered)), "ramp": stops, "heatmap": stops}
    if sided:
        ranges["diverging"] = list(_stops(publication, sided))
    config: dict[str, Any] = {"range": ranges}
    if series and "gap" in series.told_by:
        # What touches is parted by a line of the ground.
        line = {"stroke": series.grounds.get(publication.themes[0].id, "#FFFFFF"), "strokeWidth": 1}
        config |= {"bar": line, "area": line, "arc": line}
    return _written({"config": config})


def echarts(publication: Publication, version: str) -> bytes:
    """A theme for `registerTheme`."""
    del version
    series, ordered, _ = _first_of_each(publication)
    found: dict[str, Any] = {}
    if series:
        found["color"] = list(_colors(publication, series))
    if ordered:
        found["visualMap"] = {"inRange": {"color": list(_stops(publication, ordered))}}
    return _written(found)


def plotly(publication: Publication, version: str) -> bytes:
    """A template for `layout.template`."""
    del version
    series, ordered, sided = _first_of_each(publication)
    layout: dict[str, Any] = {}
    if series:
        layout["colorway"] = list(_colors(publication, series))
    scales = {"sequential": ordered, "sequentialminus": ordered, "diverging": sided}
    found = {
        name: _scale(_stops(publication, palette)) for name, palette in scales.items() if palette
    }
    if found:
        layout["colorscale"] = found
    return _written({"layout": layout})


def _first_of_each(
    publication: Publication,
) -> tuple[PublishedPalette | None, PublishedPalette | None, PublishedPalette | None]:
    first = [
        next((palette for palette in publication.palettes if palette.kind == kind), None)
        for kind in ("categorical", "sequential", "diverging")
    ]
    return first[0], first[1], first[2]


def _colors(publication: Publication, palette: PublishedPalette) -> tuple[str, ...]:
    return palette.colors[publication.themes[0].id]


def _stops(publication: Publication, palette: PublishedPalette) -> tuple[str, ...]:
    return palette.stops[publication.themes[0].id]


def _scale(stops: tuple[str, ...]) -> list[list[Any]]:
    return [[round(place / (len(stops) - 1), 6), stop] for place, stop in enumerate(stops)]


def _written(content: dict[str, Any]) -> bytes:
    return (json.dumps(content, indent=2, ensure_ascii=False) + "\n").encode()
