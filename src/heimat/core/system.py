"""The document that a designer edits: one color system, whole."""

from typing import Annotated, Any, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.notation import Color, ColorInput
from heimat.core.ids import Id, OrderKey
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.generate import LATEST_GENERATOR
from heimat.core.scales.ladder import USUAL, Ladder

SCHEMA = 1
MOST_HUES = 200
MOST_TOKENS = 2000
LONGEST_NAME = 80
LONGEST_NOTE = 400

HueKind = Literal["brand", "neutral", "status", "accent"]
Status = Literal["success", "warning", "error", "information"]
Use = Literal["body", "large", "part", "decoration"]
Name = Annotated[str, Field(max_length=LONGEST_NAME)]
Note = Annotated[str, Field(max_length=LONGEST_NOTE)]


class Part(BaseModel):
    """What all parts of the document share: unchangeable, and nothing unknown in them."""

    model_config = ConfigDict(frozen=True, extra="forbid")


class GivenSource(Part):
    """A color that somebody gave: exact, as it was typed."""

    kind: Literal["given"] = "given"
    color: Color


class TintedSource(Part):
    """A gray with a breath of another hue, which it follows: L* 0 to 100, OKLCH chroma 0 to 0.05."""

    kind: Literal["tinted"] = "tinted"
    hue: Id
    lightness: Annotated[float, Field(ge=0.0, le=100.0)] = 52.5
    chroma: Annotated[float, Field(ge=0.0, le=0.05)] = 0.011


Source = Annotated[GivenSource | TintedSource, Field(discriminator="kind")]


class Recall(Part):
    """OKLCH chroma and hue that a source had, or was meant to have, while it passes through white, black or gray."""

    chroma: Annotated[float, Field(ge=0.0, le=0.6)]
    hue: Annotated[float, Field(ge=0.0, lt=360.0)]


class Hue(Part):
    """A named source color: the root of one scale."""

    id: Id
    order: OrderKey
    name: Name
    kind: HueKind
    status: Status | None = None
    source: Source
    recall: Recall | None = None
    anchor: Anchor = Anchor()
    ladder: Ladder | None = None
    pins: dict[str, Color] = {}
    note: Note = ""


class StepAlias(Part):
    """A token's value: a step of a hue's scale."""

    kind: Literal["step"] = "step"
    hue: Id
    step: Annotated[str, Field(max_length=24)]


class TokenAlias(Part):
    """A token's value: another token's, in the same theme."""

    kind: Literal["token"] = "token"
    token: Id


class LiteralColor(Part):
    """A token's value: a color of its own."""

    kind: Literal["literal"] = "literal"
    color: ColorInput


TokenValue = Annotated[StepAlias | TokenAlias | LiteralColor, Field(discriminator="kind")]


class Theme(Part):
    """A full assignment of the semantic tokens."""

    id: Id
    order: OrderKey
    name: Name


class Token(Part):
    """A semantic token: a name for a purpose, with a value in every theme."""

    id: Id
    order: OrderKey
    name: Name
    values: dict[Id, TokenValue]
    note: Note = ""


class Pairing(Part):
    """A declared meeting of two tokens, and what it is used for."""

    id: Id
    order: OrderKey
    foreground: Id
    ground: Id
    use: Use


class ToldApartSet(Part):
    """Tokens that people must be able to tell from each other, at least `threshold` apart in CIEDE2000."""

    id: Id
    order: OrderKey
    name: Name
    tokens: tuple[Id, ...]
    threshold: Annotated[float, Field(ge=0.0, le=100.0)]


class ColorSystem(Part):
    """The whole editable document for one product. Entities are kept by id; their order is in their keys."""

    model_config = ConfigDict(frozen=True, extra="forbid", populate_by_name=True, serialize_by_alias=True)

    schema_version: Annotated[int, Field(alias="schema")] = SCHEMA
    generator: int = LATEST_GENERATOR
    name: Name
    ladder: Ladder = USUAL
    scale_pattern: Annotated[str, Field(max_length=LONGEST_NAME)] = "{hue}.{step}"
    hues: Annotated[dict[Id, Hue], Field(max_length=MOST_HUES)] = {}
    themes: dict[Id, Theme] = {}
    tokens: Annotated[dict[Id, Token], Field(max_length=MOST_TOKENS)] = {}
    pairings: Annotated[dict[Id, Pairing], Field(max_length=MOST_TOKENS)] = {}
    told_apart: dict[Id, ToldApartSet] = {}


Entity = TypeVar("Entity", Hue, Theme, Token, Pairing, ToldApartSet)


def in_order(entities: dict[str, Entity]) -> list[Entity]:
    """Entities by their order keys; equal keys, which two people may make at once, by id."""
    return sorted(entities.values(), key=lambda entity: (entity.order, entity.id))


def ladder_of(system: ColorSystem, hue: Hue) -> Ladder:
    """The ladder that a hue's scale stands on: its own, or the system's."""
    return hue.ladder or system.ladder


def read_document(data: dict[str, Any]) -> ColorSystem:
    """Read a stored document, bringing older schemas up. Raises ValueError for one from a newer Heimat."""
    version = data.get("schema", 0)
    if version > SCHEMA:
        raise ValueError(f"this document has schema {version}; this Heimat reads up to {SCHEMA}")
    return ColorSystem.model_validate(data)
