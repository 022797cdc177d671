"""Counters that only rise, written in the transaction of what they count: by them a process sees that something came.

Each system has one, for what happens in it. The installation's own counts who may fetch what: access and keys.
"""

from sqlalchemy import BigInteger, Connection, cast, func, select
from sqlalchemy.dialects.mysql import insert

from heimat.store.tables import counter

INSTALLATION = 0


def rise(connection: Connection, of: int) -> None:
    """Count something that has happened in a system, or in the installation."""
    made = insert(counter).values(of=of, number=1)
    connection.execute(made.on_duplicate_key_update(number=counter.c.number + 1))


def total(connection: Connection) -> int:
    """All counters together: as each only rises, this is another number after whatever was counted."""
    query = select(cast(func.coalesce(func.sum(counter.c.number), 0), BigInteger))
    return int(connection.execute(query).scalar_one())
