"""Design Tokens Community Group format 2025.10: groups, `$type`, color values as objects, aliases in braces."""

import json
from collections.abc import Iterable
from typing import Any

from heimat.core.publication.publication import Publication, PublishedToken, PublishedValue

FILE = "tokens.json"


def _value(color: PublishedValue) -> str | dict[str, Any]:
    if color.alias is not None:
        return "{" + color.alias + "}"
    levels = bytes.fromhex(color.hex[1:])
    value: dict[str, Any] = {
        "colorSpace": "srgb",
        "components": [round(level / 255, 5) for level in levels],
    }
    if color.p3 is not None:
        # The format keeps one color space a value; `hex` is what it falls back to where that cannot be shown.
        value = {"colorSpace": "display-p3", "components": list(color.p3)}
    if color.alpha != 1.0:
        value["alpha"] = color.alpha
    return {**value, "hex": color.hex.lower()}


def groups(tokens: Iterable[PublishedToken], theme: str) -> dict[str, Any]:
    """Tokens in a theme; names become groups at their periods, in the designer's order."""
    root: dict[str, Any] = {}
    for token in tokens:
        *above, last = token.name.split(".")
        at = root
        for group in above:
            at = at.setdefault(group, {})
        at[last] = {"$type": "color", "$value": _value(token.value(theme)), **_said(token)}
    return root


def _said(token: PublishedToken) -> dict[str, Any]:
    """What is said of a token, and that it is deprecated, with the reason and what stands in for it."""
    found: dict[str, Any] = {}
    words = " ".join(part for part in (token.note, token.usage) if part)
    if words:
        found["$description"] = words
    if token.deprecated is not None:
        instead = f"Use {token.deprecated.replacement}." if token.deprecated.replacement else ""
        found["$deprecated"] = (
            " ".join(part for part in (instead, token.deprecated.reason) if part) or True
        )
    return found


def write(publication: Publication, version: str) -> bytes:
    """The token file of the first theme."""
    root = {
        "$description": f"{publication.name} {version}",
        **groups(publication.with_palettes(), publication.themes[0].id),
    }
    return written(root)


def written(root: dict[str, Any]) -> bytes:
    """A file's text as it is delivered."""
    return (json.dumps(root, indent=2, ensure_ascii=False) + "\n").encode()
