"""What a page of the team's own gets: the custom properties of all that is published, in every theme, as seen."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.hex_notation import hex_with_alpha
from heimat.core.document.names import css_name
from heimat.core.publication.building import published_themes, published_tokens
from heimat.core.publication.published_palettes import published_colors
from heimat.view.look import Look


class OwnColorsView(TypedDict):
    """A theme: its name, light or dark, whether it is the one shown, and what each custom property is in it."""

    theme: str
    scheme: str
    shown: bool
    properties: dict[str, str]


def own_colors_part(look: Look) -> list[OwnColorsView]:
    """The custom properties in every theme, in order: tokens, scale tokens that are published, colors of palettes."""
    tokens = published_tokens(look.resolved)
    palettes = published_colors(look.resolved)
    shown = look.theme.theme.id if look.theme else ""
    found: list[OwnColorsView] = []
    for theme in published_themes(look.resolved):
        values = [token.value(theme.id) for token in tokens]
        levels = [list(bytes.fromhex(value.hex[1:])) for value in values]
        seen = look.eyes.hexes(np.array(levels, dtype=np.uint8).reshape(-1, 3))
        properties = {
            css_name(token.name): hex_with_alpha(color, value.alpha)
            for token, value, color in zip(tokens, values, seen, strict=True)
        }
        for name, rgb8 in palettes.get(theme.id, {}).items():
            properties.setdefault(name, look.eyes.hexes(rgb8[None])[0])
        found.append(
            {
                "theme": theme.name,
                "scheme": theme.scheme,
                "shown": theme.id == shown,
                "properties": properties,
            }
        )
    return found
