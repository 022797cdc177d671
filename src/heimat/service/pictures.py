"""Pictures of a system: kept with their bytes, decoded where they are needed, remembered for a while."""

import hashlib
import threading
from collections.abc import Callable
from concurrent.futures import Future, ThreadPoolExecutor
from concurrent.futures import TimeoutError as FutureTimeout
from dataclasses import dataclass
from typing import TypeVar

from cachetools import LRUCache
from sqlalchemy import Engine
from sqlalchemy.exc import IntegrityError

from heimat.core.errors import DomainError, NotFound
from heimat.core.pictures.decoding import Pixels, decode
from heimat.core.pictures.main_colors import MainColors, Wanted, main_colors
from heimat.service.clock import now
from heimat.store import pictures, systems
from heimat.store.pictures import NewPicture, PictureRow

SECONDS = 20.0
"""How long decoding, or finding colors, may take."""
_WORKERS = 2
_REMEMBERED_BYTES = 260_000_000
"""Two pictures of the largest size, and many of the usual one."""
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
    pixels: Pixels


class Pictures:
    """Keeps and reads pictures. What is remembered can be made again by any process from what is stored."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._workers = ThreadPoolExecutor(_WORKERS, thread_name_prefix="pictures")
        self._pixels: LRUCache[int, Pixels] = LRUCache(_REMEMBERED_BYTES, getsizeof=lambda pixels: pixels.rgb8.nbytes)
        self._colors: LRUCache[tuple[int, Wanted], MainColors] = LRUCache(_REMEMBERED_COLORS)
        self._lock = threading.Lock()

    def all(self, slug: str) -> list[PictureRow]:
        """The pictures of a system, the newest first. Raises NotFound."""
        system_id = self._system(slug)
        with self._engine.connect() as connection:
            return pictures.all_pictures(connection, system_id)

    def read(self, slug: str, content: bytes, name: str) -> PictureRow | NewlyRead:
        """Read a picture that was sent, without keeping it: the one that is there with the same bytes, or its pixels.

        Raises NotFound, and DomainError (field `picture`) for what is none.
        """
        system_id = self._system(slug)
        digest = hashlib.sha256(content).hexdigest()
        with self._engine.connect() as connection:
            known = pictures.find_digest(connection, system_id, digest)
            count = len(pictures.all_pictures(connection, system_id))
        if known is not None:
            return known
        if count >= MOST_PICTURES:
            raise DomainError(f"A system keeps at most {MOST_PICTURES} pictures; remove one first.", "picture", "limit")
        called = name.strip()[:LONGEST_NAME] or "picture"
        return NewlyRead(system_id, called, digest, content, self._work(lambda: decode(content, called[:60])))

    def keep(self, slug: str, read: NewlyRead, person_id: str) -> PictureRow:
        """Keep a picture that was read; the same bytes are kept once."""
        new = NewPicture(
            system_id=read.system_id,
            name=read.name,
            media_type=read.pixels.media_type,
            digest=read.digest,
            width=read.pixels.width,
            height=read.pixels.height,
            person_id=person_id,
            at=now(),
            content=read.content,
        )
        try:
            with self._engine.begin() as connection:
                picture_id = pictures.add_picture(connection, new)
        except IntegrityError:
            # Somebody has sent the same bytes at the same moment.
            with self._engine.connect() as connection:
                known = pictures.find_digest(connection, read.system_id, read.digest)
            if known is None:
                raise
            return known
        self._remember(picture_id, read.pixels)
        return self.find(slug, picture_id)

    def find(self, slug: str, picture_id: int) -> PictureRow:
        """A picture of a system. Raises NotFound, also for a picture of another system."""
        system_id = self._system(slug)
        with self._engine.connect() as connection:
            row = pictures.find_picture(connection, system_id, picture_id)
        if row is None:
            raise NotFound("That picture is not there any more.")
        return row

    def remove(self, slug: str, picture_id: int) -> None:
        """Remove a picture of a system. Raises NotFound."""
        row = self.find(slug, picture_id)
        with self._engine.begin() as connection:
            pictures.remove_picture(connection, row.id)
        with self._lock:
            self._pixels.pop(row.id, None)
            for key in [key for key in self._colors if key[0] == row.id]:
                del self._colors[key]

    def pixels(self, slug: str, picture_id: int) -> Pixels:
        """The pixels of a picture of a system. Raises NotFound."""
        row = self.find(slug, picture_id)
        with self._lock:
            known = self._pixels.get(row.id)
        if known is not None:
            return known
        with self._engine.connect() as connection:
            content = pictures.content_of(connection, row.id)
        found = self._work(lambda: decode(content, row.name[:60]))
        self._remember(row.id, found)
        return found

    def main_colors(self, slug: str, picture_id: int, wanted: Wanted) -> MainColors:
        """The main colors of a picture of a system. Raises NotFound, and DomainError where all is left out."""
        key = (self.find(slug, picture_id).id, wanted)
        with self._lock:
            known = self._colors.get(key)
        if known is not None:
            return known
        pixels = self.pixels(slug, picture_id)
        found = self._work(lambda: main_colors(pixels, wanted))
        with self._lock:
            self._colors[key] = found
        return found

    def _system(self, slug: str) -> int:
        """The id of a system. Raises NotFound."""
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
        if row is None:
            raise NotFound(f"There is no system at “{slug}”.")
        return row.id

    def _work(self, work: Callable[[], Made]) -> Made:
        """Do some work on another thread, at most two at a time, and give up waiting after a while."""
        future: Future[Made] = self._workers.submit(work)
        try:
            return future.result(SECONDS)
        except FutureTimeout as error:
            future.cancel()
            raise DomainError(
                f"This picture takes longer than {SECONDS:.0f} seconds. Make it smaller and try again.",
                "picture",
                "slow",
            ) from error

    def _remember(self, picture_id: int, pixels: Pixels) -> None:
        with self._lock:
            self._pixels[picture_id] = pixels
