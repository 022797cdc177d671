"""Who can act."""

import threading
from collections.abc import Sequence

from cachetools import TTLCache
from sqlalchemy import Engine

from heimat.core.errors import NotFound
from heimat.store.person_rows import Person, add_person, all_people

__all__ = ["SOMEBODY", "People", "Person", "acting", "ensure_somebody"]

_KNOWN_SECONDS = 2.0
SOMEBODY = Person("designer", "The Designer", "product designer")
"""Who acts in a database that knows nobody yet."""


class People:
    """Everyone who can act."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._known: TTLCache[str, list[Person]] = TTLCache(1, _KNOWN_SECONDS)
        self._lock = threading.Lock()

    def all(self) -> list[Person]:
        """Everyone, by name. Asked with every request, so those of a moment ago are given."""
        with self._lock:
            known = self._known.get("all")
        if known is None:
            with self._engine.connect() as connection:
                known = all_people(connection)
            if known:
                with self._lock:
                    self._known["all"] = known
        return known


def acting(everyone: Sequence[Person], wanted: str | None) -> Person:
    """Who acts: the person that was chosen, or the first one. Raises NotFound where there is nobody."""
    if not everyone:
        raise NotFound("Nobody can act here yet: the table of people is empty.")
    return next((person for person in everyone if person.id == wanted), everyone[0])


def ensure_somebody(engine: Engine) -> None:
    """Add somebody who can act, where there is nobody."""
    with engine.begin() as connection:
        if not all_people(connection):
            add_person(connection, SOMEBODY)
