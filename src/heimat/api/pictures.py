"""Routes of pictures. A picture is found only under its own system."""

from typing import Annotated, Any

from fastapi import APIRouter, Depends, Query, Request
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response

from heimat.api.bodies import Seeing
from heimat.api.bodies_sources import MainColorsBody, MainColorsView, RegionBody, SampleAt, StopsBody
from heimat.api.context import Acting, Uses, current_person, head_resolved
from heimat.api.encoding import answer, described
from heimat.core.pictures.sampling import sample
from heimat.core.pictures.showing import dimming, encoded, shown
from heimat.core.pictures.stops import fitted_stops
from heimat.service.area_pictures import fitted_view, main_color_views, picture_view, sample_view
from heimat.service.area_types import FittedView, PictureView, SampleView
from heimat.service.pictures import NewlyRead

router = APIRouter(prefix="/api/systems/{slug}/pictures", tags=["pictures"], dependencies=[Depends(current_person)])
_GONE = 499
"""Nobody hears this answer; logs do."""
_FILE_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}
# What is shown of a picture follows from its bytes, which never change; but only this person's browser may keep it.
_KEPT = {"Cache-Control": "private, max-age=86400", "X-Content-Type-Options": "nosniff"}


@router.get("", operation_id="listPictures", **described(list[PictureView]))
def list_pictures(slug: str, uses: Uses) -> Response:
    return answer([picture_view(row) for row in uses.pictures.all(slug)])


@router.post("", operation_id="addPicture", openapi_extra=_FILE_BODY, **described(PictureView, 201))
async def add_picture(
    slug: str, request: Request, uses: Uses, person: Acting, name: Annotated[str, Query(max_length=200)] = ""
) -> Response:
    content = await request.body()
    row = await run_in_threadpool(uses.pictures.read, slug, content, name)
    if isinstance(row, NewlyRead):
        # Who has stopped meanwhile does not find the picture afterwards.
        if await request.is_disconnected():
            return Response(status_code=_GONE)
        row = await run_in_threadpool(uses.pictures.keep, slug, row, person.id)
    return answer(picture_view(row), 201)


@router.delete("/{picture}", operation_id="removePicture", status_code=204)
def remove_picture(slug: str, picture: int, uses: Uses) -> Response:
    uses.pictures.remove(slug, picture)
    return Response(status_code=204)


@router.get("/{picture}/view", operation_id="viewPicture", response_class=Response)
def view_picture(slug: str, picture: int, uses: Uses, seeing: Annotated[Seeing, Query()]) -> Response:
    pixels = uses.pictures.pixels(slug, picture)
    content, media_type = encoded(seeing.eyes().see(shown(pixels)), pixels.media_type)
    return Response(content, headers=_KEPT, media_type=media_type)


@router.post("/{picture}/main-colors", operation_id="findMainColors", **described(MainColorsView))
def find_main_colors(slug: str, picture: int, body: MainColorsBody, uses: Uses) -> Response:
    found = uses.pictures.main_colors(slug, picture, body.wanted())
    resolved = head_resolved(uses, slug)
    return answer({"colors": main_color_views(found, resolved, body.notation, body.eyes())})


@router.post("/{picture}/region", operation_id="lightRegion", response_class=Response)
def light_region(slug: str, picture: int, body: RegionBody, uses: Uses) -> Response:
    found = uses.pictures.main_colors(slug, picture, body.wanted())
    return Response(dimming(found.labels, body.chosen), headers=_KEPT, media_type="image/png")


@router.get("/{picture}/sample", operation_id="takeSample", **described(SampleView))
def take_sample(slug: str, picture: int, uses: Uses, at: Annotated[SampleAt, Query()]) -> Response:
    taken = sample(uses.pictures.pixels(slug, picture), at.x, at.y, at.radius)
    return answer(sample_view(taken, head_resolved(uses, slug), at.notation, at.eyes()))


@router.post("/{picture}/stops", operation_id="fitStops", **described(FittedView))
def fit_stops(slug: str, picture: int, body: StopsBody, uses: Uses) -> Response:
    fitted = fitted_stops(uses.pictures.pixels(slug, picture), body.area.area(), body.difference)
    return answer(fitted_view(fitted, body.eyes()))
