"""Palettes for Matplotlib: a style sheet with the series, and a module in Python with all palettes as color maps."""

import json

from heimat.core.publication.publication import Publication
from heimat.formats.write.palettes.palette_words import by_theme


def style(publication: Publication, version: str) -> bytes:
    """A style for `plt.style.use`: the first palette by category is the cycle of colors."""
    first = next(
        (palette for palette in publication.palettes if palette.kind == "categorical"), None
    )
    name = " ".join(publication.name.split())
    lines = [f"# {name} {version}"]
    if first:
        colors = ", ".join(
            f"'{color[1:].lower()}'" for color in first.colors[publication.themes[0].id]
        )
        lines.append(f"axes.prop_cycle: cycler('color', [{colors}])")
    return ("\n".join(lines) + "\n").encode()


def module(publication: Publication, version: str) -> bytes:
    """A module: `PALETTES` by name and theme, and `colormap(name, theme)` for continuous use."""
    palettes = by_theme(publication)
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
        "    palette = PALETTES[name][theme]",
        '    found = LinearSegmentedColormap.from_list(name, palette["stops"], N=256)',
        '    return found.with_extremes(bad=palette["others"].get("missing", "#00000000"))',
    ]
    return ("\n".join(lines) + "\n").encode()
