"""SCSS: a variable a token in the first theme, and maps of all tokens in every theme (Sass, module system)."""

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication
from heimat.formats.write.plain_values import hex_text, theme_names, title_of


def write(publication: Publication, version: str) -> bytes:
    """`$text-strong`, and `$themes` by name: `map.get($themes, "night", "text-strong")`. Names are those of the CSS."""
    tokens = publication.with_palettes()
    lines = [f"// {title_of(publication, version)}", ""]
    first = publication.themes[0].id
    lines += [f"${css_name(token.name)}: {hex_text(token.value(first))};" for token in tokens]
    lines += ["", "$themes: ("]
    for theme, name in theme_names(publication).items():
        lines.append(f"  {_string(name)}: (")
        lines += [
            f'    "{css_name(token.name)}": {hex_text(token.value(theme))},' for token in tokens
        ]
        lines.append("  ),")
    lines.append(");")
    return ("\n".join(lines) + "\n").encode()


def _string(text: str) -> str:
    """A Sass string: nothing in it ends it, or is computed."""
    return '"' + text.replace("\\", "\\\\").replace('"', '\\"').replace("#{", "\\#{") + '"'
