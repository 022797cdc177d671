"""Findings as the page shows them."""

import numpy as np

from heimat.core.color.contrast import cut
from heimat.core.legibility.findings import Finding, distance_text
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve import Resolved
from heimat.service.seeing import Eyes
from heimat.service.view_types import FindingView, RepairView


def finding_view(resolved: Resolved, finding: Finding, eyes: Eyes) -> FindingView:
    """A finding with its two colors, as designed and as the vision that merges them sees them."""
    colors = np.array(finding.colors, dtype=np.uint8)
    merged = Eyes(finding.vision.vision, finding.vision.at_severity) if finding.vision else None
    return {
        "id": finding.id,
        "kind": finding.kind,
        "sentence": finding.sentence,
        "detail": finding.detail,
        "select": finding.select,
        "colors": eyes.swatches(colors),
        "as_seen": merged.hexes(colors) if merged else None,
        "as_seen_by": merged.vision if merged else None,
        "use": finding.use,
        "repairs": [_repair(resolved, repair, eyes, finding.kind == "told_apart") for repair in finding.repairs],
    }


def _repair(resolved: Resolved, repair: Repair, eyes: Eyes, told_apart: bool) -> RepairView:
    name = resolved.system.tokens[repair.token].name
    reaches = f"{distance_text(repair.reaches)} apart" if told_apart else cut(repair.reaches)
    parts = [f"mends {repair.mends}"] if repair.mends else []
    parts.append(f"breaks {repair.breaks}" if repair.breaks else "breaks none")
    return {
        **eyes.swatch(repair.rgb8),
        "words": f"Let {name} be {repair.step}: {reaches}",
        "consequence": ", ".join(parts),
        "token": repair.token,
        "theme": repair.edit.theme,
        "hue": repair.hue,
        "step": repair.step_id,
    }
