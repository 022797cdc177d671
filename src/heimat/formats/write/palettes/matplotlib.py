"""Palettes for Matplotlib: a style sheet with the series, and a module in Python with all palettes as color maps."""

import json

from heimat.core.publication.publication import Publication
from heimat.formats.write.palettes.names import identifiers, theme_words


def style(publication: Publication, version: str) -> bytes:
    """A style for `plt.style.use`: the first palette by category is the cycle of colors."""
    first = next((palette for palette in publication.palettes if palette.kind == "categorical"), None)
    name = " ".join(publication.name.split())
    lines = [f"# {name} {version}"]
    if first:
        colors = ", ".join(f"'{color[1:].lower()}'" for color in first.colors[publication.themes[0].id])
        lines.append(f"axes.prop_cycle: cycler('color', [{colors}])")
    return ("\n".join(lines) + "\n").encode()


def module(publication: Publication, version: str) -> bytes:
    """A module: `PALETTES` by name and theme, and `colormap(name, theme)` for continuous use."""
    words, names = theme_words(publication), identifiers(publication)
    palettes = {
        names[palette.id]: {
            words[theme]: {
                "colors": list(colors),
                "labels": list(palette.labels[theme]),
                "stops": list(palette.stops.get(theme, ())),
            }
            for theme, colors in palette.colors.items()
            if theme in words
        }
        for palette in publication.palettes
    }
    title = json.dumps(f"{publication.name} {version}, palettes.", ensure_ascii=True)
    lines = [
        f"TITLE = {title}",
        "",
        f"PALETTES = {json.dumps(palettes, indent=4, ensure_ascii=True)}",
        "",
        "",
        "def colormap(name, theme):",
        '    """A continuous color map: plt.imshow(data, cmap=colormap(NAME, THEME)); discrete: PALETTES."""',
        "    from matplotlib.colors import LinearSegmentedColormap",
        "",
        '    return LinearSegmentedColormap.from_list(name, PALETTES[name][theme]["stops"], N=256)',
    ]
    return ("\n".join(lines) + "\n").encode()
