"""Asking the API for a system as the page does, but for nearly all parts of it."""

from httpx2 import Response
from sqlalchemy import Engine
from starlette.testclient import TestClient

from heimat.api.app import create_app
from heimat.view.parts import PART_NAMES

ADDRESS = "http://localhost"
AT = "/api/systems/brinemark"


def client_of(engine: Engine, *, printed: bool = False) -> TestClient:
    """A client of an application of its own, as another process would be one; without guides as PDF: they take long."""
    return TestClient(create_app(engine, printed=printed), base_url=ADDRESS)


def whole(**how: object) -> dict:
    """How a view asks for everything, but for repairs: they take longer than all else, and only who mends asks."""
    return {"parts": [name for name in PART_NAMES if name != "repairs"], **how}


def look(client: TestClient, at: str = AT, **how: object) -> dict:
    """All parts of a system."""
    return client.get(at, params=whole(**how)).raise_for_status().json()


def edit(
    client: TestClient, *edits: dict, base: int = 1, key: str | None = None, **how: object
) -> Response:
    """Keep edits; answered with all parts."""
    body = {
        "base": base,
        "edits": list(edits),
        "view": whole(**how),
        **({"key": key} if key else {}),
    }
    return client.post(f"{AT}/edits", json=body)


def preview(client: TestClient, *edits: dict, base: int = 1, **how: object) -> Response:
    """Look at edits without keeping them."""
    return client.post(
        f"{AT}/preview", json={"base": base, "edits": list(edits), "view": whole(**how)}
    )


def undo(client: TestClient, kind: str = "undo") -> Response:
    """Take the last change back, or bring it again; answered with all parts."""
    return client.post(f"{AT}/{kind}", json={"view": whole()})


def named(parts: dict, name: str) -> dict:
    """The hue of a name."""
    return next(each for each in parts["hues"] if each["name"] == name)


def hue(parts: dict, id_: str) -> dict:
    """The hue of an id."""
    return next(each for each in parts["hues"] if each["id"] == id_)


def steps(parts: dict, hue_id: str) -> list[dict]:
    """The steps of a hue's scale."""
    return next(each["steps"] for each in parts["scales"] if each["hue"] == hue_id)
