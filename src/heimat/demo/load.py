"""Loading the made-up customer into an empty database."""

from sqlalchemy import Engine

from heimat.demo.systems import brinemark, merrow_light
from heimat.service.opening import add_document
from heimat.store.people import Person, add_person, all_people

PEOPLE = (
    Person("ines", "Ines Vahl", "product designer"),
    Person("tomke", "Tomke Rasch", "data designer"),
    Person("oke", "Oke Lindt", "developer"),
    Person("maren", "Maren Sool", "reviewer"),
)


def load_demo(engine: Engine) -> bool:
    """Add the demo's people and systems. Returns False, and does nothing, where there are people already."""
    with engine.begin() as connection:
        if all_people(connection):
            return False
        for person in PEOPLE:
            add_person(connection, person)
        for system in (brinemark(), merrow_light()):
            add_document(connection, system, PEOPLE[0].id)
    return True
