"""What each store keeps and gives back, on a real MariaDB: claims, counters, keys, previews, readers, likeness."""

from collections.abc import Iterator
from datetime import datetime, timedelta

import pytest
from sqlalchemy import Connection, Engine, select
from sqlalchemy.exc import IntegrityError

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.spaces import srgb_to_oklab
from heimat.store import (
    claim_rows,
    counters,
    feed_key_rows,
    gallery_rows,
    previews,
    reading_test_rows,
    revision_rows,
    system_rows,
)
from heimat.store.files import FileRow
from heimat.store.tables import alternative, revision

NOW = datetime(2026, 3, 2, 9, 0)
LATER = NOW + timedelta(minutes=5)


@pytest.fixture
def connection(engine: Engine) -> Iterator[Connection]:
    """One transaction, of which nothing stays."""
    with engine.connect() as opened, opened.begin() as begun:
        yield opened
        begun.rollback()


@pytest.fixture
def system_id(connection: Connection) -> int:
    return system_rows.add_system(connection, "skerry", "Skerry", NOW)[0]


def test_a_claim_is_held_by_one_renewed_by_that_one_and_runs_out(connection: Connection) -> None:
    def taken(holder: str, at: datetime, person: str | None = None) -> bool:
        return claim_rows.take(connection, "print 1", holder, at, 60.0, person)

    assert taken("one", NOW, "ines")
    assert not taken("two", NOW + timedelta(seconds=59))
    assert claim_rows.holder_of(connection, "print 1") == "Ines Vahl"
    assert not claim_rows.renew(connection, "print 1", "two", NOW, 60.0)
    assert claim_rows.renew(connection, "print 1", "one", NOW + timedelta(seconds=59), 60.0)
    assert not taken("two", NOW + timedelta(seconds=100))
    assert taken("two", NOW + timedelta(seconds=119))
    assert claim_rows.holder_of(connection, "print 1") is None
    # Who has lost it cannot give it up for who holds it now.
    claim_rows.leave(connection, "print 1", "one")
    assert claim_rows.is_there(connection, "print 1")
    claim_rows.leave(connection, "print 1", "two")
    assert not claim_rows.is_there(connection, "print 1")


def test_counters_rise_by_one_each_and_their_sum_is_never_the_same_again(
    connection: Connection,
) -> None:
    seen = [counters.total(connection)]
    for of in (counters.INSTALLATION, 901, 901, 902):
        counters.rise(connection, of)
        seen.append(counters.total(connection))
    assert [each - seen[0] for each in seen] == [0, 1, 2, 3, 4]


def test_a_key_is_kept_as_its_digest_revoked_once_and_counts_for_every_process(
    connection: Connection, system_id: int
) -> None:
    before = counters.total(connection)
    assert not feed_key_rows.is_keyed(connection, system_id)
    feed_key_rows.set_keyed(connection, system_id, True)
    assert feed_key_rows.is_keyed(connection, system_id)
    first = feed_key_rows.add_key(connection, system_id, "site", "a" * 64, "ines", NOW)
    second = feed_key_rows.add_key(connection, system_id, "app", "b" * 64, "tomke", LATER)
    assert [each.name for each in feed_key_rows.keys_of(connection, system_id)] == ["app", "site"]
    assert feed_key_rows.revoke_key(connection, system_id, first, LATER)
    assert not feed_key_rows.revoke_key(connection, system_id, first, LATER)
    assert not feed_key_rows.revoke_key(connection, system_id + 1, second, LATER)
    feed_key_rows.note_uses(connection, {second: (LATER, "1.2.0")})
    feed_key_rows.keep_report(connection, second, {"gone": ["text.late"]})
    app, site = feed_key_rows.keys_of(connection, system_id)
    assert (app.used_at, app.used_version, app.report) == (LATER, "1.2.0", {"gone": ["text.late"]})
    assert (app.revoked_at, site.revoked_at) == (None, LATER)
    assert (site.used_at, site.report, site.person) == (None, None, "Ines Vahl")
    # One for asking for keys, two for the keys, three for revoking, whether there was something to revoke or not.
    assert counters.total(connection) - before == 6


def test_a_preview_stands_in_place_of_the_one_of_its_name_and_no_other(
    connection: Connection, system_id: int
) -> None:
    def put(name: str, version: str, *files: str) -> None:
        rows = [FileRow(each, "text/css", "d" * 64, version.encode()) for each in files]
        previews.put_preview(connection, system_id, name, version, "ines", NOW, rows)

    put("next", "1.0.0-next.1", "tokens.css", "tokens.json")
    put("bold", "1.0.0-bold.1", "tokens.css")
    put("next", "1.0.0-next.2", "tokens.css")
    assert [(each.name, each.version) for each in previews.previews_of(connection, system_id)] == [
        ("bold", "1.0.0-bold.1"),
        ("next", "1.0.0-next.2"),
    ]
    assert previews.preview_names(connection, system_id) == {
        "bold": frozenset({"tokens.css"}),
        "next": frozenset({"tokens.css"}),
    }
    found = previews.find_preview_file(connection, system_id, "next", "tokens.css")
    assert found is not None
    assert found.content == b"1.0.0-next.2"
    assert previews.find_preview_file(connection, system_id, "next", "tokens.css ") is None
    assert previews.find_preview_file(connection, system_id, "next", "tokens.json") is None
    assert previews.remove_preview(connection, system_id, "next")
    assert not previews.remove_preview(connection, system_id, "next")


def test_a_reader_answers_once_and_what_a_test_has_is_counted_and_emptied(
    connection: Connection, system_id: int
) -> None:
    def add(key: str) -> None:
        colors = ("#112233", "#FFFFFF", 14)
        reading_test_rows.add_test(connection, system_id, key, *colors, "ines", NOW)

    add("k" * 32)
    with pytest.raises(IntegrityError), connection.begin_nested():
        add("m" * 32)
    made = reading_test_rows.test_with(connection, "k" * 32)
    assert made is not None
    assert reading_test_rows.test_with(connection, "K" * 32) is None
    reading_test_rows.add_reader(connection, made.id, "r" * 32, "4711", NOW)
    reading_test_rows.add_reader(connection, made.id, "s" * 32, "0815", LATER)
    assert reading_test_rows.opened_since(connection, made.id, NOW) == 1
    assert reading_test_rows.take_reader(connection, made.id, "r" * 32) == "4711"
    assert reading_test_rows.take_reader(connection, made.id, "r" * 32) is None
    assert reading_test_rows.take_reader(connection, made.id, "t" * 32) is None
    reading_test_rows.add_answer(connection, made.id, 8, 6, LATER)
    reading_test_rows.add_answer(connection, made.id, 8, 8, LATER)
    (counted,) = reading_test_rows.tests_of(connection, system_id)
    assert (counted.readers, counted.shown, counted.read) == (2, 16, 14)
    reading_test_rows.drop_readers(connection, made.id, LATER)
    assert reading_test_rows.take_reader(connection, made.id, "s" * 32) == "0815"
    reading_test_rows.empty_test(connection, made.id)
    (emptied,) = reading_test_rows.tests_of(connection, system_id)
    assert (emptied.readers, emptied.shown, emptied.read) == (0, 0, 0)


def test_sets_are_found_by_their_nearest_color_and_by_all_words(connection: Connection) -> None:
    def oklab(text: str) -> tuple[float, float, float]:
        light, a, b = srgb_to_oklab(rgb8_of(parse(text)) / 255.0).tolist()
        return light, a, b

    def new(name: str, search: str, *colors: str) -> gallery_rows.NewSet:
        kept = [gallery_rows.SetColor(each, each, oklab(each)) for each in colors]
        return gallery_rows.NewSet(name, search, search, False, "ines", NOW, kept)

    near, far = gallery_rows.add_sets(
        connection,
        [
            new("skerry dusk", "skerry 100 % dusk", "#7A3B9A", "#102030"),
            new("skerry noon", "skerry noon", "#7A3BC0"),
        ],
    )
    found = [each.id for each in gallery_rows.by_likeness(connection, oklab("#7A3B9B"), 2)]
    assert found[0] == near
    first = gallery_rows.by_likeness(connection, oklab("#7A3BC0"), 1)[0]
    assert (first.id, round(first.distance or 0.0, 6)) == (far, 0.0)
    assert [each.id for each in gallery_rows.by_words(connection, ["skerry"], 5)] == [far, near]
    # A sign that searches have a use for is looked for as it is.
    assert [each.id for each in gallery_rows.by_words(connection, ["100 %"], 5)] == [near]
    assert gallery_rows.by_words(connection, ["skerry", "d_sk"], 5) == []
    assert gallery_rows.has_set(connection, "skerry noon", "ines")
    assert not gallery_rows.has_set(connection, "skerry noon", "tomke")
    gallery_rows.remove_set(connection, far)
    assert gallery_rows.find_set(connection, far) is None
    kept = gallery_rows.find_set(connection, near)
    assert kept is not None
    assert kept.colors == [("#7A3B9A", "#7A3B9A"), ("#102030", "#102030")]


def test_a_revision_is_found_by_its_request_and_gives_back_what_it_was_given(
    connection: Connection,
) -> None:
    main = connection.execute(
        select(alternative.c.id, revision.c.number, revision.c.id.label("head"))
        .join(revision, revision.c.id == alternative.c.head_revision_id)
        .limit(1)
    ).one()
    new = revision_rows.NewRevision(
        alternative_id=main.id,
        parent_id=main.head,
        number=main.number + 1,
        person_id="tomke",
        at=NOW,
        kind="edit",
        undoes_id=None,
        request_key="key-1",
        sent="s" * 64,
        sentence="Rename kelp to weed",
        edits=[{"type": "rename_hue"}],
        inverse={"type": "restore"},
        reads=[["hues", "kelp", "id"]],
        writes=[["hues", "kelp", "name"]],
        document={"name": "Skerry"},
    )
    made = revision_rows.append(connection, new)
    done = revision_rows.by_request(connection, main.id, "key-1")
    assert done == revision_rows.DoneRow(main.number + 1, "tomke", "edit", "s" * 64)
    assert revision_rows.by_request(connection, main.id, "KEY-1") is None
    (last,) = revision_rows.history(connection, main.id, after=main.number)
    assert (last.id, last.person, last.sentence) == (made, "Tomke Rasch", "Rename kelp to weed")
    assert revision_rows.history(connection, main.id, person_id="ines", last=1)[0].id != made
    assert revision_rows.inverse(connection, made) == {"type": "restore"}
    assert revision_rows.document(connection, main.id, main.number + 1) == {"name": "Skerry"}
    assert revision_rows.document(connection, main.id, main.number + 2) is None
    assert revision_rows.touched(connection, [made])[made] == revision_rows.Touched(
        [("hues", "kelp", "id")], [("hues", "kelp", "name")]
    )
    assert revision_rows.tidied(connection, main.id, after=main.number) == []
    with pytest.raises(IntegrityError), connection.begin_nested():
        revision_rows.append(connection, new)
