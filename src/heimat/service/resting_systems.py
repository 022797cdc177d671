"""Systems that rest on others: what can be taken, taking it at a version, what a newer one would change."""

from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy import Engine

from heimat.core.document.hues import Hue
from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError, NotFound
from heimat.core.publication.taking import Release, Taking, offered, part_of, taking
from heimat.service.documents import Documents
from heimat.service.editing import Editing, Head
from heimat.service.feeds import version_of
from heimat.service.publishing import Comparison, compared
from heimat.store import release_rows, system_rows
from heimat.store.system_rows import SystemRow


@dataclass(frozen=True)
class Offer:
    """A system that one could rest on, at its latest version: its address, name, and hues."""

    address: str
    name: str
    version: str
    hues: list[Hue]


@dataclass(frozen=True)
class Newer:
    """A later version of what a system rests on, and what it would change here."""

    version: str
    compared: Comparison


class Resting:
    """What systems of one database take from each other."""

    def __init__(self, engine: Engine, documents: Documents, editing: Editing) -> None:
        self._engine = engine
        self._documents = documents
        self._editing = editing

    def offers(self, slug: str) -> list[Offer]:
        """The systems that have a release to rest on, but for the one that asks. Raises NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
            latest = release_rows.latest_versions(connection)
            others = [
                each
                for each in system_rows.listed_systems(connection)
                if each.id in latest and each.id != row.id
            ]
        found = [(each, self.release(each.slug, latest[each.id])) for each in others]
        return [Offer(each.slug, each.name, made.version, offered(made)) for each, made in found]

    def newer(self, system: ColorSystem) -> Newer | None:
        """What is out of the system that one rests on since, with what of it would change here."""
        rests_on = system.rests_on
        if rests_on is None:
            return None
        with self._engine.connect() as connection:
            row = system_rows.find_system(connection, rests_on.address)
            latest = release_rows.latest_release(connection, row.id) if row else None
        if row is None or latest is None or latest.version == rests_on.version:
            return None
        versions = (rests_on.version, latest.version)
        was, now = (
            part_of(system, self.release(row.slug, each), rests_on.chosen) for each in versions
        )
        return Newer(latest.version, compared(was, now, latest.version))

    def release(self, address: str, version: str) -> Release:
        """A release of a system. Raises NotFound."""
        number = version_of(version)
        with self._engine.connect() as connection:
            row: SystemRow = self._documents.find(address, connection)
            found = release_rows.find_release(connection, row.id, number) if number else None
            if found is None:
                raise NotFound(f"There is no release {version} of {row.name}.")
            document = self._documents.system(
                found.alternative_id, found.revision_number, connection
            )
            return Release(
                row.slug, found.version, document, self._documents.publication(found.id, connection)
            )

    def planned(self, slug: str, address: str, version: str, hues: Sequence[str]) -> Taking:
        """What would be taken. Raises DomainError and NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
        return taking(
            self._documents.system(row.alternative_id, row.head_number),
            self.release(address, version),
            hues,
        )

    def rest(
        self,
        slug: str,
        address: str,
        version: str,
        hues: Sequence[str],
        base: int,
        person_id: str,
        key: str,
    ) -> Head:
        """Take some hues of a release of another system, with what stands on them, as one change on revision `base`.

        Raises DomainError, NotFound, and Conflict where it meets what others did since.
        """
        with self._engine.connect() as connection:
            row = self._documents.find_to_change(slug, connection)
            if address.partition("~")[0] == row.slug:
                raise DomainError("A system cannot rest on itself.", "address", "loop")
            here = self._documents.system(row.alternative_id, base, connection)
        edit = taking(here, self.release(address, version), hues).edit
        return self._editing.edit(slug, person_id, base, [edit], key, [address, version, *hues])
