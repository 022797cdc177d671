"""What differs between two documents, place by place."""

from typing import Annotated, Any

from pydantic import BaseModel, Field

from heimat.core.document.part import Part
from heimat.core.document.system import COLLECTIONS, FIELDS, ColorSystem
from heimat.core.edits.base import Path


class PlaceValue(Part):
    """A place in the document and what stands there; `gone` where nothing does."""

    path: Annotated[tuple[str, ...], Field(min_length=1, max_length=4)]
    value: Any = None
    gone: bool = False


def places_changed(before: ColorSystem, after: ColorSystem) -> list[PlaceValue]:
    """Every place where `after` differs from `before`, with what stands in `after`.

    Entities are compared field by field, and mappings within them (a token's values) entry by entry, so that two
    people's changes of one entity meet only where they touch the same thing.
    """
    found = [
        PlaceValue(path=(field,), value=_plain(getattr(after, field)))
        for field in FIELDS
        if getattr(before, field) != getattr(after, field)
    ]
    for collection in COLLECTIONS:
        found += _entries((collection,), getattr(before, collection), getattr(after, collection))
    return found


def _entries(path: Path, before: dict[str, Any], after: dict[str, Any]) -> list[PlaceValue]:
    found: list[PlaceValue] = []
    for key in before.keys() | after.keys():
        here = (*path, key)
        if key not in after:
            found.append(PlaceValue(path=here, gone=True))
        elif key not in before:
            found.append(PlaceValue(path=here, value=_plain(after[key])))
        elif before[key] is not after[key] and before[key] != after[key]:
            found += _within(here, before[key], after[key])
    return sorted(found, key=lambda place: place.path)


def _within(path: Path, before: Any, after: Any) -> list[PlaceValue]:
    if len(path) != 2 or not isinstance(after, BaseModel):
        return [PlaceValue(path=path, value=_plain(after))]
    found: list[PlaceValue] = []
    for field in type(after).model_fields:
        old, new = getattr(before, field), getattr(after, field)
        if isinstance(old, dict) and isinstance(new, dict):
            found += _entries((*path, field), old, new)
        elif old != new:
            found.append(PlaceValue(path=(*path, field), value=_plain(new)))
    return found


def _plain(value: Any) -> Any:
    return value.model_dump(mode="json") if isinstance(value, BaseModel) else _listed(value)


def _listed(value: Any) -> Any:
    return list(value) if isinstance(value, tuple) else value
