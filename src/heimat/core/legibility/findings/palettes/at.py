"""A palette in a theme, of which something is to be said."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.document.keys import palette_key
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.finding import Finding
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import ResolvedPalette

ON_PALETTES = "palette-"
"""What the ids of findings on palettes begin with."""
REMEMBERED = 1024
"""How much of what was found of the very same colors is remembered: while one thing is dragged most palettes stay."""


@dataclass(frozen=True)
class At:
    """A palette in a theme, of a document."""

    resolved: Resolved
    theme: str
    shown: ResolvedPalette

    def id(self, kind: str, *more: str) -> str:
        """The id of a finding of a kind, in this theme, on this palette."""
        return ":".join((f"{ON_PALETTES}{kind}", self.theme, self.shown.palette.id, *more))

    def name(self, place: int) -> str:
        """What a color of a categorical palette is called: palette, number, and what it stands for."""
        make = self.shown.palette.make
        category = make.colors[place].category if isinstance(make, Categorical) else ""
        return f"{self.shown.palette.name} {place + 1}{f' ({category})' if category else ''}"

    def finding(self, key: str, sentence: str, detail: str, colors: tuple[Bytes, Bytes]) -> Finding:
        """A finding on the palette, here."""
        return Finding(
            id=key,
            kind="palette",
            sentence=sentence,
            detail=detail,
            select=palette_key(self.shown.palette.id),
            colors=colors,
            theme=self.theme or None,
            use="part",
            cause=f"{key.split(':')[0]}:{self.shown.palette.id}:{key.split(':', 3)[-1]}",
        )


def every(resolved: Resolved) -> Iterator[At]:
    """All palettes in all themes."""
    for theme, palettes in resolved.palettes.items():
        for shown in palettes:
            yield At(resolved, theme, shown)


def colors_of(levels: bytes) -> Bytes:
    """Colors (n, 3) from their bytes."""
    return np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
