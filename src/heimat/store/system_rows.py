"""Systems and their alternatives.

The address of an alternative is that of its system, a tilde and its name; the main one has the system's own. That of
a release is that of its system, an at sign and its version: what it was made of, at which nothing changes any more.
"""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, select, update

from heimat.store.database_keys import new_id
from heimat.store.stored_json import pack, unpack
from heimat.store.tables import alternative, release, revision, system

MAIN = "main"


@dataclass(frozen=True)
class SystemRow:
    """A system with one of its alternatives, the main one if no other is named, and that one's head.

    At the address of a release, `released` is its version, and the head is the revision that it was made of.
    """

    id: int
    slug: str
    name: str
    alternative_id: int
    alternative: str
    head_revision_id: int
    head_number: int
    changed_at: datetime
    released: str | None = None


@dataclass(frozen=True)
class AlternativeRow:
    """An alternative of a system: its name, when it was changed last, and whether it is shared by a link."""

    id: int
    name: str
    changed_at: datetime
    share_key: str | None


@dataclass(frozen=True)
class ListedRow(SystemRow):
    """A system as it is listed: whether it is put away, and its head's card as plain data; None where none was kept."""

    archived: bool = False
    card: Any = None


def parted(address: str) -> tuple[str, str]:
    """The slug of a system and the name of its alternative, from an address."""
    slug, tilde, name = address.partition("~")
    return slug, name if tilde else MAIN


def address_of(slug: str, name: str) -> str:
    """The address of an alternative."""
    return slug if name == MAIN else f"{slug}~{name}"


_ROW = (
    system.c.id,
    system.c.slug,
    system.c.name,
    alternative.c.id.label("alternative_id"),
    alternative.c.name.label("alternative"),
    revision.c.id.label("head_revision_id"),
    revision.c.number.label("head_number"),
    revision.c.at.label("changed_at"),
)
"""What a `SystemRow` is made of."""


def _query(name: str = MAIN) -> Select[Any]:
    return (
        select(*_ROW)
        .join(alternative, (alternative.c.system_id == system.c.id) & (alternative.c.name == name))
        .join(revision, revision.c.id == alternative.c.head_revision_id)
    )


def listed_systems(connection: Connection) -> list[ListedRow]:
    """Every system, what was changed last first, with its card."""
    query = (
        _query()
        .add_columns(system.c.archived, alternative.c.card)
        .order_by(revision.c.at.desc(), system.c.id.desc())
    )
    rows = (dict(row._mapping) for row in connection.execute(query))
    return [
        ListedRow(**{**row, "card": unpack(row["card"]) if row["card"] else None}) for row in rows
    ]


def find_system(connection: Connection, address: str) -> SystemRow | None:
    """The system of exactly this slug, in the alternative or release named.

    Compared once more here: the database passes over spaces at the end.
    """
    slug, at, version = address.partition("@")
    if at:
        return _released(connection, slug, version)
    slug, name = parted(address)
    row = connection.execute(_query(name).where(system.c.slug == slug)).first()
    return (
        SystemRow(**row._mapping) if row and (row.slug, row.alternative) == (slug, name) else None
    )


def _released(connection: Connection, slug: str, version: str) -> SystemRow | None:
    numbers = version.split(".")
    if len(numbers) != 3 or not all(
        number.isascii() and number.isdigit() and len(number) < 7 for number in numbers
    ):
        return None
    major, minor, patch = map(int, numbers)
    query = (
        select(*_ROW)
        .join(release, release.c.system_id == system.c.id)
        .join(revision, revision.c.id == release.c.revision_id)
        .join(alternative, alternative.c.id == release.c.alternative_id)
        .where(
            system.c.slug == slug,
            release.c.major == major,
            release.c.minor == minor,
            release.c.patch == patch,
        )
    )
    row = connection.execute(query).first()
    return (
        SystemRow(**row._mapping, released=f"{major}.{minor}.{patch}")
        if row and row.slug == slug
        else None
    )


def alternatives_of(connection: Connection, system_id: int) -> list[AlternativeRow]:
    """The alternatives of a system, the main one first, then by name."""
    query = (
        select(
            alternative.c.id,
            alternative.c.name,
            revision.c.at.label("changed_at"),
            alternative.c.share_key,
        )
        .join(revision, revision.c.id == alternative.c.head_revision_id)
        .where(alternative.c.system_id == system_id)
        .order_by(alternative.c.name != MAIN, alternative.c.name)
    )
    return [AlternativeRow(**row._mapping) for row in connection.execute(query)]


def add_alternative(connection: Connection, system_id: int, name: str) -> int:
    """Add an alternative without a revision. Returns its id."""
    return new_id(connection.execute(alternative.insert().values(system_id=system_id, name=name)))


def remove_alternative(connection: Connection, alternative_id: int) -> None:
    """Remove an alternative with all its revisions. Raises IntegrityError where a release is made from one."""
    here = alternative.c.id == alternative_id
    connection.execute(
        update(alternative).where(here).values(head_revision_id=None, base_revision_id=None)
    )
    # What undoes a revision, or follows it, goes before it.
    connection.execute(
        revision.delete().where(
            revision.c.alternative_id == alternative_id, revision.c.undoes_id.is_not(None)
        )
    )
    newest_first = select(revision.c.id).where(revision.c.alternative_id == alternative_id)
    for row in connection.execute(newest_first.order_by(revision.c.number.desc())).all():
        connection.execute(revision.delete().where(revision.c.id == row.id))
    connection.execute(alternative.delete().where(here))


def set_share_key(connection: Connection, alternative_id: int, key: str | None) -> None:
    """Let who has a key look at an alternative, or nobody."""
    connection.execute(
        update(alternative).where(alternative.c.id == alternative_id).values(share_key=key)
    )


def shared_address(connection: Connection, key: str) -> str | None:
    """The address of the alternative that a key opens; None where it opens none."""
    query = (
        select(system.c.slug, alternative.c.name, alternative.c.share_key)
        .join(alternative, alternative.c.system_id == system.c.id)
        .where(alternative.c.share_key == key)
    )
    row = connection.execute(query).first()
    return address_of(row.slug, row.name) if row and row.share_key == key else None


def taken_slugs(connection: Connection, start: str) -> set[str]:
    """The slugs that begin with a text."""
    rows = connection.execute(
        select(system.c.slug).where(system.c.slug.startswith(start, autoescape=True))
    )
    return {row.slug for row in rows}


def all_slugs(connection: Connection) -> frozenset[str]:
    """The slugs of all systems."""
    return frozenset(connection.execute(select(system.c.slug)).scalars())


def hold_system(connection: Connection, system_id: int) -> None:
    """Hold a system until the transaction ends: who creates something in it does so one after another."""
    connection.execute(select(system.c.id).where(system.c.id == system_id).with_for_update()).one()


def add_system(connection: Connection, slug: str, name: str, at: datetime) -> tuple[int, int]:
    """Add a system with an empty main alternative. Returns the ids of both."""
    system_id = new_id(connection.execute(system.insert().values(slug=slug, name=name, at=at)))
    return system_id, new_id(
        connection.execute(alternative.insert().values(system_id=system_id, name=MAIN))
    )


def lock_head(connection: Connection, alternative_id: int) -> tuple[int, int]:
    """Hold an alternative until the transaction ends, before anything else. Returns its head's id and number."""
    query = (
        select(alternative.c.head_revision_id, revision.c.number)
        .join(revision, revision.c.id == alternative.c.head_revision_id)
        .where(alternative.c.id == alternative_id)
        .with_for_update()
    )
    row = connection.execute(query).one()
    return int(row.head_revision_id), int(row.number)


def keep_card(
    connection: Connection, alternative_id: int, revision_id: int, card: dict[str, Any]
) -> None:
    """Keep the card of a head that was stored without one, if it still is the head."""
    here = (alternative.c.id == alternative_id) & (alternative.c.head_revision_id == revision_id)
    connection.execute(update(alternative).where(here).values(card=pack(card)))


def set_head(
    connection: Connection,
    alternative_id: int,
    revision_id: int,
    card: dict[str, Any],
    *,
    base: bool = False,
) -> None:
    """Move an alternative's head to a revision with its card, plain data; `base` for its first one."""
    values: dict[str, Any] = {"head_revision_id": revision_id, "card": pack(card)}
    values |= {"base_revision_id": revision_id} if base else {}
    connection.execute(
        update(alternative).where(alternative.c.id == alternative_id).values(**values)
    )


def rename_system(connection: Connection, system_id: int, name: str) -> None:
    """Keep the name that lists show; addresses stay."""
    connection.execute(update(system).where(system.c.id == system_id).values(name=name))


def set_archived(connection: Connection, system_id: int, archived: bool) -> None:
    """Put a system away, or back among the others."""
    connection.execute(update(system).where(system.c.id == system_id).values(archived=archived))
