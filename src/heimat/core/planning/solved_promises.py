"""Solving a ladder for a promise: the lightness of its steps moves until every pair keeps what is wanted.

In log(Y + 0.05), contrasts are differences. So a promise asks for differences between positions that are far enough
apart, between positions and what stands fixed (anchors and pins), and for a least gap from step to step. Whether all
can be kept follows exactly from longest paths. Only how scales bend about their anchors, and 8 bits, are found by
making the scales: what they lack is asked for in addition, until it holds.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import relative_luminance
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
from heimat.core.scales.promises import TOLERANCE, least_by_distance

WIDEST = (98.5, 4.0)
"""L* of the ends of a ladder that is stretched as far as ends keep a color."""
LEAST_RATIO = 1.08
"""Contrast of neighbours below which a ladder's steps are hardly steps any more."""
_BEYOND = (100.0, 0.0)
"""L* that steps may have which bend about an anchor."""
_ROUNDS, _FEW_ROUNDS = 10, 3
"""How often scales are made for a promise; few where it is impossible, and the best that comes near is enough."""
_MORE = 0.0015
"""The share by which more is asked for from round to round: rounding to 8 bits takes about that."""
_CENT = 0.01
_TRIES, _MOST_TRIES = 120, 500
"""Placings of what stands fixed that are tried for one question, and for all that a promise asks: 0.1 seconds."""


@dataclass(frozen=True)
class Fixed:
    """A color that no ladder moves: log(Y + 0.05), the positions at which it may stand, whose it is, and of anchors at
    the nearest label, whether they may stand below a lighter label (`leaves`)."""

    value: float
    places: tuple[int, ...]
    hue: str
    step: str | None
    nearest: bool
    leaves: bool


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
        raise DomainError(f"Steps of this ladder are 1 to {system.ladder.longest()} apart.", "apart", "limit")
    best = _judged(system, system.ladder, apart, aim)
    if best.kept and _even(system.ladder):
        return best
    asked = _Asked.of(system, apart)
    proper = asked.proper()
    if asked.possible(aim) is not None:
        return _searched(system, proper, aim, proper.possible(aim) or proper.loosest(aim), best, _ROUNDS)
    found = _searched(system, proper, aim, proper.loosest(aim), best, _FEW_ROUNDS)
    against = asked.against(aim)
    return replace(found, most=asked.most(aim, found.least), against=against)


def _searched(
    system: ColorSystem, asked: "_Asked", aim: float, differences: Differences, best: Solved, rounds: int
) -> Solved:
    """Make the ladder nearest to even that keeps what is asked, ask for what its scales lack in addition, and again."""
    even = np.log(luminance_of(_evenly(system.ladder)) + 0.05)
    asking = differences
    for more in range(1, rounds + 1):
        aims = asking.near(even)
        if aims is None:
            break
        ladder = _with_aims(system.ladder, lightness(np.exp(aims) - 0.05))
        made = _made(system, ladder)
        found = _judged_steps(ladder, made, asked.apart, aim)
        if found.least > best.least or (found.kept and not best.kept):
            best = found
        if found.kept:
            break
        asking, own = differences.copy(), np.log(luminance_of(_counted(ladder)) + 0.05)
        asked.lacking(asking, steps_of(ladder, made), _stands(made), own, aim * (1.0 + more * _MORE))
    return best


@dataclass(frozen=True)
class _Asked:
    """What a promise asks of the n positions of a ladder that are counted.

    `ends` and `gap` are log(Y + 0.05) of the widest ends and the least fall from step to step. Where some scale has no
    anchor, its steps are the ladder's own aims; otherwise all bend, and less is certain of them: `certain` is False.
    `left` are the placings that may still be tried.
    """

    count: int
    apart: int
    ends: tuple[float, float]
    gap: float
    fixed: tuple[Fixed, ...]
    certain: bool
    left: list[int] = field(default_factory=lambda: [_MOST_TRIES])

    @classmethod
    def of(cls, system: ColorSystem, apart: int) -> "_Asked":
        count = system.ladder.longest() + 1
        plain = [hue for hue in resolve_hues(system) if _plain(system, hue)]
        certain = any(hue.scale.anchor is None and not hue.hue.pins and not hue.hue.nudges for hue in plain)
        fixed = tuple(sorted((each for hue in plain for each in _fixed(system.ladder, hue)), key=_choice))
        return cls(count, apart, _ends(WIDEST if certain else _BEYOND), 0.0, fixed, certain)

    def proper(self) -> "_Asked":
        """The same of the ladder itself: its aims have ends that keep a color, and a least fall."""
        ends = _ends(WIDEST)
        gap = min(float(np.log(LEAST_RATIO)), (ends[0] - ends[1]) / (2.0 * (self.count - 1)))
        return replace(self, ends=ends, gap=gap, certain=True)

    def against(self, aim: float) -> tuple[tuple[str, str | None], ...]:
        """What stands in the way: each color without which it is possible, or else all; none where it is the ladder."""
        if replace(self, fixed=()).possible(aim) is None:
            return ()
        alone = [each for each in self.fixed if self._without(each).possible(aim) is not None]
        return tuple((each.hue, each.step) for each in alone or self.fixed)

    def _without(self, fixed: Fixed) -> "_Asked":
        return replace(self, fixed=tuple(each for each in self.fixed if each is not fixed))

    def loosest(self, aim: float) -> Differences:
        """What is asked of the most that can be kept without anything fixed."""
        free = replace(self, fixed=())
        return free.possible(aim) or free.possible(free.most(aim, 1.0) - 2.0 * _CENT) or free.base(1.0)

    def base(self, aim: float) -> Differences:
        """What is asked where nothing stands fixed."""
        asked, ratio = Differences.of(self.count), float(np.log(aim))
        for place in range(self.count):
            asked.below(place, self.ends[0])
            asked.above(place, self.ends[1])
            if place:
                asked.keep(place - 1, place, self.gap)
            for other in range(place + self.apart, self.count):
                asked.keep(place, other, ratio)
        return asked

    def possible(self, aim: float) -> Differences | None:
        """What is asked with everything fixed at places where it can be kept; None where there are none such.

        After very many tries what is left is taken to be possible: nothing is called impossible that is not proven.
        """
        tries = min(_TRIES, self.left[0])
        left = [tries]
        found = self._placed(self.base(aim), (), float(np.log(aim)), left)
        self.left[0] -= tries - left[0]
        return found

    def _placed(
        self, asked: Differences, places: tuple[int, ...], ratio: float, tries: list[int]
    ) -> Differences | None:
        if tries[0] == 0:
            return asked
        tries[0] -= 1
        if asked.closed() is None:
            return None
        if len(places) == len(self.fixed):
            return asked
        fixed = self.fixed[len(places)]
        for place in fixed.places:
            if self._clash(fixed, place, places, ratio):
                continue
            for split in self._splits(fixed, place):
                tried = asked.copy()
                self._stand(tried, fixed, place, split, ratio)
                found = self._placed(tried, (*places, place), ratio, tries)
                if found is not None:
                    return found
        return None

    def _splits(self, fixed: Fixed, place: int) -> Sequence[int]:
        """From which position on steps are darker than a color; a pin may be out of order."""
        if fixed.nearest and self.certain:
            return (place,)
        return sorted(range(self.count + 1), key=lambda split: abs(split - place))

    def _clash(self, fixed: Fixed, place: int, places: tuple[int, ...], ratio: float) -> bool:
        """Whether two fixed colors stand too near in contrast for their positions."""
        return any(
            abs(place - other) >= self.apart and abs(fixed.value - self.fixed[at].value) < ratio
            for at, other in enumerate(places)
        )

    def _stand(self, asked: Differences, fixed: Fixed, place: int, split: int, ratio: float) -> None:
        for other in range(self.count):
            if abs(other - place) < self.apart:
                continue
            if other < split:
                asked.above(other, fixed.value + ratio)
            else:
                asked.below(other, fixed.value - ratio)
        if fixed.nearest and self.certain:
            # The nearest label lies between the labels beside it.
            if place > 0 and not (place == 1 and fixed.leaves):
                asked.above(place - 1, fixed.value)
            if place < self.count - 1:
                asked.below(place + 1, fixed.value)

    def most(self, aim: float, reached: float) -> float:
        """The most that any ladder can promise, rounded up to a hundredth: less than an aim, and what was reached."""
        low, high = min(max(reached, 1.0), aim), aim
        while high - low > _CENT / 4.0:
            middle = (low + high) / 2.0
            low, high = (middle, high) if self.possible(middle) is not None else (low, middle)
        return float(np.ceil(high / _CENT) * _CENT)

    def lacking(self, asking: Differences, steps: Steps, stands: Mask, aims: Floats, aim: float) -> None:
        """Ask for what made steps lack: scales that bend about an anchor are off what the ladder aims at, (n,).

        `stands` tells the steps that no ladder moves. What is off is taken to stay so; if it does not, one asks again.
        """
        kept, readings, positions = opaque_readings(steps)
        places = np.rint(positions).astype(np.intp)
        on = (np.abs(positions - places) < TOLERANCE) & (places >= 0) & (places < self.count)
        places, stands = places[on], stands[kept][on]
        values = np.log(np.stack(readings) + 0.05)[:, on]
        off = values - aims[places]
        ratio = float(np.log(aim))
        lower, upper = np.zeros(self.count), np.zeros(self.count)
        np.minimum.at(lower, places[~stands], off[:, ~stands].min(axis=0))
        np.maximum.at(upper, places[~stands], off[:, ~stands].max(axis=0))
        for light in range(self.count):
            for dark in range(light + self.apart, self.count):
                asking.keep(light, dark, ratio - lower[light] + upper[dark])
        for place, lowest, highest in zip(
            places[stands], values[:, stands].min(axis=0), values[:, stands].max(axis=0), strict=True
        ):
            for other in range(self.count):
                if other <= place - self.apart:
                    asking.above(other, float(highest) + ratio - lower[other])
                if other >= place + self.apart:
                    asking.below(other, float(lowest) - ratio - upper[other])


def _stands(hues: Sequence[ResolvedHue]) -> Mask:
    """Which steps of all scales no ladder moves: anchors and pins, and steps of ladders of their own."""
    found = []
    for hue in hues:
        stands = np.zeros(len(hue.steps), dtype=np.bool_)
        if hue.scale.anchor is not None:
            stands[hue.scale.anchor] = True
        stands |= np.array([step.id in hue.hue.pins or hue.hue.ladder is not None for step in hue.steps])
        found.append(stands)
    return np.concatenate(found) if found else np.zeros(0, dtype=np.bool_)


def _ends(light: tuple[float, float]) -> tuple[float, float]:
    """log(Y + 0.05) of two L*."""
    first, last = np.log(luminance_of(np.array(light)) + 0.05).tolist()
    return first, last


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
            first = int(np.argmin(np.abs(np.log(luminance_of(_counted(ladder)) + 0.05) - value)))
            order = tuple(sorted(places, key=lambda place: abs(place - first)))
            found.append(Fixed(value, order, hue.id, None, nearest, strong))
    for step, color in hue.hue.pins.items():
        if step in counted:
            found.append(Fixed(_log(rgb8_of(color)), (counted.index(step),), hue.id, step, False, False))
    return found


def _choice(fixed: Fixed) -> int:
    """What has the least choice is placed first."""
    return len(fixed.places)


def _log(rgb8: Bytes) -> float:
    return float(np.log(relative_luminance(rgb8) + 0.05))


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
        step.model_copy(update={"lightness": float(each)}) for step, each in zip(ladder.steps, found, strict=True)
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
        raise DomainError(f"No two opaque steps are {apart} apart, so there is nothing to promise.", "apart", "none")
    least, pair = least_by_distance(readings, positions, apart)[apart - 1]
    one, other = (_named(hues, steps, int(kept[place])) for place in pair)
    return Solved(ladder, least >= aim, least, (one, other), None, ())


def _named(hues: Sequence[ResolvedHue], steps: Steps, index: int) -> tuple[str, str]:
    hue = hues[int(steps.hue_index[index])]
    return hue.id, hue.steps[int(steps.step_index[index])].id
