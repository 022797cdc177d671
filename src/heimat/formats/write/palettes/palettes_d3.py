"""Palettes as a TypeScript module: arrays for scales by category and class, and interpolators for continuous ones."""

import json

from heimat.core.publication.publication import Publication
from heimat.formats.write.palettes.palette_words import by_theme, identifiers, theme_words


def write(publication: Publication, version: str) -> bytes:
    """A module without imports: `palettes` by name and theme, and `interpolate` by name and theme, from 0 to 1."""
    title = publication.name.replace("*/", "* /")
    words, names = theme_words(publication), identifiers(publication)
    palettes = by_theme(publication)
    lines = [
        f"/* {title} {version}, palettes. Discrete: scaleOrdinal(palettes.NAME.THEME.colors);",
        "   continuous: scaleSequential(interpolate.NAME.THEME). */",
        f"export const palettes = {json.dumps(palettes, indent=2, ensure_ascii=False)} as const;",
        "",
        "type Interpolator = (place: number) => string;",
        "",
        "function between(stops: readonly string[]): Interpolator {",
        "  const levels = stops.map((stop) => [1, 3, 5].map((at) => Number.parseInt(stop.slice(at, at + 2), 16)));",
        "  return (place) => {",
        "    const along = Math.min(Math.max(place, 0), 1) * (levels.length - 1);",
        "    const low = Math.min(Math.floor(along), levels.length - 2);",
        "    const channels = [0, 1, 2].map((channel) => {",
        "      const from = levels[low]?.[channel] ?? 0;",
        "      const to = levels[low + 1]?.[channel] ?? from;",
        "      return Math.round(from + (to - from) * (along - low));",
        "    });",
        "    return `rgb(${channels.join(', ')})`;",
        "  };",
        "}",
        "",
        "export const interpolate = {",
    ]
    for palette in publication.palettes:
        if palette.kind == "categorical":
            continue
        name = names[palette.id]
        themes = ", ".join(
            f"{json.dumps(words[theme])}: between(palettes.{name}[{json.dumps(words[theme])}].stops)"
            for theme in palette.stops
            if theme in words
        )
        lines.append(f"  {name}: {{ {themes} }},")
    lines.append("};")
    return ("\n".join(lines) + "\n").encode()
