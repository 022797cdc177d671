"""The page of a team's own: kept, and answered so that nothing in it runs or loads anything."""

from typing import Any

from fastapi import APIRouter
from starlette.concurrency import run_in_threadpool
from starlette.requests import Request
from starlette.responses import HTMLResponse, Response

from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import described_bytes, described_empty
from heimat.api.rights import needs

router = APIRouter(prefix="/api/systems/{slug}/own-page", tags=["tokens"])

_POLICY = "; ".join(
    (
        "sandbox allow-same-origin",
        "default-src 'none'",
        "style-src 'unsafe-inline'",
        "img-src data:",
        "font-src data:",
        "base-uri 'none'",
        "form-action 'none'",
        "frame-ancestors 'self'",
    )
)
"""No script, no network, inline styles. It is of the same origin, so that Heimat's page can give it the colors."""
_BODY: dict[str, Any] = {
    "requestBody": {"required": True, "content": {"text/html": {"schema": {"type": "string"}}}}
}


@router.get("", operation_id="readOwnPage", **described_bytes("text/html"))
@needs("look")
def read_own_page(slug: str, uses: Uses) -> Response:
    headers = {
        "Content-Security-Policy": _POLICY,
        "X-Frame-Options": "SAMEORIGIN",
        "Cache-Control": "no-store",
    }
    return HTMLResponse(uses.own_pages.find(slug), headers=headers)


@router.put(
    "",
    operation_id="keepOwnPage",
    openapi_extra=_BODY,
    dependencies=IS_SENDING,
    **described_empty(),
)
@needs("edit")
async def keep_own_page(slug: str, request: Request, uses: Uses, person: Acting) -> Response:
    content = await request.body()
    await run_in_threadpool(uses.own_pages.keep, slug, content, person.id)
    return Response(status_code=204)


@router.delete("", operation_id="removeOwnPage", **described_empty())
@needs("edit")
def remove_own_page(slug: str, uses: Uses) -> Response:
    uses.own_pages.remove(slug)
    return Response(status_code=204)
