"""Who follows whom: chains end in a given color, and never run in a loop."""

from heimat.core.document.hues import Hue, parent_of
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError


def refuse_loop(system: ColorSystem, hue: Hue, parent: Hue, field: str) -> None:
    """Raise DomainError, with the names on the way, where a parent follows the hue that shall follow it."""
    way = [hue]
    at: Hue | None = parent
    while at is not None and at.id != hue.id:
        way.append(at)
        at = system.hues.get(parent_of(at) or "")
    if at is None:
        return
    if len(way) == 1:
        raise DomainError(f"{hue.name} cannot follow itself.", field, "loop")
    follows = ", which follows ".join(other.name for other in [*way[1:], hue])
    raise DomainError(f"{hue.name} cannot follow {follows}: that runs in a loop.", field, "loop")


def children_of(system: ColorSystem, hue_id: str) -> list[Hue]:
    """The hues that follow a hue directly, in order."""
    return [hue for hue in in_order(system.hues) if parent_of(hue) == hue_id]


def with_descendants(system: ColorSystem, hue_id: str) -> list[str]:
    """The ids of a hue and of all that follow it, directly or in a chain."""
    found = [hue_id]
    for place in found:
        found += [child.id for child in children_of(system, place) if child.id not in found]
    return found


def followers(system: ColorSystem) -> tuple[dict[str, list[str]], dict[str, list[str]]]:
    """By the id of each hue, names in order: of those that follow it directly, and of all in chains too."""
    direct: dict[str, list[str]] = {hue: [] for hue in system.hues}
    every: dict[str, list[str]] = {hue: [] for hue in system.hues}
    for hue in in_order(system.hues):
        at = parent_of(hue)
        if at is not None:
            direct[at].append(hue.name)
        while at is not None:
            every[at].append(hue.name)
            at = parent_of(system.hues[at])
    return direct, every
