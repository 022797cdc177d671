"""How far things can move before a finding changes."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import Field
from starlette.responses import Response

from heimat.api.bodies import Body, ColorKey
from heimat.api.context import IS_COMPUTING, Uses, head_system
from heimat.api.encoding import answer, described
from heimat.core.document.ids import Id
from heimat.core.edits.scales import AimCurve
from heimat.core.scales.ladder import MOST_STEPS
from heimat.core.scales.shaping import ShapedLadder
from heimat.view.safe_ranges import SafeRangesView, SafeView, safe_handle_view, safe_ranges_view, safe_rung_view

router = APIRouter(prefix="/api/systems/{slug}", tags=["legibility"])


class SafeHandleBody(Body):
    """A handle of a curve, as the edit that would move it; where it goes does not matter here."""

    edit: AimCurve


class SafeRungBody(Body):
    """A step, by its place from 0, of a ladder that is being shaped, for all scales or for one hue's."""

    hue: Id | None = None
    ladder: ShapedLadder
    step: Annotated[int, Field(ge=0, lt=MOST_STEPS)]


@router.get("/safe-ranges", operation_id="readSafeRanges", dependencies=IS_COMPUTING, **described(SafeRangesView))
def read_safe_ranges(slug: str, uses: Uses, select: Annotated[ColorKey, Query()]) -> Response:
    return answer(uses.workers.run(safe_ranges_view, head_system(uses, slug), select))


@router.post("/safe-handle", operation_id="findSafeHandle", dependencies=IS_COMPUTING, **described(SafeView))
def find_safe_handle(slug: str, body: SafeHandleBody, uses: Uses) -> Response:
    system, shown = head_system(uses, slug), body.edit.shown or ""
    return answer(uses.workers.run(safe_handle_view, system, shown, body.edit))


@router.post("/safe-rung", operation_id="findSafeRung", dependencies=IS_COMPUTING, **described(SafeView))
def find_safe_rung(slug: str, body: SafeRungBody, uses: Uses) -> Response:
    system = head_system(uses, slug)
    return answer(uses.workers.run(safe_rung_view, system, body.hue, body.ladder, body.step))
