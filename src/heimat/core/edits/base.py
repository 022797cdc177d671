"""What every edit has: a type, what it reads, a sentence, a pure `change`; and what it says of itself."""

from abc import abstractmethod
from datetime import date
from typing import TYPE_CHECKING, Any, ClassVar, Literal, Self

from pydantic import BaseModel, ConfigDict

from heimat.core.document.hues import Hue
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import Token
from heimat.core.errors import DomainError

REGISTERED: list[type["EditBase"]] = []
"""Every edit there is, in the order in which their files are read."""
Path = tuple[str, ...]
"""A place in the document, from the collection down: ("hues", id, "source")."""


Guard = Literal["taken", "held", "palettes"]
"""What looks at the document after an edit: that nothing changes that was taken from another system, that no scale
changes that is held, and that palettes, and what stands on them, keep the color of what goes."""
GUARDS: frozenset[Guard] = frozenset({"taken", "held", "palettes"})
Right = Literal["look", "edit", "publish", "administer"]
"""What a person may do; each includes those before it."""


class EditBase(BaseModel):
    """One change. It names entities by id, never by position or name.

    A subclass with a `type` is an edit: it is registered where it is made. `blames` is the field of it that is at fault
    where the whole document does not hold together any more, `guards` look at what came of it, `right` is what it
    takes, and `of_person` is False of what the system does itself.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")
    blames: ClassVar[str] = "edit"
    guards: ClassVar[frozenset[Guard]] = GUARDS
    right: ClassVar[Right] = "edit"
    of_person: ClassVar[bool] = True
    if TYPE_CHECKING:
        type: str

    @classmethod
    def __pydantic_init_subclass__(cls, **kwargs: Any) -> None:
        """Register an edit."""
        super().__pydantic_init_subclass__(**kwargs)
        if "type" in cls.model_fields:
            REGISTERED.append(cls)

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
