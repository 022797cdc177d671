"""Releases that are out and whose guide is still to be set as PDF."""

from sqlalchemy import Connection, delete, select, update

from heimat.store.release_rows import Version
from heimat.store.tables import release, unprinted


def owe(connection: Connection, release_id: int) -> None:
    """Let a release have its guide as PDF later."""
    connection.execute(unprinted.insert().values(release_id=release_id, tries=0))


def versions_of(connection: Connection, system_id: int) -> list[Version]:
    """The versions of a system whose guide is still to be set."""
    columns = (release.c.major, release.c.minor, release.c.patch)
    query = select(*columns).join(unprinted, unprinted.c.release_id == release.c.id)
    rows = connection.execute(query.where(release.c.system_id == system_id))
    return [(row.major, row.minor, row.patch) for row in rows]


def all_owed(connection: Connection) -> list[tuple[int, int, str]]:
    """Every release that is owed its guide: its id, its system's, its version; the oldest first."""
    row = release.c
    query = select(row.id, row.system_id, row.major, row.minor, row.patch).join(
        unprinted, unprinted.c.release_id == row.id
    )
    found = connection.execute(query.order_by(row.id))
    return [(each.id, each.system_id, f"{each.major}.{each.minor}.{each.patch}") for each in found]


def failed(connection: Connection, release_id: int) -> int:
    """Count one more try that came to nothing. Returns how many there were."""
    here = unprinted.c.release_id == release_id
    connection.execute(update(unprinted).where(here).values(tries=unprinted.c.tries + 1))
    return int(connection.execute(select(unprinted.c.tries).where(here)).scalar() or 0)


def done(connection: Connection, release_id: int) -> None:
    """Nothing is owed any more."""
    connection.execute(delete(unprinted).where(unprinted.c.release_id == release_id))
