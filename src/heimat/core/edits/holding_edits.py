"""Holding finished hues: no edit changes their scales until they are let go."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.system import MOST_HUES, ColorSystem
from heimat.core.edits.base import EditBase, Guard, hue_of, with_hue
from heimat.core.errors import DomainError
from heimat.core.hues.scaling import stays


class HoldHues(EditBase):
    """Hold hues with their scales against change, or let them go."""

    type: Literal["hold_hues"] = "hold_hues"
    guards: ClassVar[frozenset[Guard]] = frozenset({"taken"})
    hues: Annotated[tuple[Id, ...], Field(min_length=1, max_length=MOST_HUES)]
    held: bool

    def change(self, system: ColorSystem) -> ColorSystem:
        for hue in self.hues:
            system = with_hue(
                system, hue_of(system, hue, "hues").model_copy(update={"held": self.held})
            )
        return system

    def sentence(self, system: ColorSystem) -> str:
        names = hue_of(system, self.hues[0], "hues").name
        names += f" and {len(self.hues) - 1} more" if len(self.hues) > 1 else ""
        return f"Hold {names}" if self.held else f"Let {names} go"


def refuse_held(before: ColorSystem, after: ColorSystem, field: str) -> None:
    """Raise DomainError where a change would reach the scale of a hue that is held."""
    for hue in before.hues.values():
        if hue.held and not stays(before, after, hue.id):
            raise DomainError(f"{hue.name} is held. Let it go first.", field, "held")


def keeping_held(system: ColorSystem, field: Literal["ladder", "method", "curves"]) -> ColorSystem:
    """The document whose held hues have what is for all as their own, before that changes for all others."""
    for hue in system.hues.values():
        if hue.held and getattr(hue, field) is None:
            system = with_hue(system, hue.model_copy(update={field: getattr(system, field)}))
    return system


def held_words(system: ColorSystem, field: Literal["ladder", "method", "curves"]) -> str:
    """How many hues a change for all leaves alone because they are held, as the end of a sentence."""
    count = sum(hue.held and getattr(hue, field) is None for hue in system.hues.values())
    return f"; {count} held {'stays' if count == 1 else 'stay'}" if count else ""
