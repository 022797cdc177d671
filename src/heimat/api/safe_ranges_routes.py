"""How far things can move before a finding changes."""

from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response

from heimat.api.bodies import Body, ColorKey
from heimat.api.context import IS_COMPUTING, Uses, head_system
from heimat.api.encoding import answer, described
from heimat.api.listening import listened
from heimat.api.rights import needs
from heimat.core.document.ids import Id
from heimat.core.edits.scale_edits import AimCurve
from heimat.core.scales.ladder import MOST_STEPS
from heimat.core.scales.shaping import ShapedLadder
from heimat.view.safe_ranges import (
    SafeRangesView,
    SafeView,
    safe_handle_view,
    safe_ranges_view,
    safe_rung_view,
)

router = APIRouter(prefix="/api/systems/{slug}", tags=["legibility"])


class SafeHandleBody(Body):
    """A handle of a curve, as the edit that would move it; where it goes does not matter here."""

    edit: AimCurve


class SafeRungBody(Body):
    """A step, by its place from 0, of a ladder that is being shaped, for all scales or for one hue's."""

    hue: Id | None = None
    ladder: ShapedLadder
    step: Annotated[int, Field(ge=0, lt=MOST_STEPS)]


@router.get(
    "/safe-ranges",
    operation_id="readSafeRanges",
    dependencies=IS_COMPUTING,
    **described(SafeRangesView),
)
@needs("look")
async def read_safe_ranges(
    slug: str, request: Request, uses: Uses, select: Annotated[ColorKey, Query()]
) -> Response:
    system = await run_in_threadpool(head_system, uses, slug)
    return answer(await listened(request, uses.workers.asking, safe_ranges_view, system, select))


@router.post(
    "/safe-handle", operation_id="findSafeHandle", dependencies=IS_COMPUTING, **described(SafeView)
)
@needs("look")
async def find_safe_handle(
    slug: str, request: Request, body: SafeHandleBody, uses: Uses
) -> Response:
    system = await run_in_threadpool(head_system, uses, slug)
    given = system, body.edit.shown or "", body.edit
    return answer(await listened(request, uses.workers.asking, safe_handle_view, *given))


@router.post(
    "/safe-rung", operation_id="findSafeRung", dependencies=IS_COMPUTING, **described(SafeView)
)
@needs("look")
async def find_safe_rung(slug: str, request: Request, body: SafeRungBody, uses: Uses) -> Response:
    system = await run_in_threadpool(head_system, uses, slug)
    given = system, body.hue, body.ladder, body.step
    return answer(await listened(request, uses.workers.asking, safe_rung_view, *given))
