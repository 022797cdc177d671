"""What was released before: looked at, gone back to thing by thing, begun from again as an alternative."""

from sqlalchemy import Engine

from heimat.core.document.system import ColorSystem
from heimat.core.edits.changed_things import taking_over
from heimat.core.errors import NotFound
from heimat.service.alternatives import Alternatives
from heimat.service.documents import Documents
from heimat.service.editing import Editing, Head
from heimat.service.feeds import version_of
from heimat.store import release_rows


class EarlierReleases:
    """The documents that releases of one database's systems were made of."""

    def __init__(
        self, engine: Engine, documents: Documents, editing: Editing, alternatives: Alternatives
    ) -> None:
        self._engine = engine
        self._documents = documents
        self._editing = editing
        self._alternatives = alternatives

    def document(self, address: str, version: str) -> ColorSystem:
        """The document that a release was made of. Raises NotFound."""
        number = version_of(version)
        with self._engine.connect() as connection:
            row = self._documents.find(address, connection)
            found = release_rows.find_release(connection, row.id, number) if number else None
            if found is None:
                raise NotFound(f"There is no release {version}.")
            return self._documents.system(found.alternative_id, found.revision_number, connection)

    def put_back(
        self, address: str, version: str, ids: list[str], base: int, person_id: str, key: str
    ) -> Head:
        """Put chosen things as they were in a release, as one change.

        Raises DomainError, NotFound, and Conflict where it meets what others did since revision `base`.
        """
        was, sent = self.document(address, version), [version, *sorted(ids)]
        with self._engine.connect() as connection:
            row = self._documents.find(address, connection)
            here = self._documents.system(row.alternative_id, base, connection)
        return self._editing.edit(
            address, person_id, base, [taking_over(here, was, ids, version)], key, sent
        )

    def begin(self, address: str, version: str, name: str, person_id: str) -> str:
        """Make an alternative that begins with what was released. Returns its address.

        Raises DomainError (field `name`) for a name that cannot be, and NotFound.
        """
        return self._alternatives.add(
            address, name, person_id, self.document(address, version), version
        )
