"""A sheet of swatches as SVG 1.1: one row a token with its name and value, one column a theme."""

from html import escape

from heimat.core.publication.publication import Publication
from heimat.formats.write.plain_values import hex_text, theme_names, title_of

_ROW, _NAME, _SWATCH, _HEAD = 22, 260, 120, 44


def write(publication: Publication, version: str) -> bytes:
    """The sheet, in the designer's order."""
    names, tokens = theme_names(publication), publication.with_palettes()
    width, height = _NAME + _SWATCH * len(names) + 20, _HEAD + _ROW * len(tokens) + 10
    title = escape(title_of(publication, version))
    lines = [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {height}" width="{width}" height="{height}"'
        ' font-family="sans-serif" font-size="12" role="img">',
        f"<title>{title}</title>",
        f'<rect width="{width}" height="{height}" fill="#ffffff"/>',
        f'<text x="10" y="18" font-weight="bold" fill="#000000">{title}</text>',
    ]
    for column, name in enumerate(names.values()):
        lines.append(
            f'<text x="{_NAME + column * _SWATCH}" y="36" fill="#000000">{escape(name)}</text>'
        )
    for row, token in enumerate(tokens):
        y = _HEAD + row * _ROW
        lines.append(f'<text x="10" y="{y + 15}" fill="#000000">{escape(token.name)}</text>')
        for column, theme in enumerate(names):
            value = token.value(theme)
            x, opacity = (
                _NAME + column * _SWATCH,
                "" if value.alpha == 1.0 else f' fill-opacity="{value.alpha:g}"',
            )
            lines.append(
                f'<rect x="{x}" y="{y}" width="40" height="{_ROW}" fill="{value.hex.lower()}"{opacity}/>'
                f'<text x="{x + 46}" y="{y + 15}" fill="#000000">{hex_text(value)}</text>'
            )
    return ("\n".join([*lines, "</svg>"]) + "\n").encode()
