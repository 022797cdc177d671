"""Rectangles of a picture in its own pixels, and colors that are left out."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import linear_of_bytes
from heimat.core.color.spaces import linear_to_oklab
from heimat.core.errors import DomainError
from heimat.core.pictures.decoding import Pixels

ALIKE = 0.06
"""OKLab distance within which a pixel counts as of a color that is left out: about three just noticeable ones."""
MOST_RECTANGLES = 40
Mask = NDArray[np.bool_]


@dataclass(frozen=True)
class Rectangle:
    """A rectangle in a picture's own pixels: its left upper corner, and how far it reaches."""

    x: int
    y: int
    width: int
    height: int

    def within(self, pixels: Pixels) -> "Rectangle":
        """The part of it that lies in a picture. Raises DomainError where none does."""
        left, top = max(self.x, 0), max(self.y, 0)
        right, bottom = (
            min(self.x + self.width, pixels.width),
            min(self.y + self.height, pixels.height),
        )
        if right <= left or bottom <= top:
            raise DomainError("That area lies outside the picture.", "rectangle", "outside")
        return Rectangle(left, top, right - left, bottom - top)

    def of(self, rows: Bytes) -> Bytes:
        """The pixels of it, (height, width, 3)."""
        return rows[self.y : self.y + self.height, self.x : self.x + self.width]


def oklab_of(rgb8: Bytes) -> Floats:
    """OKLab of 8-bit colors (..., 3)."""
    return linear_to_oklab(linear_of_bytes(rgb8))


def kept(pixels: Pixels, step: int, without: tuple[Rectangle, ...]) -> Mask:
    """Which of every `step`-th pixel count: those that are solid and in no rectangle that is left out, (h', w')."""
    rows, columns = np.arange(0, pixels.height, step), np.arange(0, pixels.width, step)
    found = np.ones((len(rows), len(columns)), dtype=bool)
    if pixels.solid is not None:
        found &= pixels.solid[::step, ::step]
    for each in without:
        down = (rows >= each.y) & (rows < each.y + each.height)
        across = (columns >= each.x) & (columns < each.x + each.width)
        found[np.ix_(down, across)] = False
    return found
