"""Many at once: publishing beside editing, releases seen by other processes, and work that takes too long."""

import asyncio
import pickle
import threading
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from typing import cast

import pytest
from fastapi import Request
from httpx2 import Response
from sqlalchemy import Engine, event, text
from sqlalchemy.exc import OperationalError
from starlette.testclient import TestClient

from heimat.api.listening import listened
from heimat.core.errors import DomainError
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.service.failures import Busy, TooLarge, TooSlow
from heimat.service.feeds import COUNT_SECONDS, Feeds
from heimat.service.transactions import TRIES, in_transaction
from heimat.service.workers import MOST_WAITING, READING_BYTES, Lane
from tests.api.asking import AT, client_of


def test_publishing_beside_renaming_is_never_told_as_a_database_that_is_away(
    engine: Engine, long: bool
) -> None:
    turns = 60 if long else 4
    statuses: list[int] = []

    def work(place: int) -> None:
        client = client_of(engine)
        client.put(
            "/api/me", json={"person": ("ines", "tomke", "oke", "maren")[place % 4]}
        ).raise_for_status()
        for turn in range(turns):
            if place % 2:
                head = client.get(f"{AT}/head").json()["revision"]
                body = {"revision": head, "version": f"{place}.{turn}.0"}
                statuses.append(client.post(f"{AT}/releases", json=body).status_code)
            else:
                head = client.get(f"{AT}/head").json()["revision"]
                edits = [{"type": "rename_system", "name": f"Brinemark {place} {turn}"}]
                edits.append(
                    {
                        "type": "set_source",
                        "hue": "buoy",
                        "color": f"#{place}{turn % 10}55{turn:02}",
                    }
                )
                body = {"base": head, "edits": edits, "view": {}}
                statuses.append(client.post(f"{AT}/edits", json=body).status_code)

    with ThreadPoolExecutor(4) as pool:
        list(pool.map(work, range(4)))
    # A version that is out already, and a change that meets another's, are told as what they are.
    assert set(statuses) <= {200, 201, 409, 422}
    assert statuses.count(201) >= 2


def test_a_deadlock_is_tried_again_and_work_that_others_hold_is_busy(engine: Engine) -> None:
    tries = 0

    def given_up(code: int, times: int) -> object:
        nonlocal tries
        tries += 1
        if tries <= times:
            raise OperationalError("", {}, Exception(code, "somebody else was first"))
        return "done"

    assert in_transaction(engine, lambda _: given_up(1213, TRIES - 1)) == "done"
    for code, times in ((1213, TRIES), (1205, 1)):
        tries = 0
        with pytest.raises(Busy):
            in_transaction(engine, lambda _, code=code, times=times: given_up(code, times))  # type: ignore[misc]
    tries = 0
    with pytest.raises(OperationalError):
        in_transaction(engine, lambda _: given_up(2013, 1))


def test_a_release_of_another_process_is_seen_within_a_second_and_asked_for_once_a_second(
    engine: Engine,
) -> None:
    one, other = client_of(engine), client_of(engine)
    latest = "/feeds/brinemark/latest/tokens.css"
    one.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()
    first = other.get(latest).raise_for_status()
    asked: list[str] = []

    def counted(_: object, __: object, statement: str, *___: object) -> None:
        asked.append(statement)

    event.listen(engine, "before_cursor_execute", counted)
    begun = time.monotonic()
    for _ in range(200):
        assert other.get(latest).headers["etag"] == first.headers["etag"]
        assert other.get("/feeds/brinemark/1.0.0/tokens.css").status_code == 200
    took = time.monotonic() - begun
    event.remove(engine, "before_cursor_execute", counted)
    assert len(asked) <= 2 + 2 * took / COUNT_SECONDS
    edit = {
        "base": 1,
        "edits": [{"type": "set_source", "hue": "buoy", "color": "#123456"}],
        "view": {},
    }
    one.post(f"{AT}/edits", json=edit).raise_for_status()
    one.post(f"{AT}/releases", json={"revision": 2, "version": "2.0.0"}).raise_for_status()
    # Who has published sees it at once.
    assert one.get(latest).headers["etag"] != first.headers["etag"]
    end = time.monotonic() + COUNT_SECONDS + 1.0
    while other.get(latest).headers["etag"] == first.headers["etag"]:
        assert time.monotonic() < end
    assert other.get("/feeds/brinemark/1.0.0/tokens.css").headers["etag"] == first.headers["etag"]


def test_a_feed_comes_in_the_coding_that_is_asked_for_made_once(engine: Engine) -> None:
    client = client_of(engine)
    client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()
    with engine.connect() as connection:
        query = text(
            "SELECT LENGTH(bytes), LENGTH(gzip), LENGTH(brotli) FROM release_file WHERE name = 'tokens.css'"
        )
        whole, gzip, brotli = connection.execute(query).one()
    assert brotli < gzip < whole / 2
    file = "/feeds/brinemark/1.0.0/tokens.css"
    sizes, tags, bodies = {}, set(), set()
    for accepted, coding in (
        ("identity", None),
        ("gzip, deflate", "gzip"),
        ("gzip, br", "br"),
        ("br;q=0, gzip;q=0.5", "gzip"),
        ("gzip;q=0, br;q=0.000", None),
        ("", None),
    ):
        answer = client.get(file, headers={"accept-encoding": accepted})
        assert answer.headers.get("content-encoding") == coding
        assert answer.headers["vary"] == "Accept-Encoding"
        assert answer.headers["cache-control"] == "public, max-age=31536000, immutable"
        sizes[coding] = int(answer.headers["content-length"])
        tags.add(answer.headers["etag"])
        bodies.add(answer.content)
        known = {"accept-encoding": accepted, "if-none-match": answer.headers["etag"]}
        assert client.get(file, headers=known).status_code == 304
        head = client.head(file, headers={"accept-encoding": accepted})
        assert (head.headers["content-length"], head.content) == (
            answer.headers["content-length"],
            b"",
        )
    assert sizes == {None: whole, "gzip": gzip, "br": brotli}
    assert len(tags) == 3
    assert len(bodies) == 1


def test_a_release_that_comes_while_the_latest_is_looked_up_is_not_forgotten(
    engine: Engine,
) -> None:
    """Another publishes between the reading of the latest version and its being remembered."""
    client = client_of(engine)
    client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()
    feeds = Feeds(engine)
    done = []

    def publish(*_: object) -> None:
        if done or ".major" not in str(_[2]):
            return
        done.append(True)
        edit = {
            "base": 1,
            "edits": [{"type": "set_source", "hue": "buoy", "color": "#123456"}],
            "view": {},
        }
        client.post(f"{AT}/edits", json=edit).raise_for_status()
        client.post(f"{AT}/releases", json={"revision": 2, "version": "2.0.0"}).raise_for_status()
        feeds.published()
        feeds._count()

    event.listen(engine, "after_cursor_execute", publish)
    first = feeds.find("brinemark", "latest", "tokens.css", None).file
    event.remove(engine, "after_cursor_execute", publish)
    assert done
    assert feeds.find("brinemark", "latest", "tokens.css", None).file.digest != first.digest


def test_feeds_keep_to_their_memory(engine: Engine, monkeypatch: pytest.MonkeyPatch) -> None:
    client = client_of(engine)
    client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()
    monkeypatch.setattr("heimat.service.feeds.MOST_REMEMBERED_BYTES", 100)
    feeds = Feeds(engine)
    assert feeds.find("brinemark", "latest", "tokens.css", None).file.content
    assert feeds.remembered("brinemark", "latest", "tokens.css", None) is None


@pytest.fixture
def lane() -> Iterator[Lane]:
    made = Lane()
    yield made
    made.close()


class _NotToSend:
    """Something that cannot be pickled, for a reason that pickling itself does not know."""

    def __getstate__(self) -> object:
        raise RuntimeError("dictionary changed size during iteration")


def test_what_cannot_be_sent_is_told_to_whoever_gave_it_and_ends_nobody_elses_work(
    lane: Lane,
) -> None:
    assert lane.run(pow, 2, 3) == 8
    with pytest.raises(RuntimeError):
        lane.run(str, _NotToSend(), seconds=5)
    assert lane.run(pow, 2, 4, seconds=5) == 16


def test_a_publication_is_sent_while_others_ask_it_for_its_tokens() -> None:
    fresh = publication(resolve(brinemark()))
    sent = pickle.dumps(fresh)
    assert len(fresh.with_palettes()) > len(fresh.tokens)
    assert pickle.dumps(fresh) == sent
    assert pickle.loads(sent).with_palettes() == fresh.with_palettes()


def _busy() -> None:
    while True:
        pass


def _refuse(words: str) -> None:
    raise DomainError(words, "there", "so")


def test_work_elsewhere_is_ended_in_time_and_its_errors_come_back_whole(lane: Lane) -> None:
    assert lane.run(pow, 2, 10) == 1024
    with pytest.raises(DomainError) as refused:
        lane.run(_refuse, "no")
    assert (refused.value.message, refused.value.field, refused.value.code) == ("no", "there", "so")
    begun = time.monotonic()
    with pytest.raises(TooSlow) as slow:
        lane.run(_busy, seconds=1)
    assert not slow.value.clock
    with pytest.raises(TooSlow) as slow:
        lane.run(time.sleep, 30, seconds=0.1)
    assert slow.value.clock
    # The process was ended, and another one goes on.
    assert lane.run(pow, 2, 11) == 2048
    with pytest.raises(TooLarge):
        lane.run(bytearray, READING_BYTES)
    assert lane.run(pow, 2, 12) == 4096
    assert time.monotonic() - begun < 20


def test_work_that_nobody_waits_for_any_more_is_ended(lane: Lane) -> None:
    class Left:
        async def is_disconnected(self) -> bool:
            return True

    class Waiting:
        async def is_disconnected(self) -> bool:
            return False

    begun = time.monotonic()
    with pytest.raises(Busy):
        asyncio.run(listened(cast(Request, Left()), lane, time.sleep, 15))
    # Its only process does other work at once.
    assert asyncio.run(listened(cast(Request, Waiting()), lane, pow, 2, 12)) == 4096
    assert time.monotonic() - begun < 10


def test_more_work_than_can_wait_is_refused_at_once(lane: Lane) -> None:
    lane.run(pow, 1, 1)
    waiting = [lane.begin(time.sleep, 0.05) for _ in range(MOST_WAITING)]
    with pytest.raises(Busy):
        lane.run(pow, 1, 1)
    for each in waiting:
        lane.result(each)
    done = threading.Event()
    threading.Thread(target=lambda: (lane.run(pow, 1, 1), done.set())).start()
    assert done.wait(10)


def test_two_processes_that_publish_the_same_version_at_once_make_one_release(
    engine: Engine,
) -> None:
    """Of two different contents one is out, and the other is told so, while it is written or after; of the same too."""
    one, other = client_of(engine), client_of(engine)
    change = {
        "base": 1,
        "edits": [{"type": "set_source", "hue": "buoy", "color": "#123456"}],
        "view": {},
    }
    one.post(f"{AT}/edits", json=change).raise_for_status()

    def at_once(revisions: tuple[int, int], version: str) -> list[Response]:
        answers: list[Response] = []
        start = threading.Barrier(2)

        def publish(client: TestClient, revision: int) -> None:
            start.wait(10)
            answers.append(
                client.post(f"{AT}/releases", json={"revision": revision, "version": version})
            )

        threads = [
            threading.Thread(target=publish, args=each)
            for each in zip((one, other), revisions, strict=True)
        ]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join(60)
        return sorted(answers, key=lambda answer: answer.status_code)

    being_written = "Ines Vahl is publishing 1.0.0 right now. Look again in a moment."
    first, second = at_once((1, 2), "1.0.0")
    assert (first.status_code, second.status_code) == (201, 422)
    assert second.json()["detail"] in (
        being_written,
        "1.0.0 is out already; the next one is higher.",
    )
    assert len(one.get(f"{AT}/releases").json()) == 1
    out = 2 if b"#123456" in one.get("/feeds/brinemark/1.0.0/tokens.css").content else 1
    same = at_once((3 - out, 3 - out), "2.0.0")
    assert [answer.json().get("new") for answer in same] in (
        [True, False],
        [False, True],
        [True, None],
    )
    assert len(other.get(f"{AT}/releases").json()) == 2
