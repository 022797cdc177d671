"""Edits of source colors: typed, or moved in lightness, chroma and hue."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.color.notation import Color, ColorInput, format, oklch_of
from heimat.core.colors_of import COLORED, hue_and_chroma, solved
from heimat.core.edits.base import EditBase, Path, hue_of, with_hue
from heimat.core.errors import DomainError
from heimat.core.ids import Id
from heimat.core.system import ColorSystem, GivenSource, Recall, TintedSource

STRONGEST_TINT = 0.05
_SAME_HUE = 0.5
"""Degrees within which a tinted neutral that is moved still counts as having its parent's hue."""


def opaque(color: Color, field: str) -> Color:
    """The color itself. Raises DomainError where it is translucent."""
    if color.alpha != 1.0:
        solid = format(color.model_copy(update={"alpha": 1.0}), "hex")
        raise DomainError(f"A hue is opaque. Give it without alpha, for example {solid}.", field, "alpha")
    return color


def given(color: Color, before: Recall | None) -> tuple[GivenSource, Recall | None]:
    """A given source, and the chroma and hue to remember: its own, or the ones before where it has none."""
    _, chroma, hue = (float(number) for number in oklch_of(color))
    recall = Recall(chroma=min(chroma, 0.6), hue=hue % 360.0) if chroma >= COLORED else before
    return GivenSource(color=color), recall


def _remembered(system: ColorSystem, hue_id: str) -> Recall | None:
    hue = hue_of(system, hue_id)
    parent = hue if isinstance(hue.source, GivenSource) else system.hues[hue.source.hue]
    chroma, angle = hue_and_chroma(parent)
    if hue is not parent and isinstance(hue.source, TintedSource):
        chroma = hue.source.chroma
    return Recall(chroma=min(chroma, 0.6), hue=angle % 360.0) if chroma >= COLORED else hue.recall


class SetSource(EditBase):
    """Give a hue another color, exactly as typed."""

    type: Literal["set_source"] = "set_source"
    hue: Id
    color: ColorInput

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        source, recall = given(opaque(self.color, "color"), _remembered(system, hue.id))
        return with_hue(system, hue.model_copy(update={"source": source, "recall": recall}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Set {hue_of(system, self.hue).name} to {format(self.color, 'hex')}"


class AimSource(EditBase):
    """Move a hue to an L* 0 to 100, an OKLCH chroma and an OKLCH hue in degrees.

    Where the gamut has less chroma, less is taken, and what was meant is remembered; so it is in white and black.
    """

    type: Literal["aim_source"] = "aim_source"
    hue: Id
    lightness: Annotated[float, Field(ge=0.0, le=100.0)]
    chroma: Annotated[float, Field(ge=0.0, le=0.6)]
    angle: Annotated[float, Field(ge=0.0, le=360.0)]

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        angle = self.angle % 360.0
        if isinstance(hue.source, TintedSource) and self._keeps_tint(system, hue.source):
            tint = hue.source.model_copy(update={"lightness": self.lightness, "chroma": self.chroma})
            return with_hue(system, hue.model_copy(update={"source": tint}))
        source = GivenSource(color=solved(self.lightness, self.chroma, angle))
        recall = Recall(chroma=self.chroma, hue=angle)
        return with_hue(system, hue.model_copy(update={"source": source, "recall": recall}))

    def _keeps_tint(self, system: ColorSystem, source: TintedSource) -> bool:
        _, parent_angle = hue_and_chroma(system.hues[source.hue])
        turn = abs((self.angle - parent_angle + 180.0) % 360.0 - 180.0)
        return turn <= _SAME_HUE and self.chroma <= STRONGEST_TINT

    def sentence(self, system: ColorSystem) -> str:
        color = solved(self.lightness, self.chroma, self.angle % 360.0)
        return f"Move {hue_of(system, self.hue).name} to {format(color, 'hex')}"


class TintSource(EditBase):
    """Make a hue a gray tinted with another hue, which it follows from then on."""

    type: Literal["tint_source"] = "tint_source"
    hue: Id
    source: TintedSource

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        parent = hue_of(system, self.source.hue, "source.hue")
        followers = [other.name for other in system.hues.values() if _follows(other.source, hue.id)]
        if parent.id == hue.id or not isinstance(parent.source, GivenSource) or followers:
            raise DomainError(
                f"{hue.name} cannot be tinted with {parent.name}: that would run in a circle or a chain of tints.",
                "source.hue",
                "circle",
            )
        return with_hue(system, hue.model_copy(update={"source": self.source}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Tint {hue_of(system, self.hue).name} with {hue_of(system, self.source.hue, 'source.hue').name}"

    def reads(self) -> set[Path]:
        return {("hues", self.source.hue)}


def _follows(source: object, hue_id: str) -> bool:
    return isinstance(source, TintedSource) and source.hue == hue_id
