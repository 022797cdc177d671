"""Findings on what is drawn beside a palette's colors: missing, highlighted, muted and other."""

from collections.abc import Iterator
from dataclasses import replace
from functools import lru_cache

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import TOLD_APART, distance_words
from heimat.core.color.contrast import cut, ratio
from heimat.core.document.palettes import GRAPHIC, Categorical, OtherRole
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.palettes.at import REMEMBERED, At, colors_of
from heimat.core.legibility.findings.palettes.color_repairs import other_repairs, other_room

_TAKEN: tuple[OtherRole, ...] = ("missing", "muted", "other")
"""What must not be taken for a color of the palette. What is highlighted may be one of them."""


def on_others(at: At, repairs: bool) -> Iterator[Finding]:
    """What is to be said of a palette's other colors in a theme; with repairs, if they are wanted."""
    shown = at.shown
    categorical = isinstance(shown.palette.make, Categorical)
    roles, colors = compared(at)
    found = _nearest(colors.tobytes(), shown.rgb8.tobytes(), typical=not categorical)
    for role, rgb8, (place, far) in zip(roles, colors, found, strict=True):
        if far < TOLD_APART:
            what = at.name(place) if categorical else f"color {place + 1} of {len(shown.rgb8)} of {shown.palette.name}"
            sentence = f"What is {role} could be taken for {what}."
            said = _nearest_words(far) if categorical else f"{distance_words(far)} apart"
            detail = f"{said}; {TOLD_APART:g} keeps them apart."
            finding = at.finding(at.id("other", role), sentence, detail, (rgb8, shown.rgb8[place]))
            yield replace(finding, repairs=other_repairs(at, role, rgb8) if repairs else [])
    if categorical:
        yield from _on_highlighted(at)


def compared(at: At) -> tuple[list[OtherRole], Bytes]:
    """Which of a palette's other colors must not be taken for its own, and these colors (n, 3).

    Palettes over numbers are near gray in places, for some eyes everywhere: only what is missing must be apart from
    them, for typical vision; others tell it by its hatching.
    """
    wanted = _TAKEN if isinstance(at.shown.palette.make, Categorical) else _TAKEN[:1]
    roles = [role for role in wanted if role in at.shown.others]
    return roles, np.array([at.shown.others[role] for role in roles], dtype=np.uint8).reshape(-1, 3)


def _on_highlighted(at: At) -> Iterator[Finding]:
    shown = at.shown
    lit, muted = shown.others.get("highlighted"), shown.others.get("muted")
    if lit is None:
        return
    what = f"What is highlighted in {shown.palette.name}"
    reads = float(ratio(lit, shown.ground8))
    if reads < GRAPHIC:
        sentence = f"{what} reads {cut(reads)} on its ground; it needs {GRAPHIC:g}."
        yield at.finding(at.id("other", "highlighted"), sentence, "", (lit, shown.ground8))
    far = _nearest(lit.tobytes(), muted.tobytes())[0][1] if muted is not None else TOLD_APART
    if muted is not None and far < TOLD_APART:
        detail = f"{_nearest_words(far)}; {TOLD_APART:g} is asked for."
        yield at.finding(at.id("other", "lit-muted"), f"{what} looks like what is muted.", detail, (lit, muted))


def _nearest_words(far: float) -> str:
    return f"{distance_words(far)} apart under the vision that brings them nearest"


@lru_cache(REMEMBERED)
def _nearest(ours: bytes, levels: bytes, *, typical: bool = False) -> tuple[tuple[int, float], ...]:
    """For each of some colors the place of the nearest of others, and how far that is under any vision, or for
    typical vision."""
    if not ours:
        return ()
    far = other_room(colors_of(levels), colors_of(ours), typical=typical)
    return tuple((int(place), float(each[place])) for each, place in zip(far, far.argmin(axis=1), strict=True))
