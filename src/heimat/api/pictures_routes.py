"""Pictures. A picture is found only under its own system."""

from typing import Annotated, Any

import numpy as np
from fastapi import APIRouter, Depends, Query, Request
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body, Seeing, Showing, ThemeId
from heimat.api.context import IS_COMPUTING, IS_SENDING, Acting, Uses, current_person, head_resolved
from heimat.api.encoding import answer, described, described_bytes, described_empty
from heimat.api.rights import needs
from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import TOLD_APART
from heimat.core.color.color_text import ColorInput
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.errors import DomainError, NotFound
from heimat.core.pictures.kept_pixels import load
from heimat.core.pictures.main_colors import FEWEST, MOST, USUAL, Wanted
from heimat.core.pictures.merging import merging_map
from heimat.core.pictures.rectangle import ALIKE, MOST_RECTANGLES, Rectangle
from heimat.core.pictures.sampling import sample
from heimat.core.pictures.showing import dimming, encoded, hatching, shown
from heimat.core.pictures.stops import USUAL_DIFFERENCE, FittedStops, fitted_stops
from heimat.core.pictures.text import Box, short_map
from heimat.core.resolve.named import color_called
from heimat.service.pictures import NewlyRead
from heimat.view.eyes import Eyes
from heimat.view.legibility.merging_view import MergingView, merging_views
from heimat.view.legibility.text_on_picture import TextOnPictureView, text_on_picture
from heimat.view.sources.pictures_view import (
    FittedView,
    MainColorView,
    PictureView,
    SampleView,
    fitted_view,
    main_color_views,
    picture_view,
    sample_view,
)
from heimat.view.tokens.shares_view import SharesView, shares_view

router = APIRouter(
    prefix="/api/systems/{slug}/pictures", tags=["pictures"], dependencies=[Depends(current_person)]
)
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


class RectangleBody(Body):
    """A rectangle in a picture's own pixels."""

    x: Annotated[int, Field(ge=-100_000, le=100_000)]
    y: Annotated[int, Field(ge=-100_000, le=100_000)]
    width: Annotated[int, Field(ge=1, le=100_000)]
    height: Annotated[int, Field(ge=1, le=100_000)]

    def rectangle(self) -> Rectangle:
        """The rectangle."""
        return Rectangle(self.x, self.y, self.width, self.height)


class MainColorsBody(Showing):
    """What is wanted of a picture's main colors."""

    count: Annotated[int, Field(ge=FEWEST, le=MOST)] = USUAL
    strength: Annotated[float, Field(ge=0.0, le=1.0)] = 0.5
    span: Annotated[float, Field(ge=0.0, le=1.0)] = 0.5
    without: Annotated[list[RectangleBody], Field(max_length=MOST_RECTANGLES)] = []
    without_colors: Annotated[list[ColorInput], Field(max_length=MOST)] = []
    alike: Annotated[float, Field(ge=0.0, le=0.5)] = ALIKE

    def wanted(self) -> Wanted:
        """What is wanted."""
        colors = tuple(
            (int(r), int(g), int(b))
            for r, g, b in (rgb8_of(color) for color in self.without_colors)
        )
        return Wanted(
            self.count,
            self.strength,
            self.span,
            tuple(each.rectangle() for each in self.without),
            colors,
            self.alike,
        )


class RegionBody(MainColorsBody):
    """One of the main colors, by its place: everything but its region is dimmed."""

    chosen: Annotated[int, Field(ge=0, lt=MOST)]


class SampleAt(Showing):
    """A point in a picture's own pixels, and the radius to average over."""

    x: Annotated[int, Field(ge=-1, le=100_000)]
    y: Annotated[int, Field(ge=-1, le=100_000)]
    radius: Annotated[int, Field(ge=0, le=1000)] = 0


class StopsBody(Seeing):
    """A marked rectangle, and the difference that its stops may have from its colors."""

    rectangle: RectangleBody
    difference: Annotated[float, Field(ge=0.0, le=100.0)] = USUAL_DIFFERENCE


class SharesBody(Seeing):
    """The theme whose tokens the pixels are matched with."""

    theme: ThemeId = None


Size = Annotated[float, Field(ge=1.0, le=20_000.0)]
Part = Annotated[float, Field(ge=0.0, le=1.0)]


Label = Annotated[int, Query(ge=0, lt=MOST)]


class TextBody(Seeing):
    """A block of text on a picture, in CSS pixels, and what it has to reach; with `find` its best place is looked for.

    `color` is a name or a value in any notation. With `helps` it is also told which tokens would do better, and which
    scrim would do so that at most `share` falls short: what nobody reads while the block is on its way.
    """

    theme: ThemeId = None
    color: Annotated[str, Field(max_length=400)]
    level: Annotated[float, Field(ge=1.0, le=21.0)] = 4.5
    width: Size
    height: Size
    box_height: Size
    box_widths: Annotated[list[Size], Field(min_length=1, max_length=6)]
    across: Part = 0.5
    down: Part = 0.5
    share: Part = 0.0
    find: bool = False
    helps: bool = False

    def box(self) -> Box:
        """The block in its box."""
        return Box(
            self.width, self.height, self.box_height, tuple(self.box_widths), self.across, self.down
        )


class MainColorsView(TypedDict):
    """A picture's main colors."""

    colors: list[MainColorView]


@router.get("", operation_id="listPictures", **described(list[PictureView]))
@needs("look")
def list_pictures(slug: str, uses: Uses) -> Response:
    return answer([picture_view(row) for row in uses.pictures.all(slug)])


@router.post(
    "",
    operation_id="addPicture",
    openapi_extra=_FILE_BODY,
    dependencies=IS_SENDING,
    **described(PictureView, 201),
)
@needs("edit")
async def add_picture(
    slug: str,
    request: Request,
    uses: Uses,
    person: Acting,
    name: Annotated[str, Query(max_length=200)] = "",
) -> Response:
    content = await request.body()
    row = await run_in_threadpool(uses.pictures.read, slug, content, name)
    if isinstance(row, NewlyRead):
        # Who has stopped meanwhile does not find the picture afterwards.
        if await request.is_disconnected():
            return Response(status_code=_GONE)
        row = await run_in_threadpool(uses.pictures.keep, slug, row, person.id)
    return answer(picture_view(row), 201)


@router.delete("/{picture}", operation_id="removePicture", **described_empty())
@needs("edit")
def remove_picture(slug: str, picture: int, uses: Uses) -> Response:
    uses.pictures.remove(slug, picture)
    return Response(status_code=204)


@router.get("/{picture}/view", operation_id="viewPicture", **described_bytes("image/*"))
@needs("look")
def view_picture(
    slug: str, picture: int, uses: Uses, seeing: Annotated[Seeing, Query()]
) -> Response:
    content, media_type = uses.pictures.look(slug, picture, _seen, seeing.eyes())
    return Response(content, headers=_KEPT, media_type=media_type)


@router.post(
    "/{picture}/main-colors",
    operation_id="findMainColors",
    dependencies=IS_COMPUTING,
    **described(MainColorsView),
)
@needs("look")
def find_main_colors(slug: str, picture: int, body: MainColorsBody, uses: Uses) -> Response:
    found = uses.pictures.main_colors(slug, picture, body.wanted())
    resolved = head_resolved(uses, slug)
    return answer({"colors": main_color_views(found, resolved, body.notation, body.eyes())})


@router.post("/{picture}/region", operation_id="readRegion", **described_bytes("image/png"))
@needs("look")
def light_region(slug: str, picture: int, body: RegionBody, uses: Uses) -> Response:
    found = uses.pictures.main_colors(slug, picture, body.wanted())
    return Response(dimming(found.labels, body.chosen), headers=_KEPT, media_type="image/png")


@router.get("/{picture}/sample", operation_id="takeSample", **described(SampleView))
@needs("look")
def take_sample(slug: str, picture: int, uses: Uses, at: Annotated[SampleAt, Query()]) -> Response:
    taken = sample(uses.pictures.pixels(slug, picture), at.x, at.y, at.radius)
    return answer(sample_view(taken, head_resolved(uses, slug), at.notation, at.eyes()))


@router.post(
    "/{picture}/stops", operation_id="fitStops", dependencies=IS_COMPUTING, **described(FittedView)
)
@needs("look")
def fit_stops(slug: str, picture: int, body: StopsBody, uses: Uses) -> Response:
    fitted = uses.pictures.look(slug, picture, _fitted, body.rectangle.rectangle(), body.difference)
    return answer(fitted_view(fitted, body.eyes()))


@router.post(
    "/{picture}/shares",
    operation_id="findShares",
    dependencies=IS_COMPUTING,
    **described(SharesView),
)
@needs("look")
def find_shares(slug: str, picture: int, body: SharesBody, uses: Uses) -> Response:
    resolved = head_resolved(uses, slug)
    theme = resolved.theme(body.theme)
    if theme is None:
        raise NotFound("This system has no theme yet.")
    return answer(shares_view(uses.pictures.pixels(slug, picture), resolved, theme, body.eyes()))


@router.post("/{picture}/text", operation_id="readTextOnPicture", **described(TextOnPictureView))
@needs("look")
def read_text(slug: str, picture: int, body: TextBody, uses: Uses) -> Response:
    """What is behind a block of text, over the picture's own pixels: live, while it is moved."""
    resolved = head_resolved(uses, slug)
    color = _opaque(color_called(resolved, body.color, "color"))
    theme = resolved.theme(body.theme)
    pixels = uses.pictures.pixels(slug, picture)
    share = body.share if body.helps else None
    found = text_on_picture(
        pixels, resolved, theme, body.box(), color, body.level, share, body.find, body.eyes()
    )
    return answer(found)


@router.get(
    "/{picture}/merging",
    operation_id="findMerging",
    dependencies=IS_COMPUTING,
    **described(list[MergingView]),
)
@needs("look")
def find_merging(
    slug: str,
    picture: int,
    uses: Uses,
    threshold: Annotated[float, Query(ge=0.0, le=100.0)] = TOLD_APART,
) -> Response:
    """Neighboring areas that are told apart in typical vision and merge in another."""
    return answer(
        merging_views(uses.pictures.main_colors(slug, picture, Wanted(count=MOST)), threshold)
    )


@router.get("/{picture}/merging-map", operation_id="mapMerging", **described_bytes("image/png"))
@needs("look")
def map_merging(slug: str, picture: int, uses: Uses, one: Label, other: Label) -> Response:
    """Hatching over a picture where two of its areas touch."""
    found = uses.pictures.main_colors(slug, picture, Wanted(count=MOST))
    return Response(
        hatching(merging_map(found.labels, one, other)), headers=_KEPT, media_type="image/png"
    )


@router.get(
    "/{picture}/text-map",
    operation_id="mapText",
    dependencies=IS_COMPUTING,
    **described_bytes("image/png"),
)
@needs("look")
def map_text(
    slug: str,
    picture: int,
    uses: Uses,
    color: Annotated[str, Query(max_length=400)],
    level: Annotated[float, Query(ge=1.0, le=21.0)] = 4.5,
) -> Response:
    """Hatching over a picture wherever text of an opaque color could not stand."""
    content = uses.pictures.look(
        slug, picture, _mapped, tuple(_opaque(color_called(None, color, "color")).tolist()), level
    )
    return Response(content, headers=_KEPT, media_type="image/png")


def _opaque(color: Color) -> Bytes:
    if color.alpha < 1.0:
        raise DomainError(
            "A translucent text shows what lies under it: type an opaque one.",
            "color",
            "translucent",
        )
    return rgb8_of(color)


def _mapped(folder: str, color: tuple[int, int, int], level: float) -> bytes:
    return hatching(short_map(load(folder), np.array(color, dtype=np.uint8), level))


def _seen(folder: str, eyes: Eyes) -> tuple[bytes, str]:
    pixels = load(folder)
    return encoded(eyes.see(shown(pixels)), pixels.media_type)


def _fitted(folder: str, rectangle: Rectangle, difference: float) -> FittedStops:
    return fitted_stops(load(folder), rectangle, difference)
