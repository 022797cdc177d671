"""Design Tokens Community Group format 2025.10: groups, `$type`, color values as objects, aliases in braces."""

import json
from typing import Any

from heimat.core.publication.publication import Publication, PublishedValue


def _value(color: PublishedValue) -> str | dict[str, Any]:
    if color.alias is not None:
        return "{" + color.alias + "}"
    levels = bytes.fromhex(color.hex[1:])
    value: dict[str, Any] = {"colorSpace": "srgb", "components": [round(level / 255, 5) for level in levels]}
    if color.p3 is not None:
        # The format keeps one color space a value; `hex` is what it falls back to where that cannot be shown.
        value = {"colorSpace": "display-p3", "components": list(color.p3)}
    if color.alpha != 1.0:
        value["alpha"] = color.alpha
    return {**value, "hex": color.hex.lower()}


def write(publication: Publication, version: str) -> bytes:
    """The token file of the first theme; names become groups at their periods, in the designer's order."""
    theme = publication.themes[0].id
    root: dict[str, Any] = {"$description": f"{publication.name} {version}"}
    for token in publication.tokens:
        *groups, last = token.name.split(".")
        at = root
        for group in groups:
            at = at.setdefault(group, {})
        at[last] = {"$type": "color", "$value": _value(token.value(theme))}
        if token.note:
            at[last]["$description"] = token.note
    return (json.dumps(root, indent=2, ensure_ascii=False) + "\n").encode()
