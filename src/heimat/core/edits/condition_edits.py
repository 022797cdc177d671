"""Edits of what is asked of legibility beyond the standard: viewing conditions, the team's own aim, its duty."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.conditions import MOST_CONDITIONS, Condition, Quantities
from heimat.core.document.ids import Id, new_id
from heimat.core.document.order import behind
from heimat.core.document.part import Name, Note
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.errors import DomainError

_CONDITIONS = Collection("conditions", "condition", "viewing condition")


class KeepCondition(EditBase):
    """Name a viewing condition: a new one, or other quantities of one."""

    type: Literal["keep_condition"] = "keep_condition"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    quantities: Quantities

    def change(self, system: ColorSystem) -> ColorSystem:
        name = self.name.strip()
        if not name:
            raise DomainError("A viewing condition needs a name.", "name", "empty")
        if any(
            each.name.lower() == name.lower() and key != self.id
            for key, each in system.conditions.items()
        ):
            raise DomainError(f"“{name}” is taken.", "name", "taken")
        if self.quantities.ink >= self.quantities.paper:
            raise DomainError("The darkest ink must reflect less than the paper.", "ink", "range")
        known = system.conditions.get(self.id)
        if known is None and len(system.conditions) >= MOST_CONDITIONS:
            raise DomainError(
                f"A system has at most {MOST_CONDITIONS} viewing conditions.", "conditions", "limit"
            )
        order = known.order if known else behind(system.conditions)[0]
        kept = Condition(id=self.id, order=order, name=name, quantities=self.quantities)
        return system.model_copy(update={"conditions": {**system.conditions, self.id: kept}})

    def sentence(self, system: ColorSystem) -> str:
        return f"{'Change' if self.id in system.conditions else 'Add'} the viewing condition {self.name.strip()}"


class RemoveCondition(RemoveOne):
    """Remove a viewing condition."""

    type: Literal["remove_condition"] = "remove_condition"
    condition: Id
    collection: ClassVar[Collection] = _CONDITIONS


class SetAim(EditBase):
    """The contrast that the team itself asks for in the matrix, beside the standard's; none without one."""

    type: Literal["set_aim"] = "set_aim"
    aim: Annotated[float, Field(ge=1.0, le=21.0)] | None

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(update={"aim": self.aim})

    def sentence(self, system: ColorSystem) -> str:
        return (
            "Aim at what the standard asks for"
            if self.aim is None
            else f"Aim at a contrast of {self.aim:g}"
        )


class SetDuty(EditBase):
    """Which law or rule binds the team, in its own words, as the report prints it."""

    type: Literal["set_duty"] = "set_duty"
    duty: Note

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(update={"duty": self.duty.strip()})

    def sentence(self, system: ColorSystem) -> str:
        return (
            f"Say what binds us: {self.duty.strip()}"
            if self.duty.strip()
            else "Say nothing of what binds us"
        )
