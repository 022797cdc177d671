"""A folder of decoded pictures, each by the digest of its bytes: as many as fit, those looked at last."""

import os
import re
import shutil
import tempfile
import threading
from pathlib import Path

from cachetools import LRUCache

MOST_PIXEL_BYTES = 260_000_000
"""Two pictures of the largest size, and many of the usual one."""
_PREFIX = "heimat-pixels-"


class _Folders(LRUCache[str, Path]):
    """Folders by digest; one that is forgotten is removed. Who reads it meanwhile, reads on."""

    def popitem(self) -> tuple[str, Path]:
        key, folder = super().popitem()
        shutil.rmtree(folder, ignore_errors=True)
        return key, folder


class PixelFiles:
    """The folder of one process. It goes when the process ends; what killed ones have left, when the next starts."""

    def __init__(self) -> None:
        _remove_left_behind()
        self._own = tempfile.TemporaryDirectory(
            prefix=f"{_PREFIX}{os.getpid()}-", ignore_cleanup_errors=True
        )
        self._folders: LRUCache[str, Path] = _Folders(MOST_PIXEL_BYTES, getsizeof=_size)
        self._lock = threading.Lock()

    def new(self) -> Path:
        """An empty folder to decode into."""
        return Path(tempfile.mkdtemp(dir=self._own.name))

    def keep(self, digest: str, folder: Path) -> None:
        """Keep a folder that is filled now."""
        with self._lock:
            if digest in self._folders or _size(folder) > MOST_PIXEL_BYTES:
                shutil.rmtree(folder, ignore_errors=True)
            else:
                self._folders[digest] = folder

    def find(self, digest: str) -> Path | None:
        """The folder of a picture, if it is still there."""
        with self._lock:
            return self._folders.get(digest)

    def forget(self, digest: str) -> None:
        """Remove a picture's folder."""
        with self._lock:
            folder = self._folders.pop(digest, None)
        if folder is not None:
            shutil.rmtree(folder, ignore_errors=True)


def _size(folder: Path) -> int:
    return max(sum(file.stat().st_size for file in folder.iterdir()), 1)


def _remove_left_behind() -> None:
    for folder in Path(tempfile.gettempdir()).glob(f"{_PREFIX}*"):
        found = re.match(rf"{_PREFIX}(\d+)-", folder.name)
        if found and not Path(f"/proc/{found[1]}").is_dir():
            shutil.rmtree(folder, ignore_errors=True)
