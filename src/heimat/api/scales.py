"""Routes of the scales' work areas."""

from typing import Annotated

from fastapi import APIRouter, Query
from starlette.responses import Response

from heimat.api.bodies import CopyBody, FewerBody, LadderBody, OverlayBody, PromiseBody, SafeHandleBody, SafeRungBody
from heimat.api.context import Uses, head_resolved, head_system
from heimat.api.encoding import answer, described
from heimat.core.scales.ladder import READY_MADE
from heimat.service.copying import CopiedView, copied_view
from heimat.service.ladders import FewerView, LadderPlanView, PromisePlanView, fewer_view, ladder_plan, promise_plan
from heimat.service.overlays import OverlaysView, overlays_view
from heimat.service.safe_ranges import SafeRangesView, SafeView, safe_handle_view, safe_ranges_view, safe_rung_view
from heimat.service.view_scales import ladder_view
from heimat.service.view_types import LadderView

router = APIRouter(prefix="/api", tags=["scales"])


@router.get("/ladders", operation_id="listLadders", **described(list[LadderView]))
def list_ladders() -> Response:
    return answer([ladder_view(ladder) for ladder in READY_MADE.values()])


@router.post("/systems/{slug}/ladder-plan", operation_id="planLadder", **described(LadderPlanView))
def plan_ladder(slug: str, body: LadderBody, uses: Uses) -> Response:
    return answer(ladder_plan(head_system(uses, slug), body.hue, body.ladder))


@router.post("/systems/{slug}/fewer", operation_id="planFewer", **described(FewerView))
def plan_fewer(slug: str, body: FewerBody, uses: Uses) -> Response:
    return answer(fewer_view(head_system(uses, slug), body.steps))


@router.post("/systems/{slug}/promise-plan", operation_id="planPromise", **described(PromisePlanView))
def plan_promise(slug: str, body: PromiseBody, uses: Uses) -> Response:
    return answer(promise_plan(head_system(uses, slug), body.apart, body.aim))


@router.get("/systems/{slug}/safe-ranges", operation_id="readSafeRanges", **described(SafeRangesView))
def read_safe_ranges(
    slug: str,
    uses: Uses,
    select: Annotated[str, Query(max_length=120)],
    theme: Annotated[str | None, Query(max_length=40)] = None,
) -> Response:
    return answer(safe_ranges_view(head_system(uses, slug), theme, select, uses.precedence.give_way))


@router.post("/systems/{slug}/safe-handle", operation_id="findSafeHandle", **described(SafeView))
def find_safe_handle(slug: str, body: SafeHandleBody, uses: Uses) -> Response:
    system, shown = head_system(uses, slug), body.edit.shown or ""
    return answer(safe_handle_view(system, body.theme, shown, body.edit, uses.precedence.give_way))


@router.post("/systems/{slug}/safe-rung", operation_id="findSafeRung", **described(SafeView))
def find_safe_rung(slug: str, body: SafeRungBody, uses: Uses) -> Response:
    system, pause = head_system(uses, slug), uses.precedence.give_way
    return answer(safe_rung_view(system, body.theme, body.hue, body.ladder, body.step, pause))


@router.post("/systems/{slug}/copy", operation_id="copyColors", **described(CopiedView))
def copy_colors(slug: str, body: CopyBody, uses: Uses) -> Response:
    return answer(copied_view(head_resolved(uses, slug), body.keys, body.notation, names=body.names))


@router.post("/overlays", operation_id="findOverlays", **described(OverlaysView))
def find_overlays(body: OverlayBody) -> Response:
    return answer(overlays_view(body.color, body.alpha, body.ground, body.tint, body.eyes()))
