"""Edits of the ladder, and of the pattern that names its steps."""

from collections.abc import Iterable, Mapping
from typing import Annotated, Literal

from pydantic import Field

from heimat.core.edits.base import EditBase, Path, hue_of, with_hue
from heimat.core.errors import DomainError
from heimat.core.ids import Id
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import READY_MADE, Ladder
from heimat.core.system import ColorSystem, Hue, StepAlias, TokenValue, ladder_of
from heimat.core.tokens.names import check_pattern


def ladder_named(name: str | None, field: str) -> Ladder | None:
    """A ready-made ladder by its name; None for no name. Raises DomainError for a name that none has."""
    if name is None:
        return None
    ladder = READY_MADE.get(name)
    if ladder is None:
        raise DomainError(f"Choose a ladder: {', '.join(READY_MADE)}.", field, "unknown")
    return ladder


class SetLadder(EditBase):
    """Choose a ready-made ladder for all scales.

    What stands on a label that the new ladder lacks moves: an alias to the step aimed nearest in lightness, a fixed
    anchor to the nearest label; a pin there goes.
    """

    type: Literal["set_ladder"] = "set_ladder"
    ladder: str

    def change(self, system: ColorSystem) -> ColorSystem:
        ladder = ladder_named(self.ladder, "ladder")
        assert ladder is not None
        shared = [hue for hue in system.hues.values() if hue.ladder is None]
        return _on_ladder(system, shared, ladder).model_copy(update={"ladder": ladder})

    def sentence(self, system: ColorSystem) -> str:
        ladder = READY_MADE.get(self.ladder)
        return f"Take the {self.ladder} ladder of {len(ladder.steps)}" if ladder else "Change the ladder"


class SetHueLadder(EditBase):
    """Give a hue's scale a ladder of its own, with more or fewer steps; without a name, the system's again.

    What stands on a label that the new ladder lacks moves as with `SetLadder`.
    """

    type: Literal["set_hue_ladder"] = "set_hue_ladder"
    hue: Id
    ladder: Annotated[str | None, Field(max_length=24)]

    def change(self, system: ColorSystem) -> ColorSystem:
        own = ladder_named(self.ladder, "ladder")
        hue = hue_of(system, self.hue)
        moved = _on_ladder(system, [hue], own or system.ladder)
        return with_hue(moved, moved.hues[hue.id].model_copy(update={"ladder": own}))

    def sentence(self, system: ColorSystem) -> str:
        ladder = READY_MADE.get(self.ladder or "") or system.ladder
        return f"Give {hue_of(system, self.hue).name} {len(ladder.steps)} steps"

    def reads(self) -> set[Path]:
        return {("ladder",)}


def _on_ladder(system: ColorSystem, hues: Iterable[Hue], ladder: Ladder) -> ColorSystem:
    """The document with anchors, pins and aliases of some hues moved to the labels of another ladder."""
    moving = {hue.id: hue for hue in hues}
    tokens = {}
    for key, token in system.tokens.items():
        values = {theme: _value_on(moving, system, value, ladder) for theme, value in token.values.items()}
        tokens[key] = token if values == token.values else token.model_copy(update={"values": values})
    moved = {key: _hue_on(hue, ladder) for key, hue in moving.items()}
    return system.model_copy(update={"hues": {**system.hues, **moved}, "tokens": tokens})


def _hue_on(hue: Hue, ladder: Ladder) -> Hue:
    pins = {step: color for step, color in hue.pins.items() if ladder.index(step) is not None}
    gone = hue.anchor.mode == "label" and ladder.index(hue.anchor.step or "") is None
    if not gone and pins == hue.pins:
        return hue
    return hue.model_copy(update={"pins": pins, "anchor": Anchor() if gone else hue.anchor})


def _value_on(moving: Mapping[str, Hue], system: ColorSystem, value: TokenValue, ladder: Ladder) -> TokenValue:
    if not isinstance(value, StepAlias) or value.hue not in moving or ladder.index(value.step) is not None:
        return value
    before = ladder_of(system, moving[value.hue])
    nearest = ladder.steps[ladder.nearest(before.steps[before.index(value.step) or 0].lightness)]
    return value.model_copy(update={"step": nearest.id})


class SetScalePattern(EditBase):
    """Choose the pattern that names all scale tokens at once."""

    type: Literal["set_scale_pattern"] = "set_scale_pattern"
    pattern: str

    def change(self, system: ColorSystem) -> ColorSystem:
        check_pattern(self.pattern, "pattern")
        return system.model_copy(update={"scale_pattern": self.pattern})

    def sentence(self, system: ColorSystem) -> str:
        return f"Name scale tokens {self.pattern}"


class RenameSystem(EditBase):
    """Give the system another name. Its addresses stay."""

    type: Literal["rename_system"] = "rename_system"
    name: str

    def change(self, system: ColorSystem) -> ColorSystem:
        name = self.name.strip()
        if not name:
            raise DomainError("A system needs a name.", "name", "empty")
        if len(name) > 80:
            raise DomainError(f"A name has at most 80 characters; this one has {len(name)}.", "name", "too_long")
        return system.model_copy(update={"name": name})

    def sentence(self, system: ColorSystem) -> str:
        return f"Rename the system to {self.name.strip()}"
