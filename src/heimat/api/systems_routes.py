"""Systems: the list of them, and new ones."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import answer, described, described_empty
from heimat.api.rights import needs
from heimat.core.color.hex_notation import bytes_of
from heimat.core.document.keys import hue_key
from heimat.core.document.order import in_order
from heimat.service.opening import Listed
from heimat.view.eyes import TYPICAL, SwatchView

router = APIRouter(prefix="/api/systems", tags=["systems"])


class StartBody(Body):
    """A new system: its name, and lines with brand colors."""

    name: Annotated[str, Field(max_length=400)]
    colors: Annotated[str, Field(max_length=100_000)]


class SystemCard(TypedDict):
    """A system in the list: its hues' own colors, into how many kinds they are sorted, when it was last changed, what
    it rests on, whether it is put away, and why it cannot be opened, if so."""

    slug: str
    name: str
    changed_at: str
    hues: list[SwatchView]
    hue_names: list[str]
    kinds: int
    tokens: int
    themes: int
    latest: str | None
    rests_on: str | None
    archived: bool
    problem: str | None


class DuplicateView(TypedDict):
    """The address of a copy."""

    slug: str


class ArchiveBody(Body):
    """Whether a system is put away."""

    archived: bool


class StartedView(TypedDict):
    """The address of a new system, the key of its first hue, and the lines that were not read."""

    slug: str
    select: str
    unread: list[str]


@router.get("", operation_id="listSystems", **described(list[SystemCard]))
@needs("nothing")
def list_systems(uses: Uses) -> Response:
    return answer([_card(listed) for listed in uses.opening.all()])


def _card(listed: Listed) -> SystemCard:
    return {
        "slug": listed.row.slug,
        "name": listed.row.name,
        "changed_at": listed.row.changed_at.isoformat() + "Z",
        "hues": [TYPICAL.swatch(bytes_of(color)) for _, color in listed.card["hues"]],
        "hue_names": [name for name, _ in listed.card["hues"]],
        "kinds": listed.card["kinds"],
        "tokens": listed.card["tokens"],
        "themes": listed.card["themes"],
        "latest": listed.latest,
        "rests_on": listed.card["rests_on"],
        "archived": listed.row.archived,
        "problem": listed.problem,
    }


@router.post("", operation_id="startSystem", dependencies=IS_SENDING, **described(StartedView, 201))
@needs("nothing")
def start_system(body: StartBody, uses: Uses, person: Acting) -> Response:
    row, unread = uses.opening.start(body.name, body.colors, person.id)
    first = in_order(uses.documents.system(row.alternative_id, row.head_number).hues)[0]
    return answer({"slug": row.slug, "select": hue_key(first.id), "unread": unread}, 201)


@router.post(
    "/{slug}/copies",
    operation_id="copySystem",
    dependencies=IS_SENDING,
    **described(DuplicateView, 201),
)
@needs("look")
def copy_system(slug: str, uses: Uses, person: Acting) -> Response:
    return answer({"slug": uses.opening.copy(slug, person.id).slug}, 201)


@router.put("/{slug}/archived", operation_id="archiveSystem", **described_empty())
@needs("administer")
def archive_system(slug: str, body: ArchiveBody, uses: Uses) -> None:
    uses.opening.archive(slug, body.archived)
