"""Hues at a fixed label that leave too little room for the steps beside it."""

from collections.abc import Iterable
from dataclasses import dataclass

from heimat.core.legibility.findings.finding import Case, Finding, Kind, never_touched
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.anchors import LEAST_GAP


@dataclass(slots=True, eq=False)
class _Case(Case):
    hue: ResolvedHue
    anchor: int

    @property
    def id(self) -> str:
        return f"{KIND.name}:{self.hue.id}"

    def say(self) -> Finding:
        hue = self.hue
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{hue.name} at {hue.steps[self.anchor].label} leaves too little room for the steps beside it.",
            detail=f"Its lightness is {hue.scale.source_lightness:.1f}; some steps are less than {LEAST_GAP:g} L* "
            "apart. Anchor it at a label nearer to its lightness.",
            select=hue.key,
            colors=(hue.rgb8[0], hue.rgb8[-1]),
        )


def _measure(resolved: Resolved) -> Iterable[_Case]:
    for hue in resolved.hue_list:
        if hue.hue.anchor.mode == "label" and hue.scale.crowded and hue.scale.anchor is not None:
            yield _Case(hue, hue.scale.anchor)


KIND = Kind("crowded", _measure, never_touched)
