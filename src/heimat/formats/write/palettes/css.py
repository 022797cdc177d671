"""Palettes as CSS custom properties: colors by number, the label on each, and gradients of what is continuous."""

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication


def write(publication: Publication, version: str) -> bytes:
    """All palettes: on `:root` in the first theme, in `[data-theme]` in every theme."""
    title = publication.name.replace("*/", "* /")
    lines = [f"/* {title} {version}, palettes. Use: fill: var(--chart-routes-1); background: var(--chart-load-ramp) */"]
    for place, theme in enumerate(publication.themes):
        selector = f'[data-theme="{css_name(theme.name)}"]'
        lines.append(f"{':root, ' if place == 0 else ''}{selector} {{")
        for palette in publication.palettes:
            name = f"--chart-{css_name(palette.name)}"
            colors, labels = palette.colors.get(theme.id, ()), palette.labels.get(theme.id, ())
            for number, (color, label) in enumerate(zip(colors, labels, strict=True), start=1):
                lines += [f"  {name}-{number}: {color.lower()};", f"  {name}-{number}-label: {label.lower()};"]
            if stops := palette.stops.get(theme.id):
                lines.append(f"  {name}-ramp: linear-gradient(90deg, {', '.join(each.lower() for each in stops)});")
        lines.append("}")
    return ("\n".join(lines) + "\n").encode()
