"""Taking a color from a picture: one pixel, or the mean of those within a radius."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, to_bytes
from heimat.core.color.contrast import linear_of_bytes
from heimat.core.color.spaces import linear_to_srgb
from heimat.core.errors import DomainError
from heimat.core.pictures.decoding import Pixels

MOST_RADIUS = 40
MAGNIFIED = 17
"""Pixels across and down that the magnifier shows around the one in its middle."""


@dataclass(frozen=True)
class Sample:
    """A color taken at (x, y), 8 bits (3,), and the pixels around, (17, 17, 3); beyond the edge the edge goes on."""

    rgb8: Bytes
    x: int
    y: int
    around: Bytes


def sample(pixels: Pixels, x: int, y: int, radius: int = 0) -> Sample:
    """Take a color at a pixel, or the mean in linear light of all within a radius of 0 to 40 pixels.

    Holes do not count. Raises DomainError (fields `x`, `radius`) for a point outside, or in a hole.
    """
    if not (0 <= x < pixels.width and 0 <= y < pixels.height):
        raise DomainError(
            f"That point lies outside the picture, which is {pixels.width} by {pixels.height}.",
            "x",
            "outside",
        )
    if not 0 <= radius <= MOST_RADIUS:
        raise DomainError(f"The radius is 0 to {MOST_RADIUS} pixels.", "radius", "limit")
    half = MAGNIFIED // 2
    rows = np.clip(np.arange(y - half, y + half + 1), 0, pixels.height - 1)
    columns = np.clip(np.arange(x - half, x + half + 1), 0, pixels.width - 1)
    return Sample(_mean(pixels, x, y, radius), x, y, pixels.rgb8[np.ix_(rows, columns)])


def _mean(pixels: Pixels, x: int, y: int, radius: int) -> Bytes:
    top, left = max(y - radius, 0), max(x - radius, 0)
    box = (slice(top, y + radius + 1), slice(left, x + radius + 1))
    colors = pixels.rgb8[box]
    down, across = np.ogrid[: colors.shape[0], : colors.shape[1]]
    inside = (down + top - y) ** 2 + (across + left - x) ** 2 <= radius * radius
    if pixels.solid is not None:
        inside = inside & pixels.solid[box]
    if not inside.any():
        raise DomainError(
            "There is nothing at that point: the picture is transparent there.", "x", "hole"
        )
    if radius == 0:
        return np.asarray(pixels.rgb8[y, x])
    return to_bytes(linear_to_srgb(linear_of_bytes(colors[inside]).mean(axis=0)))
