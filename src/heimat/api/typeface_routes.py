"""The typeface of a team's own: kept with its system, and answered to its page alone."""

import hashlib
from typing import Annotated, Any

from fastapi import APIRouter, Query
from starlette.concurrency import run_in_threadpool
from starlette.requests import Request
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import answer, described, described_bytes, described_empty
from heimat.api.rights import needs

router = APIRouter(prefix="/api/systems/{slug}/typeface", tags=["legibility"])
_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}


class TypefaceView(TypedDict):
    """What the typeface is called, and a mark that changes with its bytes; null where there is none."""

    name: str | None
    mark: str | None


@router.get("", operation_id="readTypeface", **described(TypefaceView))
@needs("look")
def read_typeface(slug: str, uses: Uses) -> Response:
    found = uses.typefaces.find(slug)
    if found is None:
        return answer({"name": None, "mark": None})
    return answer({"name": found.name, "mark": hashlib.sha256(found.content).hexdigest()[:16]})


@router.get("/file", operation_id="readTypefaceFile", **described_bytes("font/*"))
@needs("look")
def read_typeface_file(slug: str, uses: Uses) -> Response:
    found = uses.typefaces.content(slug)
    headers = {"Cache-Control": "private, no-cache", "X-Content-Type-Options": "nosniff"}
    return Response(found.content, headers=headers, media_type=found.media_type)


@router.put(
    "",
    operation_id="keepTypeface",
    openapi_extra=_BODY,
    dependencies=IS_SENDING,
    **described_empty(),
)
@needs("edit")
async def keep_typeface(
    slug: str,
    request: Request,
    uses: Uses,
    person: Acting,
    name: Annotated[str, Query(max_length=200)] = "",
) -> Response:
    content = await request.body()
    await run_in_threadpool(uses.typefaces.keep, slug, content, name, person.id)
    return Response(status_code=204)


@router.delete("", operation_id="removeTypeface", **described_empty())
@needs("edit")
def remove_typeface(slug: str, uses: Uses) -> Response:
    uses.typefaces.remove(slug)
    return Response(status_code=204)
