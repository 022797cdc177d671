"""Pictures of a system: kept with their bytes, decoded where they are needed, remembered for a while."""

import hashlib
import shutil
import threading
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path
from typing import Any, TypeVar

from cachetools import LRUCache
from sqlalchemy import Connection, Engine

from heimat.core.color.naming import NO_LINE
from heimat.core.errors import DomainError, NotFound
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.kept_pixels import decode_into, load
from heimat.core.pictures.main_colors import MainColors, Wanted, main_colors
from heimat.service.clock import now
from heimat.service.pixel_files import PixelFiles
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import picture_rows, system_rows
from heimat.store.picture_rows import NewPicture, PictureRow

_REMEMBERED_COLORS = 12
LONGEST_NAME = 120
MOST_PICTURES = 60
Made = TypeVar("Made")


@dataclass(frozen=True)
class NewlyRead:
    """A picture that was sent and read, and is not kept yet."""

    system_id: int
    name: str
    digest: str
    content: bytes
    width: int
    height: int
    media_type: str


class Pictures:
    """Keeps and reads pictures. What is remembered can be made again by any process from what is stored."""

    def __init__(self, engine: Engine, workers: Workers) -> None:
        self._engine = engine
        self._workers = workers
        self._files = PixelFiles()
        self._colors: LRUCache[tuple[str, Wanted], MainColors] = LRUCache(_REMEMBERED_COLORS)
        self._lock = threading.Lock()

    def all(self, slug: str) -> list[PictureRow]:
        """The pictures of a system, the newest first. Raises NotFound."""
        system_id = self._system(slug)
        with self._engine.connect() as connection:
            return picture_rows.all_pictures(connection, system_id)

    def read(self, slug: str, content: bytes, name: str) -> PictureRow | NewlyRead:
        """Read a picture that was sent, without keeping it: the one that is there with the same bytes, or its pixels.

        Raises NotFound, and DomainError (field `picture`) for what is none.
        """
        system_id = self._system(slug)
        digest = hashlib.sha256(content).hexdigest()
        with self._engine.connect() as connection:
            known = picture_rows.find_digest(connection, system_id, digest)
            count = len(picture_rows.all_pictures(connection, system_id))
        if known is not None:
            return known
        _refuse_more(count)
        called = " ".join(NO_LINE.sub(" ", name).split())[:LONGEST_NAME] or "picture"
        return NewlyRead(
            system_id, called, digest, content, *self._decode(content, called[:60], digest)
        )

    def keep(self, slug: str, read: NewlyRead, person_id: str) -> PictureRow:
        """Keep a picture that was read; the same bytes are kept once."""
        new = NewPicture(
            system_id=read.system_id,
            name=read.name,
            media_type=read.media_type,
            digest=read.digest,
            width=read.width,
            height=read.height,
            person_id=person_id,
            at=now(),
            content=read.content,
        )

        def work(connection: Connection) -> PictureRow | int:
            system_rows.hold_system(connection, read.system_id)
            # Somebody may have sent the same bytes at the same moment.
            known = picture_rows.find_digest(connection, read.system_id, read.digest)
            if known is None:
                _refuse_more(len(picture_rows.all_pictures(connection, read.system_id)))
            return known or picture_rows.add_picture(connection, new)

        kept = in_transaction(self._engine, work)
        return self.find(slug, kept) if isinstance(kept, int) else kept

    def find(self, slug: str, picture_id: int) -> PictureRow:
        """A picture of a system. Raises NotFound, also for a picture of another system."""
        system_id = self._system(slug)
        with self._engine.connect() as connection:
            row = picture_rows.find_picture(connection, system_id, picture_id)
        if row is None:
            raise NotFound("That picture is not there any more.")
        return row

    def remove(self, slug: str, picture_id: int) -> None:
        """Remove a picture of a system. Raises NotFound."""
        row = self.find(slug, picture_id)
        with self._engine.begin() as connection:
            picture_rows.remove_picture(connection, row.id)
        self._files.forget(row.digest)
        with self._lock:
            for key in [key for key in self._colors if key[0] == row.digest]:
                del self._colors[key]

    def look(self, slug: str, picture_id: int, work: Callable[..., Made], *given: Any) -> Made:
        """Do some work with a picture of a system, in a process beside: `work(folder, *given)`, see `kept.load`.

        Raises NotFound, and what the work raises.
        """
        row = self.find(slug, picture_id)
        try:
            return self._workers.reading.run(work, str(self._folder(row)), *given)
        except FileNotFoundError:
            # It has just been forgotten for others.
            return self._workers.reading.run(work, str(self._folder(row)), *given)

    def pixels(self, slug: str, picture_id: int) -> Pixels:
        """The pixels of a picture of a system, to be looked at in a few places. Raises NotFound."""
        row = self.find(slug, picture_id)
        try:
            return load(str(self._folder(row)))
        except FileNotFoundError:
            return load(str(self._folder(row)))

    def main_colors(self, slug: str, picture_id: int, wanted: Wanted) -> MainColors:
        """The main colors of a picture of a system. Raises NotFound, and DomainError where all is left out."""
        key = (self.find(slug, picture_id).digest, wanted)
        with self._lock:
            known = self._colors.get(key)
        if known is not None:
            return known
        found = self.look(slug, picture_id, _main_colors, wanted)
        with self._lock:
            self._colors[key] = found
        return found

    def _folder(self, row: PictureRow) -> Path:
        """Where a picture's pixels are, decoded again where they are not remembered."""
        known = self._files.find(row.digest)
        if known is not None:
            return known
        with self._engine.connect() as connection:
            content = picture_rows.content_of(connection, row.id)
        self._decode(content, row.name[:60], row.digest)
        found = self._files.find(row.digest)
        if found is None:
            raise FileNotFoundError(row.digest)
        return found

    def _decode(self, content: bytes, name: str, digest: str) -> tuple[int, int, str]:
        folder = self._files.new()
        try:
            size = self._workers.reading.run(decode_into, content, name, str(folder))
        except BaseException:
            shutil.rmtree(folder, ignore_errors=True)
            raise
        self._files.keep(digest, folder)
        return size

    def _system(self, slug: str) -> int:
        """The id of a system. Raises NotFound."""
        with self._engine.connect() as connection:
            row = system_rows.find_system(connection, slug)
        if row is None:
            raise NotFound(f"There is no system at “{slug}”.")
        return row.id


def _refuse_more(count: int) -> None:
    if count >= MOST_PICTURES:
        raise DomainError(
            f"A system keeps at most {MOST_PICTURES} pictures; remove one first.",
            "picture",
            "limit",
        )


def _main_colors(folder: str, wanted: Wanted) -> MainColors:
    return main_colors(load(folder), wanted)
