"""The work areas of Scales: ladders, promises, fewer colors."""

from typing import Annotated

from fastapi import APIRouter, Request
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response

from heimat.api.bodies import Body
from heimat.api.context import IS_COMPUTING, Uses, head_resolved, head_system
from heimat.api.encoding import answer, described
from heimat.api.listening import listened
from heimat.api.rights import needs
from heimat.core.document.ids import Id
from heimat.core.scales.ladder import MOST_STEPS, READY_MADE
from heimat.core.scales.shaping import ShapedLadder
from heimat.view.scales.ladder_plans import (
    FewerView,
    LadderPlanView,
    PromisePlanView,
    fewer_view,
    ladder_plan,
    promise_plan,
)
from heimat.view.scales.ladder_view import LadderView, ladder_view

router = APIRouter(prefix="/api", tags=["scales"])


class LadderBody(Body):
    """A ladder, ready made by its name or step by step, for all scales or for one hue's; without one, that of all."""

    hue: Id | None = None
    ladder: str | ShapedLadder | None = None


class FewerBody(Body):
    """How many steps a smaller ladder shall have; without a number, as many as are needed."""

    steps: Annotated[int | None, Field(ge=1, le=MOST_STEPS)] = None


class PromiseBody(Body):
    """A promise to solve the ladder for: any two steps so many positions apart reach a contrast."""

    apart: Annotated[int, Field(ge=1, le=MOST_STEPS)]
    aim: Annotated[float, Field(ge=1.0, le=21.0)]


@router.get("/ladders", operation_id="listLadders", **described(list[LadderView]))
@needs("nothing")
def list_ladders() -> Response:
    return answer([ladder_view(ladder) for ladder in READY_MADE.values()])


@router.post("/systems/{slug}/ladder-plan", operation_id="planLadder", **described(LadderPlanView))
@needs("look")
def plan_ladder(slug: str, body: LadderBody, uses: Uses) -> Response:
    return answer(ladder_plan(head_system(uses, slug), body.hue, body.ladder))


@router.post(
    "/systems/{slug}/smaller-ladder", operation_id="planSmallerLadder", **described(FewerView)
)
@needs("look")
def plan_fewer(slug: str, body: FewerBody, uses: Uses) -> Response:
    return answer(fewer_view(head_resolved(uses, slug), body.steps))


@router.post(
    "/systems/{slug}/promise-plan",
    operation_id="planPromise",
    dependencies=IS_COMPUTING,
    **described(PromisePlanView),
)
@needs("look")
async def plan_promise(slug: str, request: Request, body: PromiseBody, uses: Uses) -> Response:
    system = await run_in_threadpool(head_system, uses, slug)
    return answer(
        await listened(request, uses.workers.asking, promise_plan, system, body.apart, body.aim)
    )
