"""On what a palette can stand."""

from typing_extensions import TypedDict

from heimat.core.document.order import in_order
from heimat.view.look import Look


class PaletteGroundView(TypedDict):
    """A token that palettes can stand on, by its id and its name."""

    id: str
    name: str


def palette_grounds_part(look: Look) -> list[PaletteGroundView]:
    """The tokens for surfaces, by purpose or by name, and those that palettes stand on already; in order."""
    stood_on = {palette.ground for palette in look.system.palettes.values()}
    return [
        {"id": token.id, "name": token.name}
        for token in in_order(look.system.tokens)
        if (token.purpose or "").startswith("surface")
        or token.name.startswith("surface")
        or token.id in stood_on
    ]
