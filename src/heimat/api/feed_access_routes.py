"""Feeds: whether one asks for a key, its keys, what is out to be tried, and what checks have found in use."""

from typing import Annotated

from fastapi import APIRouter, Path, Request
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import answer, described
from heimat.api.feeds_routes import bearer
from heimat.api.rights import needs
from heimat.service.failures import KeyRefused
from heimat.service.feed_access import MOST_NAMES_REPORTED, FeedStanding, KeyStanding
from heimat.service.feeds import PREVIEW

router = APIRouter(tags=["feeds"])


class AskingBody(Body):
    """Whether a feed asks for a key."""

    keyed: bool


class NewKeyBody(Body):
    """A key to make, by the name of who uses it."""

    name: Annotated[str, Field(max_length=200)]


class FeedPreviewBody(Body):
    """A revision to put out to be tried, under a name."""

    revision: Annotated[int, Field(ge=1)]
    name: Annotated[str, Field(max_length=80)] = "next"


class ReportBody(Body):
    """What a check has found in use: the version that it checked against, and names of tokens."""

    version: Annotated[str, Field(max_length=60)]
    names: Annotated[
        list[Annotated[str, Field(max_length=200)]], Field(max_length=MOST_NAMES_REPORTED)
    ]


class KeyView(TypedDict):
    """A key without itself: who uses it, who made it, when it was used last and for what.

    `behind` is how many releases are newer than what it fetched last, None where that is not known; `gone` and `going`
    are names that its last check found in use, and that the latest release has no more, or not for long.
    """

    id: int
    name: str
    person: str
    at: str
    revoked: bool
    used_at: str | None
    used_version: str | None
    behind: int | None
    gone: list[str]
    going: list[str]


class PreviewView(TypedDict):
    """What is out to be tried: its name, the version that it says, who put it out, and its address."""

    name: str
    version: str
    person: str
    at: str
    address: str


class FeedView(TypedDict):
    """How a feed stands."""

    address: str
    keyed: bool
    keys: list[KeyView]
    previews: list[PreviewView]


class MadeKeyView(TypedDict):
    """A key, told this once."""

    key: str
    feed: FeedView


@router.get("/api/systems/{slug}/feed", operation_id="readFeed", **described(FeedView))
@needs("look")
def read_feed(slug: str, uses: Uses) -> Response:
    return answer(_view(uses, slug))


@router.put("/api/systems/{slug}/feed", operation_id="askForKeys", **described(FeedView))
@needs("administer")
def ask_for_keys(slug: str, body: AskingBody, uses: Uses) -> Response:
    uses.feed_access.ask_for_keys(slug, body.keyed)
    return answer(_view(uses, slug))


@router.post("/api/systems/{slug}/feed/keys", operation_id="makeKey", **described(MadeKeyView, 201))
@needs("administer")
def make_key(slug: str, body: NewKeyBody, uses: Uses, person: Acting) -> Response:
    key = uses.feed_access.make_key(slug, body.name, person.id)
    return answer({"key": key, "feed": _view(uses, slug)}, 201)


@router.delete(
    "/api/systems/{slug}/feed/keys/{key_id}", operation_id="revokeKey", **described(FeedView)
)
@needs("administer")
def revoke_key(slug: str, key_id: Annotated[int, Path(ge=0, le=2**62)], uses: Uses) -> Response:
    uses.feed_access.revoke(slug, key_id)
    return answer(_view(uses, slug))


@router.post(
    "/api/systems/{slug}/feed/previews",
    operation_id="putPreview",
    dependencies=IS_SENDING,
    **described(FeedView, 201),
)
@needs("publish")
def put_preview(slug: str, body: FeedPreviewBody, uses: Uses, person: Acting) -> Response:
    uses.feed_access.preview(slug, body.revision, body.name, person.id)
    return answer(_view(uses, slug), 201)


@router.delete(
    "/api/systems/{slug}/feed/previews/{name}", operation_id="endPreview", **described(FeedView)
)
@needs("publish")
def end_preview(slug: str, name: Annotated[str, Path(max_length=80)], uses: Uses) -> Response:
    uses.feed_access.end_preview(slug, name)
    return answer(_view(uses, slug))


@router.post(
    "/feeds/{slug}/reports",
    operation_id="sendReport",
    status_code=204,
    response_class=Response,
    responses={
        401: {
            "description": "No key, or one that opens nothing",
            "content": {"application/problem+json": {}},
        }
    },
)
@needs("nothing")
def send_report(slug: str, body: ReportBody, request: Request, uses: Uses) -> Response:
    key = bearer(request.scope)
    if key is None:
        raise KeyRefused("A report is sent with a key, in the header Authorization: Bearer.")
    uses.feed_access.report(slug, key, body.version, body.names)
    return Response(status_code=204)


def _view(uses: Uses, slug: str) -> FeedView:
    address = f"/feeds/{uses.opening.find(slug).slug}/"
    standing: FeedStanding = uses.feed_access.standing(slug)
    return {
        "address": address,
        "keyed": standing.keyed,
        "keys": [_key_view(each) for each in standing.keys],
        "previews": [
            {
                "name": each.name,
                "version": each.version,
                "person": each.person,
                "at": each.at.isoformat() + "Z",
                "address": f"{address}{PREVIEW}{each.name}/",
            }
            for each in standing.previews
        ],
    }


def _key_view(standing: KeyStanding) -> KeyView:
    key = standing.key
    return {
        "id": key.id,
        "name": key.name,
        "person": key.person,
        "at": key.at.isoformat() + "Z",
        "revoked": key.revoked_at is not None,
        "used_at": key.used_at.isoformat() + "Z" if key.used_at else None,
        "used_version": key.used_version,
        "behind": standing.behind,
        "gone": list(standing.gone),
        "going": list(standing.going),
    }
