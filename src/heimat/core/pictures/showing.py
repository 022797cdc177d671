"""Pictures as they are shown: a smaller copy, and what dims all but one region."""

import io
from typing import cast

import numpy as np
from PIL import Image

from heimat.core.color.arrays import Bytes
from heimat.core.pictures.decoding import Pixels

SHOWN_PIXELS = 1000
"""The longer side of what is shown."""
_DIMMED = 190
_JPEG_QUALITY = 94


def shown(pixels: Pixels) -> Bytes:
    """A copy whose longer side has at most 1000 pixels, (h', w', 3); holes are white."""
    rgb8 = pixels.rgb8
    if pixels.solid is not None:
        rgb8 = np.where(pixels.solid[..., None], rgb8, np.uint8(255))
    longer = max(pixels.width, pixels.height)
    if longer <= SHOWN_PIXELS:
        return rgb8
    size = (
        max(1, round(pixels.width * SHOWN_PIXELS / longer)),
        max(1, round(pixels.height * SHOWN_PIXELS / longer)),
    )
    return np.asarray(Image.fromarray(rgb8).resize(size, Image.Resampling.BOX))


def encoded(rgb8: Bytes, media_type: str) -> tuple[bytes, str]:
    """8-bit colors (h, w, 3) as a file and its media type: a photo stays a JPEG, all else is exact."""
    into = io.BytesIO()
    if media_type == "image/jpeg":
        Image.fromarray(rgb8).save(into, "JPEG", quality=_JPEG_QUALITY, subsampling=0)
        return into.getvalue(), "image/jpeg"
    Image.fromarray(rgb8).save(into, "PNG", compress_level=1)
    return into.getvalue(), "image/png"


def dimming(labels: np.ndarray, chosen: int) -> bytes:
    """A PNG to lay over a picture: black and nearly opaque everywhere but where `labels` (h, w) are the chosen one."""
    image = Image.fromarray(np.where(labels == chosen, 0, 1).astype(np.uint8), "P")
    image.putpalette([0, 0, 0, 0, 0, 0])
    into = io.BytesIO()
    image.save(into, "PNG", transparency=cast("int", bytes([0, _DIMMED])), compress_level=1)
    return into.getvalue()


_HATCH = 8
"""Pixels from one line of a hatching to the next."""


def hatching(marked: np.ndarray) -> bytes:
    """A PNG to lay over a picture: where `marked` (h, w) is true, lines at 45 degrees, black with a white edge."""
    rows, columns = np.indices(marked.shape)
    line = (rows + columns) % _HATCH
    codes = np.where(marked & (line < 2), 1, np.where(marked & (line < 3), 2, 0)).astype(np.uint8)
    image = Image.fromarray(codes, "P")
    image.putpalette([0, 0, 0, 0, 0, 0, 255, 255, 255])
    into = io.BytesIO()
    image.save(into, "PNG", transparency=bytes([0, 235, 200]), compress_level=1)
    return into.getvalue()
