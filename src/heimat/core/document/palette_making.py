"""How a palette is made, told in names that leave, so that a file holds what it takes to make it again."""

from typing import Annotated

from pydantic import Field, JsonValue

from heimat.core.document.palettes import MOST_CATEGORIES, MOST_SOURCES, OtherRole, PaletteMethod
from heimat.core.document.part import Name, Part

_LONGEST_NAMED = 200
Index = Annotated[int, Field(ge=0, lt=MOST_CATEGORIES)]
Named = Annotated[str, Field(max_length=_LONGEST_NAMED)]
Hex = Annotated[str, Field(pattern=r"^#[0-9A-Fa-f]{6}$")]


class Standing(Part):
    """A color that a palette stands on: `#RRGGBB` in the first theme, and the published token whose color it is."""

    color: Hex
    token: Named | None = None


class Bound(Part):
    """A token that is a color of the palette in a theme: that at a place, or that at 0 to 1 along it."""

    token: Named
    theme: Named
    place: Index | None = None
    along: Annotated[float, Field(ge=0.0, le=1.0)] = 0.0


class PaletteMaking(Part):
    """What a palette stands on, in order, and how: the figures of its way of being made, by their names there.

    `grounds` are what it stands on by theme, `held` the places of colors that no search moves, `shaded` by theme those
    that have a color of their own there.
    """

    of: Annotated[
        tuple[Standing, ...], Field(min_length=1, max_length=max(MOST_CATEGORIES, MOST_SOURCES))
    ]
    how: dict[str, JsonValue]
    held: tuple[Index, ...] = ()
    shaded: dict[Named, tuple[Index, ...]] = {}
    ground: Named | None = None
    grounds: dict[Named, Hex] = {}
    column: Name = ""
    view: Name = ""
    others: dict[OtherRole, Standing] = {}
    bound: tuple[Bound, ...] = ()


SAID_BESIDE = frozenset(
    [
        "kind",
        "colors",
        "sources",
        "low",
        "high",
        "told_by",
        "middle",
        "low_words",
        "high_words",
        "typed",
    ]
)
"""Fields of a way of making that are told of a palette anyway, or by what it stands on."""


def figures_of(make: PaletteMethod) -> dict[str, JsonValue]:
    """The figures of a way of being made, without what is said beside them."""
    found: dict[str, JsonValue] = make.model_dump(mode="json", exclude=set(SAID_BESIDE))
    return found
