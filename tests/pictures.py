"""Pictures made by the tests, with colors that are known."""

import io

import numpy as np
from PIL import Image

from heimat.core.color.arrays import Bytes
from heimat.core.pictures.decoding import Pixels, decode


def encoded(rgb8: Bytes, kind: str = "PNG", **options: object) -> bytes:
    """8-bit colors (h, w, 3) or (h, w, 4) as a file."""
    into = io.BytesIO()
    Image.fromarray(np.asarray(rgb8, dtype=np.uint8)).save(into, kind, **options)
    return into.getvalue()


def pixels(rgb8: Bytes) -> Pixels:
    """8-bit colors as a decoded picture."""
    return decode(encoded(rgb8))


def fields(*colors: tuple[tuple[int, int, int], int], height: int = 100) -> Bytes:
    """Fields of flat colors beside one another, each so many pixels wide."""
    return np.concatenate(
        [np.full((height, width, 3), color, dtype=np.uint8) for color, width in colors], axis=1
    )
