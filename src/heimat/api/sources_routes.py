"""Sources: any text to colors, a set as text and back, status hues taken into a system."""

from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import MOST_NUMBER, Body, Seeing, Showing
from heimat.api.context import IS_COMPUTING, Uses, head_system
from heimat.api.encoding import answer, described, encode
from heimat.api.listening import listened
from heimat.api.rights import needs
from heimat.core.color.color_text import ColorInput
from heimat.core.color.notation import Notation
from heimat.core.document.part import LONGEST_NOTE
from heimat.core.document.system import ColorSystem
from heimat.core.edits import UserEdit
from heimat.core.planning.set_changes import Children
from heimat.core.planning.status_hues import status_edits
from heimat.core.resolve.resolved import resolve
from heimat.core.sources.conventions import Status
from heimat.formats.read import read_any
from heimat.formats.set_text import read_back, set_as_text
from heimat.view.eyes import Eyes
from heimat.view.sources.reading_view import ReadingView, SetPlanView, plan_view, reading_view

router = APIRouter(prefix="/api", tags=["sources"])
_TEXT_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"text/plain": {"schema": {"type": "string"}}}}
}


class ReadingFrom(Showing):
    """Where a text to read comes from: the name of its file, if it was one, and the system it is read for."""

    name: Annotated[str, Field(max_length=200)] = ""
    system: Annotated[str | None, Field(max_length=80)] = None


class SetTextBody(Seeing):
    """The text of a set, edited."""

    text: Annotated[str, Field(max_length=100_000)]
    base: Annotated[int | None, Field(ge=1, le=MOST_NUMBER)] = None
    """The revision that the text was written of."""
    children: Children = "detach"
    """What becomes of hues that follow a removed one."""


class SetTextView(TypedDict):
    """A set as text, and the revision that it was written of."""

    text: str
    revision: int


class StatusEditsBody(Body):
    """Status colors as they shall be, and what each is for."""

    colors: dict[Status, ColorInput]
    notes: dict[Status, Annotated[str, Field(max_length=LONGEST_NOTE)]] = {}


class EditsView(TypedDict):
    """Edits that do what was asked for, in order."""

    edits: list[UserEdit]


@router.post(
    "/reading",
    operation_id="readColors",
    dependencies=IS_COMPUTING,
    openapi_extra=_TEXT_BODY,
    **described(ReadingView),
)
@needs("nothing")
async def read_colors(
    request: Request, uses: Uses, source: Annotated[ReadingFrom, Query()]
) -> Response:
    content = await request.body()
    system = await run_in_threadpool(head_system, uses, source.system) if source.system else None
    given = content, source.name, system, source.notation, source.eyes()
    return answer(await listened(request, uses.workers.reading, _read, *given))


def _read(
    content: bytes, name: str, system: ColorSystem | None, notation: Notation, eyes: Eyes
) -> bytes:
    reading = read_any.read(read_any.decode(content), name)
    return encode(reading_view(reading, resolve(system) if system else None, notation, eyes))


@router.get("/systems/{slug}/text", operation_id="writeSetText", **described(SetTextView))
@needs("look")
def write_set_text(
    slug: str, uses: Uses, notation: Notation = "hex", sign: bool = True, names: bool = True
) -> Response:
    row = uses.opening.find(slug)
    system = uses.documents.system(row.alternative_id, row.head_number)
    return answer(
        {"text": set_as_text(system, notation, sign=sign, names=names), "revision": row.head_number}
    )


@router.post("/systems/{slug}/text", operation_id="readSetText", **described(SetPlanView))
@needs("look")
def read_set_text(slug: str, body: SetTextBody, uses: Uses) -> Response:
    now = head_system(uses, slug)
    written = (
        uses.documents.system(uses.documents.alternative(slug)[1], body.base) if body.base else now
    )
    return answer(
        plan_view(read_back(written, body.text, now=now, children=body.children), body.eyes())
    )


@router.post("/systems/{slug}/status-edits", operation_id="planStatus", **described(EditsView))
@needs("look")
def plan_status(slug: str, body: StatusEditsBody, uses: Uses) -> Response:
    return answer({"edits": status_edits(head_system(uses, slug), body.colors, body.notes)})
