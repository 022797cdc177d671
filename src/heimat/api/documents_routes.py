"""One system: look, preview, edit, undo and redo, history, copy."""

from datetime import date
from typing import Annotated, Literal

from fastapi import APIRouter, Query
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import MOST_NUMBER, Body, ColorKey, Looking, RequestKey, ThemeId
from heimat.api.context import Acting, Context, Uses, head_resolved
from heimat.api.encoding import answer, described
from heimat.api.rights import needs
from heimat.core.color.notation import Notation
from heimat.core.document.words import listed
from heimat.core.edits import UserEdit, apply_all
from heimat.core.filling.turning import gone_along
from heimat.service.editing import MOST_EDITS, Head
from heimat.service.people import Person
from heimat.view.copying import CopiedView, CopyForm, copied_view
from heimat.view.look import Look, Where
from heimat.view.parts import Parts, parts_of

router = APIRouter(prefix="/api/systems/{slug}", tags=["documents"])


class PreviewBody(Body):
    """Edits on a revision, to look at."""

    base: Annotated[int, Field(ge=1)]
    edits: Annotated[list[UserEdit], Field(max_length=MOST_EDITS)]
    view: Looking = Looking()
    latest: Annotated[str | None, Field(max_length=40)] = None
    """The version that is out, as the last whole view told it: what has changed is marked against it."""


class EditBody(Body):
    """Edits on a revision, to keep. A request repeated with the same key is kept once."""

    base: Annotated[int, Field(ge=1)]
    view: Looking = Looking()
    edits: Annotated[list[UserEdit], Field(min_length=1, max_length=MOST_EDITS)]
    key: RequestKey


class TakeBackBody(Body):
    """Undo or redo; `passing` leaves the change as it is, so that what was before it comes next."""

    key: RequestKey
    passing: bool = False
    view: Looking = Looking()


class BringBackBody(Body):
    """Taking back what somebody else did, by the number of that revision."""

    key: RequestKey
    view: Looking = Looking()
    revision: Annotated[int, Field(ge=2, le=MOST_NUMBER)]


class CopyBody(Body):
    """Colors to copy, by their keys, in a theme, the first without one, in a notation, as values, rows or shapes."""

    keys: Annotated[list[ColorKey], Field(min_length=1, max_length=5000)]
    notation: Notation = "hex"
    form: CopyForm = "values"
    theme: ThemeId = None


class HeadView(TypedDict):
    """The newest revision."""

    revision: int


class RevisionView(TypedDict):
    """A revision in the history."""

    number: int
    person: str
    at: str
    sentence: str


class RemovalView(TypedDict):
    """Hues that somebody else has removed, in words, and by which revision."""

    revision: int
    person: str
    hues: str


@router.get("", operation_id="openSystem", **described(Parts))
@needs("look")
def open_system(
    slug: str, uses: Uses, person: Acting, looking: Annotated[Looking, Query()]
) -> Response:
    return answer(parts_at(uses, slug, None, person, looking))


@router.get("/head", operation_id="readHead", **described(HeadView))
@needs("look")
def read_head(slug: str, uses: Uses) -> Response:
    return answer({"revision": uses.opening.find(slug).head_number})


@router.post("/preview", operation_id="previewEdits", **described(Parts))
@needs("look")
def preview_edits(slug: str, body: PreviewBody, uses: Uses) -> Response:
    # All of this is remembered: while somebody drags, the database is left alone.
    system_id, alternative_id = uses.documents.alternative(slug)
    base = uses.documents.system(alternative_id, body.base)
    published = uses.documents.published(system_id, body.latest) if body.latest else None
    place = Where(slug, body.base, body.latest, published)
    with uses.turns.mine():
        resolved, along = uses.documents.resolved(alternative_id, body.base), ""
        if body.edits:
            gone = gone_along(resolved, body.edits, apply_all(base, body.edits))
            resolved, along = gone.resolved, gone.words
        look = Look(resolved, place, body.view.options(), along)
        return answer(parts_of(look, body.view.parts))


@router.post("/edits", operation_id="keepEdits", **described(Parts))
@needs("edit")
def keep_edits(slug: str, body: EditBody, uses: Uses, person: Acting) -> Response:
    signed = [edit.signed(person.name, date.today()) for edit in body.edits]
    # Ids that the request leaves to the server are others each time it is read.
    sent = [edit.model_dump(mode="json", exclude_unset=True) for edit in body.edits]
    head = uses.editing.edit(slug, person.id, body.base, signed, body.key, sent)
    return answer(parts_at(uses, slug, head, person, body.view))


@router.post("/undo", operation_id="undo", **described(Parts))
@needs("edit")
def undo(slug: str, body: TakeBackBody, uses: Uses, person: Acting) -> Response:
    return _take_back(slug, "undo", body, uses, person)


@router.post("/redo", operation_id="redo", **described(Parts))
@needs("edit")
def redo(slug: str, body: TakeBackBody, uses: Uses, person: Acting) -> Response:
    return _take_back(slug, "redo", body, uses, person)


@router.get("/removals", operation_id="readRemovals", **described(list[RemovalView]))
@needs("look")
def read_removals(
    slug: str, uses: Uses, person: Acting, after: Annotated[int, Query(ge=1, le=MOST_NUMBER)]
) -> Response:
    found: list[RemovalView] = [
        {"revision": each.number, "person": each.person, "hues": listed(each.hues)}
        for each in uses.editing.removals(slug, person.id, after)
    ]
    return answer(found)


@router.post("/restorations", operation_id="restoreRevision", **described(Parts))
@needs("edit")
def bring_back(slug: str, body: BringBackBody, uses: Uses, person: Acting) -> Response:
    head = uses.editing.bring_back(slug, person.id, body.key, body.revision)
    return answer(parts_at(uses, slug, head, person, body.view))


def _take_back(
    slug: str, kind: Literal["undo", "redo"], body: TakeBackBody, uses: Context, person: Person
) -> Response:
    head = uses.editing.take_back(slug, person.id, body.key, kind, passing=body.passing)
    return answer(parts_at(uses, slug, head, person, body.view))


@router.get("/history", operation_id="readHistory", **described(list[RevisionView]))
@needs("look")
def read_history(slug: str, uses: Uses) -> Response:
    found: list[RevisionView] = [
        {
            "number": row.number,
            "person": row.person,
            "at": row.at.isoformat() + "Z",
            "sentence": row.sentence,
        }
        for row in uses.editing.history(slug)
    ]
    return answer(found)


@router.post("/copy", operation_id="copyColors", **described(CopiedView))
@needs("look")
def copy_colors(slug: str, body: CopyBody, uses: Uses) -> Response:
    return answer(
        copied_view(head_resolved(uses, slug), body.theme, body.keys, body.notation, body.form)
    )


def parts_at(
    uses: Context, slug: str, head: Head | None, person: Person, looking: Looking
) -> Parts:
    """The parts asked for of a head that was just stored, or of the newest one."""
    at = uses.editing.place_in_history(slug, person.id, head)
    place = Where(slug, at.number, at.latest, at.published, at.undo, at.redo)
    # Read before, so that nobody waits for the database while others wait for this.
    uses.documents.system(at.alternative_id, at.number)
    with uses.turns.mine():
        resolved = uses.documents.resolved(at.alternative_id, at.number)
        return parts_of(Look(resolved, place, looking.options()), looking.parts)
