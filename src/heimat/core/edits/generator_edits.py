"""Moving a system from one generator to another: the one edit that changes what all rules make of it."""

from typing import ClassVar, Literal

from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.errors import DomainError
from heimat.core.scales.generator_rules import GENERATORS


class SetGenerator(EditBase):
    """Make all scales by another version of the rules. Sources, pins, nudges, tokens and names stay."""

    type: Literal["set_generator"] = "set_generator"
    blames: ClassVar[str] = "generator"
    generator: int

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.generator not in GENERATORS:
            raise DomainError(
                f"This Heimat has no generator {self.generator}.", "generator", "unknown"
            )
        return system.model_copy(update={"generator": self.generator})

    def sentence(self, system: ColorSystem) -> str:
        return f"Make all scales by generator {self.generator}"
