"""Who acts. In the demo the acting person can be chosen."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import PERSON_COOKIE, Acting, Everyone
from heimat.api.encoding import answer, described
from heimat.api.rights import needs
from heimat.core.errors import NotFound
from heimat.service.people import Person

router = APIRouter(prefix="/api", tags=["people"])


class PersonBody(Body):
    """Who shall act."""

    person: Annotated[str, Field(max_length=40)]


class PersonView(TypedDict):
    """A person."""

    id: str
    name: str
    initials: str
    role: str


class MeView(TypedDict):
    """Who acts, and who else could."""

    me: PersonView
    people: list[PersonView]


def _person(person: Person) -> PersonView:
    initials = "".join(part[0] for part in person.name.split()[:2]).upper()
    return {"id": person.id, "name": person.name, "initials": initials, "role": person.role}


@router.get("/me", operation_id="readMe", **described(MeView))
@needs("nothing")
def read_me(person: Acting, everyone: Everyone) -> Response:
    return answer({"me": _person(person), "people": [_person(other) for other in everyone]})


@router.put("/me", operation_id="chooseMe", **described(MeView))
@needs("nothing")
def choose_me(body: PersonBody, everyone: Everyone) -> Response:
    chosen = next((person for person in everyone if person.id == body.person), None)
    if chosen is None:
        raise NotFound("There is no such person.")
    response = answer({"me": _person(chosen), "people": [_person(other) for other in everyone]})
    response.set_cookie(PERSON_COOKIE, chosen.id, httponly=True, samesite="strict", path="/")
    return response
