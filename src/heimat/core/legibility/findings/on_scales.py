"""Findings on scales: steps that crowd beside a fixed label, steps out of order, more colors than are wanted."""

import numpy as np

from heimat.core.color.contrast import relative_luminance
from heimat.core.color.notation import hex_of
from heimat.core.document.uses import published_steps
from heimat.core.legibility.findings.finding import Finding
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.anchors import LEAST_GAP


def _crowded_id(hue: ResolvedHue) -> str:
    return f"crowded:{hue.id}"


def _order_id(hue: ResolvedHue) -> str:
    return f"order:{hue.id}"


def _displaced_id(hue: ResolvedHue) -> str:
    return f"displaced:{hue.id}"


_CAP_ID = "cap"


def scale_finding_ids(resolved: Resolved) -> set[str]:
    """The ids of the findings on scales."""
    found = {_crowded_id(hue) for hue in _crowding(resolved)}
    found |= {_order_id(hue) for hue, _ in _out_of_order(resolved)}
    found |= {_displaced_id(hue) for hue in _displaced(resolved)}
    return found | ({_CAP_ID} if _over_cap(resolved) else set())


def scale_findings(resolved: Resolved) -> list[Finding]:
    """The findings on scales: too many colors first, then what is not where it should be, then what crowds."""
    return _cap(resolved) + _gone(resolved) + _order(resolved) + _crowded(resolved)


def _over_cap(resolved: Resolved) -> int:
    """By how many colors the cap is passed."""
    cap = resolved.system.cap
    return 0 if cap is None else max(len(published_steps(resolved.system)) - cap, 0)


def _out_of_order(resolved: Resolved) -> list[tuple[ResolvedHue, list[int]]]:
    """Hues with the places of steps that are not darker than the one before: pins and nudges can do that."""
    found = []
    for hue in resolved.hue_list:
        rises = np.flatnonzero(np.diff(relative_luminance(hue.rgb8)) >= 0.0) + 1
        if len(rises):
            found.append((hue, rises.tolist()))
    return found


def _displaced(resolved: Resolved) -> list[ResolvedHue]:
    """Hues whose own color a pin has pushed out of their scale: no step is it, to the bit."""
    return [
        hue
        for hue in resolved.hue_list
        if (place := hue.scale.anchor) is not None
        and hue.steps[place].id in hue.hue.pins
        and not (hue.rgb8 == hue.scale.source8).all(axis=-1).any()
    ]


def _gone(resolved: Resolved) -> list[Finding]:
    found: list[Finding] = []
    for hue in _displaced(resolved):
        place = hue.scale.anchor or 0
        found.append(
            Finding(
                id=_displaced_id(hue),
                kind="displaced",
                sentence=f"{hue.name}’s own color {hex_of(hue.scale.source8)} is in its scale no longer.",
                detail=f"It would stand at {hue.steps[place].label}, which is pinned at {hex_of(hue.rgb8[place])}. "
                "Take the pin away, or anchor the hue at another label.",
                select=hue.step_key(place),
                colors=(hue.scale.source8, hue.rgb8[place]),
            )
        )
    return found


def _crowding(resolved: Resolved) -> list[ResolvedHue]:
    """Hues at a fixed label that leave too little room for the steps beside it."""
    return [hue for hue in resolved.hue_list if hue.hue.anchor.mode == "label" and hue.scale.crowded]


def _crowded(resolved: Resolved) -> list[Finding]:
    return [
        Finding(
            id=_crowded_id(hue),
            kind="crowded",
            sentence=f"{hue.name} at {hue.steps[anchor].label} leaves too little room for the steps beside it.",
            detail=f"Its lightness is {hue.scale.source_lightness:.1f}; some steps are less than {LEAST_GAP:g} L* "
            "apart. Anchor it at a label nearer to its lightness.",
            select=hue.key,
            colors=(hue.rgb8[0], hue.rgb8[-1]),
        )
        for hue in _crowding(resolved)
        if (anchor := hue.scale.anchor) is not None
    ]


def _order(resolved: Resolved) -> list[Finding]:
    found: list[Finding] = []
    for hue, places in _out_of_order(resolved):
        labels = hue.ladder.labels()
        said = ", ".join(f"{labels[at]} than {labels[at - 1]}" for at in places)
        found.append(
            Finding(
                id=_order_id(hue),
                kind="order",
                sentence=f"{hue.name} is out of order: not darker are {said}.",
                detail="Pins and nudges stand where they were put. Take one back, or let the neighbours of pins pass."
                if hue.hue.pins or hue.hue.nudges
                else "Its source leaves too little room on one side of the ladder.",
                select=hue.step_key(places[0]),
                colors=(hue.rgb8[places[0] - 1], hue.rgb8[places[0]]),
            )
        )
    return found


def _cap(resolved: Resolved) -> list[Finding]:
    over = _over_cap(resolved)
    if not over:
        return []
    colors = len(published_steps(resolved.system))
    first = resolved.hue_list[0]
    return [
        Finding(
            id=_CAP_ID,
            kind="cap",
            sentence=f"{colors} colors would be published; the cap is {resolved.system.cap}.",
            detail=f"{over} too many. Make steps internal that nothing uses, take a smaller ladder, or raise the cap.",
            select=first.key,
            colors=(first.rgb8[0], first.rgb8[-1]),
        )
    ]
