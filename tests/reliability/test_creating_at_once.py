"""Every operation that creates something, ten times in the same moment: one wins, the others learn it in words."""

import threading
from collections import Counter
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import numpy as np
import pytest
from fastapi import FastAPI
from httpx2 import Response
from sqlalchemy import Engine
from starlette.testclient import TestClient

from tests.api.asking import AT, client_of
from tests.pictures import encoded

TEN = 10
Ask = Callable[[TestClient, int], Response]
"""Asks once; the number says who of the ten it is."""


@dataclass(frozen=True)
class Creates:
    """How an operation is asked for, how many of ten of one name succeed, and what is to be done before."""

    ask: Ask
    win: int
    before: Callable[[TestClient], object] = lambda _: None


def _json(path: str, body: dict) -> Ask:
    return lambda client, _: client.post(path, json=body)


def _sent(method: str, path: str, content: bytes) -> Ask:
    return lambda client, _: client.request(method, path, content=content)


def _publish(client: TestClient) -> None:
    client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()


def _begin_test(client: TestClient) -> str:
    body = {"ink": "#112233", "ground": "#FFFFFF", "px": 16}
    return client.post(f"{AT}/reading-tests", json=body).raise_for_status().json()["key"]


def _open_reader(client: TestClient, _: int) -> Response:
    return client.post(f"/api/reading-tests/{_begin_test(client)}/readers")


def _let_in(client: TestClient, key: str) -> Response:
    """A reader of a test; on a crowded machine others may hold it for so long that one is asked to come again."""
    for _ in range(5):
        answer = client.post(f"/api/reading-tests/{key}/readers")
        if answer.status_code != 503:
            break
    return answer.raise_for_status()


def _read(client: TestClient, _: int) -> Response:
    key = _begin_test(client)
    task = _let_in(client, key).json()
    body = {"reader": task["reader"], "typed": task["figures"]}
    return client.post(f"/api/reading-tests/{key}", json=body)


_FILES = [("files", ("a.css", b":root{--a:#112233;--b:#445566}"))]
_PICTURE = encoded(np.full((8, 8, 3), 90, dtype=np.uint8))
_NAMES = {"name": "ten"}
_EDIT = {"type": "add_hues", "hues": [{"name": "new", "kind": "accent", "color": "#345678"}]}
CREATING: dict[str, Creates] = {
    # Systems may share a name: each gets an address of its own.
    "startSystem": Creates(_json("/api/systems", {"name": "ten", "colors": "#345678"}), TEN),
    "importFiles": Creates(
        lambda client, _: client.post("/api/imports", files=_FILES, data={"name": "ten"}), TEN
    ),
    "copySystem": Creates(lambda client, _: client.post(f"{AT}/copies"), TEN),
    "addAlternative": Creates(_json(f"{AT}/alternatives", _NAMES), 1),
    "startAlternative": Creates(_json(f"{AT}/releases/1.0.0/alternative", _NAMES), 1, _publish),
    "makeKey": Creates(_json(f"{AT}/feed/keys", _NAMES), 1),
    "saveSet": Creates(
        _json("/api/gallery", {"name": "ten", "colors": [{"name": "", "color": "#345678"}]}), 1
    ),
    # What is there already is what each of them wants.
    "beginReadingTest": Creates(
        _json(f"{AT}/reading-tests", {"ink": "#112233", "ground": "#FFFFFF", "px": 16}), TEN
    ),
    "openReadingTask": Creates(_open_reader, TEN),
    "answerReadingTask": Creates(_read, TEN),
    "putPreview": Creates(_json(f"{AT}/feed/previews", {"revision": 1, "name": "ten"}), TEN),
    "askForKeys": Creates(
        lambda client, turn: client.put(f"{AT}/feed", json={"keyed": turn % 2 == 0}), TEN
    ),
    "keepData": Creates(
        _sent("POST", f"{AT}/data?name=ten.csv", b"place,value\nMerrow,1\nPellan,2\n"), TEN
    ),
    "addPicture": Creates(_sent("POST", f"{AT}/pictures?name=ten.png", _PICTURE), TEN),
    "keepOwnPage": Creates(_sent("PUT", f"{AT}/own-page", b"<p>ten</p>"), TEN),
    "keepTypeface": Creates(_sent("PUT", f"{AT}/typeface?name=ten.woff2", b""), 0),
    "publish": Creates(_json(f"{AT}/releases", {"revision": 1, "version": "1.0.0"}), 1),
    "keepEdits": Creates(_json(f"{AT}/edits", {"base": 1, "edits": [_EDIT]}), 1),
    "restOn": Creates(
        lambda client, _: client.post(
            "/api/systems/merrow-light/resting",
            json={"address": "brinemark", "version": "1.0.0", "hues": ["kelp"], "base": 1},
        ),
        TEN,
        _publish,
    ),
    "shareAlternative": Creates(_json(f"{AT}/share", {"shared": True}), TEN),
}
NOT_CREATING = [
    "undo",
    "redo",
    "restoreRevision",
    "restoreFromRelease",
    "mergeAlternative",
    "copyColors",
    "previewEdits",
    "readFiles",
    "readColors",
    "makeEvenSet",
    "findHarmony",
    "mixColors",
    "findOverlays",
    "proposeStatus",
    "planState",
    "planPurposes",
    "planFamily",
    "planSmallerLadder",
    "planLadder",
    "readNames",
    "findPartners",
    "pricePalette",
    "proposePalette",
    "judgeColors",
    "bindPalette",
    "findMainColors",
    "readRegion",
    "findShares",
    "fitStops",
    "readTextOnPicture",
    "planPromise",
    "planFill",
    "planResting",
    "findSafeHandle",
    "findSafeRung",
    "planScaleNames",
    "readStandingField",
    "planStatus",
    "readSetText",
    "planTheme",
    "planNames",
    "planSet",
    "readTwoColors",
    "checkText",
    "readDrawingPairs",
    "chooseMe",
    "sendReport",
    "archiveSystem",
]
"""What only answers, what acts on what is there, and what a cookie or one row keeps."""


def test_every_operation_that_creates_something_is_known_here(engine: Engine) -> None:
    app: FastAPI = client_of(engine).app  # type: ignore[assignment]
    paths = app.openapi()["paths"].values()
    told = {
        path[method]["operationId"]
        for path in paths
        for method in ("post", "put")
        if method in path
    }
    assert told == {*CREATING, *NOT_CREATING}


@pytest.mark.parametrize("operation", CREATING)
def test_ten_at_once_of_one_name(engine: Engine, operation: str) -> None:
    creates = CREATING[operation]
    clients = [client_of(engine) for _ in range(2)]
    creates.before(clients[0])
    start = threading.Barrier(TEN)

    def ask(turn: int) -> Response:
        start.wait(30)
        return creates.ask(clients[turn % 2], turn)

    with ThreadPoolExecutor(TEN) as pool:
        answers = list(pool.map(ask, range(TEN)))
    statuses = Counter(answer.status_code for answer in answers)
    assert not [answer.text for answer in answers if answer.status_code >= 500]
    won = sum(count for status, count in statuses.items() if status < 300)
    assert won == creates.win, [answer.text for answer in answers if answer.status_code >= 300][:2]
    for answer in answers:
        if answer.status_code >= 300:
            assert answer.json()["detail"].endswith(".")


def test_ten_at_once_of_ten_names_are_all_made_or_told(engine: Engine) -> None:
    clients = [client_of(engine) for _ in range(2)]
    start = threading.Barrier(TEN)

    def ask(turn: int) -> Response:
        start.wait(30)
        return clients[turn % 2].post(f"{AT}/alternatives", json={"name": f"ten-{turn}"})

    with ThreadPoolExecutor(TEN) as pool:
        assert {answer.status_code for answer in pool.map(ask, range(TEN))} == {201}
    names = {each["name"] for each in clients[0].get(f"{AT}/alternatives").json()}
    assert names == {"main", *(f"ten-{turn}" for turn in range(TEN))}
