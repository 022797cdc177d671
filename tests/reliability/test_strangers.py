"""Who is not let in, what is never answered with 500, and what every answer says."""

import asyncio
import io
from collections.abc import Callable

import orjson
import pytest
from PIL import Image
from sqlalchemy import Engine
from starlette.testclient import TestClient

from heimat.api.app import create_app
from heimat.api.guard import Guard, hosts_of
from heimat.api.limits import MOST_UPLOADS, BodyLimit
from heimat.core.edits.selection_edits import LONGEST_SELECTION
from heimat.service.rates import SENDING
from tests.api.asking import AT, look

RENAME = {"base": 1, "edits": [{"type": "rename_hue", "hue": "kelp", "name": "weed"}], "view": {}}


def picture() -> bytes:
    content = io.BytesIO()
    Image.new("RGB", (8, 8), "#0B6E6E").save(content, "PNG")
    return content.getvalue()


@pytest.mark.parametrize(
    "host", ["evil.example", "localhost.evil.example", "192.0.2.7:8000", "", "[2001:db8::1]"]
)
def test_heimat_is_not_served_under_a_name_that_somebody_else_points_at_it(
    client: TestClient, host: str
) -> None:
    for path in ("/", "/api/systems", "/feeds/brinemark/latest/tokens.css"):
        refused = client.get(path, headers={"host": host})
        assert (refused.status_code, refused.json()["title"]) == (421, "Not served here")


@pytest.mark.parametrize(
    "host", ["localhost", "LOCALHOST:8000", "127.0.0.1:9", "127.8.9.1", "[::1]:8000", "a.localhost"]
)
def test_the_names_of_this_machine_are_served(client: TestClient, host: str) -> None:
    assert client.get("/api/systems", headers={"host": host}).status_code == 200


def test_a_name_that_is_configured_is_served(engine: Engine) -> None:
    served = TestClient(
        create_app(engine, hosts_of("colors.example, other.example")),
        base_url="http://Colors.Example",
    )
    assert served.get("/api/systems").status_code == 200
    assert served.get("/api/systems", headers={"host": "third.example"}).status_code == 421


@pytest.mark.parametrize(
    "headers",
    [
        {"origin": "http://evil.example"},
        {"origin": "null"},
        {"origin": "http://["},
        {"origin": "localhost"},
        {"origin": "http://localhost:1234"},
        {"sec-fetch-site": "cross-site"},
        {"sec-fetch-site": "same-site", "origin": "http://localhost"},
    ],
)
def test_a_page_of_somebody_else_changes_nothing(
    client: TestClient, headers: dict[str, str]
) -> None:
    asked: list[Callable[[], object]] = [
        lambda: client.post(f"{AT}/edits", json=RENAME, headers=headers),
        lambda: client.post(f"{AT}/pictures", content=picture(), headers=headers),
        lambda: client.put("/api/me", json={"person": "tomke"}, headers=headers),
        lambda: client.delete("/api/gallery/1", headers=headers),
    ]
    for ask in asked:
        assert ask().status_code == 403  # type: ignore[attr-defined]
    assert look(client)["head"]["revision"] == 1
    assert client.get(f"{AT}/pictures").json() == client.get(f"{AT}/pictures").json()
    own = {"origin": "http://localhost", "sec-fetch-site": "same-origin"}
    assert client.post(f"{AT}/edits", json=RENAME, headers=own).status_code == 200


def test_every_answer_says_what_browsers_may_do_with_it(client: TestClient) -> None:
    for path in (
        "/",
        "/api/systems",
        "/api/nothing",
        "/feeds/brinemark/latest/tokens.css",
        "/mark.svg",
    ):
        headers = client.get(path).headers
        assert headers["x-content-type-options"] == "nosniff"
        assert headers["referrer-policy"] == "same-origin"
        assert "frame-ancestors 'none'" in headers["content-security-policy"]
        assert "unsafe" not in headers["content-security-policy"]
    # What stands beside another sheet is framed by the page itself, and by nobody else.
    bare = client.get("/systems/brinemark/scales", params={"bare": "true"}).headers
    assert "frame-ancestors 'self'" in bare["content-security-policy"]
    assert bare["x-frame-options"] == "SAMEORIGIN"
    pages = [client.get("/systems/brinemark/scales") for _ in range(2)]
    nonces = [
        page.headers["content-security-policy"].partition("'nonce-")[2].partition("'")[0]
        for page in pages
    ]
    assert len(set(nonces)) == 2
    for page, nonce in zip(pages, nonces, strict=True):
        assert f'nonce="{nonce}"' in page.text
        assert "<style" not in page.text
        assert "<script>" not in page.text
    assert client.head("/systems/brinemark/scales").status_code == 200


def bad_edit(**fields: object) -> dict:
    return {"base": 1, "edits": [{"type": "rename_hue", "hue": "kelp", **fields}], "view": {}}


LONG, HUGE = "a" * 300, "9" * 400
BAD_BODIES: dict[str, tuple[str, bytes]] = {
    "a lone surrogate": (
        f"{AT}/edits",
        rb'{"base":1,"edits":[{"type":"rename_hue","hue":"kelp","name":"\ud800"}]}',
    ),
    "a number of 400 digits": (f"{AT}/edits", b'{"base":' + HUGE.encode() + b',"edits":[]}'),
    "an exponent of 400": (f"{AT}/preview", b'{"base":1e400,"edits":[]}'),
    "a very large number": (f"{AT}/preview", b'{"base":99999999999999999999,"edits":[]}'),
    "not a number": (f"{AT}/preview", b'{"base":NaN,"edits":[]}'),
    "brackets nested 100,000 deep": (f"{AT}/preview", b"[" * 100_000),
    "a control character": (f"{AT}/edits", orjson.dumps(bad_edit(name="we\u0007ed"))),
    "a deleting one": (f"{AT}/edits", orjson.dumps(bad_edit(name="we\u007fed"))),
    "one of the second set": (f"{AT}/edits", orjson.dumps(bad_edit(name="we\u0085ed"))),
    "a turned direction": (f"{AT}/edits", orjson.dumps(bad_edit(name="we\u202eed"))),
    "an escaped turned direction": (
        f"{AT}/edits",
        rb'{"base":1,"edits":[{"type":"rename_hue","hue":"kelp","name":"\u202E"}]}',
    ),
    "a nothing in a name": (
        f"{AT}/edits",
        rb'{"base":1,"edits":[{"type":"rename_hue","hue":"kelp","name":"a\u0000"}]}',
    ),
    "an id of other signs": (f"{AT}/edits", orjson.dumps(bad_edit(hue="é💥", name="x"))),
    "an id of 300 letters": (f"{AT}/edits", orjson.dumps(bad_edit(hue=LONG, name="x"))),
    "no JSON": (f"{AT}/edits", b"\xff\xfe{"),
    "an empty body": (f"{AT}/edits", b""),
    "a system without end": ("/api/systems", orjson.dumps({"name": "x" * 400, "colors": "#fff"})),
    "a name of breaks": ("/api/systems", orjson.dumps({"name": "a\nb", "colors": "#0B6E6E"})),
    "a set of names of breaks": (
        "/api/gallery",
        orjson.dumps({"name": "a\nb", "colors": [{"name": "", "color": "#fff"}]}),
    ),
    "a version of other digits": (
        f"{AT}/releases",
        orjson.dumps({"revision": 1, "version": "1.0.٣"}),
    ),
    "a version with a break": (
        f"{AT}/releases",
        orjson.dumps({"revision": 1, "version": "1.0.0\n"}),
    ),
    "a revision that is none": (
        f"{AT}/releases",
        orjson.dumps({"revision": 10**12, "version": "1.0.0"}),
    ),
}


def test_bad_bodies_are_refused_in_words(client: TestClient) -> None:
    for what, (path, body) in BAD_BODIES.items():
        refused = client.post(path, content=body, headers={"content-type": "application/json"})
        assert refused.status_code in (404, 413, 422), (what, refused.text)
        assert refused.headers["content-type"] == "application/problem+json", what
        assert refused.json()["detail"], what
    assert look(client)["head"]["revision"] == 1


BAD_PATHS = {
    "/%00": 200,
    "/api/%00": 404,
    "/api/systems/%00": 404,
    "/api/systems/brinemark%20": 404,
    "/api/systems/brinemark%0A": 404,
    "/" + LONG: 200,
    "/" + "a/" * 2000: 200,
    "/api/systems/" + LONG: 404,
    "/api/systems/%ff%fe": 404,
    "/..%2f..%2fetc%2fpasswd": 200,
    "/assets/%00": 404,
    "/assets/" + LONG * 20: 404,
    f"{AT}/pictures/{'9' * 40}/view": 404,
    f"{AT}/pictures/-1/view": 404,
    f"{AT}/pictures/x/view": 422,
    f"{AT}?select=%00&parts=slip": 200,
    f"{AT}?select=%ed%a0%80&parts=slip": 200,
    f"{AT}?theme={'9' * 400}": 422,
    f"{AT}?severity=1e400": 422,
    f"{AT}?severity=nan": 422,
    "/api/gallery?text=%00": 200,
    "/api/gallery?text=%F0%9F%8E%A8": 200,
    "/feeds//": 404,
    "/feeds//brinemark/latest/tokens.css": 404,
    "/feeds/brinemark/latest//tokens.css": 404,
    "/feeds/brinemark%20/latest/tokens.css": 404,
    "/feeds/brinemark/1.0.0%0A/tokens.css": 404,
    "/feeds/brinemark/1.0.%D9%A3/tokens.css": 404,
    "/feeds/brinemark/01.0.0/tokens.css": 404,
    "/feeds/brinemark/latest/tokens.css%20": 404,
    "/feeds/BRINEMARK/latest/tokens.css": 404,
}


def test_json_is_read_alike_whatever_it_is_called(client: TestClient) -> None:
    _, body = BAD_BODIES["a lone surrogate"]
    for kind in ("application/json", "Application/JSON; charset=utf-8", "application/problem+json"):
        refused = client.post(f"{AT}/edits", content=body, headers={"content-type": kind})
        assert refused.status_code == 422
        assert "not JSON that everyone reads alike" in refused.json()["detail"]


def test_bad_paths_are_no_errors_of_ours(client: TestClient) -> None:
    client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()
    for path, status in BAD_PATHS.items():
        answer = client.get(path)
        assert answer.status_code == status, (path, answer.text)
        if status >= 400:
            assert answer.headers["content-type"] == "application/problem+json", path


def test_what_is_asked_in_another_way_says_which_ways_there_are(client: TestClient) -> None:
    for method, path, ways in (
        ("DELETE", "/api/systems", "GET, POST"),
        ("GET", f"{AT}/preview", "POST"),
        ("POST", "/feeds/brinemark/latest/tokens.css", "GET, HEAD"),
        ("PATCH", AT, "GET"),
    ):
        answer = client.request(method, path)
        assert (answer.status_code, answer.headers["allow"]) == (405, ways)
        assert answer.headers["content-type"] == "application/problem+json"
    assert client.post("/api/nothing/of/this").status_code == 404
    assert client.post("/systems/brinemark").status_code == 405


def test_a_selection_with_a_name_that_grows_is_published(client: TestClient) -> None:
    """Composed signs that normalization takes apart."""
    keep = {
        "type": "keep_selection",
        "name": "\u0958" * LONGEST_SELECTION,
        "steps": [{"hue": "kelp", "step": "s500"}],
    }
    kept = client.post(f"{AT}/edits", json={"base": 1, "edits": [keep], "view": {}})
    assert kept.status_code == 200, kept.text
    client.post(f"{AT}/releases", json={"revision": 2, "version": "1.0.0"}).raise_for_status()
    files = client.get(f"{AT}/releases").json()[0]["files"]
    # Every token and those of the selection, each in three forms; other forms of everything besides.
    assert len([file for file in files if "/tokens." in file]) == 6 + len(
        ["scss", "ts", "plain.json", "csv"]
    )
    for file in files:
        assert client.get(file).status_code == 200


def test_costly_things_are_done_so_often_a_minute_for_each_person(
    client: TestClient, other: TestClient
) -> None:
    body = {"name": "x", "colors": [{"name": "", "color": "#fff"}]}
    for at in range(SENDING.amount):
        assert client.post("/api/gallery", json=body | {"name": f"x {at}"}).status_code == 201
    refused = client.post("/api/gallery", json=body)
    assert refused.status_code == 429
    assert 1 <= int(refused.headers["retry-after"]) <= 60
    assert refused.headers["content-type"] == "application/problem+json"
    # Edits and previews are exempt, and other people are not in the same minute.
    assert client.post(f"{AT}/edits", json=RENAME).status_code == 200
    assert other.post("/api/gallery", json=body).status_code == 201


def test_an_upload_that_breaks_off_or_does_not_come_is_let_go() -> None:
    async def whole(scope: dict, receive: Callable, send: Callable) -> None:
        raise AssertionError("nothing of this is handed on")

    async def ask(receive: Callable, seconds: float) -> list[dict]:
        sent: list[dict] = []

        async def send(message: dict) -> None:
            sent.append(message)

        headers = [(b"host", b"localhost")]
        scope = {
            "type": "http",
            "method": "POST",
            "path": "/api/reading",
            "headers": headers,
            "query_string": b"",
        }
        await Guard(BodyLimit(whole, seconds))(scope, receive, send)
        return sent

    async def gone() -> dict:
        return {"type": "http.disconnect"}

    async def never() -> dict:
        await asyncio.sleep(60)
        return {}

    assert asyncio.run(ask(gone, 5.0)) == []
    assert asyncio.run(ask(never, 0.05))[0]["status"] == 408

    async def many() -> list[int]:
        limit = BodyLimit(whole, 0.2)

        async def one() -> int:
            sent: list[dict] = []

            async def send(message: dict) -> None:
                sent.append(message)

            scope = {
                "type": "http",
                "method": "POST",
                "path": "/api/reading",
                "headers": [],
                "query_string": b"",
            }
            await limit(scope, never, send)
            return sent[0]["status"]

        return await asyncio.gather(*(one() for _ in range(MOST_UPLOADS + 3)))

    statuses = asyncio.run(many())
    assert sorted(statuses) == [408] * MOST_UPLOADS + [429] * 3
