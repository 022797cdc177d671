"""Palettes as CSS custom properties: colors by number, the label on each, what is beside them, gradients of ramps."""

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication
from heimat.core.publication.published_palettes import PublishedPalette
from heimat.formats.write.css import blocks, in_media


def write(publication: Publication, version: str) -> bytes:
    """All palettes in every theme, which hold where they do in the stylesheet of the tokens."""
    title = publication.name.replace("*/", "* /")
    example = next((css_name(palette.name) for palette in publication.palettes), "name")
    lines = [
        f"/* {title} {version}, palettes. Use: fill: var(--chart-{example}-1); its label: -1-label; ramps: -ramp */"
    ]
    taken = {css_name(token.name) for token in publication.tokens}
    for block in blocks(publication):
        rule = [f"{block.selector} {{"]
        for palette in publication.palettes:
            found = _properties(palette, block.theme.id)
            rule += [f"  --{name}: {value};" for name, value in found.items() if name not in taken]
        lines += in_media(block.media, [*rule, "}"])
    return ("\n".join(lines) + "\n").encode()


def names_beside(publication: Publication) -> list[str]:
    """The names, without the two hyphens, of what stands in the stylesheet and is no token: labels and ramps."""
    taken = {css_name(token.name) for token in publication.with_palettes()}
    found: dict[str, str] = {}
    for palette in publication.palettes:
        for theme in publication.themes:
            found |= _properties(palette, theme.id)
    return [name for name in found if name not in taken]


def _properties(palette: PublishedPalette, theme: str) -> dict[str, str]:
    name = f"chart-{css_name(palette.name)}"
    colors, labels = palette.colors.get(theme, ()), palette.labels.get(theme, ())
    found: dict[str, str] = {}
    for number, (color, label) in enumerate(zip(colors, labels, strict=True), start=1):
        found |= {f"{name}-{number}": color.lower(), f"{name}-{number}-label": label.lower()}
    found |= {
        f"{name}-{role}": color.lower() for role, color in palette.others.get(theme, {}).items()
    }
    if stops := palette.stops.get(theme):
        found[f"{name}-ramp"] = (
            f"linear-gradient(90deg, {', '.join(each.lower() for each in stops)})"
        )
    return found
