"""Feeds: the files of releases, from memory. A version's file never changes; which version is the latest does.

What came since is told by counters that only rise, with every release, preview, key, opening and closing; they are
asked for once a second at most. While the database is away, what is remembered is still served.
"""

import hashlib
import re
import threading
import time
from dataclasses import dataclass

from cachetools import LRUCache
from sqlalchemy import Connection, Engine
from sqlalchemy.exc import DBAPIError
from sqlalchemy.exc import TimeoutError as PoolTimeout

from heimat.core.errors import NotFound
from heimat.formats.packing import PackedFile, packed
from heimat.formats.write import feed_page, guide_pdf
from heimat.formats.write.feed_page import FeedRelease
from heimat.service.clock import now
from heimat.service.failures import KeyRefused, NotYet
from heimat.service.key_uses import KeyUses
from heimat.store import counters, feed_key_rows, previews, release_rows, system_rows, unprinted
from heimat.store.files import FileRow

LATEST = "latest"
PREVIEW = "preview-"
"""Before the name of what is out to be tried, in its address."""
MOST_REMEMBERED_BYTES = 64_000_000
"""Bytes of files, compressed ones too, that a process remembers."""
MOST_PREVIEW_BYTES = 16_000_000
COUNT_SECONDS = 1.0
"""How long another process's release may stay unseen."""
BOUND_SECONDS = 5.0
"""How long anything is remembered of who may fetch what, whatever the counters say, while the database answers."""
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
class _Known:
    """What is known of a system's feed, read at once.

    Its id, whether it asks for a key, and by the digest of each key its id (revoked ones have none); its versions, the
    highest first; those whose guide is still being set as PDF; the names of the files of every preview.
    """

    system_id: int
    keyed: bool
    keys: dict[str, int | None]
    versions: tuple[str, ...]
    unprinted: frozenset[str]
    previews: dict[str, frozenset[str]]


class Feeds:
    """The feeds of one database."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._files: LRUCache[Key, PackedFile] = LRUCache(MOST_REMEMBERED_BYTES, getsizeof=_size)
        self._tried: LRUCache[Key, PackedFile] = LRUCache(MOST_PREVIEW_BYTES, getsizeof=_size)
        self._known: LRUCache[str, _Known] = LRUCache(_REMEMBERED_SYSTEMS)
        self._names: LRUCache[tuple[str, str], frozenset[str]] = LRUCache(_REMEMBERED_SYSTEMS)
        self._slugs: frozenset[str] | None = None
        self._counted: int | None = None
        self._forgotten = 0
        """How often what is known was forgotten: what was asked before is not remembered after."""
        self._forgot_at = 0.0
        self._made = 0
        self._good_until = 0.0
        self._lock = threading.Lock()
        self._counting = threading.Lock()
        self._uses = KeyUses(engine)

    def remembered(self, slug: str, version: str, name: str, key: str | None) -> Served | None:
        """A file that can be answered with at once, without asking anything. Raises NotFound, NotYet and KeyRefused.

        What is known not to be there costs as little as what is.
        """
        with self._lock:
            # While somebody asks what came since, the others go on with what is known.
            if time.monotonic() >= self._good_until and not self._counting.locked():
                return None
            known = self._known.get(slug)
            if known is None:
                if self._slugs is None or slug in self._slugs:
                    return None
                raise _no_system(slug)
            _permitted(known, key)
            found = _version_at(known, slug, version)
            files: LRUCache[Key, PackedFile] = (
                self._tried if version.startswith(PREVIEW) else self._files
            )
            file = files.get((slug, found, name))
            if file is None:
                names = _previewed(known, version) or self._names.get((slug, found))
                if names is not None:
                    _refuse_absent(known, slug, found, name, names)
                return None
        return self._served(known, file, key, version, found)

    def find(self, slug: str, version: str, name: str, key: str | None) -> Served:
        """A file of the feed. Raises NotFound, NotYet and KeyRefused."""
        self._count()
        known = self._known_of(slug)
        _permitted(known, key)
        found = _version_at(known, slug, version)
        if version.startswith(PREVIEW):
            file = self._find_tried(known, slug, version, name)
        else:
            file = self._find(known, slug, found, name)
        return self._served(known, file, key, version, found)

    def key_id(self, slug: str, key: str) -> int:
        """The id of a key, whether or not its feed asks for one. Raises NotFound and KeyRefused."""
        self._count()
        known = self._known_of(slug).keys.get(digest_of(key))
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
        known = self._known_of(slug)
        _permitted(known, key)
        with self._engine.connect() as connection:
            row = system_rows.find_system(connection, slug)
            if row is None:
                raise _no_system(slug)
            rows = release_rows.all_releases(connection, row.id)
            names = release_rows.file_names(connection, row.id)
        told = [
            FeedRelease(
                each.version,
                f"{each.at:%Y-%m-%d}",
                each.notes,
                tuple(sorted(names.get(each.id, ()))),
            )
            for each in rows
        ]
        return feed_page.write(row.name, f"{origin}{path}", told, keyed=known.keyed), known.keyed

    def published(self) -> None:
        """Something has just been published, opened or closed here: the next who asks looks."""
        with self._lock:
            self._made += 1
            self._good_until = 0.0
            self._forget()

    def _forget(self) -> None:
        self._known.clear()
        self._names.clear()
        self._tried.clear()
        self._slugs = None
        self._forgotten += 1
        self._forgot_at = time.monotonic()

    def _served(
        self, known: _Known, file: PackedFile, key: str | None, version: str, got: str
    ) -> Served:
        """A file for who may have it; that a key was used for a version is noted. Raises KeyRefused."""
        used = _permitted(known, key)
        if used is not None:
            self._uses.note(used, now(), got)
        return Served(file, not moves(version), known.keyed)

    def _known_of(self, slug: str) -> _Known:
        """What is known of a feed. Raises NotFound."""
        with self._lock:
            known, forgotten, slugs = self._known.get(slug), self._forgotten, self._slugs
        if known is not None:
            return known
        with self._engine.connect() as connection:
            if slugs is None:
                slugs = system_rows.all_slugs(connection)
            found = _read_known(connection, slug) if slug in slugs else None
        with self._lock:
            # What has happened while this was read may not be in it.
            if forgotten == self._forgotten:
                self._slugs = slugs
                if found is not None:
                    self._known[slug] = found
        if found is None:
            raise _no_system(slug)
        return found

    def _find(self, known: _Known, slug: str, version: str, name: str) -> PackedFile:
        with self._lock:
            file, names, forgotten = (
                self._files.get((slug, version, name)),
                self._names.get((slug, version)),
                self._forgotten,
            )
        if file is not None:
            return file
        number = version_of(version)
        assert number is not None
        with self._engine.connect() as connection:
            if names is None:
                names = release_rows.file_names_of(connection, known.system_id, number)
            found = (
                release_rows.find_file(connection, known.system_id, number, name)
                if name in names
                else None
            )
        with self._lock:
            if forgotten == self._forgotten:
                self._names[slug, version] = names
        _refuse_absent(known, slug, version, name, names)
        if found is None:
            raise _no_file(slug, version, name)
        file = _packed(found)
        if _size(file) <= MOST_REMEMBERED_BYTES:
            with self._lock:
                self._files[slug, version, name] = file
        return file

    def _find_tried(self, known: _Known, slug: str, version: str, name: str) -> PackedFile:
        _refuse_absent(known, slug, version, name, _previewed(known, version) or frozenset())
        with self._lock:
            file, forgotten = self._tried.get((slug, version, name)), self._forgotten
        if file is not None:
            return file
        with self._engine.connect() as connection:
            found = previews.find_preview_file(
                connection, known.system_id, version.removeprefix(PREVIEW), name
            )
        if found is None:
            raise _no_file(slug, version, name)
        file = _packed(found)
        with self._lock:
            if forgotten == self._forgotten and _size(file) <= MOST_PREVIEW_BYTES:
                self._tried[slug, version, name] = file
        return file

    def _count(self) -> None:
        """Forget what may have become otherwise, where anything was counted since somebody last looked, and in any
        case after a few seconds.

        One asks at a time; the others go on with what is known, so that a database that hangs holds nobody else.
        """
        if not self._counting.acquire(blocking=self._counted is None):
            return
        try:
            with self._lock:
                begun, made = time.monotonic(), self._made
                if begun < self._good_until:
                    return
            try:
                with self._engine.connect() as connection:
                    counted: int | None = counters.total(connection)
            except (DBAPIError, PoolTimeout):
                if self._counted is None:
                    raise
                # It took long to say nothing: nobody waits for it again so soon.
                begun = time.monotonic() + AWAY_SECONDS - COUNT_SECONDS
                counted = None
            with self._lock:
                if counted is not None:
                    if counted != self._counted or begun - self._forgot_at >= BOUND_SECONDS:
                        self._forget()
                    self._counted = counted
                # What was published here while this was asked may not be in the answer.
                self._good_until = begun + COUNT_SECONDS if made == self._made else 0.0
        finally:
            self._counting.release()


def _read_known(connection: Connection, slug: str) -> _Known | None:
    row = system_rows.find_system(connection, slug)
    if row is None or row.slug != slug:
        return None
    keys = feed_key_rows.keys_of(connection, row.id)
    return _Known(
        row.id,
        feed_key_rows.is_keyed(connection, row.id),
        {key.digest: None if key.revoked_at else key.id for key in keys},
        tuple(".".join(map(str, each)) for each in release_rows.versions_of(connection, row.id)),
        frozenset(".".join(map(str, each)) for each in unprinted.versions_of(connection, row.id)),
        previews.preview_names(connection, row.id),
    )


def _version_at(known: _Known, slug: str, version: str) -> str:
    """The version or preview that an address leads to. Raises NotFound."""
    if version.startswith(PREVIEW):
        if version.removeprefix(PREVIEW) not in known.previews:
            raise NotFound(f"There is no {version} of “{slug}”.")
        return version
    if version == LATEST:
        if not known.versions:
            raise NotFound(f"Nothing is published yet of “{slug}”.")
        return known.versions[0]
    if _RANGE.fullmatch(version):
        found = next((each for each in known.versions if each.startswith(f"{version}.")), None)
        if found is None:
            raise NotFound(f"No version {version} is published yet of “{slug}”.")
        return found
    if version_of(version) is None:
        raise NotFound(
            f"“{version}” is no version. Use one like 1.0.0, a range like 1 or 1.0, or {LATEST}."
        )
    if version not in known.versions:
        raise NotFound(f"There is no version {version} of “{slug}”.")
    return version


def _previewed(known: _Known, version: str) -> frozenset[str] | None:
    """The names of a preview's files; None for what is no preview."""
    return (
        known.previews.get(version.removeprefix(PREVIEW)) if version.startswith(PREVIEW) else None
    )


def _refuse_absent(
    known: _Known, slug: str, version: str, name: str, names: frozenset[str]
) -> None:
    """Raise NotFound for what is none of a release's files, and NotYet for its guide that is still being set."""
    if name in names:
        return
    if name == guide_pdf.FILE and version in known.unprinted:
        raise NotYet(f"The guide of {version} is being set as PDF. It will be here for good.")
    raise _no_file(slug, version, name)


def _no_file(slug: str, version: str, name: str) -> NotFound:
    what = version if version.startswith(PREVIEW) else f"version {version}"
    return NotFound(f"There is no file {name} in {what} of “{slug}”.")


def _no_system(slug: str) -> NotFound:
    return NotFound(f"There is no system “{slug}”.")


def _permitted(known: _Known, key: str | None) -> int | None:
    """The id of the key that was given, None for none that is known. Raises KeyRefused where one is needed."""
    if key is None:
        if known.keyed:
            raise KeyRefused(
                "This feed asks for a key, in the header Authorization: Bearer or in the path, /key/…."
            )
        return None
    digest = digest_of(key)
    found = known.keys.get(digest)
    if found is None and known.keyed:
        raise KeyRefused(
            "This key was revoked." if digest in known.keys else "This key opens nothing here."
        )
    return found


def digest_of(key: str) -> str:
    """What is kept of a key."""
    return hashlib.sha256(key.encode()).hexdigest()


def _packed(found: FileRow) -> PackedFile:
    whole = (
        found if found.gzip or found.brotli else packed(found.name, found.media_type, found.content)
    )
    return PackedFile(
        found.name, found.media_type, found.digest, found.content, whole.gzip, whole.brotli
    )


def _size(file: PackedFile) -> int:
    return len(file.content) + len(file.gzip or b"") + len(file.brotli or b"") + _ENTRY_BYTES
