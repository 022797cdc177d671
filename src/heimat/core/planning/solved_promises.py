"""Solving a ladder for a promise: the lightness of its steps moves until every pair keeps what is wanted.

In log(Y + 0.05), contrasts are differences. So a promise asks for differences between positions that are far enough
apart, between positions and what stands fixed (anchors and pins), and for a least gap from step to step. Whether all
can be kept follows exactly from longest paths. Only how scales bend about their anchors, and 8 bits, are found by
making the scales: what they lack is asked for in addition, until it holds.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import FLARE, relative_luminance
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.gamut import Mask
from heimat.core.color.spaces import lightness, luminance_of
from heimat.core.document.system import ColorSystem, method_of
from heimat.core.errors import DomainError
from heimat.core.resolve.resolved_hues import ResolvedHue, resolve_hues
from heimat.core.resolve.steps import Steps, opaque_readings, steps_of
from heimat.core.scales.constraints import Differences
from heimat.core.scales.generator_2 import STRONG
from heimat.core.scales.ladder import DARKEST, LIGHTEST, Ladder
from heimat.core.scales.promise_constraints import WIDEST, Asked, Fixed, MadeSteps
from heimat.core.scales.promises import TOLERANCE, least_by_distance

_ROUNDS, _FEW_ROUNDS = 10, 3
"""How often scales are made for a promise; few where it is impossible, and the best that comes near is enough."""
_MORE = 0.0015
"""The share by which more is asked for from round to round: rounding to 8 bits takes about that."""


@dataclass(frozen=True)
class Solved:
    """The ladder found, the least contrast that it then has, and the two steps (hue and step) that have it.

    `kept` says whether that reaches the goal; where it does not, this is the best that was found. `most` is what no
    ladder with these labels can pass, proven: where it is below the goal, the goal is impossible, and `against` are
    the anchors and pins (hue, and the step of a pin) that stand in the way, none where the count of steps does.
    """

    ladder: Ladder
    kept: bool
    least: float
    tightest: tuple[tuple[str, str], tuple[str, str]]
    most: float | None
    against: tuple[tuple[str, str | None], ...]


def solve_promise(system: ColorSystem, apart: int, aim: float) -> Solved:
    """Find the ladder with the same labels whose steps `apart` positions apart reach a contrast of `aim`, 1 to 21.

    Of those that do, one near even lightness is taken, made, anchors and pins in force, and judged by its published
    values. Raises DomainError (field `apart`) for a distance that no two opaque steps have.
    """
    if not 1 <= apart <= system.ladder.longest():
        raise DomainError(
            f"Steps of this ladder are 1 to {system.ladder.longest()} apart.", "apart", "limit"
        )
    best = _judged(system, system.ladder, apart, aim)
    if best.kept and _even(system.ladder):
        return best
    asked = _asked_of(system, apart)
    proper = asked.proper()
    if asked.possible(aim) is not None:
        return _searched(
            system, proper, aim, proper.possible(aim) or proper.loosest(aim), best, _ROUNDS
        )
    found = _searched(system, proper, aim, proper.loosest(aim), best, _FEW_ROUNDS)
    against = asked.against(aim)
    return replace(found, most=asked.most(aim, found.least), against=against)


def _asked_of(system: ColorSystem, apart: int) -> Asked:
    plain = [hue for hue in resolve_hues(system) if _plain(system, hue)]
    certain = any(
        hue.scale.anchor is None and not hue.hue.pins and not hue.hue.nudges for hue in plain
    )
    fixed = [each for hue in plain for each in _fixed(system.ladder, hue)]
    return Asked.of(system.ladder.longest() + 1, apart, fixed, certain=certain)


def _searched(
    system: ColorSystem,
    asked: "Asked",
    aim: float,
    differences: Differences,
    best: Solved,
    rounds: int,
) -> Solved:
    """Make the ladder nearest to even that keeps what is asked, ask for what its scales lack in addition, and again."""
    even = np.log(luminance_of(_evenly(system.ladder)) + FLARE)
    asking = differences
    for more in range(1, rounds + 1):
        aims = asking.near(even)
        if aims is None:
            break
        ladder = _with_aims(system.ladder, lightness(np.exp(aims) - FLARE))
        made = _made(system, ladder)
        found = _judged_steps(ladder, made, asked.apart, aim)
        if found.least > best.least or (found.kept and not best.kept):
            best = found
        if found.kept:
            break
        asking, own = differences.copy(), np.log(luminance_of(_counted(ladder)) + FLARE)
        kept, readings, positions = opaque_readings(steps_of(ladder, made))
        there = MadeSteps(np.log(np.stack(readings) + FLARE), positions, _stands(made)[kept])
        asked.lacking(asking, there, own, aim * (1.0 + more * _MORE))
    return best


def _stands(hues: Sequence[ResolvedHue]) -> Mask:
    """Which steps of all scales no ladder moves: anchors and pins, and steps of ladders of their own."""
    found = []
    for hue in hues:
        stands = np.zeros(len(hue.steps), dtype=np.bool_)
        if hue.scale.anchor is not None:
            stands[hue.scale.anchor] = True
        stands |= np.array(
            [step.id in hue.hue.pins or hue.hue.ladder is not None for step in hue.steps]
        )
        found.append(stands)
    return np.concatenate(found) if found else np.zeros(0, dtype=np.bool_)


def _plain(system: ColorSystem, hue: ResolvedHue) -> bool:
    """Whether the steps of a scale follow the ladder's aims: even lightness, no ladder and no curve of its own."""
    follows = hue.hue.ladder is None and method_of(system, hue.hue).name == "even"
    return follows and not hue.curves.lightness and hue.source.alpha == 1.0


def _fixed(ladder: Ladder, hue: ResolvedHue) -> list[Fixed]:
    counted = [step.id for step in ladder.steps if not step.between]
    found = []
    anchor = hue.hue.anchor
    if anchor.mode != "guide":
        strong = bool(hue.scale.chroma.max(initial=0.0) > STRONG)
        nearest = anchor.mode == "nearest" or anchor.step not in counted
        places = tuple(range(len(counted))) if nearest else (counted.index(anchor.step or ""),)
        # Where a pin may stand in place of the anchor, the anchor is not certain to be in the scale.
        if not hue.hue.pins:
            value = _log(hue.scale.source8)
            first = int(np.argmin(np.abs(np.log(luminance_of(_counted(ladder)) + FLARE) - value)))
            order = tuple(sorted(places, key=lambda place: abs(place - first)))
            found.append(Fixed(value, order, hue.id, None, nearest, strong))
    for step, color in hue.hue.pins.items():
        if step in counted:
            found.append(
                Fixed(_log(rgb8_of(color)), (counted.index(step),), hue.id, step, False, False)
            )
    return found


def _log(rgb8: Bytes) -> float:
    return float(np.log(relative_luminance(rgb8) + FLARE))


def _counted(ladder: Ladder) -> Floats:
    return np.array([step.lightness for step in ladder.steps if not step.between])


def _evenly(ladder: Ladder) -> Floats:
    """L* (n,) of the counted steps at even distances between the ladder's ends, no farther out than the widest."""
    first, last = ladder.steps[0].lightness, ladder.steps[-1].lightness
    wide = min(max(first, LIGHTEST), WIDEST[0]), max(min(last, DARKEST), WIDEST[1])
    return np.linspace(wide[0], wide[1], ladder.longest() + 1)


def _even(ladder: Ladder) -> bool:
    """Whether the counted steps of a ladder fall evenly already."""
    return bool(np.ptp(np.diff(_counted(ladder))) < 0.01)


def _with_aims(ladder: Ladder, aims: Floats) -> Ladder:
    """The ladder's labels at other L* (n,) of its counted steps; those between go along."""
    before = _counted(ladder)
    all_before = ladder.lightness()
    found = np.interp(-all_before, -before, np.round(aims, 3))
    steps = tuple(
        step.model_copy(update={"lightness": float(each)})
        for step, each in zip(ladder.steps, found, strict=True)
    )
    return Ladder(name="own", steps=steps)


def _made(system: ColorSystem, ladder: Ladder) -> tuple[ResolvedHue, ...]:
    return resolve_hues(system.model_copy(update={"ladder": ladder}))


def _judged(system: ColorSystem, ladder: Ladder, apart: int, aim: float) -> Solved:
    return _judged_steps(ladder, _made(system, ladder), apart, aim)


def _judged_steps(ladder: Ladder, hues: Sequence[ResolvedHue], apart: int, aim: float) -> Solved:
    steps = steps_of(ladder, hues)
    kept, readings, positions = opaque_readings(steps)
    if not len(kept) or np.ptp(positions) < apart - TOLERANCE:
        raise DomainError(
            f"No two opaque steps are {apart} apart, so there is nothing to promise.",
            "apart",
            "none",
        )
    least, pair = least_by_distance(readings, positions, apart)[apart - 1]
    one, other = (_named(hues, steps, int(kept[place])) for place in pair)
    return Solved(ladder, least >= aim, least, (one, other), None, ())


def _named(hues: Sequence[ResolvedHue], steps: Steps, index: int) -> tuple[str, str]:
    hue = hues[int(steps.hue_index[index])]
    return hue.id, hue.steps[int(steps.step_index[index])].id
