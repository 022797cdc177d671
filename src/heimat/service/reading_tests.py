"""Reading tests by link: where eye and rule disagree, people of the team's own choosing read, and are counted."""

import secrets
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import timedelta

from sqlalchemy import Connection, Engine

from heimat.core.errors import DomainError, NotFound
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.transactions import in_transaction
from heimat.store import reading_test_rows, system_rows

ReadingTest = reading_test_rows.ReadingRow
"""A test, and how much of it was read."""
FIGURES = 6
"""How many figures a reader is shown."""
_DIGITS = 4
MOST_TESTS = 200
"""Of one system."""
MOST_READERS = 2000
"""Of one test."""
MOST_AN_HOUR = 60
"""How often one link is opened within an hour: a whole class, and nobody who makes readers up."""


@dataclass(frozen=True)
class Reader:
    """One who reads: by which key the answer comes, and the figures that are shown."""

    key: str
    figures: tuple[str, ...]


class ReadingTests:
    """The reading tests of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents

    def of(self, slug: str) -> list[ReadingTest]:
        """All tests of a system. Raises NotFound for no system."""
        with self._engine.connect() as connection:
            return reading_test_rows.tests_of(connection, self._documents.find(slug, connection).id)

    def begin(self, slug: str, ink: str, ground: str, px: int, person_id: str) -> ReadingTest:
        """The test of two colors (`#RRGGBB`) at a size in CSS pixels: the one that is there, or a new one.

        Raises NotFound for no system, DomainError where it has too many tests.
        """

        def work(connection: Connection) -> ReadingTest:
            row = self._documents.find_to_change(slug, connection)
            system_rows.hold_system(connection, row.id)
            known = reading_test_rows.tests_of(connection, row.id)
            found = next(
                (each for each in known if (each.ink, each.ground, each.px) == (ink, ground, px)),
                None,
            )
            if found is not None:
                return found
            if len(known) >= MOST_TESTS:
                raise DomainError(
                    f"A system has at most {MOST_TESTS} reading tests.", "reading", "limit"
                )
            key = secrets.token_urlsafe(18)
            reading_test_rows.add_test(connection, row.id, key, ink, ground, px, person_id, now())
            return self._of_link(reading_test_rows.test_with(connection, key))

        return in_transaction(self._engine, work)

    def open(self, key: str) -> tuple[ReadingTest, Reader]:
        """The test that a link leads to, and figures for one more reader. Raises NotFound, and DomainError when full.

        The figures are kept here, so that what was shown is nothing that a reader says.
        """
        reader = Reader(secrets.token_urlsafe(18), tuple(_figures()))

        def work(connection: Connection) -> ReadingTest:
            test = self._of_link(reading_test_rows.test_with(connection, key))
            reading_test_rows.hold_test(connection, test.id)
            since = now() - timedelta(hours=1)
            if reading_test_rows.opened_since(connection, test.id, since) >= MOST_AN_HOUR:
                words = f"This link was opened {MOST_AN_HOUR} times within the last hour. Open it again later."
                raise DomainError(words, "reading", "limit")
            reading_test_rows.add_reader(
                connection, test.id, reader.key, " ".join(reader.figures), now()
            )
            reading_test_rows.drop_readers(connection, test.id, now() - timedelta(days=1))
            return test

        return in_transaction(self._engine, work), reader

    def answer(self, key: str, reader: str, typed: Sequence[str]) -> None:
        """Count what one reader has typed, once. Raises NotFound, and DomainError when full or counted already."""

        def work(connection: Connection) -> None:
            test = self._of_link(reading_test_rows.test_with(connection, key))
            figures = reading_test_rows.take_reader(connection, test.id, reader)
            if figures is None:
                words = "This was counted already, or was opened too long ago. Open the link again to read once more."
                raise DomainError(words, "reader", "counted")
            if test.readers >= MOST_READERS:
                raise DomainError(
                    "This test has all the readers that it can count.", "reading", "limit"
                )
            shown = figures.split(" ")
            right = sum(figure == _plain(text) for figure, text in zip(shown, typed, strict=False))
            reading_test_rows.add_answer(connection, test.id, len(shown), right, now())

        in_transaction(self._engine, work)

    def empty(self, slug: str, key: str, person_id: str) -> ReadingTest:
        """Count no reader of a test any more. Raises NotFound, and DomainError for who has not begun it."""

        def work(connection: Connection) -> ReadingTest:
            row = self._documents.find_to_change(slug, connection)
            test = next(
                (
                    each
                    for each in reading_test_rows.tests_of(connection, row.id)
                    if each.key == key
                ),
                None,
            )
            found = self._of_link(test)
            if found.person_id != person_id:
                raise DomainError(
                    f"Only {found.person}, who began this test, can empty it.",
                    "reading",
                    "not_yours",
                )
            reading_test_rows.empty_test(connection, found.id)
            return self._of_link(reading_test_rows.test_with(connection, key))

        return in_transaction(self._engine, work)

    @staticmethod
    def _of_link(found: ReadingTest | None) -> ReadingTest:
        if found is None:
            raise NotFound("This link leads to no reading test.")
        return found


def _figures() -> list[str]:
    """Figures to be read: digits that nobody can guess from the ones beside them."""
    return ["".join(secrets.choice("0123456789") for _ in range(_DIGITS)) for _ in range(FIGURES)]


def _plain(text: str) -> str:
    return "".join(text.split())
