"""Findings as the page shows them, and the ways to settle them."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.color.difference import distance_words
from heimat.core.document.pairings import Use
from heimat.core.edits.tokens import SetTokenValue
from heimat.core.legibility.findings import Finding, findings
from heimat.core.legibility.findings.finding import FindingKind
from heimat.core.legibility.repairs import Repair
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.look import Look


class FindingView(TypedDict):
    """One thing to settle. `as_seen` shows the two colors under the vision that merges them.

    `settled_by_steps` says whether repairs by steps are looked for: then none means that none was found.
    """

    id: str
    kind: FindingKind
    theme: str | None
    sentence: str
    detail: str
    select: str
    colors: list[SwatchView]
    as_seen: list[str] | None
    as_seen_by: str | None
    use: Use | None
    settled_by_steps: bool


class RepairView(SwatchView):
    """One way to settle a finding: words for the button, what else it does, and the edit that does it."""

    words: str
    consequence: str
    edit: SetTokenValue


class RepairsView(TypedDict):
    """The ways to settle a finding."""

    finding: str
    repairs: list[RepairView]


_BY_DISTANCE: tuple[FindingKind, ...] = ("told_apart", "kept")
"""Kinds whose repairs are measured by a distance between colors; those of the others by a ratio."""


def findings_part(look: Look) -> list[FindingView]:
    """All findings, of every theme, in order of weight."""
    return [_finding(finding, look.eyes) for finding in findings(look.resolved, repairs=False)]


def repairs_part(look: Look) -> list[RepairsView]:
    """The ways to settle each finding: they take most of the time, and nobody asks for them during a drag."""
    return [
        {
            "finding": finding.id,
            "repairs": [_repair(repair, look.eyes, finding.kind in _BY_DISTANCE) for repair in finding.repairs],
        }
        for finding in findings(look.resolved)
    ]


def _finding(finding: Finding, eyes: Eyes) -> FindingView:
    colors = np.array(finding.colors, dtype=np.uint8)
    merged = Eyes(finding.vision.vision, finding.vision.at_severity) if finding.vision else None
    return {
        "id": finding.id,
        "kind": finding.kind,
        "theme": finding.theme,
        "sentence": finding.sentence,
        "detail": finding.detail,
        "select": finding.select,
        "colors": eyes.swatches(colors),
        "as_seen": merged.hexes(colors) if merged else None,
        "as_seen_by": merged.vision if merged else None,
        "use": finding.use,
        "settled_by_steps": finding.kind in ("pairing", "told_apart", "kept"),
    }


def _repair(repair: Repair, eyes: Eyes, told_apart: bool) -> RepairView:
    reaches = distance_words(repair.reaches) if told_apart else cut(repair.reaches)
    parts = [f"mends {repair.mends}"] if repair.mends else []
    if repair.breaks is not None:
        parts.append(f"breaks {repair.breaks}" if repair.breaks else "breaks none")
    return {
        **eyes.swatch(repair.rgb8),
        "words": f"Let {repair.token} be {repair.step}: {reaches}",
        "consequence": ", ".join(parts),
        "edit": repair.edit,
    }
