"""Scales with steps that are not darker than the one before: pins and nudges can do that."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from heimat.core.color.contrast import relative_luminance
from heimat.core.legibility.findings.finding import Case, Finding, Kind, never_touched
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue

_BY_HAND = (
    "Pins and nudges stand where they were put. Take one back, or let the neighbors of pins pass."
)
_BY_SOURCE = "Its source leaves too little room on one side of the ladder."


@dataclass(slots=True, eq=False)
class _Case(Case):
    hue: ResolvedHue
    places: list[int]

    @property
    def id(self) -> str:
        return f"{KIND.name}:{self.hue.id}"

    def say(self) -> Finding:
        hue, first = self.hue, self.places[0]
        labels = hue.ladder.labels()
        said = ", ".join(f"{labels[at]} than {labels[at - 1]}" for at in self.places)
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{hue.name} is out of order: not darker are {said}.",
            detail=_BY_HAND if hue.hue.pins or hue.hue.nudges else _BY_SOURCE,
            select=hue.step_key(first),
            colors=(hue.rgb8[first - 1], hue.rgb8[first]),
        )


def _measure(resolved: Resolved) -> Iterable[_Case]:
    for hue in resolved.hue_list:
        rises = np.flatnonzero(np.diff(relative_luminance(hue.rgb8)) >= 0.0) + 1
        if len(rises):
            yield _Case(hue, rises.tolist())


KIND = Kind("order", _measure, never_touched)
