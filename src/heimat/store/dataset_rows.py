"""Data that palettes are drawn with: tables as they came, compressed."""

import zlib
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, delete, insert, select, update

from heimat.store.stored_json import pack, unpack
from heimat.store.tables import dataset


@dataclass(frozen=True)
class DatasetRow:
    """A table of a system: its id and name."""

    id: int
    name: str


def all_datasets(connection: Connection, system_id: int) -> list[DatasetRow]:
    """The tables of a system, the oldest first."""
    query = (
        select(dataset.c.id, dataset.c.name)
        .where(dataset.c.system_id == system_id)
        .order_by(dataset.c.id)
    )
    return [DatasetRow(row.id, row.name) for row in connection.execute(query)]


def summaries(connection: Connection, system_id: int, form: int) -> dict[int, dict[str, Any]]:
    """What lists say of the tables of a system, as plain data by their ids: of those kept in a form."""
    query = select(dataset.c.id, dataset.c.summary).where(dataset.c.system_id == system_id)
    found = {row.id: unpack(row.summary) for row in connection.execute(query) if row.summary}
    return {key: told["said"] for key, told in found.items() if told["form"] == form}


def keep_summary(connection: Connection, dataset_id: int, form: int, said: dict[str, Any]) -> None:
    """Keep what lists say of a table, plain data, in a form."""
    here = dataset.c.id == dataset_id
    connection.execute(
        update(dataset).where(here).values(summary=pack({"form": form, "said": said}))
    )


def find_digest(connection: Connection, system_id: int, digest: str) -> DatasetRow | None:
    """The table of a system with these bytes."""
    query = select(dataset.c.id, dataset.c.name).where(
        dataset.c.system_id == system_id, dataset.c.digest == digest
    )
    row = connection.execute(query).first()
    return DatasetRow(row.id, row.name) if row else None


def content_of(connection: Connection, system_id: int, dataset_id: int) -> bytes | None:
    """The bytes of a table; None where the system has none of that id."""
    query = select(dataset.c.content).where(
        dataset.c.system_id == system_id, dataset.c.id == dataset_id
    )
    row = connection.execute(query).first()
    return zlib.decompress(row.content) if row else None


def add_dataset(
    connection: Connection,
    system_id: int,
    name: str,
    digest: str,
    content: bytes,
    person_id: str,
    at: datetime,
) -> int:
    """Keep a table, and tell its id. Raises IntegrityError where the same bytes are kept already."""
    values = {
        "name": name,
        "digest": digest,
        "content": zlib.compress(content),
        "person_id": person_id,
        "at": at,
    }
    done = connection.execute(insert(dataset).values(system_id=system_id, **values))
    key = done.inserted_primary_key
    assert key is not None
    return int(key[0])


def remove_dataset(connection: Connection, system_id: int, dataset_id: int) -> bool:
    """Keep a table no more; False where there is none of that id."""
    done = connection.execute(
        delete(dataset).where(dataset.c.system_id == system_id, dataset.c.id == dataset_id)
    )
    return done.rowcount > 0
