"""What every edit has: a type, what it reads, a sentence, and a pure `apply`."""

from abc import abstractmethod
from datetime import date
from typing import Self

from pydantic import BaseModel, ConfigDict

from heimat.core.document.hues import Hue
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import Token
from heimat.core.errors import DomainError

Path = tuple[str, ...]
"""A place in the document, from the collection down: ("hues", id, "source")."""


class EditBase(BaseModel):
    """One change. It names entities by id, never by position or name."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    @abstractmethod
    def change(self, system: ColorSystem) -> ColorSystem:
        """The changed document. Raises DomainError, with the field of this edit, for what cannot be."""

    @abstractmethod
    def sentence(self, system: ColorSystem) -> str:
        """What the edit does, in words, told of the document before it."""

    def signed(self, person: str, day: date) -> Self:
        """The edit as the person of a name keeps it on a day; most say nothing of either."""
        del person, day
        return self

    def reads(self) -> set[Path]:
        """The places whose content this edit relies on, besides those that it writes."""
        return set()


def hue_of(system: ColorSystem, hue_id: str, field: str = "hue") -> Hue:
    """The hue of an id. Raises DomainError where there is none."""
    hue = system.hues.get(hue_id)
    if hue is None:
        raise DomainError("That hue is not there any more.", field, "missing")
    return hue


def step_of(system: ColorSystem, hue_id: str, step: str) -> tuple[Hue, int]:
    """A hue, and the place of one of its steps. Raises DomainError where there is none."""
    hue = hue_of(system, hue_id)
    place = ladder_of(system, hue).index(step)
    if place is None:
        raise DomainError(f"{hue.name} has no such step.", "step", "missing")
    return hue, place


def token_of(system: ColorSystem, token_id: str, field: str = "token") -> Token:
    """The token of an id. Raises DomainError where there is none."""
    token = system.tokens.get(token_id)
    if token is None:
        raise DomainError("That token is not there any more.", field, "missing")
    return token


def with_hue(system: ColorSystem, hue: Hue) -> ColorSystem:
    """The document with a hue put in, new or in place of its older self."""
    return system.model_copy(update={"hues": {**system.hues, hue.id: hue}})


def with_token(system: ColorSystem, token: Token) -> ColorSystem:
    """The document with a token put in, new or in place of its older self."""
    return system.model_copy(update={"tokens": {**system.tokens, token.id: token}})
