"""Edits of the ladder, and of the pattern that names its steps."""

from typing import Literal

from heimat.core.edits.base import EditBase
from heimat.core.errors import DomainError
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import READY_MADE, Ladder
from heimat.core.system import ColorSystem, Hue, StepAlias, TokenValue
from heimat.core.tokens.names import check_pattern


class SetLadder(EditBase):
    """Choose a ready-made ladder for all scales.

    What stands on a label that the new ladder lacks moves: an alias to the step aimed nearest in lightness, a fixed
    anchor to the nearest label; a pin there goes.
    """

    type: Literal["set_ladder"] = "set_ladder"
    ladder: str

    def change(self, system: ColorSystem) -> ColorSystem:
        ladder = READY_MADE.get(self.ladder)
        if ladder is None:
            raise DomainError(f"Choose a ladder: {', '.join(READY_MADE)}.", "ladder", "unknown")
        hues = {key: _hue_on(hue, ladder) for key, hue in system.hues.items()}
        tokens = {}
        for key, token in system.tokens.items():
            values = {theme: _value_on(system, value, ladder) for theme, value in token.values.items()}
            tokens[key] = token if values == token.values else token.model_copy(update={"values": values})
        return system.model_copy(update={"ladder": ladder, "hues": hues, "tokens": tokens})

    def sentence(self, system: ColorSystem) -> str:
        ladder = READY_MADE.get(self.ladder)
        return f"Take the {self.ladder} ladder of {len(ladder.steps)}" if ladder else "Change the ladder"


def _hue_on(hue: Hue, ladder: Ladder) -> Hue:
    if hue.ladder is not None:
        return hue
    pins = {step: color for step, color in hue.pins.items() if ladder.index(step) is not None}
    gone = hue.anchor.mode == "label" and ladder.index(hue.anchor.step or "") is None
    if not gone and pins == hue.pins:
        return hue
    return hue.model_copy(update={"pins": pins, "anchor": Anchor() if gone else hue.anchor})


def _value_on(system: ColorSystem, value: TokenValue, ladder: Ladder) -> TokenValue:
    if not isinstance(value, StepAlias) or system.hues[value.hue].ladder is not None:
        return value
    if ladder.index(value.step) is not None:
        return value
    place = system.ladder.index(value.step) or 0
    nearest = ladder.steps[ladder.nearest(system.ladder.steps[place].lightness)]
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
