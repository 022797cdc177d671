"""Who may fetch a feed: whether it asks for a key, its keys as digests, when each was used, what a check found."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, bindparam, select, update
from sqlalchemy.dialects.mysql import insert

from heimat.store import counters
from heimat.store.database_keys import new_id
from heimat.store.stored_json import pack, unpack
from heimat.store.tables import feed, feed_key, person


@dataclass(frozen=True)
class KeyRow:
    """A key without itself: its name, who made it when, whether it was revoked, and what it was last used for.

    `report` is what a check with it found last, as plain data.
    """

    id: int
    name: str
    digest: str
    person: str
    at: datetime
    revoked_at: datetime | None
    used_at: datetime | None
    used_version: str | None
    report: Any


def is_keyed(connection: Connection, system_id: int) -> bool:
    """Whether the feed of a system asks for a key."""
    return bool(
        connection.execute(select(feed.c.keyed).where(feed.c.system_id == system_id)).scalar()
    )


def set_keyed(connection: Connection, system_id: int, keyed: bool) -> None:
    """Let the feed of a system ask for a key, or for none."""
    counters.rise(connection, counters.INSTALLATION)
    made = insert(feed).values(system_id=system_id, keyed=keyed)
    connection.execute(made.on_duplicate_key_update(keyed=keyed))


def keys_of(connection: Connection, system_id: int) -> list[KeyRow]:
    """The keys of a system's feed, the newest first."""
    key = feed_key.c
    query = (
        select(
            key.id,
            key.name,
            key.digest,
            person.c.name.label("person"),
            key.at,
            key.revoked_at,
            key.used_at,
            key.used_version,
            key.report,
        )
        .join(person, person.c.id == key.person_id)
        .where(key.system_id == system_id)
        .order_by(key.id.desc())
    )
    rows = (dict(row._mapping) for row in connection.execute(query))
    return [
        KeyRow(**{**row, "report": unpack(row["report"]) if row["report"] else None})
        for row in rows
    ]


def add_key(
    connection: Connection, system_id: int, name: str, digest: str, person_id: str, at: datetime
) -> int:
    """Keep a key by its digest. Returns its id."""
    counters.rise(connection, counters.INSTALLATION)
    values = {
        "system_id": system_id,
        "name": name,
        "digest": digest,
        "person_id": person_id,
        "at": at,
    }
    return new_id(connection.execute(feed_key.insert().values(**values)))


def revoke_key(connection: Connection, system_id: int, key_id: int, at: datetime) -> bool:
    """Revoke a key. False where there is none that could be."""
    counters.rise(connection, counters.INSTALLATION)
    key = feed_key.c
    here = (key.system_id == system_id) & (key.id == key_id) & key.revoked_at.is_(None)
    return connection.execute(update(feed_key).where(here).values(revoked_at=at)).rowcount == 1


def note_uses(connection: Connection, uses: Mapping[int, tuple[datetime, str]]) -> None:
    """Keep when keys were used last, and for which version, by their ids."""
    if uses:
        wanted = update(feed_key).where(feed_key.c.id == bindparam("key"))
        rows = [
            {"key": key, "used": at, "version": version}
            for key, (at, version) in sorted(uses.items())
        ]
        connection.execute(
            wanted.values(used_at=bindparam("used"), used_version=bindparam("version")), rows
        )


def keep_report(connection: Connection, key_id: int, report: dict[str, Any]) -> None:
    """Keep what a check with a key has found, in place of what it found before."""
    connection.execute(update(feed_key).where(feed_key.c.id == key_id).values(report=pack(report)))
