"""Which right each operation needs, said where it is made. One that does not say it lets no application start."""

from collections.abc import Callable, Iterable
from typing import Any, Literal, TypeVar

from fastapi import APIRouter
from fastapi.routing import APIRoute

from heimat.core.edits.base import Right

Needed = Right | Literal["nothing"]
"""A right in a system; or nothing, of what whoever has the address or a link may do."""
_Operation = TypeVar("_Operation", bound=Callable[..., Any])


def needs(right: Needed) -> Callable[[_Operation], _Operation]:
    """Say what an operation needs."""

    def said(operation: _Operation) -> _Operation:
        operation.needs = right  # type: ignore[attr-defined]
        return operation

    return said


def rights_of(routers: Iterable[APIRouter]) -> dict[str, Needed]:
    """What every operation of some routers needs, by its id. Raises LookupError for one that does not say it."""
    found: dict[str, Needed] = {}
    for route in (route for router in routers for route in router.routes):
        if isinstance(route, APIRoute):
            needed: Needed | None = getattr(route.endpoint, "needs", None)
            if needed is None:
                raise LookupError(
                    f"{route.operation_id or route.path} does not say which right it needs."
                )
            found[route.operation_id or route.path] = needed
    return found
