"""Resting on another system: which there are, taking a release, what a newer one would change."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body, Looking, RequestKey, Seeing
from heimat.api.context import IS_COMPUTING, Acting, Uses, head_system
from heimat.api.documents_routes import parts_at
from heimat.api.encoding import answer, described
from heimat.api.releases_routes import ComparisonView, comparison_view
from heimat.api.rights import needs
from heimat.core.color.hex_notation import hexes_of
from heimat.core.document.hues import HueKind
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.resting import LONGEST_ADDRESS, LONGEST_VERSION
from heimat.core.document.system import MOST_HUES
from heimat.core.hues.scaling import scales_of
from heimat.service.resting_systems import Offer
from heimat.view.parts import Parts

router = APIRouter(prefix="/api/systems/{slug}/resting", tags=["releases"])


class RestBody(Body):
    """A system to rest on: its address, a version, and ids of hues there, on a revision."""

    address: Annotated[str, Field(max_length=LONGEST_ADDRESS)]
    version: Annotated[str, Field(max_length=LONGEST_VERSION)]
    hues: Annotated[
        list[Annotated[str, Field(max_length=LONGEST_NAME)]],
        Field(min_length=1, max_length=MOST_HUES),
    ]
    base: Annotated[int, Field(ge=1)]
    key: RequestKey
    view: Looking = Looking()


class OfferedHueView(TypedDict):
    """A hue that can be taken: its id there, and the colors of its scale."""

    id: str
    name: str
    kind: HueKind
    colors: list[str]


class OfferView(TypedDict):
    """A system that one could rest on, at its latest version."""

    address: str
    name: str
    version: str
    hues: list[OfferedHueView]


class NewerView(TypedDict):
    """A later version of what a system rests on, and what it changes."""

    version: str
    compared: ComparisonView


class TakenView(TypedDict):
    """What a system rests on: how many hues and tokens it took, and which names it says itself."""

    address: str
    name: str
    version: str
    chosen: list[str]
    hues: int
    tokens: int
    overridden: list[str]


class RestingView(TypedDict):
    """What a system rests on, if it does, what is newer there, and what it could rest on."""

    taken: TakenView | None
    newer: NewerView | None
    offers: list[OfferView]


class PlanView(TypedDict):
    """What would be taken: how many hues and tokens, and the names that this system says itself."""

    hues: int
    tokens: int
    own: list[str]


class Planning(Body):
    """A release of another system, and ids of hues there."""

    address: Annotated[str, Field(max_length=LONGEST_ADDRESS)]
    version: Annotated[str, Field(max_length=LONGEST_VERSION)]
    hues: Annotated[
        list[Annotated[str, Field(max_length=LONGEST_NAME)]],
        Field(min_length=1, max_length=MOST_HUES),
    ]


@router.get("", operation_id="readResting", dependencies=IS_COMPUTING, **described(RestingView))
@needs("look")
def read_resting(slug: str, uses: Uses, seeing: Annotated[Seeing, Query()]) -> Response:
    system = head_system(uses, slug)
    rests_on, newer = system.rests_on, uses.resting.newer(system)
    view: RestingView = {
        "taken": {
            "address": rests_on.address,
            "name": rests_on.name,
            "version": rests_on.version,
            "chosen": list(rests_on.chosen),
            "hues": len(rests_on.hues),
            "tokens": len(rests_on.tokens),
            "overridden": sorted(
                system.tokens[key].name for key in rests_on.overridden if key in system.tokens
            ),
        }
        if rests_on
        else None,
        "newer": {"version": newer.version, "compared": comparison_view(newer.compared, seeing)}
        if newer
        else None,
        "offers": [_offer(uses, each) for each in uses.resting.offers(slug)],
    }
    return answer(view)


@router.post("/plan", operation_id="planResting", dependencies=IS_COMPUTING, **described(PlanView))
@needs("look")
def plan_resting(slug: str, body: Planning, uses: Uses) -> Response:
    found = uses.resting.planned(slug, body.address, body.version, body.hues)
    view: PlanView = {
        "hues": len(found.edit.hues),
        "tokens": len(found.edit.tokens),
        "own": list(found.own),
    }
    return answer(view)


@router.post("", operation_id="restOn", **described(Parts))
@needs("edit")
def rest_on(slug: str, body: RestBody, uses: Uses, person: Acting) -> Response:
    head = uses.resting.rest(
        slug, body.address, body.version, body.hues, body.base, person.id, body.key
    )
    return answer(parts_at(uses, slug, head, person, body.view))


def _offer(uses: Uses, offer: Offer) -> OfferView:
    document = uses.resting.release(offer.address, offer.version).document
    scales = scales_of(document, offer.hues)
    return {
        "address": offer.address,
        "name": offer.name,
        "version": offer.version,
        "hues": [
            {"id": hue.id, "name": hue.name, "kind": hue.kind, "colors": hexes_of(scale.rgb8)}
            for hue, scale in zip(offer.hues, scales, strict=True)
        ],
    }
