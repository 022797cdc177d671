"""Feeds: the files of releases, from memory. A version's file never changes; which version is the latest does.

What came since is told by a few numbers, which change with every release, preview and key, and are asked for once a
second at most. While the database is away, what is remembered is still served.
"""

import hashlib
import re
import threading
import time
from dataclasses import dataclass

from cachetools import LRUCache
from sqlalchemy import Engine
from sqlalchemy.exc import DBAPIError
from sqlalchemy.exc import TimeoutError as PoolTimeout

from heimat.core.errors import NotFound
from heimat.formats.packing import PackedFile, packed
from heimat.formats.write import feed_page
from heimat.formats.write.feed_page import FeedRelease
from heimat.service.clock import now
from heimat.service.errors import KeyRefused
from heimat.service.key_uses import KeyUses
from heimat.store import feed_keys, previews, releases, systems
from heimat.store.files import FileRow

LATEST = "latest"
PREVIEW = "preview-"
"""Before the name of what is out to be tried, in its address."""
MOST_BYTES = 64_000_000
"""Bytes of files, compressed ones too, that a process remembers."""
MOST_PREVIEW_BYTES = 16_000_000
COUNT_SECONDS = 1.0
"""How long another process's release may stay unseen."""
AWAY_SECONDS = 5.0
"""How long nothing is asked of a database that did not answer; what is remembered is answered with."""
_ENTRY_BYTES = 600
_VERSION = re.compile(r"(0|[1-9][0-9]{0,5})\.(0|[1-9][0-9]{0,5})\.(0|[1-9][0-9]{0,5})")
_RANGE = re.compile(r"(0|[1-9][0-9]{0,5})(?:\.(0|[1-9][0-9]{0,5}))?")
_REMEMBERED_SYSTEMS = 10_000


def moves(version: str) -> bool:
    """Whether what stands at an address may become another: `latest`, a range like 1 or 1.2, what is to be tried."""
    return version == LATEST or version.startswith(PREVIEW) or _RANGE.fullmatch(version) is not None


def version_of(text: str) -> tuple[int, int, int] | None:
    """The numbers of a version like 1.2.0; None for anything else."""
    match = _VERSION.fullmatch(text)
    if match is None:
        return None
    major, minor, patch = (int(part) for part in match.groups())
    return major, minor, patch


Key = tuple[str, str, str]
"""The address of a system, a version or a preview, and the name of a file."""


@dataclass(frozen=True)
class Served:
    """A file as it is answered with: `fixed` where it never changes, `private` where a key was needed for it."""

    file: PackedFile
    fixed: bool
    private: bool


@dataclass(frozen=True)
class _Access:
    """A system's id, whether its feed asks for a key, and by the digest of each key its id; revoked ones have none."""

    system_id: int
    keyed: bool
    keys: dict[str, int | None]


class Feeds:
    """The feeds of one database."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._files: LRUCache[Key, PackedFile] = LRUCache(MOST_BYTES, getsizeof=_size)
        self._tried: LRUCache[Key, PackedFile] = LRUCache(MOST_PREVIEW_BYTES, getsizeof=_size)
        self._latest: LRUCache[tuple[str, str], str] = LRUCache(_REMEMBERED_SYSTEMS)
        self._access: LRUCache[str, _Access] = LRUCache(_REMEMBERED_SYSTEMS)
        self._counted: tuple[int, ...] = ()
        self._made = 0
        self._good_until = 0.0
        self._lock = threading.Lock()
        self._counting = threading.Lock()
        self._uses = KeyUses(engine)

    def remembered(self, slug: str, version: str, name: str, key: str | None) -> Served | None:
        """A file that can be answered with at once, without asking anything. Raises KeyRefused."""
        with self._lock:
            # While somebody asks what came since, the others go on with what is known.
            if time.monotonic() >= self._good_until and not self._counting.locked():
                return None
            access = self._access.get(slug)
            newest = self._latest.get((slug, version)) if moves(version) else version
            if version.startswith(PREVIEW):
                file = self._tried.get((slug, version, name))
            else:
                file = self._files.get((slug, newest, name)) if newest else None
        if access is None or file is None:
            return None
        return self._served(access, file, key, version, newest or version)

    def find(self, slug: str, version: str, name: str, key: str | None) -> Served:
        """A file of the feed. Raises NotFound and KeyRefused."""
        self._count()
        access = self._access_of(slug)
        _permitted(access, key)
        if not moves(version):
            return self._served(access, self._find(slug, version, name), key, version, version)
        if version.startswith(PREVIEW):
            return self._served(access, self._find_tried(access, slug, version, name), key, version, version)
        with self._lock:
            newest = self._latest.get((slug, version))
        newest = newest or self._ask_latest(slug, version)
        return self._served(access, self._find(slug, newest, name), key, version, newest)

    def key_id(self, slug: str, key: str) -> int:
        """The id of a key, whether or not its feed asks for one. Raises NotFound and KeyRefused."""
        self._count()
        known = self._access_of(slug).keys.get(digest_of(key))
        if known is None:
            raise KeyRefused("This key opens nothing here.")
        return known

    def write_uses(self) -> None:
        """Keep at once when keys were used last."""
        self._uses.write()

    def page(self, slug: str, origin: str, key: str | None, path: str) -> tuple[bytes, bool]:
        """The page at the root of a feed at an origin like `http://localhost`, and whether a key was needed for it.

        `path` is the feed's, with the key where it stands there. Raises NotFound and KeyRefused.
        """
        self._count()
        access = self._access_of(slug)
        _permitted(access, key)
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
        return feed_page.write(row.name, f"{origin}{path}", told, keyed=access.keyed), access.keyed

    def published(self) -> None:
        """Something has just been published, opened or closed here: the next who asks looks."""
        with self._lock:
            self._made += 1
            self._good_until = 0.0
            self._forget()

    def _forget(self) -> None:
        self._latest.clear()
        self._access.clear()
        self._tried.clear()

    def _served(self, access: _Access, file: PackedFile, key: str | None, version: str, got: str) -> Served:
        """A file for who may have it; that a key was used for a version is noted. Raises KeyRefused."""
        used = _permitted(access, key)
        if used is not None:
            self._uses.note(used, now(), got)
        return Served(file, not moves(version), access.keyed)

    def _access_of(self, slug: str) -> _Access:
        with self._lock:
            known, counted = self._access.get(slug), self._counted
        if known is not None:
            return known
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
            if row is None or row.slug != slug:
                raise NotFound(f"There is no system “{slug}”.")
            keys = feed_keys.keys_of(connection, row.id)
            found = _Access(
                row.id,
                feed_keys.is_keyed(connection, row.id),
                {key.digest: None if key.revoked_at else key.id for key in keys},
            )
        with self._lock:
            if counted == self._counted:
                self._access[slug] = found
        return found

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
        file = _packed(found)
        if _size(file) <= MOST_BYTES:
            with self._lock:
                self._files[slug, version, name] = file
        return file

    def _find_tried(self, access: _Access, slug: str, version: str, name: str) -> PackedFile:
        with self._lock:
            known, counted = self._tried.get((slug, version, name)), self._counted
        if known is not None:
            return known
        with self._engine.connect() as connection:
            found = previews.find_preview_file(connection, access.system_id, version.removeprefix(PREVIEW), name)
        if found is None:
            raise NotFound(f"There is no file {name} in {version} of “{slug}”.")
        file = _packed(found)
        with self._lock:
            if counted == self._counted and _size(file) <= MOST_PREVIEW_BYTES:
                self._tried[slug, version, name] = file
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
        """Forget what may have become otherwise, where anything was published or closed since somebody last looked.

        One asks at a time; the others go on with what is known, so that a database that hangs holds nobody else.
        """
        if not self._counting.acquire(blocking=not self._counted):
            return
        try:
            with self._lock:
                begun, made = time.monotonic(), self._made
                if begun < self._good_until:
                    return
            try:
                with self._engine.connect() as connection:
                    counted = feed_keys.state(connection)
            except (DBAPIError, PoolTimeout):
                if not self._counted:
                    raise
                # It took long to say nothing: nobody waits for it again so soon.
                counted, begun = self._counted, time.monotonic() + AWAY_SECONDS - COUNT_SECONDS
            with self._lock:
                if counted != self._counted:
                    self._forget()
                self._counted = counted
                # What was published here while this was asked may not be in the answer.
                self._good_until = begun + COUNT_SECONDS if made == self._made else 0.0
        finally:
            self._counting.release()


def _permitted(access: _Access, key: str | None) -> int | None:
    """The id of the key that was given, None for none that is known. Raises KeyRefused where one is needed."""
    if key is None:
        if access.keyed:
            raise KeyRefused("This feed asks for a key, in the header Authorization: Bearer or in the path, /key/….")
        return None
    digest = digest_of(key)
    known = access.keys.get(digest)
    if known is None and access.keyed:
        raise KeyRefused("This key was revoked." if digest in access.keys else "This key opens nothing here.")
    return known


def digest_of(key: str) -> str:
    """What is kept of a key."""
    return hashlib.sha256(key.encode()).hexdigest()


def _packed(found: FileRow) -> PackedFile:
    whole = found if found.gzip or found.brotli else packed(found.name, found.media_type, found.content)
    return PackedFile(found.name, found.media_type, found.digest, found.content, whole.gzip, whole.brotli)


def _size(file: PackedFile) -> int:
    return len(file.content) + len(file.gzip or b"") + len(file.brotli or b"") + _ENTRY_BYTES
