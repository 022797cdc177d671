"""Claims: which process does a piece of work that one alone should do. One that is not renewed runs out."""

from datetime import datetime, timedelta

from sqlalchemy import Connection, delete, func, select, update
from sqlalchemy.dialects.mysql import insert

from heimat.store.tables import claim, person


def take(
    connection: Connection,
    of: str,
    holder: str,
    at: datetime,
    seconds: float,
    person_id: str | None = None,
) -> bool:
    """Take a claim for some seconds. False where somebody else holds it.

    One statement decides: of many at once the row of one stays.
    """
    row = claim.c
    made = insert(claim).values(
        of=of, holder=holder, person_id=person_id, until=at + timedelta(seconds=seconds)
    )
    over = row.until <= at
    # The columns are set one after another: what decides goes last.
    connection.execute(
        made.on_duplicate_key_update(
            [
                ("holder", func.if_(over, made.inserted.holder, row.holder)),
                ("person_id", func.if_(over, made.inserted.person_id, row.person_id)),
                ("until", func.if_(over, made.inserted.until, row.until)),
            ]
        )
    )
    return bool(connection.execute(select(row.holder).where(row.of == of)).scalar() == holder)


def renew(connection: Connection, of: str, holder: str, at: datetime, seconds: float) -> bool:
    """Hold a claim for some seconds more. False where it was lost meanwhile."""
    mine = (claim.c.of == of) & (claim.c.holder == holder)
    return (
        connection.execute(
            update(claim).where(mine).values(until=at + timedelta(seconds=seconds))
        ).rowcount
        == 1
    )


def leave(connection: Connection, of: str, holder: str) -> None:
    """Hold a claim no more."""
    connection.execute(delete(claim).where(claim.c.of == of, claim.c.holder == holder))


def holder_of(connection: Connection, of: str) -> str | None:
    """The name of the person for whom a claim is held, if it says one."""
    query = (
        select(person.c.name).join(claim, claim.c.person_id == person.c.id).where(claim.c.of == of)
    )
    return connection.execute(query).scalar()


def is_there(connection: Connection, of: str) -> bool:
    """Whether anybody holds a claim, run out or not."""
    return connection.execute(select(claim.c.of).where(claim.c.of == of)).scalar() is not None
