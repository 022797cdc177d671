"""The page of a team's own: markup, one a system."""

import zlib
from datetime import datetime

from sqlalchemy import Connection, delete, select
from sqlalchemy.dialects.mysql import insert

from heimat.store.tables import own_page


def find_page(connection: Connection, system_id: int) -> str | None:
    """The markup of a system's own page; None where it has none."""
    row = connection.execute(
        select(own_page.c.markup).where(own_page.c.system_id == system_id)
    ).first()
    return zlib.decompress(row.markup).decode() if row else None


def keep_page(
    connection: Connection, system_id: int, markup: str, person_id: str, at: datetime
) -> None:
    """Keep a page in place of the one before."""
    values = {"markup": zlib.compress(markup.encode()), "person_id": person_id, "at": at}
    query = insert(own_page).values(system_id=system_id, **values)
    connection.execute(query.on_duplicate_key_update(**values))


def remove_page(connection: Connection, system_id: int) -> None:
    """Keep no page any more."""
    connection.execute(delete(own_page).where(own_page.c.system_id == system_id))
