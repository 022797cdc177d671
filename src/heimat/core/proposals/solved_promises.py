"""Solving a ladder for a promise: the lightness of its steps moves until every pair keeps what is wanted.

Steps at even L* promise unequally: dark neighbours differ more in contrast than light ones. Steps whose luminances
(with 0.05 added, as WCAG does) fall by one factor promise the most that n steps between two ends can. Between these
two ladders, the one nearest to even lightness that keeps the promise is taken.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.spaces import lightness, luminance_of
from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError
from heimat.core.resolve.hues import ResolvedHue, resolve_hues
from heimat.core.resolve.steps import Steps, opaque_readings, steps_of
from heimat.core.scales.ladder import DARKEST, LIGHTEST, Ladder
from heimat.core.scales.promises import TOLERANCE, least_by_distance

_SHARES = np.linspace(0.0, 1.0, 7)
_WIDEST = (98.5, 4.0)
"""L* of the ends of a ladder that is stretched as far as ends keep a color."""


@dataclass(frozen=True)
class Solved:
    """The ladder found, the least contrast that it then has, and the two steps (hue and step) that have it.

    `kept` says whether that reaches the goal; where it does not, this is the best there is.
    """

    ladder: Ladder
    kept: bool
    least: float
    tightest: tuple[tuple[str, str], tuple[str, str]]


def solve_promise(system: ColorSystem, apart: int, aim: float) -> Solved:
    """Find the ladder with the same labels whose steps `apart` positions apart reach a contrast of `aim`, 1 to 21.

    Every candidate is made, anchors and pins in force, and judged by its published values: between the present ends
    first, then between the widest. Raises DomainError (field `apart`) for a distance that no two opaque steps have.
    """
    if not 1 <= apart <= system.ladder.longest():
        raise DomainError(f"Steps of this ladder are 1 to {system.ladder.longest()} apart.", "apart", "limit")
    best: Solved | None = None
    for ends in _ends(system.ladder):
        for share in _SHARES.tolist():
            found = _judged(system, _between(system.ladder, ends, share), apart, aim)
            if found.kept:
                return found
            if best is None or found.least > best.least:
                best = found
    assert best is not None
    return best


def _ends(ladder: Ladder) -> list[tuple[float, float]]:
    own = (ladder.steps[0].lightness, ladder.steps[-1].lightness)
    usual = (max(own[0], LIGHTEST), min(own[1], DARKEST))
    wide = (max(own[0], _WIDEST[0]), min(own[1], _WIDEST[1]))
    return list(dict.fromkeys([own, usual, wide]))


def _between(ladder: Ladder, ends: tuple[float, float], share: float) -> Ladder:
    """The ladder's labels between two ends: share 0 is even in L*, share 1 in contrast."""
    along = ladder.positions(ladder.lightness()) / ladder.longest()
    even = ends[0] + along * (ends[1] - ends[0])
    light, dark = luminance_of(np.array(ends)) + 0.05
    contrast = lightness(light * (dark / light) ** along - 0.05)
    aims: Floats = np.round(even + share * (contrast - even), 3)
    steps = tuple(
        step.model_copy(update={"lightness": float(aim)}) for step, aim in zip(ladder.steps, aims, strict=True)
    )
    return Ladder(name="own", steps=steps)


def _judged(system: ColorSystem, ladder: Ladder, apart: int, aim: float) -> Solved:
    tried = system.model_copy(update={"ladder": ladder})
    hues = resolve_hues(tried)
    steps = steps_of(ladder, hues)
    kept, readings, positions = opaque_readings(steps)
    if not len(kept) or np.ptp(positions) < apart - TOLERANCE:
        raise DomainError(f"No two opaque steps are {apart} apart, so there is nothing to promise.", "apart", "none")
    least, pair = least_by_distance(readings, positions, apart)[apart - 1]
    one, other = (_named(hues, steps, int(kept[place])) for place in pair)
    return Solved(ladder, least >= aim, least, (one, other))


def _named(hues: Sequence[ResolvedHue], steps: Steps, index: int) -> tuple[str, str]:
    hue = hues[int(steps.hue_index[index])]
    return hue.id, hue.steps[int(steps.step_index[index])].id


def most_promised(ladder: Ladder, apart: int) -> float:
    """The most that a ladder of so many steps could promise between its widest ends, with no anchor and no pin."""
    light, dark = luminance_of(np.array(_ends(ladder)[-1])) + 0.05
    return float((light / dark) ** (apart / ladder.longest()))
