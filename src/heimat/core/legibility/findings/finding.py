"""A finding, one thing to settle; what is measured before it is one; and a kind of them."""

from abc import ABC, abstractmethod
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from typing import NamedTuple

from heimat.core.color.arrays import Bytes
from heimat.core.color.told_apart import VisionDistance
from heimat.core.document.pairings import Use
from heimat.core.legibility.findings.move import Counted, Move
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved


@dataclass(frozen=True)
class Finding:
    """One thing to settle.

    `theme` is the id of the theme it is found in, None for what no theme changes. `select` is the key of what it is
    about first, `colors` are the two 8-bit colors it is about, `vision` the one that merges them, `use` that of a
    pairing.
    """

    id: str
    kind: str
    sentence: str
    detail: str
    select: str
    colors: tuple[Bytes, Bytes]
    theme: str | None = None
    vision: VisionDistance | None = None
    use: Use | None = None
    repairs: list[Repair] = field(default_factory=list)
    tokens: tuple[str, ...] = ()
    """The ids of the tokens one of which a repair would move."""
    cause: str = ""
    """Findings of one cause are told together: of one text on several grounds, of one pair in several themes."""


GRAIN_OF_CONTRAST, GRAIN_OF_DISTANCE = 0.015, 0.06
"""By how much a level or two of 8 bits in a color change slack: 0.013 of ratios and 0.04 of distances in nine of ten
cases that were tried."""


class Slack(NamedTuple):
    """By which share, or logarithm, something is clear of its threshold, and its grain."""

    by: float
    grain: float


class Case(ABC):
    """One thing that was measured. Its id, whether it is to settle, its slack, its words and repairs are readings of
    the same measurement: words and repairs are made when they are asked for."""

    @property
    @abstractmethod
    def id(self) -> str:
        """The id of the finding, if it is one; the same whenever the same thing is measured."""

    @property
    def open(self) -> bool:
        """Whether it is to settle."""
        return True

    @property
    def slack(self) -> float | None:
        """By which share, or logarithm, it is clear of its threshold: below 0 it is open. None where none is known."""
        return None

    @property
    def grain(self) -> float:
        """By how much its slack may change where a color under it changes by what 8 bits can tell."""
        return 0.0

    @abstractmethod
    def say(self) -> Finding:
        """The finding in words, without repairs."""

    def repairs(self) -> list[Repair]:
        """The ways to settle it, where any are looked for."""
        return []


def never_touched(move: Move) -> Counted | None:
    """Of kinds that no color of a token touches: nothing goes, nothing comes."""
    del move
    return Counted()


@dataclass(frozen=True)
class Kind:
    """A kind of finding: how it is measured in a document, and what one token's new color does to it.

    `measure` gives what is to settle, in the order in which it is told; `clear` gives what is clear of its threshold,
    where that is known: it is asked for slack alone, and `measure` may give it too where that costs nothing. `moved`
    counts the findings that go, come and get worse when one token takes another color; None, from it or in its place,
    sends for a fresh check of the whole document. Of more than `most_repaired` findings the others get no repairs: each
    of theirs costs much.
    """

    name: str
    measure: Callable[[Resolved], Iterable[Case]]
    moved: Callable[[Move], Counted | None] | None = None
    most_repaired: int | None = None
    clear: Callable[[Resolved], Iterable[Case]] | None = None
