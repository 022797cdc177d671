"""A palette in a theme, and what is measured of it there."""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.told_apart import VisionDistance
from heimat.core.document.keys import palette_key
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.finding import GRAIN_OF_DISTANCE, Case, Finding
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import ResolvedPalette

PALETTE_IDS = "palette-"
"""What the ids of findings on palettes begin with."""
REMEMBERED = 1024
"""How much of what was found of the very same colors is remembered: while one thing is dragged most palettes stay."""


@dataclass(frozen=True)
class PaletteSite:
    """A palette in a theme of a document: `theme` is empty where the document has none."""

    resolved: Resolved
    theme: str
    shown: ResolvedPalette

    @property
    def categories(self) -> Categorical | None:
        """How it is made, if it is one by category."""
        make = self.shown.palette.make
        return make if isinstance(make, Categorical) else None

    @property
    def is_first(self) -> bool:
        """Whether this is the first theme."""
        return self.theme == next(iter(self.resolved.palettes))

    def id(self, kind: str, *more: str) -> str:
        """The id of a finding of a kind, in this theme, on this palette."""
        return ":".join((f"{PALETTE_IDS}{kind}", self.theme, self.shown.palette.id, *more))

    def name(self, place: int) -> str:
        """What a color of a categorical palette is called: palette, number, and what it stands for."""
        make = self.categories
        category = make.colors[place].category if make else ""
        return f"{self.shown.palette.name} {place + 1}{f' ({category})' if category else ''}"


Words = tuple[str, str]
"""A sentence, and what explains it."""
NO_REPAIRS: Callable[[], list[Repair]] = list


@dataclass(slots=True, eq=False)
class PaletteCase(Case):
    """Something measured of a palette in a theme: its id, the two colors, words and repairs when they are asked for.

    `clear` is its slack, `by_level` its grain. `told` is False of what is not to settle, or is told with another one.
    """

    site: PaletteSite
    key: str
    colors: tuple[Bytes, Bytes]
    words: Callable[[], Words]
    ways: Callable[[], list[Repair]] = NO_REPAIRS
    told: bool = True
    clear: float | None = None
    vision: VisionDistance | None = None
    by_level: float = GRAIN_OF_DISTANCE

    @property
    def id(self) -> str:
        """The id of the finding."""
        return self.key

    @property
    def open(self) -> bool:
        """Whether it is to settle, and told by itself."""
        return self.told

    @property
    def slack(self) -> float | None:
        """By which share, or logarithm, it is clear of its threshold."""
        return self.clear

    @property
    def grain(self) -> float:
        """By how much a level of 8 bits changes it."""
        return self.by_level

    def say(self) -> Finding:
        """The finding in words, without repairs."""
        sentence, detail = self.words()
        palette, key = self.site.shown.palette.id, self.key
        return Finding(
            id=key,
            kind="palette",
            sentence=sentence,
            detail=detail,
            select=palette_key(palette),
            colors=self.colors,
            theme=self.site.theme or None,
            vision=self.vision,
            use="part",
            cause=f"{key.split(':')[0]}:{palette}:{key.split(':', 3)[-1]}",
        )

    def repairs(self) -> list[Repair]:
        """The ways to settle it."""
        return self.ways()


PaletteMeasure = Callable[[PaletteSite], Iterable[PaletteCase]]
"""What a kind of finding on palettes is measured by, palette by palette and theme by theme."""


def every_site(resolved: Resolved) -> Iterator[PaletteSite]:
    """All palettes in all themes."""
    for theme, palettes in resolved.palettes.items():
        for shown in palettes:
            yield PaletteSite(resolved, theme, shown)


def colors_of(levels: bytes) -> Bytes:
    """Colors (n, 3) from their bytes."""
    return np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
