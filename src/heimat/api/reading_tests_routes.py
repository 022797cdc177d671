"""Reading tests: begun by the team, read by whoever has the link."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import Acting, Uses
from heimat.api.encoding import answer, described, described_empty
from heimat.api.rights import needs
from heimat.service.people import Person
from heimat.service.reading_tests import FIGURES, ReadingTest

router = APIRouter(prefix="/api", tags=["legibility"])
_Hex = Annotated[str, Field(pattern=r"^#[0-9A-F]{6}$")]
_Key = Annotated[str, Field(max_length=60)]


class ReadingTestBody(Body):
    """The two colors that are read, and the size of the text in CSS pixels."""

    ink: _Hex
    ground: _Hex
    px: Annotated[int, Field(ge=8, le=96)]


class ReadingAnswersBody(Body):
    """What one reader has typed for the figures in their order; nothing for one that could not be read."""

    reader: _Key
    typed: Annotated[
        list[Annotated[str, Field(max_length=20)]], Field(min_length=1, max_length=FIGURES)
    ]


class ReadingTestView(TypedDict):
    """A reading test: the key of its link, how much of what was shown its readers have read, and who began it."""

    key: str
    ink: str
    ground: str
    px: int
    readers: int
    shown: int
    read: int
    person: str
    yours: bool


class ReadingTaskView(TypedDict):
    """What a reader is shown: figures in one color on another; the answer comes by the reader's key."""

    reader: str
    ink: str
    ground: str
    px: int
    figures: list[str]


@router.get(
    "/systems/{slug}/reading-tests",
    operation_id="listReadingTests",
    **described(list[ReadingTestView]),
)
@needs("look")
def list_reading_tests(slug: str, uses: Uses, person: Acting) -> Response:
    return answer([_view(each, person) for each in uses.reading_tests.of(slug)])


@router.post(
    "/systems/{slug}/reading-tests", operation_id="beginReadingTest", **described(ReadingTestView)
)
@needs("edit")
def begin_reading_test(slug: str, body: ReadingTestBody, uses: Uses, person: Acting) -> Response:
    return answer(
        _view(uses.reading_tests.begin(slug, body.ink, body.ground, body.px, person.id), person)
    )


@router.delete(
    "/systems/{slug}/reading-tests/{key}/answers",
    operation_id="emptyReadingTest",
    **described(ReadingTestView),
)
@needs("edit")
def empty_reading_test(slug: str, key: _Key, uses: Uses, person: Acting) -> Response:
    return answer(_view(uses.reading_tests.empty(slug, key, person.id), person))


@router.post(
    "/reading-tests/{key}/readers",
    operation_id="openReadingTask",
    **described(ReadingTaskView, 201),
)
@needs("nothing")
def open_reading_task(key: _Key, uses: Uses) -> Response:
    found, reader = uses.reading_tests.open(key)
    colors = {"ink": found.ink, "ground": found.ground, "px": found.px}
    return answer({"reader": reader.key, **colors, "figures": reader.figures}, 201)


@router.post("/reading-tests/{key}", operation_id="answerReadingTask", **described_empty())
@needs("nothing")
def answer_reading_task(key: _Key, body: ReadingAnswersBody, uses: Uses) -> Response:
    uses.reading_tests.answer(key, body.reader, body.typed)
    return Response(status_code=204)


def _view(row: ReadingTest, person: Person) -> ReadingTestView:
    return {
        "key": row.key,
        "ink": row.ink,
        "ground": row.ground,
        "px": row.px,
        "readers": row.readers,
        "shown": row.shown,
        "read": row.read,
        "person": row.person,
        "yours": row.person_id == person.id,
    }
