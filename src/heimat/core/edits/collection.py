"""What edits of any collection have in common: finding a thing by its id, putting it in, taking it out."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, ClassVar

from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.errors import DomainError


@dataclass(frozen=True)
class Collection:
    """A collection of the document, by the name of its field; `field` is what edits call the id of a thing of it.

    `noun` is what such a thing is called, `article` goes before it; `gone` is said where one is not there any more.
    """

    name: str
    field: str
    noun: str
    article: str = "a"
    gone: str = ""

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

    def put(self, system: ColorSystem, thing: Any) -> ColorSystem:
        """The document with a thing in it, new or in place of its older self."""
        return system.model_copy(update={self.name: {**self.of(system), thing.id: thing}})

    def without(self, system: ColorSystem, key: str) -> ColorSystem:
        """The document without the thing of an id."""
        return system.model_copy(
            update={self.name: {each: kept for each, kept in self.of(system).items() if each != key}}
        )


class RemoveOne(EditBase):
    """Take one thing out of a collection, which nothing else stands on."""

    collection: ClassVar[Collection]

    @property
    def _key(self) -> str:
        return str(getattr(self, self.collection.field))

    def change(self, system: ColorSystem) -> ColorSystem:
        """The document without it. Raises DomainError where it is not there."""
        self.collection.find(system, self._key)
        return self.collection.without(system, self._key)

    def sentence(self, system: ColorSystem) -> str:
        """What is removed, by its name."""
        known, noun = self.collection.of(system).get(self._key), self.collection.noun
        return f"Remove the {noun} {known.name}" if known else f"Remove {self.collection.article} {noun}"
