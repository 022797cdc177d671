"""A TypeScript module: all tokens in every theme with types of their names, without imports."""

import json

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication
from heimat.formats.write.plain_values import hex_text, theme_names, title_of


def write(publication: Publication, version: str) -> bytes:
    """`themes.night["text.strong"]`, `property("text.strong")` for the custom property, and types of both names."""
    tokens = publication.with_palettes()
    themes = {
        name: {token.name: hex_text(token.value(theme)) for token in tokens}
        for theme, name in theme_names(publication).items()
    }
    properties = {token.name: f"--{css_name(token.name)}" for token in tokens}
    lines = [
        f"/* {title_of(publication, version)} */",
        f"export const version = {json.dumps(version)};",
        f"export const themes = {json.dumps(themes, indent=2, ensure_ascii=False)} as const;",
        f"export const properties = {json.dumps(properties, indent=2, ensure_ascii=False)} as const;",
        "export type ThemeName = keyof typeof themes;",
        "export type TokenName = keyof typeof properties;",
        "/** A token as CSS refers to it. */",
        "export const property = (name: TokenName): string => `var(${properties[name]})`;",
    ]
    return ("\n".join(lines) + "\n").encode()
