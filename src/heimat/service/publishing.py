"""Publishing: what would change, the release itself, and the files of the feed."""

import hashlib
import re
from dataclasses import dataclass

import orjson
from sqlalchemy import Connection, Engine

from heimat.core.errors import DomainError, NotFound
from heimat.core.publication.changes import TokenChange, compare, next_version, same
from heimat.core.publication.publication import PublishedTheme, publication
from heimat.core.resolve.resolved import Resolved
from heimat.formats import Written, write_all
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.transactions import in_transaction
from heimat.store import releases, revisions, systems
from heimat.store.releases import FileRow, NewRelease, ReleaseRow
from heimat.store.systems import SystemRow

_VERSION = re.compile(r"^(0|[1-9]\d{0,5})\.(0|[1-9]\d{0,5})\.(0|[1-9]\d{0,5})$")
LONGEST_NOTES = 4000
LATEST = "latest"


@dataclass(frozen=True)
class Draft:
    """What publishing now would do: the changes since the latest release, the version proposed, the files' texts."""

    latest: str | None
    changes: list[TokenChange]
    proposed: str
    files: list[tuple[str, str]]
    themes: tuple[PublishedTheme, ...]


class Publishing:
    """Releases and feeds of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents

    def all(self, system_id: int) -> list[ReleaseRow]:
        """The releases, highest version first."""
        with self._engine.connect() as connection:
            return releases.all_releases(connection, system_id)

    def file_names(self, system_id: int) -> dict[int, list[str]]:
        """The names of the files of every release, by its id."""
        with self._engine.connect() as connection:
            return releases.file_names(connection, system_id)

    def draft(self, row: SystemRow, resolved: Resolved) -> Draft:
        """What publishing a document now would do."""
        with self._engine.connect() as connection:
            latest = releases.latest_release(connection, row.id)
        now_published = publication(resolved)
        before = self._documents.publication(latest.id) if latest else None
        changes = compare(before, now_published)
        version = next_version(latest.version if latest else None, changes)
        files = [(file.name, file.content.decode()) for file in write_all(now_published, version)]
        return Draft(latest.version if latest else None, changes, version, files, now_published.themes)

    def publish(self, slug: str, number: int, version: str, notes: str, person_id: str) -> tuple[ReleaseRow, bool]:
        """Publish a revision as a version. Returns the release, and whether it is a new one.

        What is published already as the latest release is not published twice. Raises DomainError (fields `version`
        and `notes`) and NotFound.
        """
        wanted = _parse_version(version)
        if len(notes) > LONGEST_NOTES:
            raise DomainError(f"Notes have at most {LONGEST_NOTES} characters.", "notes", "too_long")
        system_id, alternative_id = self._documents.alternative(slug)
        content = publication(self._documents.resolved(alternative_id, number))
        digest = hashlib.sha256(orjson.dumps(content.plain())).hexdigest()
        files = [_file(file) for file in write_all(content, version)]

        def work(connection: Connection) -> tuple[ReleaseRow, bool]:
            systems.lock_head(connection, alternative_id)
            latest = releases.latest_release(connection, system_id)
            if latest is not None and same(self._documents.publication(latest.id, connection), content):
                return latest, False
            if latest is not None and wanted <= _parse_version(latest.version):
                raise DomainError(f"{latest.version} is out already; the next one is higher.", "version", "taken")
            releases.add_release(
                connection,
                NewRelease(
                    system_id=system_id,
                    alternative_id=alternative_id,
                    revision_id=revisions.id_of(connection, alternative_id, number),
                    version=wanted,
                    notes=notes.strip(),
                    person_id=person_id,
                    at=now(),
                    digest=digest,
                    publication=content.plain(),
                    files=files,
                ),
            )
            made = releases.latest_release(connection, system_id)
            assert made is not None
            return made, True

        return in_transaction(self._engine, work)

    def file(self, slug: str, version: str, name: str) -> FileRow:
        """A file of the feed. Raises NotFound."""
        number = None
        if version != LATEST:
            match = _VERSION.match(version)
            if match is None:
                raise NotFound(f"“{version}” is no version. Use one like 1.0.0, or {LATEST}.")
            number = _parse_version(version)
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
            found = releases.find_file(connection, row.id, number, name) if row else None
        if found is None:
            raise NotFound(f"There is no file {name} in version {version} of “{slug}”.")
        return found


def _file(file: Written) -> FileRow:
    return FileRow(file.name, file.media_type, hashlib.sha256(file.content).hexdigest(), file.content)


def _parse_version(text: str) -> tuple[int, int, int]:
    match = _VERSION.match(text)
    if match is None:
        raise DomainError("A version has three numbers, for example 1.2.0.", "version", "unreadable")
    major, minor, patch = (int(part) for part in match.groups())
    return major, minor, patch
