"""Systems: the list of them, and new ones."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import Acting, Uses
from heimat.api.encoding import answer, described
from heimat.core.color.notation import rgb8_of
from heimat.core.document.keys import hue_key
from heimat.core.document.order import in_order
from heimat.core.hues.source import source_color
from heimat.service.opening import Listed
from heimat.view.eyes import TYPICAL, SwatchView

router = APIRouter(prefix="/api/systems", tags=["systems"])


class StartBody(Body):
    """A new system: its name, and lines with brand colors."""

    name: Annotated[str, Field(max_length=400)]
    colors: Annotated[str, Field(max_length=100_000)]


class SystemCard(TypedDict):
    """A system in the list: its hues' own colors, and when it was last changed."""

    slug: str
    name: str
    changed_at: str
    hues: list[SwatchView]
    hue_names: list[str]
    tokens: int
    latest: str | None


class StartedView(TypedDict):
    """The address of a new system, and the key of its first hue."""

    slug: str
    select: str


@router.get("", operation_id="listSystems", **described(list[SystemCard]))
def list_systems(uses: Uses) -> Response:
    return answer([_card(listed) for listed in uses.opening.all()])


def _card(listed: Listed) -> SystemCard:
    hues = in_order(listed.system.hues)
    return {
        "slug": listed.row.slug,
        "name": listed.row.name,
        "changed_at": listed.row.changed_at.isoformat() + "Z",
        "hues": [TYPICAL.swatch(rgb8_of(source_color(listed.system, hue))) for hue in hues],
        "hue_names": [hue.name for hue in hues],
        "tokens": len(listed.system.tokens),
        "latest": listed.latest,
    }


@router.post("", operation_id="startSystem", **described(StartedView, 201))
def start_system(body: StartBody, uses: Uses, person: Acting) -> Response:
    row = uses.opening.start(body.name, body.colors, person.id)
    first = in_order(uses.documents.system(row.alternative_id, row.head_number).hues)[0]
    return answer({"slug": row.slug, "select": hue_key(first.id)}, 201)
