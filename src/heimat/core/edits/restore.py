"""Putting places of a document back to what stood there: the inverse of every edit."""

from collections.abc import Iterable
from typing import Annotated, Any, ClassVar, Literal

from pydantic import Field, ValidationError

from heimat.core.document.system import COLLECTIONS, FIELDS, ColorSystem
from heimat.core.edits.base import EditBase, Guard, Path
from heimat.core.edits.changed_places import PlaceValue
from heimat.core.errors import DomainError


class Restore(EditBase):
    """Put places back. `what` says in words which edit this takes back or brings again."""

    type: Literal["restore"] = "restore"
    guards: ClassVar[frozenset[Guard]] = frozenset()
    of_person: ClassVar[bool] = False
    what: Annotated[str, Field(max_length=400)]
    places: Annotated[tuple[PlaceValue, ...], Field(max_length=20_000)]

    def change(self, system: ColorSystem) -> ColorSystem:
        if not self.places:
            return system
        data = {name: getattr(system, name) for name in (*FIELDS, *COLLECTIONS)}
        touched = {place.path[:2] for place in self.places}
        for collection in COLLECTIONS:
            data[collection] = {
                key: entity.model_dump() if (collection, key) in touched else entity
                for key, entity in data[collection].items()
            }
        for place in self.places:
            _put(data, place)
        try:
            return ColorSystem.model_validate(data)
        except ValidationError as error:
            raise DomainError(
                "What stood here does not fit any more.", "places", "conflict"
            ) from error

    def sentence(self, system: ColorSystem) -> str:
        return self.what

    def reads(self) -> set[Path]:
        return referred(self.places)


def referred(places: Iterable[PlaceValue]) -> set[Path]:
    """The places that what stands in some places relies on."""
    found: set[Path] = set()
    for place in places:
        _references(place.value, found)
    return found


def _put(data: dict[str, Any], place: PlaceValue) -> None:
    *way, last = place.path
    if place.path[0] not in (*FIELDS, *COLLECTIONS):
        raise DomainError("There is no such place in a document.", "places", "missing")
    at = data
    for key in way:
        if not isinstance(at, dict) or key not in at:
            raise DomainError("What stood here is gone.", "places", "conflict")
        at = at[key]
    if place.gone:
        at.pop(last, None)
    else:
        at[last] = place.value


def _references(value: Any, found: set[Path]) -> None:
    """Collect the entities that a restored value refers to."""
    if isinstance(value, dict):
        if value.get("kind") == "step":
            found.update({("hues", value["hue"], "id"), ("ladder",)})
        elif value.get("kind") == "token":
            found.add(("tokens", value["token"], "id"))
        elif value.get("kind") in ("tinted", "derived", "hue") and "hue" in value:
            found.add(("hues", value["hue"], "id"))
        else:
            for inner in value.values():
                _references(inner, found)
