"""A finding: one thing to settle."""

from dataclasses import dataclass, field
from typing import Literal

from heimat.core.color.arrays import Bytes
from heimat.core.color.told_apart import VisionDistance
from heimat.core.document.pairings import Use
from heimat.core.legibility.repairs import Repair

FindingKind = Literal["pairing", "told_apart", "translucent", "crowded", "order", "displaced", "cap", "kept", "palette"]


@dataclass(frozen=True)
class Finding:
    """One thing to settle.

    `theme` is the id of the theme it is found in, None for what no theme changes. `select` is the key of what it is
    about first, `colors` are the two 8-bit colors it is about, `vision` the one that merges them, `use` that of a
    pairing.
    """

    id: str
    kind: FindingKind
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
