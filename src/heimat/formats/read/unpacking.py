"""Archives, unpacked in memory: nothing is written anywhere, and what was made to burst is refused."""

import io
import lzma
import tarfile
import zipfile
import zlib
from pathlib import PurePosixPath

from heimat.formats.read.read_any import MOST_TEXT_BYTES

MOST_FILES = 200
"""Files that an archive may hold, and that are read together."""
MOST_UNPACKED = 40_000_000
"""Bytes that an archive may come to: one that unpacks into more was made to."""
_GZIP, _ZIP = b"\x1f\x8b", b"PK\x03\x04"
_READ = frozenset(
    [
        ".css",
        ".scss",
        ".sass",
        ".less",
        ".json",
        ".tokens",
        ".ts",
        ".py",
        ".mplstyle",
        ".js",
        ".mjs",
        ".csv",
        ".gpl",
        ".svg",
        ".html",
        ".htm",
    ]
)


def unpacked(name: str, content: bytes, passed_over: list[str]) -> dict[str, bytes]:
    """The files of an archive, or the one file. Nothing is written anywhere, so no path leads out of anything."""
    if not content.startswith((_GZIP, _ZIP)):
        return {name: content}
    try:
        return _of_tar(content) if content.startswith(_GZIP) else _of_zip(content)
    except (
        OSError,
        EOFError,
        tarfile.TarError,
        zipfile.BadZipFile,
        lzma.LZMAError,
        zlib.error,
        NotImplementedError,
        RuntimeError,
        ValueError,
    ) as error:
        passed_over.append(
            f"{name} cannot be unpacked: {str(error)[:120] or type(error).__name__}."
        )
        return {}


_LONGEST_HEADER = 65_536
_HEADERS = (
    tarfile.GNUTYPE_LONGNAME,
    tarfile.GNUTYPE_LONGLINK,
    tarfile.XHDTYPE,
    tarfile.XGLTYPE,
    tarfile.SOLARIS_XHDTYPE,
)


class _Entry(tarfile.TarInfo):
    """An entry whose further headers are as short as headers are: they are read whole before anything is asked."""

    @classmethod
    def frombuf(cls, buf: bytes | bytearray, encoding: str, errors: str) -> "_Entry":
        found = super().frombuf(buf, encoding, errors)
        if found.type in _HEADERS and found.size > _LONGEST_HEADER:
            raise ValueError("a name in it is longer than names are")
        return found


def _of_tar(content: bytes) -> dict[str, bytes]:
    found: dict[str, bytes] = {}
    room = MOST_UNPACKED
    with tarfile.open(fileobj=io.BytesIO(content), mode="r|gz", tarinfo=_Entry) as archive:
        for entry in archive:
            room -= entry.size
            if room < 0 or len(found) >= MOST_FILES:
                raise ValueError("it holds more than an archive of colors does")
            file = archive.extractfile(entry) if entry.isreg() and is_read(entry.name) else None
            if file is not None:
                found[entry.name] = file.read()
    return found


def _of_zip(content: bytes) -> dict[str, bytes]:
    found: dict[str, bytes] = {}
    with zipfile.ZipFile(io.BytesIO(content)) as archive:
        entries = [entry for entry in archive.infolist() if is_read(entry.filename)]
        if len(entries) > MOST_FILES or sum(entry.file_size for entry in entries) > MOST_UNPACKED:
            raise ValueError("it holds more than an archive of colors does")
        for entry in entries:
            with archive.open(entry) as file:
                found[entry.filename] = file.read(MOST_TEXT_BYTES + 1)
    return found


def is_read(name: str) -> bool:
    """Whether a file of an archive is one that may hold colors: what says what the archive is, is none."""
    path = PurePosixPath(name)
    return path.suffix.lower() in _READ and path.name not in ("package.json", "release.json")
