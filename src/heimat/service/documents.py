"""Documents of revisions. A revision never changes, so each process may remember the ones it has read."""

import threading
from collections import OrderedDict

from sqlalchemy import Connection, Engine

from heimat.core.publication import Publication
from heimat.core.resolve import Resolved, resolve
from heimat.core.system import ColorSystem, read_document
from heimat.service.errors import NotFound
from heimat.store import releases, revisions, systems

_REMEMBERED = 64
_RESOLVED = 8


class Documents:
    """Reads documents and publications, remembering the last 64 of each, and what addresses stand for."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._systems: OrderedDict[tuple[int, int], ColorSystem] = OrderedDict()
        self._resolved: OrderedDict[tuple[int, int], Resolved] = OrderedDict()
        self._publications: OrderedDict[int, Publication] = OrderedDict()
        self._addresses: dict[str, tuple[int, int]] = {}
        self._versions: dict[tuple[int, str], int] = {}
        self._lock = threading.Lock()

    def system(self, alternative_id: int, number: int, connection: Connection | None = None) -> ColorSystem:
        """The document of a revision by its number. Raises NotFound.

        A transaction gives its own connection: asking the pool for a second one could wait for itself.
        """
        key = (alternative_id, number)
        with self._lock:
            if key in self._systems:
                self._systems.move_to_end(key)
                return self._systems[key]
        if connection is not None:
            data = revisions.document(connection, alternative_id, number)
        else:
            with self._engine.connect() as own:
                data = revisions.document(own, alternative_id, number)
        if data is None:
            raise NotFound(f"There is no revision {number}.")
        return self.remember(alternative_id, number, read_document(data))

    def remember(self, alternative_id: int, number: int, system: ColorSystem) -> ColorSystem:
        """Keep a document that was just stored or read."""
        with self._lock:
            self._systems[alternative_id, number] = system
            while len(self._systems) > _REMEMBERED:
                self._systems.popitem(last=False)
        return system

    def resolved(self, alternative_id: int, number: int) -> Resolved:
        """The colors of a revision, in its first theme. Raises NotFound.

        Remembered for the last few: under a dragged crosshair, each move asks what the system has nearby.
        """
        key = (alternative_id, number)
        with self._lock:
            if key in self._resolved:
                self._resolved.move_to_end(key)
                return self._resolved[key]
        found = resolve(self.system(alternative_id, number))
        with self._lock:
            self._resolved[key] = found
            while len(self._resolved) > _RESOLVED:
                self._resolved.popitem(last=False)
        return found

    def alternative(self, slug: str) -> tuple[int, int]:
        """The ids of a system and its main alternative. Raises NotFound. Addresses never change hands."""
        with self._lock:
            if slug in self._addresses:
                return self._addresses[slug]
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
        if row is None:
            raise NotFound(f"There is no system at “{slug}”.")
        with self._lock:
            self._addresses[slug] = (row.id, row.alternative_id)
        return row.id, row.alternative_id

    def know(self, slug: str, system_id: int, alternative_id: int) -> None:
        """Remember what an address stands for, as somebody has just read it."""
        with self._lock:
            self._addresses[slug] = (system_id, alternative_id)

    def published(self, system_id: int, version: str) -> Publication | None:
        """What a version published, if there is one."""
        with self._lock:
            release_id = self._versions.get((system_id, version))
        if release_id is None:
            with self._engine.connect() as connection:
                rows = releases.all_releases(connection, system_id)
            release_id = next((row.id for row in rows if row.version == version), None)
            if release_id is None:
                return None
            with self._lock:
                self._versions[system_id, version] = release_id
        return self.publication(release_id)

    def publication(self, release_id: int) -> Publication:
        """What a release published."""
        with self._lock:
            if release_id in self._publications:
                return self._publications[release_id]
        with self._engine.connect() as connection:
            found = Publication.from_plain(releases.publication_of(connection, release_id))
        with self._lock:
            self._publications[release_id] = found
            while len(self._publications) > _REMEMBERED:
                self._publications.popitem(last=False)
        return found
