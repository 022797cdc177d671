"""Hues whose own color a pin has pushed out of their scale: no step is it, to the bit."""

from collections.abc import Iterable
from dataclasses import dataclass

from heimat.core.color.hex_notation import hex_of
from heimat.core.legibility.findings.finding import Case, Finding, Kind, never_touched
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue


@dataclass(slots=True, eq=False)
class _Case(Case):
    hue: ResolvedHue
    place: int

    @property
    def id(self) -> str:
        return f"{KIND.name}:{self.hue.id}"

    def say(self) -> Finding:
        hue, place = self.hue, self.place
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{hue.name}’s own color {hex_of(hue.scale.source8)} is in its scale no longer.",
            detail=f"It would stand at {hue.steps[place].label}, which is pinned at {hex_of(hue.rgb8[place])}. "
            "Take the pin away, or anchor the hue at another label.",
            select=hue.step_key(place),
            colors=(hue.scale.source8, hue.rgb8[place]),
        )


def _measure(resolved: Resolved) -> Iterable[_Case]:
    for hue in resolved.hue_list:
        place = hue.scale.anchor
        if place is None or hue.steps[place].id not in hue.hue.pins:
            continue
        if not (hue.rgb8 == hue.scale.source8).all(axis=-1).any():
            yield _Case(hue, place)


KIND = Kind("displaced", _measure, never_touched)
