"""Who can act."""

from sqlalchemy import Engine

from heimat.store.people import Person, add_person, all_people

SOMEBODY = Person("designer", "The Designer", "product designer")
"""Who acts in a database that knows nobody yet."""


def ensure_somebody(engine: Engine) -> None:
    """Add somebody who can act, where there is nobody."""
    with engine.begin() as connection:
        if not all_people(connection):
            add_person(connection, SOMEBODY)
