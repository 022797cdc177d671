"""What routes are given: the use cases, and who is acting."""

from dataclasses import dataclass
from typing import Annotated, cast

from fastapi import Depends, Request
from sqlalchemy import Engine

from heimat.core.document.system import ColorSystem
from heimat.core.resolve.resolved import Resolved
from heimat.service.alternatives import Alternatives
from heimat.service.datasets import Datasets
from heimat.service.documents import Documents
from heimat.service.earlier import EarlierReleases
from heimat.service.editing import Editing
from heimat.service.feed_access import FeedAccess
from heimat.service.feeds import Feeds
from heimat.service.gallery import Gallery
from heimat.service.opening import Opening
from heimat.service.own_pages import OwnPages
from heimat.service.people import People, Person, acting
from heimat.service.pictures import Pictures
from heimat.service.printing import Printing
from heimat.service.publishing import Publishing
from heimat.service.rates import COMPUTING, SENDING, Rates
from heimat.service.reading_tests import ReadingTests
from heimat.service.resting_systems import Resting
from heimat.service.turns import Turns
from heimat.service.typefaces import Typefaces
from heimat.service.workers import Workers

PERSON_COOKIE = "heimat_person"


@dataclass(frozen=True)
class Context:
    """The use cases of one database."""

    people: People
    documents: Documents
    opening: Opening
    editing: Editing
    alternatives: Alternatives
    earlier: EarlierReleases
    own_pages: OwnPages
    typefaces: Typefaces
    reading_tests: ReadingTests
    datasets: Datasets
    publishing: Publishing
    printing: Printing
    pictures: Pictures
    gallery: Gallery
    feeds: Feeds
    feed_access: FeedAccess
    resting: Resting
    workers: Workers
    rates: Rates
    turns: Turns

    @classmethod
    def of(cls, engine: Engine, workers: Workers, *, printed: bool = True) -> "Context":
        """All use cases on one engine; `workers` do what takes long, guides as PDF too where they are `printed`."""
        documents, feeds = Documents(engine), Feeds(engine)
        editing = Editing(engine, documents)
        alternatives = Alternatives(engine, documents, editing)
        return cls(
            People(engine),
            documents,
            Opening(engine, documents, workers),
            editing,
            alternatives,
            EarlierReleases(engine, documents, editing, alternatives),
            OwnPages(engine, documents),
            Typefaces(engine, documents, workers),
            ReadingTests(engine, documents),
            Datasets(engine, documents, workers),
            Publishing(engine, documents, workers, feeds, printed=printed),
            Printing(engine, documents, workers.printing, feeds),
            Pictures(engine, workers),
            Gallery(engine),
            feeds,
            FeedAccess(engine, documents, workers, feeds),
            Resting(engine, documents, editing),
            workers,
            Rates(),
            Turns(),
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
    return uses.people.all()


def current_person(request: Request, everyone: Annotated[list[Person], Depends(people)]) -> Person:
    """Who acts. The only place that knows: sign-in will change this function and nothing else."""
    return acting(everyone, request.cookies.get(PERSON_COOKIE))


Acting = Annotated[Person, Depends(current_person)]
Everyone = Annotated[list[Person], Depends(people)]


def _sending(uses: Uses, person: Acting) -> None:
    uses.rates.take(SENDING, person.id)


def _computing(uses: Uses, person: Acting) -> None:
    uses.rates.take(COMPUTING, person.id)


IS_SENDING = [Depends(_sending)]
"""Of routes that keep something large: so many a minute for each person."""
IS_COMPUTING = [Depends(_computing)]
"""Of routes that cost much: so many a minute for each person."""
