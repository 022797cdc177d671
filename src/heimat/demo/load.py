"""Loading the made-up customer into an empty database."""

from sqlalchemy import Engine

from heimat.core.charts.summary import summary_of
from heimat.demo.demo_pictures import add_demo_pictures
from heimat.demo.demo_systems import brinemark, merrow_light
from heimat.demo.released import as_released_first, publish_demo
from heimat.demo.sailings import SAILINGS
from heimat.formats.read.read_table import read_table
from heimat.service.clock import now
from heimat.service.datasets import add
from heimat.service.opening import add_document
from heimat.store import claim_rows
from heimat.store.person_rows import Person, add_person, all_people
from heimat.store.system_rows import find_system

PEOPLE = (
    Person("ines", "Ines Vahl", "product designer"),
    Person("tomke", "Tomke Rasch", "data designer"),
    Person("oke", "Oke Lindt", "developer"),
    Person("maren", "Maren Sool", "reviewer"),
)
_LOADING = "loading the demo"
_FOR_GOOD = 10 * 365 * 86_400.0
_SLUG = "brinemark"


def load_demo(engine: Engine, *, released: bool = False) -> bool:
    """Add the demo's people, systems and pictures. Returns False, and does nothing, where there are people already.

    With `released` the larger system has two releases out, and changes that wait; where that was interrupted, it goes
    on from there.
    """
    system = brinemark()
    with engine.begin() as connection:
        begun = claim_rows.is_there(connection, _LOADING)
        if all_people(connection) and not begun:
            return False
    if begun:
        _go_on(engine)
        return True
    with engine.begin() as connection:
        for person in PEOPLE:
            add_person(connection, person)
        slug = add_document(
            connection, as_released_first(system) if released else system, PEOPLE[0].id
        )
        if released:
            claim_rows.take(connection, _LOADING, slug, now(), _FOR_GOOD)
        add_document(connection, merrow_light(), PEOPLE[0].id)
        row = find_system(connection, slug)
        assert row is not None
        add_demo_pictures(connection, row.id, PEOPLE[0].id)
        sailings = SAILINGS.read_bytes()
        add(
            connection, row.id, sailings, "sailings", summary_of(read_table(sailings)), PEOPLE[1].id
        )
    if released:
        _go_on(engine)
    return True


def _go_on(engine: Engine) -> None:
    """Publish what the demo has published, as far as that is not done, and say that all is loaded."""
    publish_demo(engine, _SLUG)
    with engine.begin() as connection:
        claim_rows.leave(connection, _LOADING, _SLUG)
