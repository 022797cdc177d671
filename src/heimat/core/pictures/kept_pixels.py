"""Pixels in files, which several processes read at once and which take no process's memory."""

from pathlib import Path

import numpy as np

from heimat.core.pictures.decoding import Pixels, decode

_RGB, _SOLID, _TYPE = "rgb8.npy", "solid.npy", "type"


def decode_into(content: bytes, name: str, folder: str) -> tuple[int, int, str]:
    """Decode a picture and keep its pixels in a folder. Returns its width, its height and its media type.

    Raises DomainError (field `picture`) for what is no picture.
    """
    pixels = decode(content, name)
    into = Path(folder)
    np.save(into / _RGB, pixels.rgb8)
    if pixels.solid is not None:
        np.save(into / _SOLID, pixels.solid)
    (into / _TYPE).write_text(pixels.media_type)
    return pixels.width, pixels.height, pixels.media_type


def load(folder: str) -> Pixels:
    """The pixels that a folder keeps, read as they are looked at. Raises FileNotFoundError where they are gone."""
    kept = Path(folder)
    rgb8 = np.load(kept / _RGB, mmap_mode="r")
    solid = np.load(kept / _SOLID, mmap_mode="r") if (kept / _SOLID).is_file() else None
    return Pixels(rgb8, solid, (kept / _TYPE).read_text())
