"""Edits of candidates: colors that wait beside the set until they join as hues, or go."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.color.naming import plain_name
from heimat.core.color.notation import format
from heimat.core.document.candidates import Candidate
from heimat.core.document.hues import HueKind
from heimat.core.document.ids import Id
from heimat.core.document.order import behind
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import MOST_CANDIDATES, ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.edits.hue_edits import AddHues, NewColor, NewHue
from heimat.core.edits.source_edits import opaque
from heimat.core.errors import DomainError
from heimat.core.sources.conventions import Status

Some = Annotated[tuple[Id, ...], Field(min_length=1, max_length=MOST_CANDIDATES)]


class AddCandidates(EditBase):
    """Let colors wait beside the set."""

    type: Literal["add_candidates"] = "add_candidates"
    blames: ClassVar[str] = "candidates"
    candidates: Annotated[tuple[NewColor, ...], Field(min_length=1, max_length=MOST_CANDIDATES)]

    def change(self, system: ColorSystem) -> ColorSystem:
        found = dict(system.candidates)
        if len(found) + len(self.candidates) > MOST_CANDIDATES:
            raise DomainError(
                f"At most {MOST_CANDIDATES} candidates wait at a time.", "candidates", "limit"
            )
        for place, (new, order) in enumerate(
            zip(self.candidates, behind(found, len(self.candidates)), strict=True)
        ):
            if new.id in found:
                raise DomainError(
                    "A candidate with this id is there already.", f"candidates.{place}.id", "taken"
                )
            found[new.id] = Candidate(
                id=new.id,
                order=order,
                name=new.name.strip()[:LONGEST_NAME],
                kind=new.kind,
                status=new.status if new.kind == "status" else None,
                color=opaque(new.color, f"candidates.{place}.color"),
                note=new.note,
            )
        return system.model_copy(update={"candidates": found})

    def sentence(self, system: ColorSystem) -> str:
        count = len(self.candidates)
        first = self.candidates[0]
        return (
            f"Let {first.name or plain_name(first.color)} wait"
            if count == 1
            else f"Let {count} candidates wait"
        )


class SetCandidate(EditBase):
    """Name and sort a candidate."""

    type: Literal["set_candidate"] = "set_candidate"
    blames: ClassVar[str] = "name"
    candidate: Id
    name: Annotated[str, Field(max_length=LONGEST_NAME)]
    kind: HueKind
    status: Status | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        before = _candidate(system, self.candidate)
        status = self.status if self.kind == "status" else None
        after = before.model_copy(
            update={"name": self.name.strip(), "kind": self.kind, "status": status}
        )
        return system.model_copy(update={"candidates": {**system.candidates, after.id: after}})

    def sentence(self, system: ColorSystem) -> str:
        return f"Sort the candidate {_words(_candidate(system, self.candidate))}"


class RemoveCandidates(EditBase):
    """Let candidates go."""

    type: Literal["remove_candidates"] = "remove_candidates"
    blames: ClassVar[str] = "candidates"
    candidates: Some

    def change(self, system: ColorSystem) -> ColorSystem:
        gone = {_candidate(system, key).id for key in self.candidates}
        return system.model_copy(update={"candidates": _without(system, gone)})

    def sentence(self, system: ColorSystem) -> str:
        return f"Let {_named(system, self.candidates)} go"


class JoinCandidates(EditBase):
    """Let candidates join the set as hues, behind the others."""

    type: Literal["join_candidates"] = "join_candidates"
    blames: ClassVar[str] = "candidates"
    candidates: Some

    def change(self, system: ColorSystem) -> ColorSystem:
        joining = [_candidate(system, key) for key in dict.fromkeys(self.candidates)]
        joined = AddHues(
            hues=tuple(
                NewHue(
                    id=each.id,
                    name=each.name,
                    kind=each.kind,
                    status=each.status,
                    color=each.color,
                    note=each.note,
                )
                for each in joining
            )
        ).change(system)
        return joined.model_copy(
            update={"candidates": _without(system, {each.id for each in joining})}
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Let {_named(system, self.candidates)} join"


def _candidate(system: ColorSystem, key: str) -> Candidate:
    found = system.candidates.get(key)
    if found is None:
        raise DomainError("That candidate is not there any more.", "candidates", "missing")
    return found


def _without(system: ColorSystem, gone: set[str]) -> dict[str, Candidate]:
    return {key: candidate for key, candidate in system.candidates.items() if key not in gone}


def _words(candidate: Candidate) -> str:
    return candidate.name or format(candidate.color, "hex")


def _named(system: ColorSystem, some: tuple[str, ...]) -> str:
    return _words(_candidate(system, some[0])) if len(some) == 1 else f"{len(some)} candidates"
