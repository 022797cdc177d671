"""Reading tests by link: where eye and rule disagree, people of the team's own choosing read, and are counted."""

import secrets
from collections.abc import Sequence

from sqlalchemy import Engine

from heimat.core.errors import DomainError, NotFound
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.store import reading_tests

ReadingTest = reading_tests.ReadingRow
"""A test, and how much of it was read."""
FIGURES = 6
"""How many figures a reader is shown."""
_DIGITS = 4
MOST_TESTS = 200
"""Of one system."""
MOST_READERS = 2000
"""Of one test."""


class ReadingTests:
    """The reading tests of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents

    def of(self, slug: str) -> list[ReadingTest]:
        """All tests of a system. Raises NotFound for no system."""
        with self._engine.connect() as connection:
            return reading_tests.tests_of(connection, self._documents.find(slug, connection).id)

    def begin(self, slug: str, ink: str, ground: str, px: int, person_id: str) -> ReadingTest:
        """The test of two colors (`#RRGGBB`) at a size in CSS pixels: the one that is there, or a new one.

        Raises NotFound for no system, DomainError where it has too many tests.
        """
        with self._engine.begin() as connection:
            row = self._documents.find_to_change(slug, connection)
            known = reading_tests.tests_of(connection, row.id)
            found = next((each for each in known if (each.ink, each.ground, each.px) == (ink, ground, px)), None)
            if found is not None:
                return found
            if len(known) >= MOST_TESTS:
                raise DomainError(f"A system has at most {MOST_TESTS} reading tests.", "reading", "limit")
            key = secrets.token_urlsafe(18)
            reading_tests.add_test(connection, row.id, key, ink, ground, px, person_id, now())
            return self._of_link(reading_tests.test_with(connection, key))

    def find(self, key: str) -> ReadingTest:
        """The test that a link leads to. Raises NotFound."""
        with self._engine.connect() as connection:
            return self._of_link(reading_tests.test_with(connection, key))

    def answer(self, key: str, answers: Sequence[tuple[str, str]]) -> None:
        """Count one reader: what was shown, and what was typed for it. Raises NotFound, and DomainError when full."""
        right = sum(_plain(shown) == _plain(typed) for shown, typed in answers)
        with self._engine.begin() as connection:
            test = self._of_link(reading_tests.test_with(connection, key))
            if test.readers >= MOST_READERS:
                raise DomainError("This test has all the readers that it can count.", "reading", "limit")
            reading_tests.add_answer(connection, test.id, len(answers), right, now())

    @staticmethod
    def _of_link(found: ReadingTest | None) -> ReadingTest:
        if found is None:
            raise NotFound("This link leads to no reading test.")
        return found


def figures() -> list[str]:
    """Figures to be read: digits that nobody can guess from the ones beside them."""
    return ["".join(secrets.choice("0123456789") for _ in range(_DIGITS)) for _ in range(FIGURES)]


def _plain(text: str) -> str:
    return "".join(text.split())
