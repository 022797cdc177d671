"""Routes of the work areas that start from colors alone. They know no system, so they follow what is being dragged."""

from fastapi import APIRouter
from starlette.responses import Response

from heimat.api.bodies_sources import EvenBody, HarmonyBody, MixBody, StatusBody
from heimat.api.encoding import answer, described
from heimat.service.area_status import status_view
from heimat.service.area_types import EvenView, HarmonyView, MixView, StatusView
from heimat.service.areas import even_view, harmony_view, mix_views

router = APIRouter(prefix="/api", tags=["sources"])


@router.post("/harmony", operation_id="findHarmony", **described(HarmonyView))
def find_harmony(body: HarmonyBody) -> Response:
    return answer(
        harmony_view(body.given, body.relation, body.circle, body.spread, body.placed, body.notation, body.eyes())
    )


@router.post("/even-set", operation_id="makeEvenSet", **described(EvenView))
def make_even_set(body: EvenBody) -> Response:
    return answer(
        even_view(body.start, body.count, body.space, body.lightness, body.strength, body.notation, body.eyes())
    )


@router.post("/mix", operation_id="mixColors", **described(list[MixView]))
def mix_colors(body: MixBody) -> Response:
    return answer(mix_views(body.one, body.other, body.count, body.eyes()))


@router.post("/status-proposal", operation_id="proposeStatus", **described(StatusView))
def propose_status(body: StatusBody) -> Response:
    return answer(status_view(body.brand, body.present, body.held, body.notation, body.eyes()))
