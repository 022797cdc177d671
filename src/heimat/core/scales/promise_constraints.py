"""What a promise asks of the positions of a ladder, in log(Y + 0.05): differences that are kept, or cannot be.

There contrasts are differences. A promise asks for differences between positions that are far enough apart, between
positions and what stands fixed (anchors and pins), and for a least gap from step to step. Whether all can be kept
follows exactly from longest paths.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import FLARE
from heimat.core.color.gamut import Mask
from heimat.core.color.spaces import luminance_of
from heimat.core.scales.constraints import Differences
from heimat.core.scales.promises import TOLERANCE

WIDEST = (98.5, 4.0)
"""L* of the ends of a ladder that is stretched as far as ends keep a color."""
LEAST_NEIGHBOR_RATIO = 1.08
"""Contrast of neighbors below which a ladder's steps are hardly steps any more."""
_BEYOND = (100.0, 0.0)
"""L* that steps may have which bend about an anchor."""
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
class MadeSteps:
    """The m opaque steps that a ladder has made: log(Y + 0.05) by each reading (k, m), where they stand among the
    positions (m,), and which of them no ladder moves, (m,)."""

    values: Floats
    positions: Floats
    stands: Mask


@dataclass(frozen=True)
class Asked:
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
    def of(cls, count: int, apart: int, fixed: Iterable[Fixed], *, certain: bool) -> "Asked":
        """What is asked of a count of positions, with the colors that no ladder moves."""
        in_turn = tuple(sorted(fixed, key=_choice))
        return cls(count, apart, log_ends(WIDEST if certain else _BEYOND), 0.0, in_turn, certain)

    def proper(self) -> "Asked":
        """The same of the ladder itself: its aims have ends that keep a color, and a least fall."""
        ends = log_ends(WIDEST)
        gap = min(
            float(np.log(LEAST_NEIGHBOR_RATIO)), (ends[0] - ends[1]) / (2.0 * (self.count - 1))
        )
        return replace(self, ends=ends, gap=gap, certain=True)

    def against(self, aim: float) -> tuple[tuple[str, str | None], ...]:
        """What stands in the way: each color without which it is possible, or else all; none where it is the ladder."""
        if replace(self, fixed=()).possible(aim) is None:
            return ()
        alone = [each for each in self.fixed if self._without(each).possible(aim) is not None]
        return tuple((each.hue, each.step) for each in alone or self.fixed)

    def _without(self, fixed: Fixed) -> "Asked":
        return replace(self, fixed=tuple(each for each in self.fixed if each is not fixed))

    def loosest(self, aim: float) -> Differences:
        """What is asked of the most that can be kept without anything fixed."""
        free = replace(self, fixed=())
        return (
            free.possible(aim) or free.possible(free.most(aim, 1.0) - 2.0 * _CENT) or free.base(1.0)
        )

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

    def _stand(
        self, asked: Differences, fixed: Fixed, place: int, split: int, ratio: float
    ) -> None:
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

    def lacking(self, asking: Differences, made: "MadeSteps", aims: Floats, aim: float) -> None:
        """Ask for what made steps lack: scales that bend about an anchor are off what the ladder aims at, (n,).

        What is off is taken to stay so; if it does not, one asks again.
        """
        places = np.rint(made.positions).astype(np.intp)
        on = (np.abs(made.positions - places) < TOLERANCE) & (places >= 0) & (places < self.count)
        places, stands, values = places[on], made.stands[on], made.values[:, on]
        off = values - aims[places]
        ratio = float(np.log(aim))
        lower, upper = np.zeros(self.count), np.zeros(self.count)
        np.minimum.at(lower, places[~stands], off[:, ~stands].min(axis=0))
        np.maximum.at(upper, places[~stands], off[:, ~stands].max(axis=0))
        for light in range(self.count):
            for dark in range(light + self.apart, self.count):
                asking.keep(light, dark, ratio - lower[light] + upper[dark])
        for place, lowest, highest in zip(
            places[stands],
            values[:, stands].min(axis=0),
            values[:, stands].max(axis=0),
            strict=True,
        ):
            for other in range(self.count):
                if other <= place - self.apart:
                    asking.above(other, float(highest) + ratio - lower[other])
                if other >= place + self.apart:
                    asking.below(other, float(lowest) - ratio - upper[other])


def log_ends(light: tuple[float, float]) -> tuple[float, float]:
    """log(Y + 0.05) of two L*."""
    first, last = np.log(luminance_of(np.array(light)) + FLARE).tolist()
    return first, last


def _choice(fixed: Fixed) -> int:
    """What has the least choice is placed first."""
    return len(fixed.places)
