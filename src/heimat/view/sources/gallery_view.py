"""A set of the gallery."""

from collections.abc import Sequence
from typing import Protocol

import numpy as np
from typing_extensions import TypedDict

from heimat.view.eyes import Eyes, SwatchView


class _GallerySet(Protocol):
    """What is told of a set: its colors with names, as `#RRGGBB`, and who has saved it, if it does not ship."""

    @property
    def id(self) -> int: ...
    @property
    def name(self) -> str: ...
    @property
    def words(self) -> str: ...
    @property
    def shipped(self) -> bool: ...
    @property
    def person_id(self) -> str | None: ...
    @property
    def colors(self) -> Sequence[tuple[str, str]]: ...
    @property
    def distance(self) -> float | None: ...


class GalleryColorView(SwatchView):
    """A color of a gallery's set."""

    name: str


class GallerySetView(TypedDict):
    """A set of the gallery; `distance` is that of its nearest color to the one looked for."""

    id: int
    name: str
    words: str
    shipped: bool
    mine: bool
    colors: list[GalleryColorView]
    distance: str | None


def gallery_set_view(row: _GallerySet, person_id: str, eyes: Eyes) -> GallerySetView:
    """A set as a person sees it."""
    rgb8 = np.array([list(bytes.fromhex(value[1:])) for _, value in row.colors], dtype=np.uint8)
    return {
        "id": row.id,
        "name": row.name,
        "words": row.words,
        "shipped": row.shipped,
        "mine": row.person_id == person_id,
        "colors": [
            {**swatch, "name": name}
            for swatch, (name, _) in zip(eyes.swatches(rgb8), row.colors, strict=True)
        ],
        "distance": None if row.distance is None else f"{row.distance:.3f}",
    }
