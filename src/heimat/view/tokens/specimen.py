"""What specimens are drawn with: the color of every purpose in every theme, as seen, and the tokens that give them."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.document.keys import token_key
from heimat.core.document.names import css_name
from heimat.core.document.themes import Scheme
from heimat.view.look import Look


class SpecimenThemeView(TypedDict):
    """A theme as a specimen takes it: by custom property, the color as seen, with its alpha."""

    id: str
    name: str
    scheme: Scheme
    colors: dict[str, str]


class SpecimenPart(TypedDict):
    """All themes, and which token stands for each purpose: its key and its name."""

    themes: list[SpecimenThemeView]
    keys: dict[str, str]
    names: dict[str, str]


def specimen_part(look: Look) -> SpecimenPart:
    """The colors of all tokens that have a purpose. They are found by purpose: a rename breaks nothing."""
    tokens = [token for token in look.system.tokens.values() if token.purpose]
    themes: list[SpecimenThemeView] = []
    for theme in look.resolved.themes.values():
        colors = [theme.tokens[token.id] for token in tokens]
        seen = look.eyes.hexes(np.array([color.rgb8 for color in colors], dtype=np.uint8).reshape(-1, 3))
        themes.append(
            {
                "id": theme.theme.id,
                "name": theme.theme.name,
                "scheme": theme.theme.scheme,
                "colors": {
                    f"--{css_name(token.purpose or '')}": shown + _alpha(color.alpha)
                    for token, color, shown in zip(tokens, colors, seen, strict=True)
                },
            }
        )
    return {
        "themes": themes,
        "keys": {token.purpose or "": token_key(token.id) for token in tokens},
        "names": {token.purpose or "": token.name for token in tokens},
    }


def _alpha(alpha: float) -> str:
    return "" if alpha == 1.0 else f"{round(alpha * 255):02X}"
