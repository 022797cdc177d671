"""The kinds of findings: each is one file, and one line here."""

from typing import TYPE_CHECKING, Literal

from heimat.core.legibility.findings.finding import Kind
from heimat.core.legibility.findings.kinds import (
    cap,
    crowded,
    displaced,
    kept_color,
    out_of_order,
    pairing,
    told_apart_set,
    translucent,
)
from heimat.core.legibility.findings.palettes import KIND as ON_PALETTES

KINDS: tuple[Kind, ...] = (
    told_apart_set.KIND,
    kept_color.KIND,
    cap.KIND,
    displaced.KIND,
    out_of_order.KIND,
    crowded.KIND,
    translucent.KIND,
    pairing.KIND,
    ON_PALETTES,
)
"""In the order in which they are told: what merges meanings, what stood on something gone, scales, pairings, then
palettes."""

if TYPE_CHECKING:
    FindingKind = str
else:
    FindingKind = Literal[tuple(kind.name for kind in KINDS)]
