"""Documents of revisions. A revision never changes, so each process may remember the ones it has read."""

import logging
import threading
from contextlib import nullcontext
from typing import Any

from cachetools import LRUCache
from sqlalchemy import Connection, Engine

from heimat.core.document.system import SCHEMA, ColorSystem
from heimat.core.document.upgrades import read_document
from heimat.core.errors import DomainError, NotFound
from heimat.core.publication.plain_publication import publication_of
from heimat.core.publication.publication import Publication
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.service.failures import ReadOnly, Unreadable
from heimat.store import release_rows, revision_rows, system_rows
from heimat.store.system_rows import SystemRow

_REMEMBERED = 64
_RESOLVED = 8
_ADDRESSES = 4096


_log = logging.getLogger(__name__)


class Documents:
    """Reads documents and publications, remembering the last 64 of each, and what addresses stand for."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._systems: LRUCache[tuple[int, int], ColorSystem] = LRUCache(_REMEMBERED)
        self._problems: LRUCache[tuple[int, int], str] = LRUCache(_ADDRESSES)
        self._resolved: LRUCache[tuple[int, int], Resolved] = LRUCache(_RESOLVED)
        self._publications: LRUCache[int, Publication] = LRUCache(_REMEMBERED)
        self._addresses: LRUCache[str, tuple[int, int]] = LRUCache(_ADDRESSES)
        self._versions: LRUCache[tuple[int, str], int] = LRUCache(_ADDRESSES)
        self._lock = threading.Lock()

    def system(
        self, alternative_id: int, number: int, connection: Connection | None = None
    ) -> ColorSystem:
        """The document of a revision by its number. Raises NotFound, and Unreadable.

        A transaction gives its own connection: asking the pool for a second one could wait for itself.
        """
        with self._lock:
            known = self._systems.get((alternative_id, number))
        if known is not None:
            return known
        if connection is not None:
            data = revision_rows.document(connection, alternative_id, number)
        else:
            with self._engine.connect() as own:
                data = revision_rows.document(own, alternative_id, number)
        if data is None:
            raise NotFound(f"There is no revision {number}.")
        try:
            return self.remember(alternative_id, number, _read(data, alternative_id, number))
        except Unreadable as unreadable:
            with self._lock:
                self._problems[alternative_id, number] = unreadable.message
            raise

    def problem_of(self, alternative_id: int, number: int) -> str | None:
        """Why a revision could not be read, if somebody has tried."""
        with self._lock:
            return self._problems.get((alternative_id, number))

    def remember(
        self,
        alternative_id: int,
        number: int,
        system: ColorSystem,
        resolved: Resolved | None = None,
    ) -> ColorSystem:
        """Keep a document that was just stored or read, and what follows from it, if that is known."""
        with self._lock:
            self._systems[alternative_id, number] = system
            if resolved is not None:
                self._resolved[alternative_id, number] = resolved
        return system

    def resolved(self, alternative_id: int, number: int) -> Resolved:
        """All that follows from a revision. Raises NotFound.

        Remembered for the last few: a revision is looked at in many ways, and asked what it has nearby.
        """
        key = (alternative_id, number)
        with self._lock:
            known = self._resolved.get(key)
        if known is not None:
            return known
        found = resolve(self.system(alternative_id, number))
        with self._lock:
            self._resolved[key] = found
        return found

    def alternative(self, slug: str) -> tuple[int, int]:
        """The ids of a system and its main alternative, as they were last read. Raises NotFound."""
        with self._lock:
            known = self._addresses.get(slug)
        if known is not None:
            return known
        with self._engine.connect() as connection:
            row = self.find(slug, connection)
        return row.id, row.alternative_id

    def forget(self, slug: str) -> None:
        """An alternative is gone: its address stands for nothing any more."""
        with self._lock:
            self._addresses.pop(slug, None)

    def find(self, slug: str, connection: Connection) -> SystemRow:
        """A system as it is now. Raises NotFound."""
        row = system_rows.find_system(connection, slug)
        if row is None:
            raise NotFound(f"There is no system at “{slug}”.")
        with self._lock:
            self._addresses[slug] = (row.id, row.alternative_id)
        return row

    def find_to_change(self, slug: str, connection: Connection) -> SystemRow:
        """A system that something is to be changed in. Raises NotFound, and ReadOnly at the address of a release."""
        row = self.find(slug, connection)
        if row.released:
            raise ReadOnly(row.released)
        return row

    def published(self, system_id: int, version: str) -> Publication | None:
        """What a version published, if there is one."""
        with self._lock:
            release_id = self._versions.get((system_id, version))
        if release_id is None:
            with self._engine.connect() as connection:
                rows = release_rows.all_releases(connection, system_id)
            release_id = next((row.id for row in rows if row.version == version), None)
            if release_id is None:
                return None
            with self._lock:
                self._versions[system_id, version] = release_id
        return self.publication(release_id)

    def publication(self, release_id: int, connection: Connection | None = None) -> Publication:
        """What a release published. A transaction gives its own connection."""
        with self._lock:
            known = self._publications.get(release_id)
        if known is not None:
            return known
        with nullcontext(connection) if connection else self._engine.connect() as asked:
            found = publication_of(release_rows.publication_of(asked, release_id))
        with self._lock:
            self._publications[release_id] = found
        return found


def _read(data: dict[str, Any], alternative_id: int, number: int) -> ColorSystem:
    try:
        return read_document(data)
    except (ValueError, KeyError, TypeError, DomainError) as error:
        _log.exception("revision %s of alternative %s cannot be read", number, alternative_id)
        name = str(data.get("name", ""))[:80]
        form = data.get("schema")
        reason = (
            f"it is stored in form {form}"
            if isinstance(form, int) and form > SCHEMA
            else str(error).splitlines()[0]
        )
        raise Unreadable(
            f"“{name}” cannot be read by this Heimat at revision {number}: {reason[:200]}"
        ) from error
