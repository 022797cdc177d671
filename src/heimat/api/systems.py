"""Routes of systems: list, start, look, preview, edit, undo and redo."""

from typing import Annotated, Literal

from fastapi import APIRouter, Query
from starlette.responses import Response

from heimat.api.bodies import (
    EditBody,
    HeadView,
    Looking,
    PreviewBody,
    RevisionView,
    StartBody,
    StartedView,
    SystemCard,
    TakeBackBody,
)
from heimat.api.context import Acting, Context, Uses
from heimat.api.encoding import answer, described
from heimat.core.color.notation import rgb8_of
from heimat.core.colors_of import source_color
from heimat.core.system import in_order
from heimat.service.editing import Head
from heimat.service.seeing import Eyes
from heimat.service.view import Around, system_view
from heimat.service.view_types import SystemView
from heimat.store import releases, revisions
from heimat.store.people import Person
from heimat.store.systems import SystemRow

router = APIRouter(prefix="/api", tags=["systems"])
_HISTORY = 100
_TYPICAL = Eyes("typical", 1.0)


@router.get("/systems", operation_id="listSystems", **described(list[SystemCard]))
def list_systems(uses: Uses) -> Response:
    return answer([_card(uses, row) for row in uses.opening.all()])


def _card(uses: Context, row: SystemRow) -> SystemCard:
    system = uses.documents.system(row.alternative_id, row.head_number)
    hues = in_order(system.hues)
    with uses.engine.connect() as connection:
        latest = releases.latest_release(connection, row.id)
    return {
        "slug": row.slug,
        "name": row.name,
        "changed_at": row.changed_at.isoformat() + "Z",
        "hues": [_TYPICAL.swatch(rgb8_of(source_color(system, hue))) for hue in hues],
        "hue_names": [hue.name for hue in hues],
        "tokens": len(system.tokens),
        "latest": latest.version if latest else None,
    }


@router.post("/systems", operation_id="startSystem", **described(StartedView, 201))
def start_system(body: StartBody, uses: Uses, person: Acting) -> Response:
    row = uses.opening.start(body.name, body.colors, person.id)
    first = in_order(uses.documents.system(row.alternative_id, row.head_number).hues)[0]
    return answer({"slug": row.slug, "select": f"hue:{first.id}"}, 201)


@router.get("/systems/{slug}", operation_id="openSystem", **described(SystemView))
def open_system(slug: str, uses: Uses, person: Acting, looking: Annotated[Looking, Query()]) -> Response:
    row = uses.opening.find(slug)
    head = Head(row.alternative_id, row.head_number, uses.documents.system(row.alternative_id, row.head_number))
    return answer(_view(uses, row, head, person, looking))


@router.get("/systems/{slug}/head", operation_id="readHead", **described(HeadView))
def read_head(slug: str, uses: Uses) -> Response:
    return answer({"revision": uses.opening.find(slug).head_number})


@router.post("/systems/{slug}/preview", operation_id="previewEdits", **described(SystemView))
def preview_edits(slug: str, body: PreviewBody, uses: Uses) -> Response:
    # All of this is remembered: while somebody drags, the database is left alone.
    with uses.precedence.first():
        system_id, alternative_id = uses.documents.alternative(slug)
        system = uses.editing.preview(alternative_id, body.base, body.edits)
        published = uses.documents.published(system_id, body.latest) if body.latest else None
        around = Around(slug, body.base, body.latest, published, None, None)
        return answer(system_view(system, around, body.view.options(repairs=False)))


@router.post("/systems/{slug}/edits", operation_id="keepEdits", **described(SystemView))
def keep_edits(slug: str, body: EditBody, uses: Uses, person: Acting) -> Response:
    head = uses.editing.edit(slug, person.id, body.base, body.edits, body.key)
    return answer(_view(uses, uses.opening.find(slug), head, person, body.view))


@router.post("/systems/{slug}/{kind}", operation_id="takeBack", **described(SystemView))
def take_back(slug: str, kind: Literal["undo", "redo"], body: TakeBackBody, uses: Uses, person: Acting) -> Response:
    head = uses.editing.take_back(slug, person.id, body.key, kind)
    return answer(_view(uses, uses.opening.find(slug), head, person, body.view))


@router.get("/systems/{slug}/history", operation_id="readHistory", **described(list[RevisionView]))
def read_history(slug: str, uses: Uses) -> Response:
    row = uses.opening.find(slug)
    with uses.engine.connect() as connection:
        rows = revisions.history(connection, row.alternative_id, last=_HISTORY)
    found: list[RevisionView] = [
        {"number": row.number, "person": row.person, "at": row.at.isoformat() + "Z", "sentence": row.sentence}
        for row in reversed(rows)
    ]
    return answer(found)


def _view(uses: Context, row: SystemRow, head: Head, person: Person, looking: Looking) -> SystemView:
    uses.documents.know(row.slug, row.id, row.alternative_id)
    with uses.engine.connect() as connection:
        latest = releases.latest_release(connection, row.id)
    mine = uses.editing.stacks(head.alternative_id, person.id)
    around = Around(
        slug=row.slug,
        revision=head.number,
        latest=latest.version if latest else None,
        published=uses.documents.publication(latest.id) if latest else None,
        undo=_plain(mine.undo[-1].sentence) if mine.undo else None,
        redo=_plain(mine.redo[-1].sentence) if mine.redo else None,
    )
    return system_view(head.system, around, looking.options())


def _plain(sentence: str) -> str:
    """The sentence of an edit, without the words that say that it was undone or redone."""
    return sentence.removeprefix("Undo: ").removeprefix("Redo: ")
