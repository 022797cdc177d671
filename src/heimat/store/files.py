"""Files as rows, of releases and of previews alike: the bytes, and the same bytes compressed."""

from dataclasses import dataclass
from typing import Any

from sqlalchemy import Table


@dataclass(frozen=True)
class FileRow:
    """A file, and the same bytes compressed, where that is smaller."""

    name: str
    media_type: str
    digest: str
    content: bytes
    gzip: bytes | None = None
    brotli: bytes | None = None


def as_row(file: FileRow, **owner: int) -> dict[str, Any]:
    """A file as it is inserted, with the column of what it belongs to."""
    return {
        **owner,
        "name": file.name,
        "media_type": file.media_type,
        "digest": file.digest,
        "bytes": file.content,
        "gzip": file.gzip,
        "brotli": file.brotli,
    }


def columns_of(table: Table) -> tuple[Any, ...]:
    """The columns of a table of files that `file_of` reads."""
    file = table.c
    return file.name, file.media_type, file.digest, file.bytes, file.gzip, file.brotli


def file_of(row: Any, name: str) -> FileRow | None:
    """The file of exactly a name out of a row, if one was found: the database passes over spaces at the end."""
    if row is None or row.name != name:
        return None
    return FileRow(row.name, row.media_type, row.digest, row.bytes, row.gzip, row.brotli)
