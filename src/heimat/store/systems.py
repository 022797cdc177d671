"""Systems and their alternatives."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, select, update

from heimat.store.keys import new_id
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


def all_systems(connection: Connection) -> list[SystemRow]:
    """Every system, by name."""
    return [SystemRow(**row._mapping) for row in connection.execute(_query().order_by(system.c.name, system.c.id))]


def find_system(connection: Connection, slug: str) -> SystemRow | None:
    """The system of a slug."""
    row = connection.execute(_query().where(system.c.slug == slug)).first()
    return SystemRow(**row._mapping) if row else None


def taken_slugs(connection: Connection, start: str) -> set[str]:
    """The slugs that begin with a text."""
    rows = connection.execute(select(system.c.slug).where(system.c.slug.startswith(start, autoescape=True)))
    return {row.slug for row in rows}


def add_system(connection: Connection, slug: str, name: str, at: datetime) -> tuple[int, int]:
    """Add a system with an empty main alternative. Returns the ids of both."""
    system_id = new_id(connection.execute(system.insert().values(slug=slug, name=name, at=at)))
    return system_id, new_id(connection.execute(alternative.insert().values(system_id=system_id, name=MAIN)))


def lock_head(connection: Connection, alternative_id: int) -> int:
    """Hold an alternative until the transaction ends. Returns the id of its head revision."""
    query = select(alternative.c.head_revision_id).where(alternative.c.id == alternative_id).with_for_update()
    return int(connection.execute(query).scalar_one())


def lock_system(connection: Connection, system_id: int) -> None:
    """Hold a system until the transaction ends."""
    connection.execute(select(system.c.id).where(system.c.id == system_id).with_for_update()).scalar_one()


def set_head(connection: Connection, alternative_id: int, revision_id: int, *, base: bool = False) -> None:
    """Move an alternative's head to a revision; `base` for its first one."""
    values = {"head_revision_id": revision_id} | ({"base_revision_id": revision_id} if base else {})
    connection.execute(update(alternative).where(alternative.c.id == alternative_id).values(**values))


def rename_system(connection: Connection, system_id: int, name: str) -> None:
    """Keep the name that lists show; addresses stay."""
    connection.execute(update(system).where(system.c.id == system_id).values(name=name))
