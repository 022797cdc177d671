"""Semantic tokens: names for purposes, with a value in every theme."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.color.notation import ColorInput
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Note, Part, StepId
from heimat.core.document.purposes import Purpose


class StepAlias(Part):
    """A token's value: a step of a hue's scale."""

    kind: Literal["step"] = "step"
    hue: Id
    step: StepId


class TokenAlias(Part):
    """A token's value: another token's, in the same theme."""

    kind: Literal["token"] = "token"
    token: Id


class LiteralColor(Part):
    """A token's value: a color of its own."""

    kind: Literal["literal"] = "literal"
    color: ColorInput


TokenValue = Annotated[StepAlias | TokenAlias | LiteralColor, Field(discriminator="kind")]


class Token(Part):
    """A semantic token: a name for a purpose, with a value in every theme.

    `purpose` is what it is there for in an interface, whatever it is called; None where that is not known.
    """

    id: Id
    order: OrderKey
    name: Name
    purpose: Purpose | None = None
    values: dict[Id, TokenValue]
    note: Note = ""
