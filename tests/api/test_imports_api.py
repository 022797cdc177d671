"""Files to a system over the API: what is understood first, then the system; and what bad input gets."""

import base64

from starlette.testclient import TestClient

from tests.api.asking import look
from tests.api.test_releases_api import publish


def sent(**files: bytes) -> list[dict[str, str]]:
    return [
        {"name": name.replace("_", "."), "content": base64.b64encode(content).decode()}
        for name, content in files.items()
    ]


def test_a_release_comes_back_as_a_system_of_its_own(client: TestClient) -> None:
    publish(client, "1.0.0")
    archive = client.get("/feeds/brinemark/1.0.0/package.tgz").content
    understood = client.post("/api/imports/read", json={"files": sent(package_tgz=archive)}).json()
    assert understood["name"] == "Brinemark"
    assert [scale["name"] for scale in understood["scales"]][:2] == ["tidewater", "buoy"]
    assert [theme["name"] for theme in understood["themes"]] == ["day", "night", "quay"]
    assert len(client.get("/api/systems").json()) == 2
    made = client.post("/api/imports", json={"files": sent(package_tgz=archive), "name": "Again"})
    assert made.status_code == 201
    slug = made.json()["slug"]
    here, there = look(client, f"/api/systems/{slug}"), look(client)
    colors = {token["name"]: token["hex"] for token in there["tokens"]}
    assert colors.items() <= {token["name"]: token["hex"] for token in here["tokens"]}.items()
    # It is published as any other.
    assert client.post(f"/api/systems/{slug}/releases", json={"revision": 1, "version": "1.0.0"}).status_code == 201


def test_what_cannot_be_read_says_why_and_makes_nothing(client: TestClient) -> None:
    for files, words in (
        (sent(a_css=b"body { margin: 0 }"), "No named colors were found."),
        (sent(a_tgz=b"\x1f\x8bnothing"), "a.tgz cannot be unpacked"),
        (sent(a_json=b'{"a": '), "No named colors were found."),
    ):
        refused = client.post("/api/imports", json={"files": files, "name": "x"})
        assert refused.status_code == 422
        assert words in refused.json()["detail"]
    fine = sent(a_css=b":root { --a: #123456 }")
    assert client.post("/api/imports", json={"files": fine, "name": "x" * 90}).status_code == 201
    assert client.post("/api/imports", json={"files": [], "name": "x"}).status_code == 422
    assert client.post("/api/imports", json={"files": [{"name": "a", "content": "%%"}]}).status_code == 422
    assert len(client.get("/api/systems").json()) == 3
