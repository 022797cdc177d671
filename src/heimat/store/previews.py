"""Releases to be tried: their files stand under a name, and may be replaced."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import Connection, delete, select

from heimat.store import counters
from heimat.store.database_keys import new_id
from heimat.store.files import FileRow, as_row, columns_of, file_of
from heimat.store.tables import person, preview, preview_file


@dataclass(frozen=True)
class PreviewRow:
    """A preview without its files: its name, the version that its files say, who made it when."""

    id: int
    name: str
    version: str
    person: str
    at: datetime


def previews_of(connection: Connection, system_id: int) -> list[PreviewRow]:
    """The previews of a system, by name."""
    made = preview.c
    query = (
        select(made.id, made.name, made.version, person.c.name.label("person"), made.at)
        .join(person, person.c.id == made.person_id)
        .where(made.system_id == system_id)
        .order_by(made.name)
    )
    return [PreviewRow(**row._mapping) for row in connection.execute(query)]


def put_preview(
    connection: Connection,
    system_id: int,
    name: str,
    version: str,
    person_id: str,
    at: datetime,
    files: Sequence[FileRow],
) -> None:
    """Keep a preview with its files, in place of the one of that name."""
    remove_preview(connection, system_id, name)
    values = {
        "system_id": system_id,
        "name": name,
        "version": version,
        "person_id": person_id,
        "at": at,
    }
    preview_id = new_id(connection.execute(preview.insert().values(**values)))
    connection.execute(
        preview_file.insert(), [as_row(file, preview_id=preview_id) for file in files]
    )


def remove_preview(connection: Connection, system_id: int, name: str) -> bool:
    """Remove a preview with its files. False where there is none."""
    counters.rise(connection, system_id)
    here = (preview.c.system_id == system_id) & (preview.c.name == name)
    return connection.execute(delete(preview).where(here)).rowcount == 1


def find_preview_file(
    connection: Connection, system_id: int, preview_name: str, name: str
) -> FileRow | None:
    """A file of a preview."""
    query = (
        select(*columns_of(preview_file))
        .join(preview, preview.c.id == preview_file.c.preview_id)
        .where(
            preview.c.system_id == system_id,
            preview.c.name == preview_name,
            preview_file.c.name == name,
        )
    )
    return file_of(connection.execute(query).first(), name)


def preview_names(connection: Connection, system_id: int) -> dict[str, frozenset[str]]:
    """The names of the files of every preview of a system, by its name."""
    query = select(preview.c.name.label("preview"), preview_file.c.name).join(
        preview, preview.c.id == preview_file.c.preview_id
    )
    found: dict[str, set[str]] = {}
    for row in connection.execute(query.where(preview.c.system_id == system_id)):
        found.setdefault(row.preview, set()).add(row.name)
    return {name: frozenset(files) for name, files in found.items()}
