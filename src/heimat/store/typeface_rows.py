"""The typeface of a system: one at most."""

from datetime import datetime

from sqlalchemy import Connection, delete, select
from sqlalchemy.dialects.mysql import insert

from heimat.store.tables import typeface


def find_typeface(connection: Connection, system_id: int) -> tuple[str, str, bytes] | None:
    """Name, media type and bytes of a system's typeface."""
    query = select(typeface.c.name, typeface.c.media_type, typeface.c.content)
    row = connection.execute(query.where(typeface.c.system_id == system_id)).first()
    return None if row is None else (row.name, row.media_type, bytes(row.content))


def keep_typeface(
    connection: Connection,
    system_id: int,
    name: str,
    media_type: str,
    content: bytes,
    person_id: str,
    at: datetime,
) -> None:
    """Keep a typeface in place of the one before."""
    values = {
        "name": name,
        "media_type": media_type,
        "content": content,
        "person_id": person_id,
        "at": at,
    }
    query = insert(typeface).values(system_id=system_id, **values)
    connection.execute(query.on_duplicate_key_update(**values))


def remove_typeface(connection: Connection, system_id: int) -> None:
    """Keep no typeface any more."""
    connection.execute(delete(typeface).where(typeface.c.system_id == system_id))
