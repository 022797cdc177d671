"""Every operation says which right it needs, and nothing starts with one that does not."""

from typing import get_args

import pytest
from fastapi import APIRouter
from fastapi.routing import APIRoute
from sqlalchemy import create_engine

from heimat.api import people_routes
from heimat.api.app import STAGES, create_app
from heimat.api.rights import needs, rights_of
from heimat.core.edits.base import REGISTERED, Right

ROUTERS = [each.router for each in STAGES]


def test_what_changes_a_system_needs_more_than_to_look() -> None:
    rights = rights_of(ROUTERS)
    assert len(rights) > 100
    assert set(rights.values()) <= {*get_args(Right), "nothing"}
    routes = [route for router in ROUTERS for route in router.routes if isinstance(route, APIRoute)]
    reading = [rights[route.operation_id or ""] for route in routes if route.methods == {"GET"}]
    assert set(reading) == {"look", "nothing"}
    kept = (
        "keepEdits",
        "undo",
        "redo",
        "keepData",
        "addPicture",
        "restOn",
        "removeAlternative",
        "keepTypeface",
    )
    assert {rights[key] for key in kept} == {"edit"}
    assert {rights[key] for key in ("publish", "putPreview")} == {"publish"}
    assert {rights[key] for key in ("askForKeys", "makeKey", "revokeKey")} == {"administer"}
    assert {each.right for each in REGISTERED} <= set(get_args(Right)) - {"look"}


def test_an_operation_that_says_nothing_lets_no_application_start(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    router = APIRouter()

    @router.get("/api/unsaid", operation_id="unsaid")
    def unsaid() -> None: ...

    monkeypatch.setattr(people_routes, "router", router)
    engine = create_engine("mysql+pymysql://nobody@127.0.0.1:9/none")
    with pytest.raises(LookupError, match="unsaid does not say"):
        create_app(engine, printed=False)
    needs("look")(unsaid)
    create_app(engine, printed=False)
    assert rights_of([router]) == {"unsaid": "look"}
