"""Hues: named source colors, given or following one another; the roots of the scales."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.exact_color import Color
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Note, Part, StepId
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.ladder import Ladder
from heimat.core.scales.methods import Method
from heimat.core.scales.nudges import Nudge
from heimat.core.sources.circles import Circle
from heimat.core.sources.conventions import Status

HueKind = Literal["brand", "neutral", "status", "accent"]
KIND_ORDER: tuple[HueKind, ...] = ("brand", "accent", "status", "neutral")
"""The kinds in the order in which they stand, wherever hues stand by their kind."""
STRONGEST_TINT = 0.05
"""OKLCH chroma up to which a gray is tinted."""


class GivenSource(Part):
    """A color that somebody gave: exact, as it was typed, or where it has been `moved` to by hand since.

    `first` is what was given in the beginning, where the color is another by now.
    """

    kind: Literal["given"] = "given"
    color: Color
    first: Color | None = None
    moved: bool = False


class TintedSource(Part):
    """A gray with a breath of another hue, which it follows: L* 0 to 100, OKLCH chroma 0 to 0.05."""

    kind: Literal["tinted"] = "tinted"
    hue: Id
    lightness: Annotated[float, Field(ge=0.0, le=100.0)] = 52.5
    chroma: Annotated[float, Field(ge=0.0, le=STRONGEST_TINT)] = 0.011


class QuantityChange(Part):
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
    lightness: QuantityChange = QuantityChange()
    strength: QuantityChange = QuantityChange()
    turn: QuantityChange = QuantityChange()
    alpha: QuantityChange = QuantityChange()

    @model_validator(mode="after")
    def _turned_not_multiplied(self) -> Self:
        if self.turn.how == "times":
            raise ValueError("a hue is shifted or set, not multiplied")
        return self


FollowingSource = Annotated[TintedSource | DerivedSource, Field(discriminator="kind")]
Source = Annotated[GivenSource | TintedSource | DerivedSource, Field(discriminator="kind")]


class Recall(Part):
    """OKLCH chroma and hue that a source had, or was meant to have, while it passes through white, black or gray."""

    chroma: Annotated[float, Field(ge=0.0, le=STRONGEST_CHROMA)]
    hue: Annotated[float, Field(ge=0.0, lt=360.0)]


class Hue(Part):
    """A named source color: the root of one scale.

    Pins and nudges are kept by the id of their step. Where pins are `smooth`, their neighbors pass through them. What
    is `held` is finished: no edit changes its scale until it is let go. `wide` says whether display-p3 values stand
    beside the sRGB ones; None lets the source decide. Steps in `reserve` are kept for later, each for its reason, and
    count as used.
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
    reserve: dict[str, Note] = {}
    wide: bool | None = None
    note: Note = ""


class StepRef(Part):
    """A step of a hue's scale."""

    hue: Id
    step: StepId


def parent_of(hue: Hue) -> str | None:
    """The id of the hue that a hue follows, or None where its color is given."""
    return None if isinstance(hue.source, GivenSource) else hue.source.hue
