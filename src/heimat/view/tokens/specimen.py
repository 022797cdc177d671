"""What specimens are drawn with: the color of every purpose in every theme, as seen, and the tokens that give them."""

from collections.abc import Sequence

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.hex_notation import bytes_of, hex_with_alpha
from heimat.core.document.groups import Group, group_of
from heimat.core.document.keys import token_key
from heimat.core.document.names import css_name
from heimat.core.document.themes import Scheme
from heimat.core.document.tokens import Token
from heimat.core.publication.publication import Publication
from heimat.view.look import Look


class SpecimenThemeView(TypedDict):
    """A theme as a specimen takes it: by custom property, the color as seen, with its alpha."""

    id: str
    name: str
    scheme: Scheme
    colors: dict[str, str]


class SplitView(TypedDict):
    """A custom property that another one stands in for, in one place."""

    place: str
    purpose: str
    property: str
    instead: str


class SpecimenPart(TypedDict):
    """All themes, and which token stands for each purpose: its key, its name, and whether it is ground, ink or accent.

    `splits` are the tokens that stand in one place alone; their keys and names are those of purpose, @ and place.
    """

    themes: list[SpecimenThemeView]
    keys: dict[str, str]
    names: dict[str, str]
    groups: dict[str, Group]
    splits: list[SplitView]


def specimen_part(look: Look) -> SpecimenPart:
    """The colors of all tokens that have a purpose. They are found by purpose: a rename breaks nothing."""
    tokens = [token for token in look.system.tokens.values() if token.purpose]
    themes: list[SpecimenThemeView] = []
    for theme in look.resolved.themes.values():
        colors = [theme.tokens[token.id] for token in tokens]
        seen = look.eyes.hexes(
            np.array([color.rgb8 for color in colors], dtype=np.uint8).reshape(-1, 3)
        )
        themes.append(
            {
                "id": theme.theme.id,
                "name": theme.theme.name,
                "scheme": theme.theme.scheme,
                "colors": {
                    _property(token): hex_with_alpha(shown, color.alpha)
                    for token, color, shown in zip(tokens, colors, seen, strict=True)
                },
            }
        )
    return {
        "themes": themes,
        "keys": {_part(token): token_key(token.id) for token in tokens},
        "names": {_part(token): token.name for token in tokens},
        "groups": {_part(token): group_of(token.purpose) for token in tokens},
        "splits": _splits(tokens),
    }


def _part(token: Token) -> str:
    return f"{token.purpose}@{token.place}" if token.place else token.purpose or ""


def _property(token: Token) -> str:
    """The custom property that a specimen is given for a token: by purpose, and by place where it has one."""
    return f"--{css_name(token.purpose or '')}" + (f"--{token.place}" if token.place else "")


def released_specimen(published: Publication, look: Look) -> SpecimenPart:
    """The same of what was released: a token that is there still has its purpose, whatever it was called then."""
    purposes = {token.id: token for token in look.system.tokens.values() if token.purpose}
    tokens = [(purposes[token.id], token) for token in published.tokens if token.id in purposes]
    themes: list[SpecimenThemeView] = [
        {
            "id": theme.id,
            "name": theme.name,
            "scheme": theme.scheme,
            "colors": {
                _property(now): hex_with_alpha(
                    look.eyes.hexes(bytes_of(was.value(theme.id).hex)[None])[0],
                    was.value(theme.id).alpha,
                )
                for now, was in tokens
            },
        }
        for theme in published.themes
    ]
    return {
        "themes": themes,
        "keys": {_part(now): token_key(now.id) for now, _ in tokens},
        "names": {_part(now): was.name for now, was in tokens},
        "groups": {_part(now): group_of(now.purpose) for now, _ in tokens},
        "splits": _splits([now for now, _ in tokens]),
    }


def _splits(tokens: Sequence[Token]) -> list[SplitView]:
    return [
        {
            "place": token.place,
            "purpose": token.purpose or "",
            "property": f"--{css_name(token.purpose or '')}",
            "instead": _property(token),
        }
        for token in tokens
        if token.place
    ]
