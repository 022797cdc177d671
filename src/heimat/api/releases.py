"""Routes of releases, and the feeds."""

from typing import Annotated

import numpy as np
from fastapi import APIRouter, Query, Request
from starlette.responses import Response

from heimat.api.bodies import ChangeView, DraftView, PublishBody, PublishedView, ReleaseView, Seeing
from heimat.api.context import Acting, Uses
from heimat.api.encoding import answer, described
from heimat.core.legibility.findings import distance_text
from heimat.core.publication import PublishedToken, TokenChange
from heimat.service.publishing import LATEST
from heimat.service.seeing import Eyes
from heimat.service.view_types import SwatchView

router = APIRouter(prefix="/api/systems/{slug}", tags=["releases"])
feeds = APIRouter(prefix="/feeds", tags=["feeds"])
_A_YEAR = "public, max-age=31536000, immutable"


@router.get("/draft", operation_id="readDraft", **described(DraftView))
def read_draft(slug: str, uses: Uses, seeing: Annotated[Seeing, Query()]) -> Response:
    eyes = seeing.eyes()
    row = uses.opening.find(slug)
    draft = uses.publishing.draft(row, uses.documents.system(row.alternative_id, row.head_number))
    view: DraftView = {
        "revision": row.head_number,
        "latest": draft.latest,
        "proposed": draft.proposed,
        "changes": [_change(change, eyes) for change in draft.changes],
        "files": [{"name": name, "text": text} for name, text in draft.files],
        "feed": f"/feeds/{slug}/{LATEST}/",
    }
    return answer(view)


def _swatch(token: PublishedToken | None, eyes: Eyes) -> SwatchView | None:
    return eyes.swatch(np.frombuffer(bytes.fromhex(token.hex[1:]), dtype=np.uint8)) if token else None


def _change(change: TokenChange, eyes: Eyes) -> ChangeView:
    before, after = change.before, change.after
    return {
        "change": change.change,
        "before_name": before.name if before else None,
        "before": _swatch(before, eyes),
        "before_alias": before.alias if before else None,
        "after_name": after.name if after else None,
        "after": _swatch(after, eyes),
        "after_alias": after.alias if after else None,
        "distance": distance_text(change.distance) if change.distance is not None else None,
    }


@router.get("/releases", operation_id="listReleases", **described(list[ReleaseView]))
def list_releases(slug: str, uses: Uses) -> Response:
    row = uses.opening.find(slug)
    names = uses.publishing.file_names(row.id)
    found: list[ReleaseView] = [
        {
            "version": release.version,
            "notes": release.notes,
            "person": release.person,
            "at": release.at.isoformat() + "Z",
            "files": [f"/feeds/{slug}/{release.version}/{name}" for name in names.get(release.id, [])],
        }
        for release in uses.publishing.all(row.id)
    ]
    return answer(found)


@router.post("/releases", operation_id="publish", **described(PublishedView, 201))
def publish(slug: str, body: PublishBody, uses: Uses, person: Acting) -> Response:
    made, new = uses.publishing.publish(slug, body.revision, body.version, body.notes, person.id)
    return answer({"version": made.version, "new": new}, 201)


@feeds.head("/{slug}/{version}/{name}", include_in_schema=False)
@feeds.get("/{slug}/{version}/{name}", operation_id="fetchFile", response_class=Response)
def fetch_file(slug: str, version: str, name: str, request: Request, uses: Uses) -> Response:
    """A file of a release: the same bytes for ever, named by a strong ETag."""
    file = uses.publishing.file(slug, version, name)
    etag = f'"{file.digest}"'
    headers = {
        "ETag": etag,
        "Cache-Control": "public, no-cache" if version == LATEST else _A_YEAR,
        "Access-Control-Allow-Origin": "*",
        "X-Content-Type-Options": "nosniff",
    }
    asked = {part.strip().removeprefix("W/") for part in request.headers.get("if-none-match", "").split(",")}
    if etag in asked or "*" in asked:
        return Response(status_code=304, headers=headers)
    return Response(file.content, headers=headers, media_type=file.media_type)
