"""Edits of what is declared of tokens: pairings, and sets that must be told apart."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id, new_id
from heimat.core.document.order import behind
from heimat.core.document.pairings import USE_WORDS, Pairing, ToldApartSet, Use
from heimat.core.document.part import Name, Part
from heimat.core.document.system import MOST_TOKENS, ColorSystem
from heimat.core.document.words import counted
from heimat.core.edits.base import EditBase, Path, token_of
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.errors import DomainError

_PAIRINGS = Collection("pairings", "pairing", "pairing")
_TOLD_APART = Collection("told_apart", "set", "set")


class NewPairing(Part):
    """A pairing to declare."""

    id: Annotated[Id, Field(default_factory=new_id)]
    foreground: Id
    ground: Id
    use: Use


class AddPairings(EditBase):
    """Declare pairings, behind the others. What is declared already for the same use stays as it is."""

    type: Literal["add_pairings"] = "add_pairings"
    pairings: Annotated[tuple[NewPairing, ...], Field(min_length=1, max_length=MOST_TOKENS)]

    def change(self, system: ColorSystem) -> ColorSystem:
        declared = {
            (pairing.foreground, pairing.ground, pairing.use)
            for pairing in system.pairings.values()
        }
        pairings = dict(system.pairings)
        for each, order in zip(
            self.pairings, behind(system.pairings, len(self.pairings)), strict=True
        ):
            token_of(system, each.foreground, "foreground")
            token_of(system, each.ground, "ground")
            if each.foreground == each.ground:
                raise DomainError("A token cannot stand on itself.", "ground", "loop")
            if each.id in pairings:
                raise DomainError("A pairing with this id is there already.", "id", "taken")
            if (each.foreground, each.ground, each.use) in declared:
                continue
            declared.add((each.foreground, each.ground, each.use))
            pairings[each.id] = Pairing(
                id=each.id,
                order=order,
                foreground=each.foreground,
                ground=each.ground,
                use=each.use,
            )
        if len(pairings) > MOST_TOKENS:
            raise DomainError(f"A system has at most {MOST_TOKENS} pairings.", "pairings", "limit")
        return system.model_copy(update={"pairings": pairings})

    def sentence(self, system: ColorSystem) -> str:
        first = self.pairings[0]
        names = [token_of(system, key).name for key in (first.foreground, first.ground)]
        if len(self.pairings) > 1:
            return f"Declare {counted(len(self.pairings), 'pairing')}"
        return f"Declare {names[0]} on {names[1]}, as {USE_WORDS[first.use]}"

    def reads(self) -> set[Path]:
        return {
            ("tokens", key, "id")
            for each in self.pairings
            for key in (each.foreground, each.ground)
        }


class RemovePairing(RemoveOne):
    """Declare a pairing no longer."""

    type: Literal["remove_pairing"] = "remove_pairing"
    pairing: Id
    collection: ClassVar[Collection] = _PAIRINGS

    def sentence(self, system: ColorSystem) -> str:
        pairing = system.pairings.get(self.pairing)
        if pairing is None:
            return "Remove a pairing"
        names = [token_of(system, key).name for key in (pairing.foreground, pairing.ground)]
        return f"Declare {names[0]} on {names[1]} no longer"


class KeepToldApart(EditBase):
    """Ask that tokens can be told from each other: a new set, or another content of one."""

    type: Literal["keep_told_apart"] = "keep_told_apart"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    tokens: Annotated[tuple[Id, ...], Field(min_length=2, max_length=MOST_TOKENS)]
    threshold: Annotated[float, Field(ge=0.0, le=100.0)]

    def change(self, system: ColorSystem) -> ColorSystem:
        for token in self.tokens:
            token_of(system, token, "tokens")
        known = system.told_apart.get(self.id)
        order = known.order if known else behind(system.told_apart)[0]
        told = ToldApartSet(
            id=self.id, order=order, name=self.name, tokens=self.tokens, threshold=self.threshold
        )
        return system.model_copy(update={"told_apart": {**system.told_apart, told.id: told}})

    def sentence(self, system: ColorSystem) -> str:
        return f"Tell {counted(len(self.tokens), 'token')} apart: {self.name}"

    def reads(self) -> set[Path]:
        return {("tokens", token, "id") for token in self.tokens}


class RemoveToldApart(RemoveOne):
    """Ask no longer that the tokens of a set can be told apart."""

    type: Literal["remove_told_apart"] = "remove_told_apart"
    set: Id
    collection: ClassVar[Collection] = _TOLD_APART

    def sentence(self, system: ColorSystem) -> str:
        known = system.told_apart.get(self.set)
        return (
            f"Ask no longer that {known.name} can be told apart"
            if known
            else "Remove a told-apart set"
        )
