"""Who follows whom: chains end in a given color, and never run in a circle."""

from heimat.core.errors import DomainError
from heimat.core.system import ColorSystem, Hue, parent_of


def refuse_circle(system: ColorSystem, hue: Hue, parent: Hue, field: str) -> None:
    """Raise DomainError, with the names on the way, where a parent follows the hue that shall follow it."""
    way = [hue]
    at: Hue | None = parent
    while at is not None and at.id != hue.id:
        way.append(at)
        at = system.hues.get(parent_of(at) or "")
    if at is None:
        return
    if len(way) == 1:
        raise DomainError(f"{hue.name} cannot follow itself.", field, "circle")
    follows = ", which follows ".join(other.name for other in [*way[1:], hue])
    raise DomainError(f"{hue.name} cannot follow {follows}: that runs in a circle.", field, "circle")
