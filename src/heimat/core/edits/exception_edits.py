"""Edits of accepted exceptions."""

from datetime import date
from typing import Annotated, ClassVar, Literal, Self

from pydantic import Field

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.exceptions import MOST_EXCEPTIONS, AcceptedException, FindingId
from heimat.core.document.ids import Id, new_id
from heimat.core.document.order import behind
from heimat.core.document.part import Name, Note
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.errors import DomainError

_EXCEPTIONS = Collection("exceptions", "exception", "exception", article="an")


class AcceptFinding(EditBase):
    """Live with a finding, for a reason. Accepted again, it is another decision in place of the one before.

    `said` is its sentence, `colors` the two that it is about. `person` and `on` are put in by the server, which knows
    who decides and what day it is.
    """

    type: Literal["accept_finding"] = "accept_finding"
    id: Annotated[Id, Field(default_factory=new_id)]
    finding: FindingId
    said: Note
    colors: tuple[str, str]
    reason: Note
    evidence: Note = ""
    until: date | None = None
    person: Name = ""
    on: date | None = None

    def signed(self, person: str, day: date) -> Self:
        return self.model_copy(update={"person": person, "on": day})

    def change(self, system: ColorSystem) -> ColorSystem:
        if not self.reason.strip():
            raise DomainError(
                "Say why: an exception without a reason helps nobody later.", "reason", "empty"
            )
        if self.until is not None and self.on is not None and self.until < self.on:
            raise DomainError(
                f"{self.until} is past: choose a day to come, or none.", "until", "past"
            )
        kept = {
            key: each for key, each in system.exceptions.items() if each.finding != self.finding
        }
        if self.id in kept:
            raise DomainError("An exception with this id is there already.", "id", "taken")
        if len(kept) >= MOST_EXCEPTIONS:
            raise DomainError(
                f"A system has at most {MOST_EXCEPTIONS} exceptions.", "exceptions", "limit"
            )
        kept[self.id] = AcceptedException(
            id=self.id,
            order=behind(system.exceptions)[0],
            finding=self.finding,
            sentence=self.said,
            colors=(_hex(self.colors[0]), _hex(self.colors[1])),
            reason=self.reason.strip(),
            evidence=self.evidence.strip(),
            person=self.person,
            on=self.on or date.min,
            until=self.until,
        )
        return system.model_copy(update={"exceptions": kept})

    def sentence(self, system: ColorSystem) -> str:
        return f"Accept: {self.said}"


class EndException(RemoveOne):
    """Live with a finding no longer: it counts again."""

    type: Literal["end_exception"] = "end_exception"
    exception: Id
    collection: ClassVar[Collection] = _EXCEPTIONS

    def sentence(self, system: ColorSystem) -> str:
        known = system.exceptions.get(self.exception)
        return f"Accept no longer: {known.sentence}" if known else "End an exception"


def _hex(text: str) -> str:
    return hex_of(rgb8_of(parse(text)))
