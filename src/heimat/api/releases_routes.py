"""Releases: what would change, what is out, publishing."""

import threading
from typing import Annotated, Any

from fastapi import APIRouter, Path, Query
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.requests import Request
from starlette.responses import HTMLResponse, Response
from typing_extensions import TypedDict

from heimat.api.alternatives_routes import AddedView, NewAlternativeBody
from heimat.api.bodies import Body, Looking, RequestKey, Seeing
from heimat.api.context import IS_COMPUTING, IS_SENDING, Acting, Uses, head_resolved
from heimat.api.documents_routes import parts_at
from heimat.api.encoding import answer, described
from heimat.api.feeds_routes import PAGE_POLICY
from heimat.api.listening import heard
from heimat.api.rights import needs
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.contrast import cut
from heimat.core.document.guide_settings import Guide
from heimat.core.document.release_rules import ReleaseRules
from heimat.core.errors import DomainError
from heimat.core.publication.building import publication
from heimat.core.publication.code_names import Why, meant
from heimat.core.publication.telling import grouped
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.formats import ARCHIVE
from heimat.formats.check_text import CheckKind
from heimat.formats.read.read_code_names import names_in
from heimat.formats.write import guide
from heimat.service.feeds import LATEST
from heimat.service.publishing import Comparison, Release
from heimat.view.alternatives_view import DifferencesView, differences_view
from heimat.view.parts import Parts
from heimat.view.releases.changes_view import ChangeGroupView, group_view

_TEXT: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"text/plain": {"schema": {"type": "string"}}}}
}
router = APIRouter(prefix="/api/systems/{slug}", tags=["releases"])


class PublishBody(Body):
    """A revision to publish, as which version, with which notes."""

    revision: Annotated[int, Field(ge=1)]
    version: Annotated[str, Field(max_length=40)]
    notes: Annotated[str, Field(max_length=100_000)] = ""


class Comparing(Seeing):
    """Two releases to compare, by their versions; without the later one, what is there now."""

    before: Annotated[str, Field(max_length=40)]
    after: Annotated[str | None, Field(max_length=40)] = None


Version = Annotated[str, Path(max_length=40)]


class PutBackBody(Body):
    """Things to put as they were in a release, by the ids of the differences, on a revision."""

    ids: Annotated[
        list[Annotated[str, Field(max_length=120)]], Field(min_length=1, max_length=5000)
    ]
    base: Annotated[int, Field(ge=1)]
    key: RequestKey
    view: Looking = Looking()


class FileView(TypedDict):
    """A file as it would be published."""

    name: str
    text: str


class ComparisonView(TypedDict):
    """What differs between two releases, or from one to what is there now: grouped, what it breaks, as Markdown.

    `frame` is what differs in themes and in the package's name, in sentences; `count` counts all.
    """

    groups: list[ChangeGroupView]
    frame: list[str]
    count: int
    breaks: list[str]
    markdown: str


class DraftView(TypedDict):
    """What publishing now would do; `why` says what makes the version proposed, `notes` are drafted.

    `nothing` says that the same is out already. Of files that are no text the text is empty.
    """

    revision: int
    latest: str | None
    proposed: str
    why: str
    notes: str
    compared: ComparisonView
    stops: list[str]
    told: list[str]
    nothing: bool
    rules: ReleaseRules
    guide: Guide
    files: list[FileView]
    feed: str


class CheckedView(TypedDict):
    """A place in a text: what stands there, and what was meant; `instead` is empty where nothing is sure.

    Of a pair that was never declared, or falls short, the least contrast, in which theme, and what was declared.
    """

    kind: CheckKind
    line: int
    text: str
    where: str
    token: str | None
    distance: str | None
    instead: str
    ratio: str | None
    theme: str
    needed: str | None


class CheckView(TypedDict):
    """What a text uses that is none of a release; `more` places are not told, `patch` is a unified diff."""

    version: str
    found: list[CheckedView]
    more: int
    patch: str


class MeantNameView(TypedDict):
    """A name that code uses, the id of what is likely meant among what is published, and why that."""

    name: str
    of: str | None
    why: Why


class ReleaseView(TypedDict):
    """A release, and the addresses of its files; `printing` while its guide is still being set as PDF."""

    version: str
    notes: str
    person: str
    at: str
    files: list[str]
    printing: bool


class PublishedView(TypedDict):
    """What publishing has done; `new` is false where the same is out already."""

    version: str
    new: bool


@router.get("/draft", operation_id="readDraft", dependencies=IS_COMPUTING, **described(DraftView))
@needs("look")
def read_draft(slug: str, uses: Uses, seeing: Annotated[Seeing, Query()]) -> Response:
    row = uses.opening.find(slug)
    draft = uses.publishing.draft(row)
    system = uses.documents.system(row.alternative_id, row.head_number)
    view: DraftView = {
        "revision": row.head_number,
        "latest": draft.latest,
        "proposed": draft.proposed.version,
        "why": draft.proposed.why,
        "notes": draft.compared.notes,
        "compared": comparison_view(draft.compared, seeing),
        "stops": draft.stops,
        "told": draft.told,
        "nothing": draft.nothing,
        "rules": system.release_rules,
        "guide": system.guide,
        "files": [{"name": name, "text": text} for name, text in draft.files],
        "feed": f"/feeds/{row.slug}/{LATEST}/",
    }
    return answer(view)


@router.get(
    "/archive", operation_id="readArchive", dependencies=IS_COMPUTING, response_class=Response
)
@needs("look")
def read_archive(slug: str, uses: Uses) -> Response:
    """All files as they would be published now, in one archive."""
    content = uses.publishing.archive(uses.opening.find(slug))
    named = {
        "Content-Disposition": 'attachment; filename="package.tgz"',
        "Cache-Control": "no-store",
    }
    return Response(content, media_type=ARCHIVE, headers=named)


@router.get(
    "/guide", operation_id="readGuide", dependencies=IS_COMPUTING, response_class=HTMLResponse
)
@needs("look")
def read_guide(slug: str, uses: Uses) -> HTMLResponse:
    """The guide as it would be published now."""
    page = guide.write(publication(head_resolved(uses, slug)), "draft")
    return HTMLResponse(
        page, headers={"Content-Security-Policy": PAGE_POLICY, "Cache-Control": "no-store"}
    )


@router.get(
    "/changes", operation_id="readChanges", dependencies=IS_COMPUTING, **described(ComparisonView)
)
@needs("look")
def read_changes(
    slug: str,
    uses: Uses,
    asked: Annotated[Comparing, Query()],
) -> Response:
    return answer(
        comparison_view(
            uses.publishing.between(uses.opening.find(slug), asked.before, asked.after), asked
        )
    )


def comparison_view(compared: Comparison, seeing: Seeing) -> ComparisonView:
    """What differs between two releases, as it is shown."""
    eyes = seeing.eyes()
    return {
        "groups": [group_view(group, compared.themes, eyes) for group in grouped(compared.changes)],
        "frame": compared.frame,
        "count": len(compared.changes) + len(compared.frame),
        "breaks": compared.breaks,
        "markdown": compared.markdown,
    }


@router.post(
    "/check",
    operation_id="checkText",
    openapi_extra=_TEXT,
    dependencies=IS_SENDING,
    **described(CheckView),
)
@needs("look")
async def check_text(
    slug: str,
    request: Request,
    uses: Uses,
    version: Annotated[str | None, Query(max_length=40)] = None,
) -> Response:
    text = await _text_of(request)
    row = await run_in_threadpool(uses.opening.find, slug)
    against, found = await run_in_threadpool(uses.publishing.check, row, text, version)
    view: CheckView = {
        "version": against,
        "found": [
            {
                "kind": each.kind,
                "line": each.line,
                "text": each.text,
                "where": each.where,
                "token": each.token.name if each.token else None,
                "distance": distance_text(each.distance) if each.distance else None,
                "instead": each.instead,
                "ratio": cut(each.ratio) if each.ratio is not None else None,
                "theme": each.theme,
                "needed": f"{each.needed:g}" if each.needed is not None else None,
            }
            for each in found.found
        ],
        "more": found.more,
        "patch": found.patch,
    }
    return answer(view)


@router.post(
    "/outputs/read",
    operation_id="readNames",
    openapi_extra=_TEXT,
    dependencies=IS_SENDING,
    **described(list[MeantNameView]),
)
@needs("look")
async def read_names(slug: str, request: Request, uses: Uses) -> Response:
    text = await _text_of(request)
    resolved = await run_in_threadpool(head_resolved, uses, slug)
    found: list[MeantNameView] = await run_in_threadpool(_meant, text, resolved)
    return answer(found)


def _meant(text: str, resolved: Resolved) -> list[MeantNameView]:
    known = meant(names_in(text), publication(resolved).with_palettes())
    return [{"name": each.name, "of": each.of, "why": each.why} for each in known]


async def _text_of(request: Request) -> str:
    try:
        return (await request.body()).decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise DomainError("This is no text in UTF-8.", "text", "unreadable") from error


@router.get("/releases", operation_id="listReleases", **described(list[ReleaseView]))
@needs("look")
def list_releases(slug: str, uses: Uses) -> Response:
    row = uses.opening.find(slug)
    names, printing = uses.publishing.file_names(row.id), uses.publishing.being_printed(row.id)
    found: list[ReleaseView] = [
        {
            "version": release.version,
            "notes": release.notes,
            "person": release.person,
            "at": release.at.isoformat() + "Z",
            "files": [
                f"/feeds/{row.slug}/{release.version}/{name}" for name in names.get(release.id, [])
            ],
            "printing": release.version in printing,
        }
        for release in uses.publishing.all(row.id)
    ]
    return answer(found)


@router.post(
    "/releases", operation_id="publish", dependencies=IS_SENDING, **described(PublishedView, 201)
)
@needs("publish")
async def publish(
    slug: str, body: PublishBody, request: Request, uses: Uses, person: Acting
) -> Response:
    def work(left: threading.Event) -> tuple[Release, bool]:
        return uses.publishing.publish(
            slug, body.revision, body.version, body.notes, person.id, left
        )

    made, new = await heard(request, work)
    uses.printing.wake()
    return answer({"version": made.version, "new": new}, 201)


@router.get(
    "/releases/{version}/differences", operation_id="compareRelease", **described(DifferencesView)
)
@needs("look")
def read_since(
    slug: str, version: Version, uses: Uses, seeing: Annotated[Seeing, Query()]
) -> Response:
    was = resolve(uses.earlier.document(slug, version))
    return answer(differences_view(head_resolved(uses, slug), was, seeing.eyes()))


@router.post(
    "/releases/{version}/restorations", operation_id="restoreFromRelease", **described(Parts)
)
@needs("edit")
def put_back(
    slug: str, version: Version, body: PutBackBody, uses: Uses, person: Acting
) -> Response:
    head = uses.earlier.put_back(slug, version, body.ids, body.base, person.id, body.key)
    return answer(parts_at(uses, slug, head, person, body.view))


@router.post(
    "/releases/{version}/alternative", operation_id="startAlternative", **described(AddedView, 201)
)
@needs("edit")
def begin_again(
    slug: str, version: Version, body: NewAlternativeBody, uses: Uses, person: Acting
) -> Response:
    return answer({"slug": uses.earlier.begin(slug, version, body.name, person.id)}, 201)
