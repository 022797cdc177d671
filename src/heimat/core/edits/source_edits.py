"""Edits of source colors: typed, or moved in lightness, chroma and hue."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.color.angles import around, turn_between
from heimat.core.color.color_text import STRONGEST_CHROMA, ColorInput, reasonable
from heimat.core.color.exact_color import Color, oklch_of
from heimat.core.color.notation import format
from heimat.core.color.solved import solved, solved_wide
from heimat.core.color.thresholds import HAS_HUE
from heimat.core.document.following import refuse_loop
from heimat.core.document.hues import (
    STRONGEST_TINT,
    DerivedSource,
    FollowingSource,
    GivenSource,
    Hue,
    Recall,
    TintedSource,
)
from heimat.core.document.ids import Id
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase, Path, hue_of, with_hue
from heimat.core.errors import DomainError
from heimat.core.hues.derivation import aimed_at
from heimat.core.hues.source import resolve_source, source_color
from heimat.core.hues.wording import derivation_words
from heimat.core.scales.wide_twins import beyond_srgb

_SAME_HUE = 0.5
"""Degrees within which a tinted neutral that is moved still counts as having its parent's hue."""


def opaque(color: Color, field: str) -> Color:
    """The color itself. Raises DomainError where it is translucent, or no color that can be."""
    if color.alpha != 1.0:
        solid = format(color.model_copy(update={"alpha": 1.0}), "hex")
        raise DomainError(
            f"A hue is opaque. Give it without alpha, for example {solid}.", field, "alpha"
        )
    return reasonable(color, field)


def given(color: Color, before: Recall | None) -> tuple[GivenSource, Recall | None]:
    """A given source, and the chroma and hue to remember: its own, or the ones before where it has none."""
    _, chroma, hue = (float(number) for number in oklch_of(color))
    recall = (
        Recall(chroma=min(chroma, STRONGEST_CHROMA), hue=around(hue))
        if chroma >= HAS_HUE
        else before
    )
    return GivenSource(color=color), recall


def _remembered(system: ColorSystem, hue: Hue) -> Recall | None:
    _, chroma, angle = resolve_source(system, hue).aim
    return (
        Recall(chroma=min(chroma, STRONGEST_CHROMA), hue=around(angle))
        if chroma >= HAS_HUE
        else hue.recall
    )


def _first(hue: Hue, color: Color) -> Color | None:
    """What a hue was given in the beginning, where its color becomes another."""
    if not isinstance(hue.source, GivenSource):
        return None
    first = hue.source.first or hue.source.color
    return None if first == color else first


def let_go(system: ColorSystem, hue: Hue) -> Hue:
    """A hue that follows no other any more: given, with the color and alpha that it has now."""
    now = resolve_source(system, hue)
    source, recall = given(now.color, _remembered(system, hue))
    if now.alpha != 1.0:
        source = GivenSource(color=now.color.model_copy(update={"alpha": now.alpha}))
    return hue.model_copy(update={"source": source, "recall": recall})


class SetSource(EditBase):
    """Give a hue another color, exactly as typed."""

    type: Literal["set_source"] = "set_source"
    blames: ClassVar[str] = "hue"
    hue: Id
    color: ColorInput

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        source, recall = given(opaque(self.color, "color"), _remembered(system, hue))
        source = source.model_copy(update={"first": _first(hue, source.color)})
        return with_hue(system, hue.model_copy(update={"source": source, "recall": recall}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Set {hue_of(system, self.hue).name} to {format(self.color, 'hex')}"


class AimSource(EditBase):
    """Move a hue to an L* 0 to 100, an OKLCH chroma and an OKLCH hue in degrees.

    Where the gamut has less chroma, less is taken, and what was meant is remembered; so it is in white and black. A
    derived hue keeps following: its changes are made to lead there.
    """

    type: Literal["aim_source"] = "aim_source"
    blames: ClassVar[str] = "hue"
    hue: Id
    lightness: Annotated[float, Field(ge=0.0, le=100.0)]
    chroma: Annotated[float, Field(ge=0.0, le=STRONGEST_CHROMA)]
    angle: Annotated[float, Field(ge=0.0, le=360.0)]

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        angle = around(self.angle)
        if isinstance(hue.source, TintedSource) and self._keeps_tint(system, hue.source):
            tint = hue.source.model_copy(
                update={"lightness": self.lightness, "chroma": self.chroma}
            )
            return with_hue(system, hue.model_copy(update={"source": tint}))
        if isinstance(hue.source, DerivedSource):
            parent = resolve_source(system, system.hues[hue.source.hue])
            derived = aimed_at(hue.source, parent, (self.lightness, self.chroma, angle))
            return with_hue(system, hue.model_copy(update={"source": derived}))
        before = source_color(system, hue)
        # A color beyond sRGB stays there while it is moved.
        wide = hue.wide if hue.wide is not None else beyond_srgb(before)
        color = (solved_wide if wide else solved)(self.lightness, self.chroma, angle)
        source = GivenSource(color=color, first=_first(hue, color), moved=True)
        recall = Recall(chroma=self.chroma, hue=angle)
        return with_hue(system, hue.model_copy(update={"source": source, "recall": recall}))

    def _keeps_tint(self, system: ColorSystem, source: TintedSource) -> bool:
        _, _, parent_angle = resolve_source(system, system.hues[source.hue]).aim
        turn = abs(turn_between(parent_angle, self.angle))
        return turn <= _SAME_HUE and self.chroma <= STRONGEST_TINT

    def sentence(self, system: ColorSystem) -> str:
        color = solved(self.lightness, self.chroma, around(self.angle))
        return f"Move {hue_of(system, self.hue).name} to {format(color, 'hex')}"


class FollowHue(EditBase):
    """Make a hue a tint of gray or a derivation of another hue, which it follows from then on."""

    type: Literal["follow_hue"] = "follow_hue"
    blames: ClassVar[str] = "source"
    hue: Id
    source: FollowingSource

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        parent = hue_of(system, self.source.hue, "source.hue")
        refuse_loop(system, hue, parent, "source.hue")
        return with_hue(
            system,
            hue.model_copy(update={"source": self.source, "recall": _remembered(system, hue)}),
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Let {hue_of(system, self.hue).name} be {following_words(system, self.source)}"

    def reads(self) -> set[Path]:
        return {("hues", self.source.hue, "id")}


class LetGo(EditBase):
    """Let a hue follow no other any more: it keeps the color that it has now."""

    type: Literal["let_go"] = "let_go"
    blames: ClassVar[str] = "hue"
    hue: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        return (
            system if isinstance(hue.source, GivenSource) else with_hue(system, let_go(system, hue))
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Let {hue_of(system, self.hue).name} go its own way"


def following_words(system: ColorSystem, source: FollowingSource) -> str:
    """What a hue does that follows another, in words."""
    parent = hue_of(system, source.hue, "source.hue").name
    return (
        f"gray tinted with {parent}"
        if isinstance(source, TintedSource)
        else derivation_words(source, parent)
    )
