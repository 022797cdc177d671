"""Feeds that ask for a key, what is out to be tried, and who is behind: on a real MariaDB, with two processes."""

import json
import tarfile
import time
from io import BytesIO

from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from heimat.service import key_uses
from tests.api.asking import AT, client_of, edit, look
from tests.api.test_releases_api import publish, recolor, rename

FEED = "/feeds/brinemark"
FILE = "latest/tokens.css"


def make_key(client: TestClient, name: str = "ticket page") -> str:
    answer = client.post(f"{AT}/feed/keys", json={"name": name})
    assert answer.status_code == 201, answer.text
    return answer.json()["key"]


def ask_for_keys(client: TestClient, keyed: bool = True) -> None:
    assert client.put(f"{AT}/feed", json={"keyed": keyed}).json()["keyed"] is keyed


def bearing(key: str) -> dict[str, str]:
    return {"Authorization": f"Bearer {key}"}


def test_a_feed_that_asks_for_a_key_opens_to_it_in_the_header_and_in_the_path(
    client: TestClient,
) -> None:
    publish(client, "1.0.0")
    public = client.get(f"{FEED}/{FILE}")
    assert public.headers["access-control-allow-origin"] == "*"
    key = make_key(client)
    ask_for_keys(client)
    for address in (FILE, "1.0.0/tokens.css", "1/tokens.css", ""):
        refused = client.get(f"{FEED}/{address}")
        assert (refused.status_code, refused.headers["www-authenticate"]) == (
            401,
            'Bearer realm="feed"',
        )
        assert client.get(f"{FEED}/{address}", headers=bearing(key + "x")).status_code == 401
        assert client.get(f"{FEED}/{address}", headers=bearing(key)).status_code == 200
    by_path = client.get(f"{FEED}/key/{key}/{FILE}")
    assert by_path.content == public.content
    assert by_path.headers["cache-control"] == "private, no-cache"
    assert "access-control-allow-origin" not in by_path.headers
    assert "Authorization" in by_path.headers["vary"]
    fixed = client.get(f"{FEED}/1.0.0/tokens.css", headers=bearing(key))
    assert fixed.headers["cache-control"] == "private, max-age=31536000, immutable"
    assert (
        f"http://localhost{FEED}/key/{key}/1.0.0/tokens.css"
        in client.get(f"{FEED}/key/{key}/").text
    )
    ask_for_keys(client, False)
    assert client.get(f"{FEED}/{FILE}").status_code == 200


def test_a_revoked_key_opens_nothing_in_any_process_within_a_second(
    client: TestClient, engine: Engine
) -> None:
    publish(client, "1.0.0")
    key, kept = make_key(client), make_key(client, "quay board")
    ask_for_keys(client)
    other = client_of(engine)
    assert other.get(f"{FEED}/1.0.0/tokens.css", headers=bearing(key)).status_code == 200
    (made,) = [
        each for each in client.get(f"{AT}/feed").json()["keys"] if each["name"] == "ticket page"
    ]
    assert client.delete(f"{AT}/feed/keys/{made['id']}").status_code == 200
    assert client.delete(f"{AT}/feed/keys/{made['id']}").status_code == 404
    refused = client.get(f"{FEED}/{FILE}", headers=bearing(key))
    assert (refused.status_code, refused.json()["detail"]) == (401, "This key was revoked.")
    until = time.monotonic() + 5.0
    while other.get(f"{FEED}/1.0.0/tokens.css", headers=bearing(key)).status_code == 200:
        assert time.monotonic() < until
    assert other.get(f"{FEED}/1.0.0/tokens.css", headers=bearing(kept)).status_code == 200
    # Its name is free again; that of one in use is not.
    make_key(client)
    assert client.post(f"{AT}/feed/keys", json={"name": "quay  board"}).status_code == 422
    assert client.post(f"{AT}/feed/keys", json={"name": " "}).status_code == 422


def test_no_key_is_kept_or_told_again(client: TestClient, engine: Engine) -> None:
    key = make_key(client)
    with engine.connect() as connection:
        rows = [str(row) for row in connection.execute(text("SELECT * FROM feed_key"))]
    assert len(rows) == 1
    assert key not in rows[0]
    assert key not in client.get(f"{AT}/feed").text


def test_who_is_behind_is_told_by_what_was_fetched_and_what_a_check_found(
    client: TestClient,
) -> None:
    publish(client, "1.0.0")
    key = make_key(client)
    client.get(f"{FEED}/1/tokens.css", headers=bearing(key))
    for version, color in (("1.1.0", "#304FA0"), ("1.2.0", "#803020")):
        recolor(client, color)
        publish(client, version)
    (standing,) = client.get(f"{AT}/feed").json()["keys"]
    assert (standing["used_version"], standing["behind"], standing["gone"]) == ("1.0.0", 2, [])
    names = {"version": "1.2.0", "names": ["text.late", "text.strong", "text.faint"]}
    assert client.post(f"{FEED}/reports", json=names, headers=bearing(key)).status_code == 204
    assert client.post(f"{FEED}/reports", json=names).status_code == 401
    assert client.post(f"{FEED}/reports", json=names, headers=bearing("nobody")).status_code == 401
    (faint,) = [each["id"] for each in look(client)["tokens"] if each["name"] == "text.faint"]
    revision = client.get(f"{AT}/head").json()["revision"]
    edit(
        client,
        {"type": "deprecate_token", "token": faint, "deprecated": {"reason": "too faint"}},
        base=revision,
    )
    rename(client, "text.late", "text.delayed")
    # It is said before it happens.
    assert (
        "ticket page still uses text.late: gone with this release."
        in client.get(f"{AT}/draft").json()["told"]
    )
    publish(client, "2.0.0")
    client.get(f"{FEED}/latest/tokens.css", headers=bearing(key))
    (standing,) = client.get(f"{AT}/feed").json()["keys"]
    assert (standing["behind"], standing["gone"], standing["going"]) == (
        0,
        ["text.late"],
        ["text.faint"],
    )


def test_uses_are_written_while_nobody_looks(
    client: TestClient, engine: Engine, monkeypatch
) -> None:
    monkeypatch.setattr(key_uses, "WRITE_SECONDS", 0.05)
    publish(client, "1.0.0")
    key = make_key(client)
    for _ in range(20):
        client.get(f"{FEED}/{FILE}", headers=bearing(key))
    until = time.monotonic() + 5.0
    while time.monotonic() < until:
        with engine.connect() as connection:
            if connection.execute(text("SELECT used_version FROM feed_key")).scalar() == "1.0.0":
                return
    raise AssertionError("the use was never written")


def test_a_preview_is_tried_replaced_and_taken_back_and_never_the_latest(
    client: TestClient, engine: Engine
) -> None:
    publish(client, "1.0.0")
    latest = client.get(f"{FEED}/{FILE}").content
    other = client_of(engine)

    def try_it(color: str) -> str:
        recolor(client, color)
        revision = client.get(f"{AT}/head").json()["revision"]
        answer = client.post(f"{AT}/feed/previews", json={"revision": revision, "name": "next"})
        assert answer.status_code == 201, answer.text
        (told,) = answer.json()["previews"]
        assert told["version"] == f"1.0.0-next.{revision}"
        return told["address"]

    address = try_it("#304FA0")
    first = client.get(f"{address}tokens.css")
    assert (first.status_code, first.headers["cache-control"]) == (200, "public, no-cache")
    assert b"#304FA0" in first.content
    assert other.get(f"{address}tokens.css").content == first.content
    assert (
        client.get(f"{FEED}/{FILE}").content == client.get(f"{FEED}/1/tokens.css").content == latest
    )
    try_it("#803020")
    assert b"#803020" in client.get(f"{address}tokens.css").content
    until = time.monotonic() + 5.0
    while b"#803020" not in other.get(f"{address}tokens.css").content:
        assert time.monotonic() < until
    with tarfile.open(fileobj=BytesIO(client.get(f"{address}package.tgz").content)) as archive:
        project = archive.extractfile("package/pyproject.toml")
        about = archive.extractfile("package/package.json")
        assert project is not None
        assert about is not None
        assert b'version = "1.0.0.dev' in project.read()
        assert json.load(about)["version"].startswith("1.0.0-next.")
    assert client.get(f"{AT}/draft").json()["latest"] == "1.0.0"
    assert client.delete(f"{AT}/feed/previews/next").json()["previews"] == []
    assert client.get(f"{address}tokens.css").status_code == 404
    assert client.delete(f"{AT}/feed/previews/next").status_code == 404
    for name in ("", "Next", "-x", "a" * 40, "a/b", "../x"):
        assert (
            client.post(f"{AT}/feed/previews", json={"revision": 1, "name": name}).status_code
            == 422
        )
