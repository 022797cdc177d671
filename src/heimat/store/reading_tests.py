"""Reading tests: two colors that are read by link, and how much of it was read."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, func, insert, select

from heimat.store.tables import reading_answer, reading_test


@dataclass(frozen=True)
class ReadingRow:
    """A test: its link's key, its two colors as `#RRGGBB`, the size of its text in CSS pixels, and its counts."""

    id: int
    key: str
    ink: str
    ground: str
    px: int
    readers: int
    shown: int
    read: int


def add_test(
    connection: Connection, system_id: int, key: str, ink: str, ground: str, px: int, person_id: str, at: datetime
) -> None:
    """Add a test. Raises IntegrityError where these colors are tested at this size already."""
    values = {"share_key": key, "ink": ink, "ground": ground, "px": px, "person_id": person_id, "at": at}
    connection.execute(insert(reading_test).values(system_id=system_id, **values))


def add_answer(connection: Connection, test_id: int, shown: int, read: int, at: datetime) -> None:
    """Add what one reader has read."""
    connection.execute(insert(reading_answer).values(test_id=test_id, shown=shown, read=read, at=at))


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
        )
        .select_from(reading_test.outerjoin(reading_answer, answers.test_id == reading_test.c.id))
        .group_by(reading_test.c.id)
        .order_by(reading_test.c.id)
    )


def _rows(connection: Connection, query: Select[Any]) -> list[ReadingRow]:
    return [
        ReadingRow(
            row.id, row.share_key, row.ink, row.ground, row.px, row.readers, int(row.all_shown), int(row.all_read)
        )
        for row in connection.execute(query)
    ]
