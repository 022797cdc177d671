"""Design Tokens resolver module 2025.10: the themes of a token file as contexts of one modifier."""

from typing import Any

from heimat.core.publication.publication import Publication
from heimat.formats.write.design_tokens import groups, written


def write(publication: Publication, version: str, tokens_file: str) -> bytes:
    """A resolver: the token file beside it as the base, and over it what each further theme says otherwise."""
    first, *others = publication.themes
    contexts: dict[str, Any] = {first.name: []}
    for theme in others:
        differing = [
            token
            for token in publication.with_palettes()
            if token.value(theme.id) != token.value(first.id)
        ]
        contexts[theme.name] = [groups(differing, theme.id)] if differing else []
    return written(
        {
            "name": publication.name,
            "version": "2025.10",
            "description": f"{publication.name} {version}",
            "sets": {"base": {"sources": [{"$ref": tokens_file}]}},
            "modifiers": {"theme": {"contexts": contexts, "default": first.name}},
            "resolutionOrder": [{"$ref": "#/sets/base"}, {"$ref": "#/modifiers/theme"}],
        }
    )
