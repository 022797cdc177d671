"""Feeds: the files of releases, from memory. A version's file never changes; which version is the latest does.

What came since is told by a counter, the highest id of all releases, which is asked for once a second at most. While
the database is away, what is remembered is still served.
"""

import re
import threading
import time

from cachetools import LRUCache
from sqlalchemy import Engine
from sqlalchemy.exc import DBAPIError
from sqlalchemy.exc import TimeoutError as PoolTimeout

from heimat.core.errors import NotFound
from heimat.formats.packing import PackedFile, packed
from heimat.formats.write import feed_page
from heimat.formats.write.feed_page import FeedRelease
from heimat.store import releases, systems

LATEST = "latest"
MOST_BYTES = 64_000_000
"""Bytes of files, compressed ones too, that a process remembers."""
COUNT_SECONDS = 1.0
"""How long another process's release may stay unseen."""
_ENTRY_BYTES = 600
_VERSION = re.compile(r"(0|[1-9][0-9]{0,5})\.(0|[1-9][0-9]{0,5})\.(0|[1-9][0-9]{0,5})")
_REMEMBERED_SYSTEMS = 10_000


_RANGE = re.compile(r"(0|[1-9][0-9]{0,5})(?:\.(0|[1-9][0-9]{0,5}))?")


def moves(version: str) -> bool:
    """Whether an address stands for whichever version is the highest: `latest`, or a range like 1 or 1.2."""
    return version == LATEST or _RANGE.fullmatch(version) is not None


def version_of(text: str) -> tuple[int, int, int] | None:
    """The numbers of a version like 1.2.0; None for anything else."""
    match = _VERSION.fullmatch(text)
    if match is None:
        return None
    major, minor, patch = (int(part) for part in match.groups())
    return major, minor, patch


Key = tuple[str, str, str]
"""The address of a system, a version or `latest`, and the name of a file."""


class Feeds:
    """The feeds of one database."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._files: LRUCache[Key, PackedFile] = LRUCache(MOST_BYTES, getsizeof=_size)
        self._latest: LRUCache[tuple[str, str], str] = LRUCache(_REMEMBERED_SYSTEMS)
        self._counted = -1
        self._made = 0
        self._good_until = 0.0
        self._lock = threading.Lock()
        self._counting = threading.Lock()

    def remembered(self, slug: str, version: str, name: str) -> PackedFile | None:
        """A file that can be answered with at once, without asking anything."""
        with self._lock:
            if not moves(version):
                return self._files.get((slug, version, name))
            newest = self._latest.get((slug, version)) if time.monotonic() < self._good_until else None
            return self._files.get((slug, newest, name)) if newest else None

    def find(self, slug: str, version: str, name: str) -> PackedFile:
        """A file of the feed. Raises NotFound."""
        if not moves(version):
            return self._find(slug, version, name)
        self._count()
        with self._lock:
            newest = self._latest.get((slug, version))
        return self._find(slug, newest or self._ask_latest(slug, version), name)

    def page(self, slug: str, origin: str) -> bytes:
        """The page at the root of a feed, served from an origin like `http://localhost`. Raises NotFound."""
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
            if row is None:
                raise NotFound(f"There is no system “{slug}”.")
            rows = releases.all_releases(connection, row.id)
            names = releases.file_names(connection, row.id)
        told = [
            FeedRelease(each.version, f"{each.at:%Y-%m-%d}", each.notes, tuple(sorted(names.get(each.id, ()))))
            for each in rows
        ]
        return feed_page.write(row.name, f"{origin}/feeds/{slug}/", told)

    def published(self) -> None:
        """Somebody has just published here: the next who asks for the latest looks."""
        with self._lock:
            self._made += 1
            self._good_until = 0.0
            self._latest.clear()

    def _find(self, slug: str, version: str, name: str) -> PackedFile:
        with self._lock:
            known = self._files.get((slug, version, name))
        if known is not None:
            return known
        number = version_of(version)
        if number is None:
            raise NotFound(f"“{version}” is no version. Use one like 1.0.0, a range like 1 or 1.0, or {LATEST}.")
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
            found = releases.find_file(connection, row.id, number, name) if row else None
        if found is None:
            raise NotFound(f"There is no file {name} in version {version} of “{slug}”.")
        whole = found if found.gzip or found.brotli else packed(found.name, found.media_type, found.content)
        file = PackedFile(name, found.media_type, found.digest, found.content, whole.gzip, whole.brotli)
        if _size(file) <= MOST_BYTES:
            with self._lock:
                self._files[slug, version, name] = file
        return file

    def _ask_latest(self, slug: str, version: str) -> str:
        with self._lock:
            counted = self._counted
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
            within = () if version == LATEST else tuple(map(int, version.split(".")))
            latest = releases.latest_release(connection, row.id, within) if row else None
        if latest is None:
            what = "Nothing" if version == LATEST else f"No version {version}"
            raise NotFound(f"{what} is published yet of “{slug}”.")
        with self._lock:
            # A release that was counted meanwhile may be newer than what was read.
            if counted == self._counted:
                self._latest[slug, version] = latest.version
        return latest.version

    def _count(self) -> None:
        """Forget which versions are the latest, where a release was made since somebody last looked.

        One asks at a time; the others go on with what is known, so that a database that hangs holds nobody else.
        """
        if not self._counting.acquire(blocking=self._counted < 0):
            return
        try:
            with self._lock:
                begun, made = time.monotonic(), self._made
                if begun < self._good_until:
                    return
            try:
                with self._engine.connect() as connection:
                    counted = releases.newest_id(connection)
            except (DBAPIError, PoolTimeout):
                if self._counted < 0:
                    raise
                counted = self._counted
            with self._lock:
                if counted != self._counted:
                    self._latest.clear()
                self._counted = counted
                # What was published here while this was asked may not be in the answer.
                self._good_until = begun + COUNT_SECONDS if made == self._made else 0.0
        finally:
            self._counting.release()


def _size(file: PackedFile) -> int:
    return len(file.content) + len(file.gzip or b"") + len(file.brotli or b"") + _ENTRY_BYTES
