"""The gallery."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import Field
from starlette.responses import Response

from heimat.api.bodies import Body, Seeing
from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import answer, described, described_empty
from heimat.api.rights import needs
from heimat.core.color.color_text import ColorInput
from heimat.core.document.part import LONGEST_NAME
from heimat.view.eyes import TYPICAL
from heimat.view.sources.gallery_view import GallerySetView, gallery_set_view

router = APIRouter(prefix="/api/gallery", tags=["gallery"])


class SaveColor(Body):
    """A color of a set to save."""

    name: Annotated[str, Field(max_length=LONGEST_NAME)] = ""
    color: ColorInput


class SaveSetBody(Body):
    """A set to save in the gallery."""

    name: Annotated[str, Field(max_length=400)]
    words: Annotated[str, Field(max_length=4000)] = ""
    colors: Annotated[list[SaveColor], Field(max_length=400)]


class GallerySearch(Seeing):
    """Words to look for in the gallery, or a color to find the like of."""

    text: Annotated[str, Field(max_length=200)] = ""


@router.get("", operation_id="searchGallery", **described(list[GallerySetView]))
@needs("nothing")
def search_gallery(
    uses: Uses, person: Acting, search: Annotated[GallerySearch, Query()]
) -> Response:
    return answer(
        [
            gallery_set_view(row, person.id, search.eyes())
            for row in uses.gallery.search(search.text)
        ]
    )


@router.post("", operation_id="saveSet", dependencies=IS_SENDING, **described(GallerySetView, 201))
@needs("nothing")
def save_set(body: SaveSetBody, uses: Uses, person: Acting) -> Response:
    colors = [(color.name, color.color) for color in body.colors]
    saved = uses.gallery.save(body.name, body.words, colors, person.id)
    return answer(gallery_set_view(saved, person.id, TYPICAL), 201)


@router.delete("/{set_id}", operation_id="removeSet", **described_empty())
@needs("nothing")
def remove_set(set_id: int, uses: Uses, person: Acting) -> Response:
    uses.gallery.remove(set_id, person.id)
    return Response(status_code=204)
