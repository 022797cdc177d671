"""Keeping colors in reserve: nothing uses them yet, and a reason says why they stay."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.part import LONGEST_NOTE, StepId
from heimat.core.document.system import ColorSystem
from heimat.core.document.words import step_name
from heimat.core.edits.base import EditBase, step_of, with_hue
from heimat.core.errors import DomainError


class SetReserve(EditBase):
    """Keep a step in reserve for a reason; without one, no longer."""

    type: Literal["set_reserve"] = "set_reserve"
    blames: ClassVar[str] = "step"
    hue: Id
    step: StepId
    reason: Annotated[str | None, Field(max_length=LONGEST_NOTE)]

    def change(self, system: ColorSystem) -> ColorSystem:
        hue, _ = step_of(system, self.hue, self.step)
        left = {step: reason for step, reason in hue.reserve.items() if step != self.step}
        if self.reason is not None:
            reason = self.reason.strip()
            if not reason:
                raise DomainError(
                    "Say why it is kept: a color in reserve has a reason.", "reason", "empty"
                )
            left[self.step] = reason
        return with_hue(system, hue.model_copy(update={"reserve": left}))

    def sentence(self, system: ColorSystem) -> str:
        name = step_name(system, self.hue, self.step) or "a step"
        return (
            f"Keep {name} in reserve"
            if self.reason is not None
            else f"Keep {name} in reserve no longer"
        )
