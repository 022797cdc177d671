"""Systems and their alternatives."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, select, update

from heimat.store.keys import new_id
from heimat.store.packing import pack, unpack
from heimat.store.tables import alternative, revision, system

MAIN = "main"


@dataclass(frozen=True)
class SystemRow:
    """A system with its main alternative and that one's head."""

    id: int
    slug: str
    name: str
    alternative_id: int
    head_revision_id: int
    head_number: int
    changed_at: datetime


@dataclass(frozen=True)
class ListedRow(SystemRow):
    """A system as it is listed, with its head's card as plain data; None where none has been kept yet."""

    card: Any


def _query() -> Select[Any]:
    return (
        select(
            system.c.id,
            system.c.slug,
            system.c.name,
            alternative.c.id.label("alternative_id"),
            revision.c.id.label("head_revision_id"),
            revision.c.number.label("head_number"),
            revision.c.at.label("changed_at"),
        )
        .join(alternative, (alternative.c.system_id == system.c.id) & (alternative.c.name == MAIN))
        .join(revision, revision.c.id == alternative.c.head_revision_id)
    )


def listed_systems(connection: Connection) -> list[ListedRow]:
    """Every system, by name, with its card."""
    query = _query().add_columns(alternative.c.card).order_by(system.c.name, system.c.id)
    rows = (dict(row._mapping) for row in connection.execute(query))
    return [ListedRow(**{**row, "card": unpack(row["card"]) if row["card"] else None}) for row in rows]


def find_system(connection: Connection, slug: str) -> SystemRow | None:
    """The system of exactly this slug: the database passes over spaces at the end."""
    row = connection.execute(_query().where(system.c.slug == slug)).first()
    return SystemRow(**row._mapping) if row and row.slug == slug else None


def taken_slugs(connection: Connection, start: str) -> set[str]:
    """The slugs that begin with a text."""
    rows = connection.execute(select(system.c.slug).where(system.c.slug.startswith(start, autoescape=True)))
    return {row.slug for row in rows}


def add_system(connection: Connection, slug: str, name: str, at: datetime) -> tuple[int, int]:
    """Add a system with an empty main alternative. Returns the ids of both."""
    system_id = new_id(connection.execute(system.insert().values(slug=slug, name=name, at=at)))
    return system_id, new_id(connection.execute(alternative.insert().values(system_id=system_id, name=MAIN)))


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


def keep_card(connection: Connection, alternative_id: int, revision_id: int, card: dict[str, Any]) -> None:
    """Keep the card of a head that was stored without one, if it still is the head."""
    here = (alternative.c.id == alternative_id) & (alternative.c.head_revision_id == revision_id)
    connection.execute(update(alternative).where(here).values(card=pack(card)))


def set_head(
    connection: Connection, alternative_id: int, revision_id: int, card: dict[str, Any], *, base: bool = False
) -> None:
    """Move an alternative's head to a revision with its card, plain data; `base` for its first one."""
    values: dict[str, Any] = {"head_revision_id": revision_id, "card": pack(card)}
    values |= {"base_revision_id": revision_id} if base else {}
    connection.execute(update(alternative).where(alternative.c.id == alternative_id).values(**values))


def rename_system(connection: Connection, system_id: int, name: str) -> None:
    """Keep the name that lists show; addresses stay."""
    connection.execute(update(system).where(system.c.id == system_id).values(name=name))
