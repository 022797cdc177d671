"""The document that a designer edits: one color system, whole."""

from typing import Annotated, Any, Literal, Self, TypeVar

from pydantic import BaseModel, ConfigDict, Field, model_validator

from heimat.core.color.notation import Color, ColorInput
from heimat.core.ids import Id, OrderKey
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.generate import LATEST_GENERATOR
from heimat.core.scales.ladder import USUAL, Ladder
from heimat.core.scales.methods import Method
from heimat.core.scales.nudges import Nudge

SCHEMA = 4
"""4: handles of curves, held hues, wide gamut, a cap and named selections; 3: methods, curves and nudges of scales;
2: candidates, ordered stops and derived hues; 1 had none of them."""
MOST_HUES = 200
MOST_TOKENS = 2000
LONGEST_NAME = 80
LONGEST_NOTE = 400
MOST_CANDIDATES = 400
MOST_STOPS = 100
MOST_SELECTIONS = 50
MOST_COLORS = 4800
"""Steps that a system can have: 200 hues of 24."""

HueKind = Literal["brand", "neutral", "status", "accent"]
Status = Literal["success", "warning", "error", "information"]
Use = Literal["body", "large", "part", "decoration"]
Circle = Literal["oklch", "hsl"]
"""The circle on which hues are turned: they differ, in angles and in how light their colors look."""
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


class Change(Part):
    """What a derived hue does with one quantity of its parent: keeps it, shifts or multiplies it by, or sets it to."""

    how: Literal["kept", "shifted", "times", "set"] = "kept"
    by: Annotated[float, Field(allow_inf_nan=False, ge=-400.0, le=400.0)] = 0.0


class DerivedSource(Part):
    """A color computed from another hue's, which it follows.

    On the `oklch` circle lightness is CIE L* 0 to 100 and strength OKLCH chroma; on the `hsl` circle both are the
    percentages of HSL. `turn` is the hue in degrees, which is never multiplied; alpha runs from 0 to 1.
    """

    kind: Literal["derived"] = "derived"
    hue: Id
    circle: Circle = "oklch"
    lightness: Change = Change()
    strength: Change = Change()
    turn: Change = Change()
    alpha: Change = Change()

    @model_validator(mode="after")
    def _turned_not_multiplied(self) -> Self:
        if self.turn.how == "times":
            raise ValueError("a hue is shifted or set, not multiplied")
        return self


FollowingSource = Annotated[TintedSource | DerivedSource, Field(discriminator="kind")]
Source = Annotated[GivenSource | TintedSource | DerivedSource, Field(discriminator="kind")]


class Recall(Part):
    """OKLCH chroma and hue that a source had, or was meant to have, while it passes through white, black or gray."""

    chroma: Annotated[float, Field(ge=0.0, le=0.6)]
    hue: Annotated[float, Field(ge=0.0, lt=360.0)]


class Hue(Part):
    """A named source color: the root of one scale.

    Pins and nudges are kept by the id of their step. Where pins are `smooth`, their neighbours pass through them. What
    is `held` is finished: no edit changes its scale until it is let go. `wide` says whether display-p3 values stand
    beside the sRGB ones; None lets the source decide.
    """

    id: Id
    order: OrderKey
    name: Name
    kind: HueKind
    status: Status | None = None
    source: Source
    recall: Recall | None = None
    anchor: Anchor = Anchor()
    ladder: Ladder | None = None
    method: Method | None = None
    curves: Curves | None = None
    pins: dict[str, Color] = {}
    smooth: bool = False
    nudges: dict[str, Nudge] = {}
    held: bool = False
    wide: bool | None = None
    note: Note = ""


class Candidate(Part):
    """A color that waits beside the set until it joins as a hue, or goes."""

    id: Id
    order: OrderKey
    name: Name
    kind: HueKind
    status: Status | None = None
    color: Color
    note: Note = ""


class Stops(Part):
    """Ordered colors that stand for an area of a picture along its lightness, within a CIEDE2000 difference."""

    id: Id
    order: OrderKey
    name: Name
    colors: Annotated[tuple[Color, ...], Field(min_length=2, max_length=24)]
    difference: Annotated[float, Field(ge=0.0, le=100.0)]
    note: Note = ""


class StepRef(Part):
    """A step of a hue's scale."""

    hue: Id
    step: Annotated[str, Field(max_length=24)]


class NamedSelection(Part):
    """Some of the steps under a name, for one audience. A step that is not there waits until it is again."""

    id: Id
    order: OrderKey
    name: Name
    steps: Annotated[tuple[StepRef, ...], Field(min_length=1, max_length=MOST_COLORS)]
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
    """The whole editable document for one product. Entities are kept by id; their order is in their keys.

    `cap` is the number of colors that the team wants to publish at most.
    """

    model_config = ConfigDict(frozen=True, extra="forbid", populate_by_name=True, serialize_by_alias=True)

    schema_version: Annotated[int, Field(alias="schema")] = SCHEMA
    generator: int = LATEST_GENERATOR
    name: Name
    ladder: Ladder = USUAL
    method: Method = Method()
    curves: Curves = Curves()
    scale_pattern: Annotated[str, Field(max_length=LONGEST_NAME)] = "{hue}.{step}"
    hues: Annotated[dict[Id, Hue], Field(max_length=MOST_HUES)] = {}
    candidates: Annotated[dict[Id, Candidate], Field(max_length=MOST_CANDIDATES)] = {}
    stops: Annotated[dict[Id, Stops], Field(max_length=MOST_STOPS)] = {}
    cap: Annotated[int | None, Field(ge=1, le=MOST_COLORS)] = None
    selections: Annotated[dict[Id, NamedSelection], Field(max_length=MOST_SELECTIONS)] = {}
    themes: dict[Id, Theme] = {}
    tokens: Annotated[dict[Id, Token], Field(max_length=MOST_TOKENS)] = {}
    pairings: Annotated[dict[Id, Pairing], Field(max_length=MOST_TOKENS)] = {}
    told_apart: dict[Id, ToldApartSet] = {}


Entity = TypeVar("Entity", Hue, Candidate, Stops, NamedSelection, Theme, Token, Pairing, ToldApartSet)


def in_order(entities: dict[str, Entity]) -> list[Entity]:
    """Entities by their order keys; equal keys, which two people may make at once, by id."""
    return sorted(entities.values(), key=lambda entity: (entity.order, entity.id))


def ladder_of(system: ColorSystem, hue: Hue) -> Ladder:
    """The ladder that a hue's scale stands on: its own, or the system's."""
    return hue.ladder or system.ladder


def method_of(system: ColorSystem, hue: Hue) -> Method:
    """The method that a hue's scale is made by: its own, or the system's."""
    return hue.method or system.method


def curves_of(system: ColorSystem, hue: Hue) -> Curves:
    """The curves that a hue's scale follows: its own, or the system's."""
    return hue.curves or system.curves


def parent_of(hue: Hue) -> str | None:
    """The id of the hue that a hue follows, or None where its color is given."""
    return None if isinstance(hue.source, GivenSource) else hue.source.hue


def children_of(system: ColorSystem, hue_id: str) -> list[Hue]:
    """The hues that follow a hue directly, in order."""
    return [hue for hue in in_order(system.hues) if parent_of(hue) == hue_id]


def with_descendants(system: ColorSystem, hue_id: str) -> list[str]:
    """The ids of a hue and of all that follow it, directly or in a chain."""
    found = [hue_id]
    for place in found:
        found += [child.id for child in children_of(system, place) if child.id not in found]
    return found


def read_document(data: dict[str, Any]) -> ColorSystem:
    """Read a stored document, bringing older schemas up. Raises ValueError for one from a newer Heimat."""
    version = data.get("schema", 0)
    if version > SCHEMA:
        raise ValueError(f"this document has schema {version}; this Heimat reads up to {SCHEMA}")
    return ColorSystem.model_validate({**data, "schema": SCHEMA})
