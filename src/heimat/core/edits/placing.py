"""Order keys that have grown are made short again: an edit of the system's own, which moves nothing."""

from collections.abc import Sequence
from typing import Any, ClassVar, Literal, TypeVar

from heimat.core.document.hues import KIND_ORDER, Hue, HueKind
from heimat.core.document.order import have_long_keys, in_order, key_between, moved_along, spread
from heimat.core.document.palettes import Palette
from heimat.core.document.system import COLLECTIONS, ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import Token
from heimat.core.edits.base import EditBase, Guard
from heimat.core.edits.changed_places import PlaceValue
from heimat.core.edits.restore import Restore

_ORDER = "order"
Entity = TypeVar("Entity", Hue, Token, Theme, Palette)


class SpreadOrder(EditBase):
    """Give all that stands in order beside a key that has grown short keys again, in the same order."""

    type: Literal["spread_order"] = "spread_order"
    guards: ClassVar[frozenset[Guard]] = frozenset()
    of_person: ClassVar[bool] = False

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(
            update={name: _spread(getattr(system, name)) for name in _grown(system)}
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Keep the order of {' and '.join(_grown(system))}"


def grown(system: ColorSystem) -> bool:
    """Whether there are order keys that should be spread again."""
    return bool(_grown(system))


def carried_over(restore: Restore, before: ColorSystem, after: ColorSystem) -> Restore:
    """What takes an older change back, with its order keys as they would be after a spreading that came since."""
    ways = {
        name: (_keys(getattr(before, name)), _keys(getattr(after, name)))
        for name in COLLECTIONS
        if _keys(getattr(before, name)) != _keys(getattr(after, name))
    }
    return restore.model_copy(
        update={"places": tuple(_carried(place, ways) for place in restore.places)}
    )


def _carried(
    place: PlaceValue, ways: dict[str, tuple[dict[str, str], dict[str, str]]]
) -> PlaceValue:
    way = ways.get(place.path[0])
    if way is None or place.gone:
        return place
    if place.path[2:] == (_ORDER,):
        return place.model_copy(update={"value": moved_along(str(place.value), *way)})
    if len(place.path) == 2 and isinstance(place.value, dict) and _ORDER in place.value:
        return place.model_copy(
            update={"value": {**place.value, _ORDER: moved_along(place.value[_ORDER], *way)}}
        )
    return place


def _grown(system: ColorSystem) -> list[str]:
    return [name for name in COLLECTIONS if have_long_keys(_ordered(getattr(system, name)))]


def _ordered(entities: dict[str, Any]) -> list[Any]:
    return [entity for entity in entities.values() if hasattr(entity, _ORDER)]


def _keys(entities: dict[str, Any]) -> dict[str, str]:
    return {key: entity.order for key, entity in entities.items() if hasattr(entity, _ORDER)}


def _spread(entities: dict[str, Any]) -> dict[str, Any]:
    order = spread(entities)
    return {
        key: entity.model_copy(update={_ORDER: order[entity.id]})
        for key, entity in entities.items()
    }


def before_another(
    entities: dict[str, Entity], moving: Sequence[Entity], before: str | None
) -> dict[str, Entity]:
    """Entities with some of them, in the order that they stand in, put before another one, or behind all."""
    taken = [entity.order for entity in entities.values()]
    if len(set(taken)) < len(taken):
        # Two may share a key that was brought back: then there is no room between them.
        entities = _spread(entities)
    ids = {entity.id for entity in moving}
    others = [entity for entity in in_order(entities) if entity.id not in ids]
    place = (
        len(others)
        if before is None
        else next(at for at, other in enumerate(others) if other.id == before)
    )
    low = others[place - 1].order if place else None
    high = others[place].order if place < len(others) else None
    found = dict(entities)
    for entity in in_order({entity.id: entities[entity.id] for entity in moving}):
        low = key_between(low, high)
        found[entity.id] = entity.model_copy(update={_ORDER: low})
    return found


def behind_its_kind(hues: dict[str, Hue], kind: HueKind) -> str:
    """The order key behind the last hue of a kind; where there is none, behind the last of the kinds before it."""
    ordered = in_order(hues)
    before = KIND_ORDER[: KIND_ORDER.index(kind) + 1]
    own = [hue for hue in ordered if hue.kind == kind] or [
        hue for hue in ordered if hue.kind in before
    ]
    low = own[-1].order if own else None
    # Two may share a key that was brought back: what comes next is what has another.
    high = next((hue.order for hue in ordered if low is None or hue.order > low), None)
    return key_between(low, high)
