"""Loading the made-up customer into an empty database."""

from sqlalchemy import Engine

from heimat.demo.pictures import add_demo_pictures
from heimat.demo.released import as_released_first, publish_demo
from heimat.demo.sailings import SAILINGS
from heimat.demo.systems import brinemark, merrow_light
from heimat.service.datasets import add
from heimat.service.opening import add_document
from heimat.store.people import Person, add_person, all_people
from heimat.store.systems import find_system

PEOPLE = (
    Person("ines", "Ines Vahl", "product designer"),
    Person("tomke", "Tomke Rasch", "data designer"),
    Person("oke", "Oke Lindt", "developer"),
    Person("maren", "Maren Sool", "reviewer"),
)


def load_demo(engine: Engine, *, released: bool = False) -> bool:
    """Add the demo's people, systems and pictures. Returns False, and does nothing, where there are people already.

    With `released` the larger system has two releases out, and changes that wait.
    """
    system = brinemark()
    with engine.begin() as connection:
        if all_people(connection):
            return False
        for person in PEOPLE:
            add_person(connection, person)
        slug = add_document(connection, as_released_first(system) if released else system, PEOPLE[0].id)
        add_document(connection, merrow_light(), PEOPLE[0].id)
        row = find_system(connection, slug)
        assert row is not None
        add_demo_pictures(connection, row.id, PEOPLE[0].id)
        add(connection, row.id, SAILINGS.read_bytes(), "sailings", PEOPLE[1].id)
    if released:
        publish_demo(engine, slug)
    return True
