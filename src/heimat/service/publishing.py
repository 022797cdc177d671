"""Publishing: what would change, the release itself, and the files of the feed."""

import hashlib
from dataclasses import dataclass

import orjson
from sqlalchemy import Connection, Engine

from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError
from heimat.core.publication.changes import TokenChange, compare, next_version, same
from heimat.core.publication.publication import Publication, PublishedTheme, publication
from heimat.core.resolve.resolved import resolve
from heimat.formats import ARCHIVE, write_all
from heimat.formats.packing import packed
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.feeds import Feeds, version_of
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import releases, revisions, systems
from heimat.store.releases import FileRow, NewRelease, ReleaseRow
from heimat.store.systems import SystemRow

LONGEST_NOTES = 4000


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

    def __init__(self, engine: Engine, documents: Documents, workers: Workers, feeds: Feeds) -> None:
        self._engine = engine
        self._documents = documents
        self._workers = workers
        self._feeds = feeds

    def all(self, system_id: int) -> list[ReleaseRow]:
        """The releases, highest version first."""
        with self._engine.connect() as connection:
            return releases.all_releases(connection, system_id)

    def file_names(self, system_id: int) -> dict[int, list[str]]:
        """The names of the files of every release, by its id."""
        with self._engine.connect() as connection:
            return releases.file_names(connection, system_id)

    def draft(self, row: SystemRow) -> Draft:
        """What publishing a system's newest revision would do."""
        with self._engine.connect() as connection:
            latest = releases.latest_release(connection, row.id)
        before = self._documents.publication(latest.id) if latest else None
        system = self._documents.system(row.alternative_id, row.head_number)
        return self._workers.run(_drafted, system, before, latest.version if latest else None)

    def publish(self, slug: str, number: int, version: str, notes: str, person_id: str) -> tuple[ReleaseRow, bool]:
        """Publish a revision as a version. Returns the release, and whether it is a new one.

        What is published already as the latest release is not published twice. Raises DomainError (fields `version`
        and `notes`) and NotFound.
        """
        wanted = _parse_version(version)
        if len(notes) > LONGEST_NOTES:
            raise DomainError(f"Notes have at most {LONGEST_NOTES} characters.", "notes", "too_long")
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
        system_id, alternative_id = row.id, row.alternative_id
        made = self._workers.run(_published, self._documents.system(alternative_id, number), version)

        def work(connection: Connection) -> tuple[ReleaseRow, bool]:
            systems.lock_head(connection, alternative_id)
            latest = releases.latest_release(connection, system_id)
            if latest is not None and same(self._documents.publication(latest.id, connection), made.content):
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
                    digest=made.digest,
                    publication=made.content.plain(),
                    files=made.files,
                ),
            )
            out = releases.latest_release(connection, system_id)
            assert out is not None
            return out, True

        found = in_transaction(self._engine, work)
        self._feeds.published()
        return found


@dataclass(frozen=True)
class _Made:
    """What a document comes to when it is published."""

    content: Publication
    digest: str
    files: list[FileRow]


def _published(system: ColorSystem, version: str) -> _Made:
    content = publication(resolve(system))
    digest = hashlib.sha256(orjson.dumps(content.plain())).hexdigest()
    written = (packed(file.name, file.media_type, file.content) for file in write_all(content, version))
    files = [FileRow(each.name, each.media_type, each.digest, each.content, each.gzip, each.brotli) for each in written]
    return _Made(content, digest, files)


def _drafted(system: ColorSystem, before: Publication | None, latest: str | None) -> Draft:
    content = publication(resolve(system))
    changes = compare(before, content)
    version = next_version(latest, changes)
    written = write_all(content, version)
    files = [(file.name, file.content.decode() if file.media_type != ARCHIVE else "") for file in written]
    return Draft(latest, changes, version, files, content.themes)


def _parse_version(text: str) -> tuple[int, int, int]:
    number = version_of(text)
    if number is None:
        raise DomainError("A version has three numbers, for example 1.2.0.", "version", "unreadable")
    return number
