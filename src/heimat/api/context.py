"""What routes are given: the use cases, and who is acting."""

from dataclasses import dataclass
from typing import Annotated, cast

from fastapi import Depends, Request
from sqlalchemy import Engine

from heimat.core.resolve import Resolved
from heimat.core.system import ColorSystem
from heimat.service.documents import Documents
from heimat.service.editing import Editing
from heimat.service.errors import NotFound
from heimat.service.gallery import Gallery
from heimat.service.opening import Opening
from heimat.service.pictures import Pictures
from heimat.service.precedence import Precedence
from heimat.service.publishing import Publishing
from heimat.store.people import Person, all_people

PERSON_COOKIE = "heimat_person"
FIRST_PERSON = "ines"
"""The demo's designer, who acts where nobody else was chosen."""


@dataclass(frozen=True)
class Context:
    """The use cases of one database."""

    engine: Engine
    documents: Documents
    opening: Opening
    editing: Editing
    publishing: Publishing
    pictures: Pictures
    gallery: Gallery
    precedence: Precedence

    @classmethod
    def of(cls, engine: Engine) -> "Context":
        """All use cases on one engine."""
        documents = Documents(engine)
        return cls(
            engine,
            documents,
            Opening(engine),
            Editing(engine, documents),
            Publishing(engine, documents),
            Pictures(engine),
            Gallery(engine),
            Precedence(),
        )


def get_context(request: Request) -> Context:
    """The use cases of this process."""
    return cast(Context, request.app.state.context)


Uses = Annotated[Context, Depends(get_context)]


def head_system(uses: Context, slug: str) -> ColorSystem:
    """The newest document of a system. Raises NotFound."""
    row = uses.opening.find(slug)
    return uses.documents.system(row.alternative_id, row.head_number)


def head_resolved(uses: Context, slug: str) -> Resolved:
    """The colors of a system's newest revision. Raises NotFound."""
    row = uses.opening.find(slug)
    return uses.documents.resolved(row.alternative_id, row.head_number)


def people(uses: Uses) -> list[Person]:
    """Everyone who can act."""
    with uses.engine.connect() as connection:
        return all_people(connection)


def current_person(request: Request, everyone: Annotated[list[Person], Depends(people)]) -> Person:
    """Who acts. The only place that knows: sign-in will change this function and nothing else."""
    if not everyone:
        raise NotFound("Nobody can act here yet: the table of people is empty.")
    wanted = request.cookies.get(PERSON_COOKIE, FIRST_PERSON)
    by_id = {person.id: person for person in everyone}
    return by_id.get(wanted) or by_id.get(FIRST_PERSON) or everyone[0]


Acting = Annotated[Person, Depends(current_person)]
Everyone = Annotated[list[Person], Depends(people)]
