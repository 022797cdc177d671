"""Processes that are killed or freeze: nothing acknowledged is lost, nothing is made twice, and it is told in time."""

import os
import random
import signal
import time
from collections.abc import Iterator

import httpx2 as httpx
import pytest
from pydantic import TypeAdapter
from sqlalchemy import select

from heimat.core.document.upgrades import read_document
from heimat.core.edits import Edit, apply_all
from heimat.local.mariadb import LocalMariaDB
from heimat.store import revision_rows, system_rows
from heimat.store.engine import make_engine
from heimat.store.stored_json import unpack
from heimat.store.tables import revision
from tools.running import RunningHeimat

pytestmark = pytest.mark.kills
AT = "/api/systems/brinemark"
EDITS: TypeAdapter[list[Edit]] = TypeAdapter(list[Edit])
KILLS, MANY_KILLS = 3, 60
EACH = 4
"""Edits that are acknowledged before each kill, however slow the machine is."""


@pytest.fixture(scope="module")
def database(tmp_path_factory: pytest.TempPathFactory) -> Iterator[LocalMariaDB]:
    """A durable one: it runs as for people. What one test does to it is undone at its end, but what it has stored."""
    server = LocalMariaDB(tmp_path_factory.mktemp("killed") / "data")
    server.start()
    yield server
    server.stop()


@pytest.fixture
def heimat(database: LocalMariaDB) -> Iterator[RunningHeimat]:
    running = RunningHeimat(database)
    running.start()
    yield running
    running.stop()


def head(client: httpx.Client) -> int:
    return int(client.get(f"{AT}/head").raise_for_status().json()["revision"])


def rename(base: int, name: str, key: str) -> dict:
    edit = {"type": "rename_hue", "hue": "kelp", "name": name}
    return {"base": base, "edits": [edit], "key": key, "view": {"parts": ["head"]}}


def test_kills_at_random_moments_lose_nothing_that_was_acknowledged(
    database: LocalMariaDB, heimat: RunningHeimat, long: bool
) -> None:
    chance = random.Random(11)
    acknowledged: dict[int, str] = {}
    number = 0
    with httpx.Client(base_url=heimat.address) as client:
        base = head(client)
    for _ in range(MANY_KILLS if long else KILLS):
        which = chance.choice(["application", "database", "both"])
        until = time.monotonic() + chance.uniform(0.1, 0.9)
        at_least = number + EACH
        with httpx.Client(base_url=heimat.address, timeout=20.0) as client:
            while number < at_least or time.monotonic() < until:
                number += 1
                answer = client.post(
                    f"{AT}/edits", json=rename(base, f"k{number}", f"request-{number}")
                )
                base = answer.raise_for_status().json()["head"]["revision"]
                acknowledged[base] = f"k{number}"
            if which != "application":
                os.kill(database.pid, signal.SIGKILL)
        if which != "database":
            heimat.kill()
        if which != "application":
            database.kill()
            database.start()
        if which != "database":
            heimat.start()
        # What was sent last is sent again with its key: it is not made twice.
        with httpx.Client(base_url=heimat.address, timeout=20.0) as client:
            again = client.post(
                f"{AT}/edits", json=rename(base - 1, f"k{number}", f"request-{number}")
            )
            assert again.raise_for_status().json()["head"]["revision"] == base
    assert len(acknowledged) >= KILLS * EACH
    names = replayed(database)
    assert {at: names[at] for at in acknowledged} == acknowledged
    assert sorted(names) == list(range(1, base + 1))


def replayed(database: LocalMariaDB) -> dict[int, str]:
    """What the hue is called in each revision, once every stored edit has given the document stored with it."""
    engine = make_engine(database.url)
    names = {}
    with engine.connect() as connection:
        row = system_rows.find_system(connection, "brinemark")
        assert row is not None
        query = select(revision.c.number, revision.c.edits).where(
            revision.c.alternative_id == row.alternative_id
        )
        before = None
        for number, edits in connection.execute(query.order_by(revision.c.number)):
            stored = read_document(
                revision_rows.document(connection, row.alternative_id, number) or {}
            )
            if before is not None:
                assert apply_all(before, EDITS.validate_python(unpack(edits))).system == stored
            before = stored
            names[number] = stored.hues["kelp"].name
    engine.dispose()
    return names


def test_a_frozen_database_is_told_within_five_seconds_and_the_rest_goes_on(
    database: LocalMariaDB, heimat: RunningHeimat
) -> None:
    with httpx.Client(base_url=heimat.address, timeout=30.0) as client:
        base = head(client)
        client.post(
            f"{AT}/releases", json={"revision": base, "version": "1.0.0"}
        ).raise_for_status()
        feed, page = "/feeds/brinemark/1.0.0/tokens.css", "/systems/brinemark/scales"
        latest = feed.replace("1.0.0", "latest")
        preview = {
            "base": base,
            "edits": rename(base, "weed", "not-stored")["edits"],
            "view": {"parts": ["head", "scales"]},
        }
        key = (
            client.post(f"{AT}/feed/keys", json={"name": "build"}).raise_for_status().json()["key"]
        )
        for path in (feed, latest):
            client.get(path).raise_for_status()
        client.post(f"{AT}/preview", json=preview).raise_for_status()
        os.kill(database.pid, signal.SIGSTOP)
        try:
            for most in (5.0, 1.0):
                begun = time.monotonic()
                refused = client.post(f"{AT}/edits", json=rename(base, "weed", "while-frozen"))
                assert time.monotonic() - begun < most
                assert (refused.status_code, refused.headers["retry-after"]) == (503, "2")
                assert refused.headers["content-type"] == "application/problem+json"
            for _ in range(3):
                begun = time.monotonic()
                assert client.post(f"{AT}/preview", json=preview).status_code == 200
                assert client.get(feed).status_code == 200
                assert client.get(page).status_code == 200
                assert time.monotonic() - begun < 1.5
            # Which one is the latest cannot be known now; the one that was is still served. Somebody finds out that
            # nothing answers; after that nobody waits, with a key or without.
            assert client.get(latest).status_code == 200
            end = time.monotonic() + 2.0
            while time.monotonic() < end:
                for path, headers in ((latest, {}), (feed, {"authorization": f"Bearer {key}"})):
                    begun = time.monotonic()
                    assert client.get(path, headers=headers).status_code == 200
                    assert time.monotonic() - begun < 1.0
        finally:
            os.kill(database.pid, signal.SIGCONT)
        end = time.monotonic() + 20.0
        while (
            answer := client.post(f"{AT}/edits", json=rename(base, "weed", "while-frozen"))
        ).status_code == 503:
            assert time.monotonic() < end
            time.sleep(0.2)
        assert answer.raise_for_status().json()["head"]["revision"] == base + 1


def test_the_database_may_go_away_and_come_back(
    database: LocalMariaDB, heimat: RunningHeimat
) -> None:
    with httpx.Client(base_url=heimat.address, timeout=30.0) as client:
        base = head(client)
        database.stop()
        refused = client.post(f"{AT}/edits", json=rename(base, "wrack", "while-away"))
        assert (refused.status_code, refused.headers["content-type"]) == (
            503,
            "application/problem+json",
        )
        database.start()
        kept = client.post(f"{AT}/edits", json=rename(base, "wrack", "while-away"))
        assert kept.raise_for_status().json()["head"]["revision"] == base + 1
