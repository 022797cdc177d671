"""Design Tokens Community Group format 2025.10: groups, `$type`, color values as objects, aliases in braces."""

import json
from typing import Any

from heimat.core.publication import Publication, PublishedToken


def _value(token: PublishedToken) -> str | dict[str, Any]:
    if token.alias is not None:
        return "{" + token.alias + "}"
    levels = bytes.fromhex(token.hex[1:])
    value: dict[str, Any] = {"colorSpace": "srgb", "components": [round(level / 255, 5) for level in levels]}
    if token.p3 is not None:
        # The format keeps one color space a value; `hex` is what it falls back to where that cannot be shown.
        value = {"colorSpace": "display-p3", "components": list(token.p3)}
    if token.alpha != 1.0:
        value["alpha"] = token.alpha
    return {**value, "hex": token.hex.lower()}


def write(publication: Publication, version: str) -> bytes:
    """The token file; names become groups at their periods, in the designer's order."""
    root: dict[str, Any] = {"$description": f"{publication.name} {version}"}
    for token in publication.tokens:
        *groups, last = token.name.split(".")
        at = root
        for group in groups:
            at = at.setdefault(group, {})
        at[last] = {"$type": "color", "$value": _value(token)}
        if token.note:
            at[last]["$description"] = token.note
    return (json.dumps(root, indent=2, ensure_ascii=False) + "\n").encode()
