"""Routes of reading: any text to colors, and a set as text and back."""

from typing import Annotated, Any

from fastapi import APIRouter, Query, Request
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response

from heimat.api.bodies_sources import ReadingFrom, SetPlanView, SetTextBody, SetTextView
from heimat.api.context import Uses, head_system
from heimat.api.encoding import answer, described
from heimat.core.color.notation import Notation
from heimat.core.sources.as_text import read_back, set_as_text
from heimat.formats import read_any
from heimat.service.area_reading import plan_rows, reading_view
from heimat.service.area_types import ReadingView

router = APIRouter(prefix="/api", tags=["reading"])
_TEXT_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"text/plain": {"schema": {"type": "string"}}}}
}


@router.post("/reading", operation_id="readColors", openapi_extra=_TEXT_BODY, **described(ReadingView))
async def read_colors(request: Request, uses: Uses, source: Annotated[ReadingFrom, Query()]) -> Response:
    content = await request.body()

    def read() -> ReadingView:
        system = head_system(uses, source.system) if source.system else None
        reading = read_any.read(read_any.decode(content), source.name)
        return reading_view(reading, system, source.notation, source.eyes())

    return answer(await run_in_threadpool(read))


@router.get("/systems/{slug}/text", operation_id="writeSetText", **described(SetTextView))
def write_set_text(
    slug: str, uses: Uses, notation: Notation = "hex", sign: bool = True, names: bool = True
) -> Response:
    return answer({"text": set_as_text(head_system(uses, slug), notation, sign=sign, names=names)})


@router.post("/systems/{slug}/text", operation_id="readSetText", **described(SetPlanView))
def read_set_text(slug: str, body: SetTextBody, uses: Uses) -> Response:
    plan = read_back(head_system(uses, slug), body.text)
    edits = [edit.model_dump(mode="json") for edit in plan.edits]
    return answer({"rows": plan_rows(plan, body.eyes()), "edits": edits})
