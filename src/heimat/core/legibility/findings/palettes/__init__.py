"""Findings on palettes: on their colors, on what is drawn beside them, and on palettes that are seen at once."""

import math
from collections.abc import Iterator
from weakref import WeakKeyDictionary

from heimat.core.charts.apart import see_soon
from heimat.core.color.arrays import Bytes
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.palettes.at import every
from heimat.core.legibility.findings.palettes.categories import close_pairs, contrasts, on_categories
from heimat.core.legibility.findings.palettes.numbers import on_numbers
from heimat.core.legibility.findings.palettes.others import compared, on_others
from heimat.core.legibility.findings.palettes.statuses import STATUSES
from heimat.core.legibility.findings.palettes.together import together
from heimat.core.resolve.resolved import Resolved

MOST_REPAIRED = 100
"""Findings on palettes after which no further palette gets repairs: each looks at every step in every theme."""

_PLAIN: WeakKeyDictionary[Resolved, list[Finding]] = WeakKeyDictionary()
"""What was found without repairs: for one answer it is counted and told."""

__all__ = ["STATUSES", "palette_findings", "palette_ids", "palette_rooms"]


def palette_ids(resolved: Resolved) -> set[str]:
    """The ids of the findings on palettes, in every theme."""
    return {each.id for each in palette_findings(resolved, repairs=False)}


def palette_rooms(resolved: Resolved) -> dict[str, float]:
    """By the id of each measured finding, how much room there is before it comes: below 0 it is open."""
    found: dict[str, float] = {}
    for at in every(resolved):
        make = at.shown.palette.make
        if not isinstance(make, Categorical):
            continue
        for key, pair in close_pairs(at, make):
            found[key] = pair.least / max(make.asked, 1e-9) - 1.0
        for key, _, reached in contrasts(at, make):
            found[key] = math.log(reached / make.contrast)
    return found


def palette_findings(resolved: Resolved, *, repairs: bool) -> list[Finding]:
    """The findings on palettes in every theme; each of those on single colors with steps that would settle it."""
    if repairs:
        return _found(resolved, repairs=True)
    if resolved not in _PLAIN:
        _PLAIN[resolved] = _found(resolved, repairs=False)
    return _PLAIN[resolved]


def _found(resolved: Resolved, *, repairs: bool) -> list[Finding]:
    found: list[Finding] = []
    see_soon(_seen_of(resolved))
    for at in every(resolved):
        make = at.shown.palette.make
        repaired = repairs and len(found) < MOST_REPAIRED
        if isinstance(make, Categorical):
            found += on_categories(at, make, repaired)
        else:
            found += on_numbers(at)
        found += on_others(at, repaired)
    return found + together(resolved)


def _seen_of(resolved: Resolved) -> Iterator[Bytes]:
    """The sets of colors that findings look at through several eyes."""
    for at in every(resolved):
        shown, make = at.shown, at.shown.palette.make
        if isinstance(make, Categorical):
            yield from (shown.rgb8, compared(at)[1])
        elif make.classes is not None:
            yield shown.rgb8
        if shown.arms is not None:
            yield shown.rgb8[[0, -1]]
