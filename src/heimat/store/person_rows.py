"""People."""

from dataclasses import dataclass

from sqlalchemy import Connection, select

from heimat.store.tables import person


@dataclass(frozen=True)
class Person:
    """Someone who edits: an id, a name, and what they do."""

    id: str
    name: str
    role: str


def all_people(connection: Connection) -> list[Person]:
    """Everyone, by name."""
    rows = connection.execute(select(person).order_by(person.c.name))
    return [Person(row.id, row.name, row.role) for row in rows]


def add_person(connection: Connection, new: Person) -> None:
    """Add someone."""
    connection.execute(person.insert().values(id=new.id, name=new.name, role=new.role))


def hold_person(connection: Connection, person_id: str) -> None:
    """Hold a person until the transaction ends: what is theirs alone is made one after another."""
    connection.execute(select(person.c.id).where(person.c.id == person_id).with_for_update()).one()
