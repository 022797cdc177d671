"""Routes: each can be reached, each is named once, and what a request leaves out is not answered."""

import re
from hashlib import sha256

import pytest
from sqlalchemy import Engine
from starlette.routing import Match
from starlette.testclient import TestClient

from heimat.api.app import create_app
from heimat.api.constants import CONSTANTS
from heimat.core.publication.plain_publication import publication_of
from heimat.formats import write_all
from heimat.service.clock import now
from heimat.store.files import FileRow
from heimat.store.release_rows import NewRelease, add_release
from heimat.store.revision_rows import id_of
from heimat.store.system_rows import find_system
from tests.api.asking import AT, edit, look
from tests.core.test_stored import PUBLISHED

VALUES = {
    "slug": "brinemark",
    "picture": "3",
    "set_id": "4",
    "version": "1.0.0",
    "name": "tokens.css",
}


def test_no_route_stands_in_front_of_another(engine: Engine) -> None:
    """Asked for by its own path and method, every route is the first that answers."""
    included = [
        getattr(route, "original_router", None) or route for route in create_app(engine).routes
    ]
    routes = [
        route
        for each in included
        for route in getattr(each, "routes", [each])
        if hasattr(route, "methods")
    ]
    assert len(routes) > 30
    for route in routes:
        path = re.sub(r"\{(\w+)(:\w+)?\}", lambda found: VALUES.get(found[1], "1"), route.path)
        for method in route.methods:
            scope = {"type": "http", "path": path, "method": method, "root_path": "", "headers": []}
            first = next(each for each in routes if each.matches(scope)[0] == Match.FULL)
            assert first is route, f"{method} {path} is answered by {first.path}"


def test_every_operation_has_a_name_of_its_own(client: TestClient) -> None:
    described = client.get("/api/openapi.json").json()
    names = [how["operationId"] for path in described["paths"].values() for how in path.values()]
    assert len(names) == len(set(names))
    assert described["x-constants"].keys() == CONSTANTS.keys()


def test_parts_that_are_not_asked_for_are_not_answered(client: TestClient) -> None:
    assert set(client.get(AT, params={"parts": ["ladder", "head"]}).json()) == {"ladder", "head"}
    kept = client.post(
        f"{AT}/edits", json={"base": 1, "edits": [_rename("weed")], "view": {"parts": ["hues"]}}
    )
    assert set(kept.json()) == {"hues"}
    taken = client.post(f"{AT}/undo", json={"view": {"parts": ["head", "status"]}})
    assert set(taken.json()) == {"head", "status"}
    assert taken.json()["head"]["revision"] == 3
    again = client.post(f"{AT}/redo", json={"view": {"parts": ["head"]}})
    assert again.json()["head"]["revision"] == 4
    assert next(hue for hue in look(client)["hues"] if hue["id"] == "kelp")["name"] == "weed"


def _rename(name: str) -> dict:
    return {"type": "rename_hue", "hue": "kelp", "name": name}


@pytest.mark.parametrize(
    "wish", [{"parts": ["colors"]}, {"vision": "xray"}, {"severity": 2}, {"notation": "paint"}]
)
def test_what_cannot_be_looked_at_is_refused_at_its_field(client: TestClient, wish: dict) -> None:
    refused = client.get(AT, params=wish)
    assert refused.status_code == 422
    (name,) = wish
    assert name in refused.json()["errors"][0]["field"]


def test_what_is_refused_says_which_kind_of_wrong_it_is(client: TestClient) -> None:
    taken = edit(client, {"type": "rename_hue", "hue": "kelp", "name": "flare"}).json()
    assert taken["errors"][0] == {"field": "name", "code": "taken", "message": taken["detail"]}
    loop = {
        "type": "set_token_value",
        "token": "action-main-fill",
        "theme": "day",
        "value": {"token": "surface-brand"},
    }
    refused = edit(client, loop).json()
    assert refused["errors"][0]["code"] in ("loop", "union_tag_not_found")


def test_a_release_that_was_made_in_format_1_is_served_and_compared_as_it_was(
    client: TestClient, engine: Engine
) -> None:
    before = publication_of(PUBLISHED)
    with engine.begin() as connection:
        row = find_system(connection, "brinemark")
        assert row is not None
        files = [
            FileRow(each.name, each.media_type, sha256(each.content).hexdigest(), each.content)
            for each in write_all(before, "0.9.0")
        ]
        add_release(
            connection,
            NewRelease(
                system_id=row.id,
                alternative_id=row.alternative_id,
                revision_id=id_of(connection, row.alternative_id, 1),
                version=(0, 9, 0),
                notes="before themes",
                person_id="ines",
                at=now(),
                digest="0" * 64,
                publication=PUBLISHED,
                files=files,
            ),
        )
    for file in files:
        served = client.get(f"/feeds/brinemark/0.9.0/{file.name}")
        assert served.content == file.content
        assert served.headers["content-type"].startswith(file.media_type)
    # Made by the generator of its time, it differs only in what that system had besides the demo's.
    older = {"type": "set_generator", "generator": 1}
    client.post(f"{AT}/edits", json={"base": 1, "edits": [older], "view": {"parts": []}})
    draft = client.get(f"{AT}/draft").json()
    assert draft["latest"] == "0.9.0"
    # Its colors beyond sRGB, and a pinned step.
    changed = {
        change["after_name"]
        for group in draft["compared"]["groups"]
        for change in group["changes"]
        if change["change"] == "changed"
    }
    assert changed >= {"sound.300", "buoy.500"}
    assert not any(name.startswith("tidewater") for name in changed)
    assert look(client)["head"]["changed"] == draft["compared"]["count"]
