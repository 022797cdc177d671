"""Who may fetch what, and when it is seen: counters that only rise, bounds in time, guides that come later."""

import threading
import time
from concurrent.futures import ThreadPoolExecutor

import pytest
from sqlalchemy import Engine, event, text
from starlette.testclient import TestClient

from heimat.core.errors import NotFound
from heimat.demo.load import load_demo
from heimat.formats.write import guide_pdf
from heimat.local.mariadb import LocalMariaDB
from heimat.service.claiming import held
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.failures import Busy, KeyRefused, NotYet
from heimat.service.feeds import BOUND_SECONDS, COUNT_SECONDS, Feeds
from heimat.service.printing import TRIES, Printing
from heimat.service.workers import Lane
from heimat.store import claim_rows, counters
from heimat.store.engine import make_engine
from heimat.store.migrate import NewerDatabaseError, migrate
from tests.api.asking import AT, client_of

LATEST = "/feeds/brinemark/latest/tokens.css"


def publish(client: TestClient, version: str = "1.0.0") -> None:
    client.post(f"{AT}/releases", json={"revision": 1, "version": version}).raise_for_status()


def test_each_change_of_access_makes_another_number(engine: Engine) -> None:
    """Also where what is open and closed adds up to the same: 97 and 100 open, 98 and 99 closed, and the reverse."""
    client = client_of(engine)
    ids = [
        client.post("/api/systems", json={"name": f"s{n}", "colors": "#345678"}).json()["slug"]
        for n in range(4)
    ]
    seen: list[int] = []

    def now() -> int:
        with engine.connect() as connection:
            return counters.total(connection)

    for keyed in ((0, 3), (1, 2), (0, 3)):
        for place, slug in enumerate(ids):
            seen.append(now())
            client.put(
                f"/api/systems/{slug}/feed", json={"keyed": place in keyed}
            ).raise_for_status()
    key = client.post(f"{AT}/feed/keys", json={"name": "x"}).raise_for_status()
    assert key.json()["key"]
    seen.append(now())
    made = client.get(f"{AT}/feed").json()["keys"][0]["id"]
    client.delete(f"{AT}/feed/keys/{made}").raise_for_status()
    seen.append(now())
    publish(client)
    seen.append(now())
    assert seen == sorted(set(seen))


def test_a_closed_feed_is_closed_in_every_process_soon(engine: Engine) -> None:
    one, other = client_of(engine), client_of(engine)
    publish(one)
    assert other.get(LATEST).status_code == 200
    one.put(f"{AT}/feed", json={"keyed": True}).raise_for_status()
    end = time.monotonic() + COUNT_SECONDS + 1.0
    while other.get(LATEST).status_code != 401:
        assert time.monotonic() < end


def test_access_is_read_anew_after_a_while_whatever_the_counters_say(
    engine: Engine, monkeypatch: pytest.MonkeyPatch
) -> None:
    client = client_of(engine)
    publish(client)
    feeds = Feeds(engine)
    assert feeds.find("brinemark", "latest", "tokens.css", None)

    # Closed, and by whatever fault not counted.
    with engine.begin() as connection:
        (system,) = connection.execute(
            text("SELECT id FROM `system` WHERE slug = 'brinemark'")
        ).scalars()
        connection.execute(
            text("INSERT INTO feed (system_id, keyed) VALUES (:system, 1)"), {"system": system}
        )
    monkeypatch.setattr("heimat.service.feeds.COUNT_SECONDS", 0.0)
    end = time.monotonic() + BOUND_SECONDS + 2.0

    def until_refused() -> None:
        while time.monotonic() < end:
            feeds.find("brinemark", "latest", "tokens.css", None)
            time.sleep(0.01)

    with pytest.raises(KeyRefused):
        until_refused()


def test_what_is_not_there_costs_no_more_than_what_is(engine: Engine) -> None:
    client = client_of(engine)
    publish(client)
    known = ("/feeds/brinemark/latest/tokens.css", "/feeds/brinemark/1.0.0/tokens.css")
    absent = (
        *(f"/feeds/nobody-{number}/latest/tokens.css" for number in range(40)),
        *(
            f"/feeds/brinemark/{version}/tokens.css"
            for version in ("9.9.9", "7", "preview-x", "nonsense")
        ),
        *(f"/feeds/brinemark/1.0.0/file-{number}.css" for number in range(40)),
    )
    for path in (*known, absent[0], absent[-1]):
        client.get(path)
    asked: list[str] = []

    def counted(_: object, __: object, statement: str, *___: object) -> None:
        asked.append(statement)

    event.listen(engine, "before_cursor_execute", counted)
    begun = time.monotonic()
    assert {client.get(path).status_code for path in absent} == {404}
    took = time.monotonic() - begun
    event.remove(engine, "before_cursor_execute", counted)
    # Nothing is asked for any of them: only what came since, once a second, and what is known anew after a while.
    assert len(asked) <= 2 + 2 * took / COUNT_SECONDS + 12 * (1 + took / BOUND_SECONDS)


def test_a_release_is_out_at_once_and_its_guide_is_set_by_one_and_named_beside_it(
    engine: Engine,
) -> None:
    owing, other = client_of(engine, printed=True), client_of(engine)
    publish(owing)
    path = f"/feeds/brinemark/1.0.0/{guide_pdf.FILE}"
    waiting = other.get(path)
    assert (waiting.status_code, waiting.headers["cache-control"]) == (202, "no-store")
    assert int(waiting.headers["retry-after"]) > 0
    assert other.get(f"{AT}/releases").json()[0]["printing"]
    names = {
        file["name"] for file in other.get("/feeds/brinemark/1.0.0/release.json").json()["files"]
    }
    assert guide_pdf.FILE not in names
    lane = Lane()
    made: list[int] = []

    def printed_by(_: int) -> None:
        feeds = Feeds(engine)
        Printing(engine, Documents(engine), lane, feeds).print_owed()
        made.append(1)

    try:
        with ThreadPoolExecutor(3) as pool:
            list(pool.map(printed_by, range(3)))
        deadline = time.monotonic() + 5.0
        while (answer := other.get(path)).status_code == 202:
            assert time.monotonic() < deadline
    finally:
        lane.close()
    assert (answer.status_code, answer.content[:5]) == (200, b"%PDF-")
    assert "immutable" in answer.headers["cache-control"]
    (release,) = other.get(f"{AT}/releases").json()
    assert not release["printing"]
    assert path in release["files"]
    with engine.connect() as connection:
        assert connection.execute(text("SELECT COUNT(*) FROM unprinted")).scalar() == 0
        assert (
            connection.execute(
                text("SELECT COUNT(*) FROM release_file WHERE name = 'guide.pdf'")
            ).scalar()
            == 1
        )


def test_a_guide_that_a_dead_process_has_begun_is_taken_over_once_its_claim_has_run_out(
    engine: Engine, monkeypatch: pytest.MonkeyPatch
) -> None:
    publish(client_of(engine, printed=True))
    with engine.begin() as connection:
        (release,) = connection.execute(text("SELECT release_id FROM unprinted")).scalars()
        assert claim_rows.take(connection, f"guide {release}", "the dead", now(), 60.0)
    asked: list[str] = []

    def begun(*_: object, **__: object) -> None:
        asked.append("begun")
        raise Busy

    monkeypatch.setattr(Lane, "begin", begun)
    lane = Lane()
    work = Printing(engine, Documents(engine), lane, Feeds(engine))
    work.print_owed()
    assert asked == []
    with engine.begin() as connection:
        connection.execute(text("UPDATE claim SET until = '2001-01-01' WHERE holder = 'the dead'"))
    with pytest.raises(Busy):
        work.print_owed()
    assert asked == ["begun"]


def test_a_guide_that_cannot_be_set_is_given_up_and_holds_up_no_other(
    engine: Engine, monkeypatch: pytest.MonkeyPatch
) -> None:
    client = client_of(engine, printed=True)
    publish(client)

    def failing(*_: object) -> None:
        raise ValueError("this glyph has no outline")

    monkeypatch.setattr(Lane, "result", failing)
    lane = Lane()
    try:
        work = Printing(engine, Documents(engine), lane, Feeds(engine))
        for _ in range(TRIES):
            assert client.get(f"/feeds/brinemark/1.0.0/{guide_pdf.FILE}").status_code == 202
            work.print_owed()
    finally:
        lane.close()
    with engine.connect() as connection:
        assert connection.execute(text("SELECT COUNT(*) FROM unprinted")).scalar() == 0
    deadline = time.monotonic() + BOUND_SECONDS + 2.0
    while (answer := client.get(f"/feeds/brinemark/1.0.0/{guide_pdf.FILE}")).status_code == 202:
        assert time.monotonic() < deadline
    assert answer.status_code == 404


def test_of_ten_claims_one_is_held_and_is_free_again_after(engine: Engine) -> None:
    start, told = threading.Barrier(10), []
    done = threading.Event()

    def hold(_: int) -> None:
        start.wait(10)
        with held(engine, "something", "ines") as claim:
            told.append(claim.other)
            if claim.other is None:
                done.wait(10)
            elif len(told) == 10:
                done.set()

    with ThreadPoolExecutor(10) as pool:
        list(pool.map(hold, range(10)))
    assert sorted(told, key=str) == ["Ines Vahl"] * 9 + [None]
    with held(engine, "something") as claim:
        assert claim.other is None


def test_what_is_published_by_somebody_who_leaves_is_not_out(engine: Engine) -> None:
    client = client_of(engine)
    left = threading.Event()
    left.set()
    publishing = client.app.state.context.publishing  # type: ignore[attr-defined]
    with pytest.raises(Busy):
        publishing.publish("brinemark", 1, "1.0.0", "", "ines", left)
    assert client.get(f"{AT}/releases").json() == []
    # Its claim was left with it.
    publish(client)


def test_a_request_repeated_is_the_same_though_ids_are_made_anew(engine: Engine) -> None:
    one, other = client_of(engine), client_of(engine)
    edits = [{"type": "add_hues", "hues": [{"name": "new", "kind": "accent", "color": "#345678"}]}]
    body = {"base": 1, "edits": edits, "key": "the-same-key", "view": {"parts": ["head"]}}
    first = one.post(f"{AT}/edits", json=body)
    again = other.post(f"{AT}/edits", json=body)
    assert first.json()["head"]["revision"] == again.json()["head"]["revision"] == 2
    edits[0]["hues"][0]["name"] = "other"  # type: ignore[index]
    assert one.post(f"{AT}/edits", json=body).status_code == 422


def test_tables_are_listed_without_being_read(
    engine: Engine, monkeypatch: pytest.MonkeyPatch
) -> None:
    client = client_of(engine)
    rows = "\n".join(f"{place},{place}" for place in range(50))
    client.post(
        f"{AT}/data", params={"name": "a"}, content=f"at,value\n{rows}".encode()
    ).raise_for_status()
    told = client.get(f"{AT}/data").json()
    fresh = client_of(engine)
    asked: list[str] = []

    def watched(_: object, __: object, statement: str, *___: object) -> None:
        asked.append(statement)

    monkeypatch.setattr(Lane, "run", lambda *_, **__: pytest.fail("a table was read"))
    event.listen(engine, "before_cursor_execute", watched)
    assert fresh.get(f"{AT}/data").json() == told
    event.remove(engine, "before_cursor_execute", watched)
    assert not any("content" in statement for statement in asked)


def test_an_application_older_than_its_database_says_so_and_changes_nothing(engine: Engine) -> None:
    with engine.begin() as connection:
        was = connection.execute(text("SELECT version_num FROM alembic_version")).scalar_one()
        connection.execute(text("UPDATE alembic_version SET version_num = '9999'"))
    try:
        with pytest.raises(NewerDatabaseError, match="of form 9999, made by a newer Heimat"):
            migrate(engine)
    finally:
        with engine.begin() as connection:
            connection.execute(text("UPDATE alembic_version SET version_num = :was"), {"was": was})


def test_a_demo_whose_first_start_was_interrupted_goes_on(
    database: LocalMariaDB, monkeypatch: pytest.MonkeyPatch
) -> None:
    """At each of its steps: what is there by then stays, and in the end all is there once."""
    name = "heimat_interrupted"
    with make_engine(database.url).begin() as connection:
        connection.execute(
            text(f"CREATE OR REPLACE DATABASE {name} CHARACTER SET utf8mb4 COLLATE utf8mb4_bin")
        )
    own = make_engine(database.url.rpartition("/")[0] + f"/{name}")
    migrate(own)
    steps = iter(("publish", "edit", "rest"))

    def interrupting(*_: object, **__: object) -> None:
        raise KeyboardInterrupt

    for step in steps:
        with monkeypatch.context() as patched:
            where = {
                "publish": "Publishing.publish",
                "edit": "Editing.edit",
                "rest": "Resting.rest",
            }[step]
            patched.setattr(f"heimat.demo.released.{where}", interrupting)
            with pytest.raises(KeyboardInterrupt):
                load_demo(own, released=True)
    assert load_demo(own, released=True)
    assert not load_demo(own, released=True)
    with own.connect() as connection:
        assert connection.execute(text("SELECT COUNT(*) FROM `release`")).scalar() == 2
        assert connection.execute(text("SELECT COUNT(*) FROM `system`")).scalar() == 3
    own.dispose()


def test_a_feed_that_is_not_there_yet_and_one_that_never_will_be(engine: Engine) -> None:
    publish(client_of(engine))
    feeds = Feeds(engine)
    with pytest.raises(NotFound):
        feeds.find("brinemark", "1.0.0", guide_pdf.FILE, None)
    publish_again = client_of(engine, printed=True)
    edit = {
        "base": 1,
        "edits": [{"type": "set_source", "hue": "buoy", "color": "#123456"}],
        "view": {},
    }
    publish_again.post(f"{AT}/edits", json=edit).raise_for_status()
    publish_again.post(
        f"{AT}/releases", json={"revision": 2, "version": "2.0.0"}
    ).raise_for_status()
    feeds.published()
    with pytest.raises(NotYet):
        feeds.find("brinemark", "2.0.0", guide_pdf.FILE, None)
