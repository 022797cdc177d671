"""Typefaces of teams' own, in which samples of text are set."""

from dataclasses import dataclass

from sqlalchemy import Connection, Engine

from heimat.core.color.naming import NO_LINE
from heimat.core.errors import NotFound
from heimat.formats.read.read_typeface import check_typeface
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import typeface_rows

LARGEST_TYPEFACE = 2_000_000
"""Bytes."""
LONGEST_NAME = 120


@dataclass(frozen=True)
class Typeface:
    """A font file, what it was called, and its media type."""

    name: str
    media_type: str
    content: bytes


class Typefaces:
    """The typefaces of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents, workers: Workers) -> None:
        self._engine = engine
        self._documents = documents
        self._lane = workers.reading

    def find(self, slug: str) -> Typeface | None:
        """The typeface of a system; None where it has none. Raises NotFound for no system."""
        with self._engine.connect() as connection:
            found = typeface_rows.find_typeface(
                connection, self._documents.find(slug, connection).id
            )
        return Typeface(*found) if found else None

    def keep(self, slug: str, content: bytes, name: str, person_id: str) -> None:
        """Keep a typeface in place of the one before, once text can be set in it.

        Raises NotFound, and DomainError (field `typeface`) for what is none or is broken; then the one before stays.
        """
        called = " ".join(NO_LINE.sub(" ", name).split())[:LONGEST_NAME] or "typeface"
        media_type = self._lane.run(check_typeface, content, called)

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(slug, connection)
            typeface_rows.keep_typeface(
                connection, row.id, called, media_type, content, person_id, now()
            )

        in_transaction(self._engine, work)

    def remove(self, slug: str) -> None:
        """Keep no typeface any more. Raises NotFound."""

        def work(connection: Connection) -> None:
            typeface_rows.remove_typeface(
                connection, self._documents.find_to_change(slug, connection).id
            )

        in_transaction(self._engine, work)

    def content(self, slug: str) -> Typeface:
        """The typeface of a system. Raises NotFound where it has none."""
        found = self.find(slug)
        if found is None:
            raise NotFound("This system has no typeface of its own yet.")
        return found
