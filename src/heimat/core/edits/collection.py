"""What edits of any collection have in common: a thing is found by its id, put in, renamed, moved and taken out."""

from abc import abstractmethod
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, ClassVar

from heimat.core.document.ids import Id
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase, Path
from heimat.core.edits.placing import before_another
from heimat.core.errors import DomainError


@dataclass(frozen=True)
class Collection:
    """A collection of the document, by the name of its field; `field` is what edits call the id of a thing of it.

    `noun` is what such a thing is called, `article` goes before it; `gone` is said where one is not there any more.
    `alone` is whether the name of a thing says by itself what it is of.
    """

    name: str
    field: str
    noun: str
    article: str = "a"
    gone: str = ""
    alone: bool = False

    def of(self, system: ColorSystem) -> Mapping[str, Any]:
        """All things of it, by id."""
        things: Mapping[str, Any] = getattr(system, self.name)
        return things

    def find(self, system: ColorSystem, key: str, field: str = "") -> Any:
        """The thing of an id. Raises DomainError, with the field at fault, where there is none."""
        found = self.of(system).get(key)
        if found is None:
            words = self.gone or f"That {self.noun} is not there any more."
            raise DomainError(words, field or self.field, "missing")
        return found

    def called(self, thing: Any) -> str:
        """What a thing of it is called in a sentence."""
        return str(thing.name) if self.alone else f"the {self.noun} {thing.name}"

    def put(self, system: ColorSystem, thing: Any) -> ColorSystem:
        """The document with a thing in it, new or in place of its older self."""
        return system.model_copy(update={self.name: {**self.of(system), thing.id: thing}})

    def without(self, system: ColorSystem, key: str) -> ColorSystem:
        """The document without the thing of an id."""
        return system.model_copy(
            update={
                self.name: {each: kept for each, kept in self.of(system).items() if each != key}
            }
        )


class _OfOne(EditBase):
    """An edit of one thing of a collection, whose id it has under the collection's `field`."""

    collection: ClassVar[Collection]

    @property
    def _key(self) -> str:
        return str(getattr(self, self.collection.field))


class RenameOne(_OfOne):
    """Give a thing of a collection another name; what refers to it follows."""

    blames: ClassVar[str] = "name"
    name: str

    @abstractmethod
    def checked_name(self, system: ColorSystem) -> str:
        """The name as it is kept. Raises DomainError where the thing cannot have it."""

    def change(self, system: ColorSystem) -> ColorSystem:
        """The document with it renamed. Raises DomainError where it is not there or cannot be called so."""
        thing = self.collection.find(system, self._key)
        return self.collection.put(
            system, thing.model_copy(update={"name": self.checked_name(system)})
        )

    def sentence(self, system: ColorSystem) -> str:
        """Both names."""
        return f"Rename {self.collection.called(self.collection.find(system, self._key))} to {self.name.strip()}"


class MoveOne(_OfOne):
    """Put a thing of an ordered collection before another one, or behind all others."""

    before: Id | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        """The document in the new order. Raises DomainError where either is not there."""
        moving = self.collection.find(system, self._key)
        if self.before == self._key:
            return system
        if self.before is not None:
            self.collection.find(system, self.before, "before")
        order = before_another(dict(self.collection.of(system)), [moving], self.before)
        return system.model_copy(update={self.collection.name: order})

    def sentence(self, system: ColorSystem) -> str:
        """What is moved, and before what."""
        moving = self.collection.find(system, self._key)
        other = self.collection.find(system, self.before, "before") if self.before else None
        return f"Move {self.collection.called(moving)} {f'before {other.name}' if other else 'behind all'}"

    def reads(self) -> set[Path]:
        """The place of the one that it is put before."""
        return {(self.collection.name, self.before, "order")} if self.before else set()


class RemoveOne(_OfOne):
    """Take one thing out of a collection, which nothing else stands on."""

    def change(self, system: ColorSystem) -> ColorSystem:
        """The document without it. Raises DomainError where it is not there."""
        self.collection.find(system, self._key)
        return self.collection.without(system, self._key)

    def sentence(self, system: ColorSystem) -> str:
        """What is removed, by its name."""
        known, noun = self.collection.of(system).get(self._key), self.collection.noun
        return (
            f"Remove the {noun} {known.name}"
            if known
            else f"Remove {self.collection.article} {noun}"
        )
