"""Semantic tokens: names for purposes, with a value in every theme."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from heimat.core.color.color_text import ColorInput
from heimat.core.document.hues import QuantityChange
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Note, Part, StepId
from heimat.core.document.purposes import Purpose


class StepAlias(Part):
    """A token's value: a step of a hue's scale."""

    kind: Literal["step"] = "step"
    hue: Id
    step: StepId


class HueAlias(Part):
    """A token's value: a hue's own color, to the bit, wherever its scale is anchored."""

    kind: Literal["hue"] = "hue"
    hue: Id


class TokenAlias(Part):
    """A token's value: another token's, in the same theme."""

    kind: Literal["token"] = "token"
    token: Id


class LiteralColor(Part):
    """A token's value: a color of its own. `was` says, in words, what it stood for before that was removed."""

    kind: Literal["literal"] = "literal"
    color: ColorInput
    was: Name = ""


class PaletteAlias(Part):
    """A token's value: a color of a palette, by its id in one by category, else at a place 0 to 1 from its low end."""

    kind: Literal["palette"] = "palette"
    palette: Id
    color: Id | None = None
    along: Annotated[float, Field(ge=0.0, le=1.0)] = 0.0


ScreenPart = Annotated[str, Field(pattern=r"^[a-z][a-z0-9-]*$|^$", max_length=40)]
"""The name of a part of a screen."""
Moving = Literal["first", "usual", "last", "never"]
"""How readily repairs move a token: before all others, as its uses have it, after all others, not at all."""
Alias = Annotated[StepAlias | HueAlias | TokenAlias | PaletteAlias, Field(discriminator="kind")]


class DerivedColor(Part):
    """A token's value: an alias with changes of CIE L* 0 to 100, OKLCH chroma, hue in degrees, and alpha 0 to 1."""

    kind: Literal["derived"] = "derived"
    of: Alias
    lightness: QuantityChange = QuantityChange()
    chroma: QuantityChange = QuantityChange()
    turn: QuantityChange = QuantityChange()
    alpha: QuantityChange = QuantityChange()

    @model_validator(mode="after")
    def _turned_not_multiplied(self) -> Self:
        if self.turn.how == "times":
            raise ValueError("a hue is shifted or set, not multiplied")
        return self


TokenValue = Annotated[
    StepAlias | HueAlias | TokenAlias | PaletteAlias | LiteralColor | DerivedColor,
    Field(discriminator="kind"),
]
End = StepAlias | HueAlias | PaletteAlias | LiteralColor
"""What a chain of aliases ends in."""


class Deprecation(Part):
    """A token that is on its way out: what stands in for it, and why."""

    replacement: Id | None = None
    reason: Note = ""


class Token(Part):
    """A semantic token: a name for a purpose, with a value in every theme.

    `purpose` is what it is there for in an interface, whatever it is called; None where that is not known. With a
    `place` it is there for one part of a screen alone, in which it stands instead of the token of that purpose. `note`
    says what it is, `usage` how it is to be used. What is `internal` never leaves. `moving` says how readily repairs
    move it.
    """

    id: Id
    order: OrderKey
    name: Name
    purpose: Purpose | None = None
    place: ScreenPart = ""
    values: dict[Id, TokenValue]
    note: Note = ""
    usage: Note = ""
    internal: bool = False
    deprecated: Deprecation | None = None
    moving: Moving = "usual"

    @property
    def bases(self) -> "list[StepAlias | HueAlias | TokenAlias | PaletteAlias | LiteralColor]":
        """What it stands on, in every theme that says one."""
        return [base_of(value) for value in self.values.values()]


def base_of(value: TokenValue) -> StepAlias | HueAlias | TokenAlias | PaletteAlias | LiteralColor:
    """What a value stands on: itself, or what it is derived of."""
    return value.of if isinstance(value, DerivedColor) else value


def hue_under(value: TokenValue) -> str | None:
    """The id of the hue that a value names, of itself or with changes."""
    base = base_of(value)
    return base.hue if isinstance(base, StepAlias | HueAlias) else None


def token_under(value: TokenValue) -> str | None:
    """The id of the token that a value names, of itself or with changes."""
    base = base_of(value)
    return base.token if isinstance(base, TokenAlias) else None
