"""Pages of teams' own, which are drawn with their tokens. They are shown and never run."""

from sqlalchemy import Connection, Engine

from heimat.core.errors import DomainError, NotFound
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.transactions import in_transaction
from heimat.store import own_page_rows

LARGEST_PAGE = 5_000_000
"""Bytes."""


class OwnPages:
    """The own pages of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents

    def find(self, slug: str) -> str:
        """The markup of a system's own page. Raises NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
            markup = own_page_rows.find_page(connection, row.id)
        if markup is None:
            raise NotFound("This system has no page of its own yet.")
        return markup

    def keep(self, slug: str, content: bytes, person_id: str) -> None:
        """Keep a page in place of the one before. Raises NotFound, and DomainError (field `page`) for no page."""
        try:
            markup = content.decode("utf-8-sig")
        except UnicodeDecodeError as error:
            raise DomainError(
                "This is no text: give the page as HTML in UTF-8.", "page", "unreadable"
            ) from error
        if "<" not in markup:
            raise DomainError(
                "There is no element in it: give a page, or a part of one, as HTML.",
                "page",
                "empty",
            )

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(slug, connection)
            own_page_rows.keep_page(connection, row.id, markup, person_id, now())

        in_transaction(self._engine, work)

    def remove(self, slug: str) -> None:
        """Keep no page any more. Raises NotFound."""

        def work(connection: Connection) -> None:
            own_page_rows.remove_page(
                connection, self._documents.find_to_change(slug, connection).id
            )

        in_transaction(self._engine, work)
