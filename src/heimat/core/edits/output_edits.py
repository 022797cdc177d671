"""Edits of outputs: names and places of code that is there already."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id, new_id
from heimat.core.document.order import behind
from heimat.core.document.outputs import MOST_OUTPUTS, NamedOutput, Output, PlacedOutput
from heimat.core.document.outputs_checked import check_output
from heimat.core.document.part import Name
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.errors import DomainError

OUTPUTS = Collection("outputs", "output", "output", article="an")


class AddOutput(EditBase):
    """Add an output: under names of the code's own, or in a fixed number of places."""

    type: Literal["add_output"] = "add_output"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    kind: Literal["names", "places"] = "names"

    def change(self, system: ColorSystem) -> ColorSystem:
        if len(system.outputs) >= MOST_OUTPUTS:
            raise DomainError(f"A system has at most {MOST_OUTPUTS} outputs.", "outputs", "limit")
        order, name = behind(system.outputs)[0], self.name.strip()
        kind = NamedOutput if self.kind == "names" else PlacedOutput
        return _with(system, kind(id=self.id, order=order, name=name), "name")

    def sentence(self, system: ColorSystem) -> str:
        return f"Add the output {self.name.strip()}"


class SetOutput(EditBase):
    """Say how an output is: its name, form and pattern, which token goes out under which name, what stands where."""

    type: Literal["set_output"] = "set_output"
    output: Output

    def change(self, system: ColorSystem) -> ColorSystem:
        known = system.outputs.get(self.output.id)
        if known is None or known.kind != self.output.kind:
            raise DomainError("That output is not there any more.", "output", "missing")
        return _with(system, self.output.model_copy(update={"order": known.order}), "output")

    def sentence(self, system: ColorSystem) -> str:
        return f"Change the output {self.output.name}"


class RemoveOutput(RemoveOne):
    """Remove an output: its file is in no release any more."""

    type: Literal["remove_output"] = "remove_output"
    output: Id
    collection: ClassVar[Collection] = OUTPUTS


def _with(system: ColorSystem, output: NamedOutput | PlacedOutput, field: str) -> ColorSystem:
    check_output(system, output, field)
    return system.model_copy(update={"outputs": {**system.outputs, output.id: output}})
