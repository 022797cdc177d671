"""The feeds: files of releases, the same bytes for ever."""

from fastapi import APIRouter, Request
from starlette.responses import Response

from heimat.api.context import Uses
from heimat.service.publishing import LATEST

router = APIRouter(prefix="/feeds", tags=["feeds"])
_A_YEAR = "public, max-age=31536000, immutable"


@router.head("/{slug}/{version}/{name}", include_in_schema=False)
@router.get("/{slug}/{version}/{name}", operation_id="fetchFile", response_class=Response)
def fetch_file(slug: str, version: str, name: str, request: Request, uses: Uses) -> Response:
    """A file of a release: the same bytes for ever, named by a strong ETag."""
    file = uses.publishing.file(slug, version, name)
    etag = f'"{file.digest}"'
    headers = {
        "ETag": etag,
        "Cache-Control": "public, no-cache" if version == LATEST else _A_YEAR,
        "Access-Control-Allow-Origin": "*",
        "X-Content-Type-Options": "nosniff",
    }
    asked = {part.strip().removeprefix("W/") for part in request.headers.get("if-none-match", "").split(",")}
    if etag in asked or "*" in asked:
        return Response(status_code=304, headers=headers)
    return Response(file.content, headers=headers, media_type=file.media_type)
