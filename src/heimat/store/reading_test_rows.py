"""Reading tests: two colors that are read by link, and how much of it was read."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, delete, func, insert, select, update

from heimat.store.tables import person, reader, reading_answer, reading_test


@dataclass(frozen=True)
class ReadingRow:
    """A test: its link's key, its two colors as `#RRGGBB`, the size of its text in CSS pixels, its counts, and who has
    begun it."""

    id: int
    key: str
    ink: str
    ground: str
    px: int
    readers: int
    shown: int
    read: int
    person_id: str
    person: str


def add_test(
    connection: Connection,
    system_id: int,
    key: str,
    ink: str,
    ground: str,
    px: int,
    person_id: str,
    at: datetime,
) -> None:
    """Add a test. Raises IntegrityError where these colors are tested at this size already."""
    values = {
        "share_key": key,
        "ink": ink,
        "ground": ground,
        "px": px,
        "person_id": person_id,
        "at": at,
    }
    connection.execute(insert(reading_test).values(system_id=system_id, **values))


def add_answer(connection: Connection, test_id: int, shown: int, read: int, at: datetime) -> None:
    """Add what one reader has read."""
    connection.execute(
        insert(reading_answer).values(test_id=test_id, shown=shown, read=read, at=at)
    )


def hold_test(connection: Connection, test_id: int) -> None:
    """Hold a test until the transaction ends."""
    connection.execute(
        select(reading_test.c.id).where(reading_test.c.id == test_id).with_for_update()
    ).one()


def add_reader(connection: Connection, test_id: int, key: str, figures: str, at: datetime) -> None:
    """Keep what a reader is shown, until the answer comes."""
    values = {
        "test_id": test_id,
        "reader_key": key,
        "figures": figures,
        "at": at,
        "answered": False,
    }
    connection.execute(insert(reader).values(**values))


def opened_since(connection: Connection, test_id: int, at: datetime) -> int:
    """How many readers have opened a test since a time."""
    query = select(func.count(reader.c.id)).where(reader.c.test_id == test_id, reader.c.at > at)
    return int(connection.execute(query).scalar_one())


def drop_readers(connection: Connection, test_id: int, before: datetime) -> None:
    """Forget who has opened a test before a time."""
    connection.execute(delete(reader).where(reader.c.test_id == test_id, reader.c.at < before))


def take_reader(connection: Connection, test_id: int, key: str) -> str | None:
    """What a reader was shown, who has answered from now on; None for nobody, or who has answered before."""
    here = (
        (reader.c.test_id == test_id) & (reader.c.reader_key == key) & reader.c.answered.is_(False)
    )
    if connection.execute(update(reader).where(here).values(answered=True)).rowcount != 1:
        return None
    figures = select(reader.c.figures).where(
        reader.c.test_id == test_id, reader.c.reader_key == key
    )
    return str(connection.execute(figures).scalar_one())


def empty_test(connection: Connection, test_id: int) -> None:
    """Forget all answers to a test, and who has it open."""
    connection.execute(delete(reading_answer).where(reading_answer.c.test_id == test_id))
    connection.execute(delete(reader).where(reader.c.test_id == test_id))


def tests_of(connection: Connection, system_id: int) -> list[ReadingRow]:
    """All tests of a system, the oldest first."""
    return _rows(connection, _counted().where(reading_test.c.system_id == system_id))


def test_with(connection: Connection, key: str) -> ReadingRow | None:
    """The test that a link leads to. The database compares it exactly."""
    found = _rows(connection, _counted().where(reading_test.c.share_key == key))
    return found[0] if found else None


def _counted() -> Select[Any]:
    answers = reading_answer.c
    return (
        select(
            reading_test.c.id,
            reading_test.c.share_key,
            reading_test.c.ink,
            reading_test.c.ground,
            reading_test.c.px,
            func.count(answers.id).label("readers"),
            func.coalesce(func.sum(answers.shown), 0).label("all_shown"),
            func.coalesce(func.sum(answers.read), 0).label("all_read"),
            reading_test.c.person_id,
            person.c.name.label("person"),
        )
        .select_from(
            reading_test.join(person, person.c.id == reading_test.c.person_id).outerjoin(
                reading_answer, answers.test_id == reading_test.c.id
            )
        )
        .group_by(reading_test.c.id, person.c.name)
        .order_by(reading_test.c.id)
    )


def _rows(connection: Connection, query: Select[Any]) -> list[ReadingRow]:
    return [
        ReadingRow(
            row.id,
            row.share_key,
            row.ink,
            row.ground,
            row.px,
            row.readers,
            int(row.all_shown),
            int(row.all_read),
            row.person_id,
            row.person,
        )
        for row in connection.execute(query)
    ]
