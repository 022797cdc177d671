"""Routes of the gallery."""

from typing import Annotated

import numpy as np
from fastapi import APIRouter, Query
from starlette.responses import Response

from heimat.api.bodies_sources import GallerySearch, SaveSetBody
from heimat.api.context import Acting, Uses
from heimat.api.encoding import answer, described
from heimat.service.area_types import GallerySetView
from heimat.service.seeing import Eyes
from heimat.store.gallery import SetRow

router = APIRouter(prefix="/api/gallery", tags=["gallery"])


@router.get("", operation_id="searchGallery", **described(list[GallerySetView]))
def search_gallery(uses: Uses, person: Acting, search: Annotated[GallerySearch, Query()]) -> Response:
    return answer([_view(row, person.id, search.eyes()) for row in uses.gallery.search(search.text)])


@router.post("", operation_id="saveSet", **described(GallerySetView, 201))
def save_set(body: SaveSetBody, uses: Uses, person: Acting) -> Response:
    colors = [(color.name, color.color) for color in body.colors]
    saved = uses.gallery.save(body.name, body.words, colors, person.id)
    return answer(_view(saved, person.id, Eyes("typical", 1.0)), 201)


@router.delete("/{set_id}", operation_id="removeSet", status_code=204)
def remove_set(set_id: int, uses: Uses, person: Acting) -> Response:
    uses.gallery.remove(set_id, person.id)
    return Response(status_code=204)


def _view(row: SetRow, person_id: str, eyes: Eyes) -> GallerySetView:
    rgb8 = np.array([list(bytes.fromhex(value[1:])) for _, value in row.colors], dtype=np.uint8)
    swatches = eyes.swatches(rgb8)
    return {
        "id": row.id,
        "name": row.name,
        "words": row.words,
        "shipped": row.shipped,
        "mine": row.person_id == person_id,
        "colors": [{**swatch, "name": name} for swatch, (name, _) in zip(swatches, row.colors, strict=True)],
        "distance": None if row.distance is None else f"{row.distance:.3f}",
    }
