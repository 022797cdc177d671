"""All that is published as plain JSON, for who writes a reader in an afternoon."""

import json
from typing import Any

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication, PublishedToken
from heimat.formats.write.plain_values import hex_text, theme_names

FILE = "tokens.plain.json"


def write(publication: Publication, version: str) -> bytes:
    """System, version, themes, and every token with its values by theme, in the designer's order."""
    names = theme_names(publication)
    content = {
        "system": publication.name,
        "version": version,
        "themes": [
            {"name": names[theme.id], "scheme": theme.scheme, "contrast": theme.contrast}
            for theme in publication.themes
        ],
        "tokens": [_token(token, names) for token in publication.with_palettes()],
    }
    return (json.dumps(content, indent=2, ensure_ascii=False) + "\n").encode()


def _token(token: PublishedToken, names: dict[str, str]) -> dict[str, Any]:
    found: dict[str, Any] = {
        "name": token.name,
        "property": f"--{css_name(token.name)}",
        "values": {name: hex_text(token.value(theme)) for theme, name in names.items()},
    }
    aliases = {
        name: alias
        for theme, name in names.items()
        if (alias := token.value(theme).alias) is not None
    }
    said = {"stands for": aliases, "note": token.note, "usage": token.usage}
    found |= {key: value for key, value in said.items() if value}
    if token.deprecated is not None:
        found["deprecated"] = {
            "use": token.deprecated.replacement,
            "reason": token.deprecated.reason,
        }
    return found
