"""Edits of palettes."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.charts.classes import typed_breaks
from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import css_name
from heimat.core.document.order import behind
from heimat.core.document.palettes import (
    MOST_PALETTES,
    Categorical,
    Diverging,
    OtherRole,
    Palette,
    PaletteMethod,
    PaletteValue,
    Sequential,
    values_of,
)
from heimat.core.document.part import LONGEST_NOTE, Name
from heimat.core.document.system import ColorSystem
from heimat.core.document.words import value_in_words
from heimat.core.edits.base import EditBase, Path, token_of
from heimat.core.edits.collection import Collection, MoveOne, RemoveOne, RenameOne
from heimat.core.edits.palettes_kept import is_there
from heimat.core.errors import DomainError

PALETTES = Collection("palettes", "palette", "palette", alone=True)


def palette_of(system: ColorSystem, palette_id: str, field: str = "palette") -> Palette:
    """The palette of an id. Raises DomainError where there is none."""
    palette: Palette = PALETTES.find(system, palette_id, field)
    return palette


def _standing(system: ColorSystem, make: PaletteMethod) -> PaletteMethod:
    """A way of making a palette, all of whose colors are there, and whose typed breaks can be. Raises DomainError."""
    if not all(is_there(system, value) for value in values_of(make)):
        raise DomainError(
            "A color that the palette should stand on is not there any more.", "make", "missing"
        )
    if isinstance(make, Sequential | Diverging) and make.breaks == "typed" and make.classes:
        typed_breaks(make.typed, make.classes)
    return make


def _free_name(system: ColorSystem, wanted: str, own: str) -> str:
    name = wanted.strip()
    if not name:
        raise DomainError("A palette needs a name.", "name", "empty")
    # Names go into files in the signs that every language takes.
    alike = css_name(name).casefold()
    other = next(
        (
            each
            for key, each in system.palettes.items()
            if key != own and css_name(each.name).casefold() == alike
        ),
        None,
    )
    if other is not None:
        same = other.name == name
        raise DomainError(
            f"“{name}” is taken." if same else f"“{name}” and “{other.name}” are too alike.",
            "name",
            "taken",
        )
    return name


class AddPalette(EditBase):
    """Add a palette behind all others."""

    type: Literal["add_palette"] = "add_palette"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    make: PaletteMethod
    ground: Id | None = None
    column: Name = ""

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.id in system.palettes:
            raise DomainError("A palette with this id is there already.", "id", "taken")
        if len(system.palettes) >= MOST_PALETTES:
            raise DomainError(
                f"A system has at most {MOST_PALETTES} palettes.", "palettes", "limit"
            )
        if self.ground is not None:
            token_of(system, self.ground, "ground")
        name = _free_name(system, self.name, self.id)
        order = behind(system.palettes)[0]
        return PALETTES.put(
            system,
            Palette(
                id=self.id,
                order=order,
                name=name,
                make=_standing(system, self.make),
                ground=self.ground,
                column=self.column,
            ),
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Add the palette {self.name.strip()}"


class SetPalette(EditBase):
    """Change how a palette is made: its colors, classes, ends, middle."""

    type: Literal["set_palette"] = "set_palette"
    palette: Id
    make: PaletteMethod

    def change(self, system: ColorSystem) -> ColorSystem:
        palette = palette_of(system, self.palette)
        return PALETTES.put(
            system, palette.model_copy(update={"make": _standing(system, self.make)})
        )

    def sentence(self, system: ColorSystem) -> str:
        palette = palette_of(system, self.palette)
        if isinstance(self.make, Categorical) and isinstance(palette.make, Categorical):
            more = len(self.make.colors) - len(palette.make.colors)
            if more:
                return f"{'Add a color to' if more > 0 else 'Take a color out of'} {palette.name}"
        return f"Change {palette.name}"


class RenamePalette(RenameOne):
    """Give a palette another name."""

    type: Literal["rename_palette"] = "rename_palette"
    palette: Id
    name: Name
    collection: ClassVar[Collection] = PALETTES

    def checked_name(self, system: ColorSystem) -> str:
        return _free_name(system, self.name, self.palette)


class PlacePalette(EditBase):
    """Say on which token's color a palette stands; on the first theme's white paper without one."""

    type: Literal["place_palette"] = "place_palette"
    palette: Id
    ground: Id | None

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.ground is not None:
            token_of(system, self.ground, "ground")
        return PALETTES.put(
            system, palette_of(system, self.palette).model_copy(update={"ground": self.ground})
        )

    def sentence(self, system: ColorSystem) -> str:
        ground = token_of(system, self.ground).name if self.ground else "white"
        return f"Let {palette_of(system, self.palette).name} stand on {ground}"

    def reads(self) -> set[Path]:
        return {("tokens", self.ground, "id")} if self.ground else set()


class DescribePalette(EditBase):
    """Say with which column of the data a palette is drawn, in which view, what for; what is left out stays."""

    type: Literal["describe_palette"] = "describe_palette"
    palette: Id
    column: Name | None = None
    note: Annotated[str | None, Field(max_length=LONGEST_NOTE)] = None
    view: Name | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        said = {"column": self.column, "note": self.note, "view": self.view}
        update = {key: words.strip() for key, words in said.items() if words is not None}
        return PALETTES.put(system, palette_of(system, self.palette).model_copy(update=update))

    def sentence(self, system: ColorSystem) -> str:
        name = palette_of(system, self.palette).name
        return (
            f"Draw {self.column.strip()} with {name}"
            if self.column and self.column.strip()
            else f"Describe {name}"
        )


class SetOtherColor(EditBase):
    """Give a palette a color of its own for what has none of its colors; none follows the token of that purpose."""

    type: Literal["set_other_color"] = "set_other_color"
    blames: ClassVar[str] = "value"
    palette: Id
    role: OtherRole
    value: PaletteValue | None

    def change(self, system: ColorSystem) -> ColorSystem:
        palette = palette_of(system, self.palette)
        if self.value is not None and not is_there(system, self.value):
            raise DomainError("What it should be is not there any more.", "value", "missing")
        others = {role: value for role, value in palette.others.items() if role != self.role}
        if self.value is not None:
            others[self.role] = self.value
        return PALETTES.put(system, palette.model_copy(update={"others": others}))

    def sentence(self, system: ColorSystem) -> str:
        name = palette_of(system, self.palette).name
        if self.value is None:
            return f"Let what is {self.role} in {name} follow its token"
        return f"Let what is {self.role} in {name} be {value_in_words(system, self.value)}"


class MovePalette(MoveOne):
    """Put a palette before another one, or behind all others."""

    type: Literal["move_palette"] = "move_palette"
    palette: Id
    collection: ClassVar[Collection] = PALETTES


class RemovePalette(RemoveOne):
    """Remove a palette."""

    type: Literal["remove_palette"] = "remove_palette"
    palette: Id
    collection: ClassVar[Collection] = PALETTES
