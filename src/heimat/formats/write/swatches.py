"""Swatches for the pickers of open drawing programs, in the plain text that several of them read and write.

A line a color: red, green and blue from 0 to 255, a tab, and its name, which says its role.
"""

from heimat.core.publication.publication import Publication
from heimat.formats.write.plain_values import title_of

_COLUMNS = 9


def write(publication: Publication, version: str) -> bytes:
    """All opaque tokens in the first theme, then in each further theme what differs, named after it."""
    title = title_of(publication, version)
    lines = ["GIMP Palette", f"Name: {title}", f"Columns: {_COLUMNS}", f"# {title}"]
    first = publication.themes[0]
    for theme in publication.themes:
        for token in publication.with_palettes():
            value = token.value(theme.id)
            if value.alpha < 1.0 or (theme is not first and value.hex == token.value(first.id).hex):
                continue
            red, green, blue = bytes.fromhex(value.hex[1:])
            name = " ".join(token.name.split())
            lines.append(
                f"{red:3} {green:3} {blue:3}\t{name}{'' if theme is first else f' ({theme.name})'}"
            )
    return ("\n".join(lines) + "\n").encode()
