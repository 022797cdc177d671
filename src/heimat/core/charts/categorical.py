"""Categorical palettes: colors as far apart as possible for typical, protan, deutan and tritan vision, at any severity.

The search has three parts. A coarse grid of the RGB cube is thinned to what lies inside the bounds, and good sets are
found on it by exchange: each color in turn becomes the one farthest from all others, from many beginnings. The best of
them climb together: all colors of a set move at once along the gradient of a soft minimum of all distances, which
hardens on the way (a single color can hardly move where several pairs are equally near, as in every good set). The
winner is rounded to 8 bits and polished among neighboring values. Grid and climb are judged by three severities of
each vision, what is polished and told by every tenth. All is counted, nothing timed, and the seed is
stated, so the same request gives the same colors.

Measured as in Petroff 2021 and Gramazio 2017: the least distance of any two colors under any of the visions.
"""

from collections.abc import Sequence
from copy import copy
from dataclasses import dataclass, fields

import numpy as np
from numpy.typing import NDArray

from heimat.core.charts.apart import SOME, all_apart, apart, nearest_pair, seen, seen8
from heimat.core.charts.bounds import Bounds, InTerms, KeptHues
from heimat.core.charts.families import EACH_ITS_OWN, Beside, Families, Kinds, Regions
from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_levels
from heimat.core.color.ciede2000 import distances
from heimat.core.color.spaces import oklch_to_srgb, srgb_to_oklch
from heimat.core.errors import DomainError
from heimat.core.memory import remembered

LEAST_COLORS, MOST_COLORS = 2, 12
_LEVELS = 9
_AROUND = np.arange(0.0, 360.0, 10.0)
_MANY = 160
"""With fewer points of the coarse grid inside the bounds, a finer one is asked."""
_UNLIKE = 2
"""In how many members sets that climb differ at least, where so many are free."""
_SOFT, _HARD = 3.0, 0.36
"""How soft the minimum is at first and at last, in CIEDE2000."""
_POLISHES = 40
_STEPS = np.stack(np.meshgrid(*[[-1, 0, 1]] * 3, indexing="ij"), axis=-1).reshape(-1, 3)
_NEAR = np.concatenate([_STEPS, 2 * _STEPS, 5 * _STEPS])
_FARTHER = np.concatenate([_NEAR, 12 * _STEPS, 25 * _STEPS])
_GONE = -1.0
_REMEMBERED = 64
"""The same search is asked for by a proposal, by its prices and by what is kept of it."""


@dataclass(frozen=True)
class Effort:
    """From how many beginnings a search exchanges, how often it shakes each; how many sets climb, in how many paces."""

    starts: int
    shakes: int
    climbers: int
    climbs: int


_WHOLE = Effort(24, 3, 12, 80)
_SPREAD = Effort(24, 2, 8, 50)
"""Sets that stay spread over the families have less room."""
_ELSEWHERE, _TURNS = 32, 80
"""From how many beginnings, in how many paces, colors are fitted to another ground: most lead nowhere."""
_SIEVES, _FEWEST = (0.2, 0.5), 4
"""After which shares of the climb the less promising half is left behind, and how many sets go on at least."""
_ROUGH = Effort(8, 1, 3, 30)
"""For a figure that is told beside others, of colors that nobody sees."""


@dataclass(frozen=True)
class Wish:
    """How many colors, inside which bounds, which of them are given exactly, and the seed of the search.

    `spread`: over the families of color, so that each can be named. `rough`: for a figure alone, a few beginnings do.
    """

    count: int
    bounds: Bounds
    held: tuple[tuple[int, int, int], ...] = ()
    seed: int = 1
    spread: bool = False
    rough: bool = False

    @property
    def effort(self) -> Effort:
        """How hard it is searched."""
        return _ROUGH if self.rough else _SPREAD if self.spread else _WHOLE

    @property
    def held8(self) -> Bytes:
        """What is held as an array (n, 3)."""
        return np.array(self.held, dtype=np.uint8).reshape(-1, 3)


@dataclass(frozen=True)
class FoundColors:
    """The colors (n, 3), held ones first, then each the farthest from those before; the least distance of any two.

    `families` is the rule by which they are spread, or None.
    """

    rgb8: Bytes
    apart: float
    families: Families | None = None


@remembered(_REMEMBERED)
def generate(wish: Wish) -> FoundColors:
    """As many colors as wished, as far apart as was found. What is answered is shared: nobody changes its colors.

    Raises DomainError for a count outside 2 to 12 or below the held ones, and where the bounds leave too few colors.
    """
    if not LEAST_COLORS <= wish.count <= MOST_COLORS:
        raise DomainError(
            f"A palette has {LEAST_COLORS} to {MOST_COLORS} colors.", "count", "range"
        )
    held8, held = wish.held8, len(wish.held)
    if wish.count < held:
        raise DomainError(
            f"{held} colors are held, and {wish.count} are asked for.", "count", "held"
        )
    if wish.count == held:
        return FoundColors(held8, nearest_pair(held8)[0])
    rng = np.random.default_rng(wish.seed)
    candidates = _candidates(wish.bounds)
    if len(candidates) < wish.count - held:
        raise DomainError(
            f"These bounds leave {len(candidates)} colors of a coarse grid: too few to choose from. "
            "Widen lightness or strength, or ask for less contrast.",
            "bounds",
            "empty",
        )
    for families in _rules(wish):
        begun = _exchanged(wish, candidates, families, rng)
        if len(begun) > 0:
            break
    best = _best(begun[: wish.effort.climbers], wish, families)
    return ordered(_polished(best, held, wish.bounds, families), held, families)


def _rules(wish: Wish) -> list[Families | None]:
    """How the colors spread, the best way first; where bounds leave no set of one way, the next is taken."""
    if not wish.spread:
        return [None]
    ways = [Families(wish.count), Families(wish.count, by_shade=True), None]
    return ways if wish.count <= EACH_ITS_OWN else [ways[0], None]


def _best(begun: Bytes, wish: Wish, families: Families | None) -> Bytes:
    """The best set (n, 3) that the grid's sets (k, n, 3) climb to."""
    held, bounds, climbs = len(wish.held), wish.bounds, wish.effort.climbs
    if families is None:
        climbed = _climbed(from_bytes(begun), held, bounds, None, climbs)[:1]
    else:
        climbed = _climbed(from_bytes(begun), held, _in_terms(bounds, begun), families, climbs)
    rounded = [_inside(each, held, bounds) for each in climbed]
    fitting = [
        each
        for each in rounded
        if bool(bounds.holds(each[held:]).all())
        and (families is None or families.spread(each, held))
    ]
    # Where the bounds leave little room, rounding may find no way back inside: the grid's best set is inside.
    return max([*fitting, begun[0]], key=lambda each: nearest_pair(each)[0])


def _in_terms(bounds: Bounds, rgb8: Bytes) -> InTerms:
    own = {each.name: getattr(bounds, each.name) for each in fields(Bounds)}
    return InTerms(**own, regions=Regions.of(rgb8))


def _candidates(bounds: Bounds) -> Bytes:
    levels = np.round(np.linspace(0, 255, _LEVELS)).astype(np.uint8)
    grid = np.stack(np.meshgrid(levels, levels, levels, indexing="ij"), axis=-1).reshape(-1, 3)
    inside = grid[bounds.holds(grid)]
    if len(inside) >= _MANY:
        return inside
    # Narrow bounds hold few points of a coarse grid: those of a finer one, moved inside, join them.
    axes = np.linspace(*bounds.lightness, 4), np.linspace(*bounds.chroma, 2), _AROUND
    lch = np.stack(np.meshgrid(*axes, indexing="ij"), axis=-1).reshape(-1, 3)
    finer = bounds.project(oklch_to_srgb(lch).clip(0.0, 1.0))
    moved = to_levels(finer * 255.0)
    return np.unique(np.concatenate([inside, moved[bounds.holds(moved)]]), axis=0)


class _Grid:
    """Candidates behind the held colors: how far apart each two are, and which may stand beside which."""

    def __init__(self, wish: Wish, candidates: Bytes, families: Families | None) -> None:
        self.rgb8 = np.concatenate([wish.held8, candidates])
        self.far = all_apart(seen(from_bytes(self.rgb8), SOME))
        self.families = families
        kinds = Kinds.of(self.rgb8)
        self.beside = None if families is None else Beside.of(kinds, kinds)

    def room(self, others: list[int]) -> Floats:
        """How far each candidate is from the nearest of some others; `_GONE` where it may not stand with them."""
        room = self.far[others].min(axis=0)
        room[others] = _GONE
        if self.families is not None and self.beside is not None:
            beside = self.beside[others]
            room[~self.families.judged(beside, beside.ahead[:, others])] = _GONE
        return np.asarray(room)

    def least(self, chosen: Sequence[int]) -> Floats:
        """How far each of some colors is from the nearest other."""
        return np.asarray(self.far[np.ix_(chosen, chosen)].min(axis=1))


def _exchanged(
    wish: Wish, candidates: Bytes, families: Families | None, rng: np.random.Generator
) -> Bytes:
    """The best sets on the grid, (k, n, 3), held colors first in each; none where the families leave no set."""
    grid = _Grid(wish, candidates, families)
    held, count = len(wish.held), len(grid.rgb8)
    found: dict[tuple[int, ...], float] = {}
    for start in range(wish.effort.starts):
        begun = list(range(held)) or [int(rng.integers(count))]
        filled = _filled(grid, begun, wish.count, rng if start else None)
        if filled is None:
            continue
        chosen, least = _settled(grid, filled, held)
        for _ in range(wish.effort.shakes):
            shaken = list(chosen)
            for place in rng.choice(
                np.arange(held, wish.count), min(3, wish.count - held), replace=False
            ):
                free = grid.room(shaken[:place] + shaken[place + 1 :]) > 0.0
                if bool(free.any()):
                    shaken[place] = int(rng.choice(np.flatnonzero(free)))
            shaken, reached = _settled(grid, shaken, held)
            found[_named(shaken, held)] = reached
            if reached > least:
                chosen, least = shaken, reached
        found[_named(chosen, held)] = least
    by_distance = sorted(found, key=lambda each: (-found[each], each))
    unlike = _unlike(by_distance, min(_UNLIKE, wish.count - held))
    return grid.rgb8[np.array(unlike, dtype=np.intp).reshape(-1, wish.count)]


def _filled(
    grid: _Grid, chosen: list[int], count: int, rng: np.random.Generator | None
) -> list[int] | None:
    """A set that goes on from some colors by far ones, the farthest where nothing is left to chance; None without."""
    many = max(3, len(grid.rgb8) // 12)
    while len(chosen) < count:
        room = grid.room(chosen)
        best = np.argsort(-room, kind="stable")[:many]
        best = best[room[best] > 0.0]
        if len(best) == 0:
            return None
        farthest = rng is None or rng.random() < 0.3
        chosen.append(int(best[0] if rng is None or farthest else rng.choice(best)))
    return chosen


def _named(chosen: list[int], held: int) -> tuple[int, ...]:
    """A set by its members: in which order they were chosen makes no other set of it."""
    return *chosen[:held], *sorted(chosen[held:])


def _unlike(sets: list[tuple[int, ...]], least: int) -> list[tuple[int, ...]]:
    """The first sets that differ from all before them in some members: the others climb to the same place."""
    chosen: list[tuple[int, ...]] = []
    for each in sets:
        if all(len(set(each) - set(other)) >= least for other in chosen):
            chosen.append(each)
        if len(chosen) == _WHOLE.climbers:
            break
    return chosen


def _settled(grid: _Grid, chosen: list[int], held: int) -> tuple[list[int], float]:
    """Exchange each color for the one farthest from all others, until none is better."""
    for _ in range(30):
        changed = False
        for place in np.argsort(grid.least(chosen), kind="stable"):
            if place < held:
                continue
            room = grid.room(chosen[:place] + chosen[place + 1 :])
            best = int(np.argmax(room))
            if room[best] > room[chosen[place]] + 1e-9:
                chosen[place], changed = best, True
        if not changed:
            break
    return chosen, float(grid.least(chosen).min())


def _climbed(
    begun: Floats,
    held: int,
    bounds: Bounds,
    families: Families | None,
    climbs: int,
    hues: Floats | None = None,
) -> Floats:
    """Sets of colors (k, n, 3) moved together along the gradient of a soft minimum of their distances, the best first.

    They stay as spread over the families as they are, or as colors of other `hues` (n,) are. On the way the less
    promising half is left behind, twice.
    """
    sets, count, _ = begun.shape
    colors, best, reached = begun.copy(), begun.copy(), np.full(sets, _GONE)
    speed, square = np.zeros_like(colors), np.zeros_like(colors)
    others = ~np.eye(count, dtype=bool)
    spread = None if families is None else _Spread(families, begun, hues)
    rests = {int(climbs * share) for share in _SIEVES}
    for turn in range(climbs):
        done = turn / climbs
        softness = _SOFT * (_HARD / _SOFT) ** done
        # Every color as it is and moved by a level in each channel, inward.
        sign = np.where(colors > 0.5, -1.0, 1.0) / 255.0
        moved = np.repeat(colors[:, None], 4, axis=1)
        for channel in range(3):
            moved[:, channel + 1, :, channel] += sign[..., channel]
        # A slope needs no more than single precision: what is kept is told, and polished, in double.
        views = seen(moved, SOME).single()
        there = views[:, :, :1, None, :]
        far = distances(views[:, :, :, :, None], there)
        now = np.where(others, far[:, :, 0], np.inf)
        least = now.min(axis=(0, 2, 3))
        better = least > reached
        best[better], reached[better] = colors[better], least[better]
        weight = np.exp(-(now - least[None, :, None, None]) / softness)
        total = weight.sum(axis=(0, 2, 3))
        weight /= total[None, :, None, None]
        gains = np.where(others, far[:, :, 1:] - far[:, :, :1], 0.0) * weight[:, :, None]
        slope = np.moveaxis(gains.sum(axis=(0, 4)), 1, 2) / sign
        slope[:, :held] = 0.0
        # Adam (Kingma and Ba 2015), so that one pace fits all channels.
        speed = 0.8 * speed + 0.2 * slope
        square = 0.95 * square + 0.05 * slope * slope
        pace = (0.002 + 0.02 * (1.0 - done)) / (1.0 - 0.8 ** (turn + 1))
        colors = colors + pace * speed / (np.sqrt(square / (1.0 - 0.95 ** (turn + 1))) + 1e-6)
        colors = bounds.project(colors) if spread is None else spread.moved(colors, bounds)
        colors[:, :held] = begun[:, :held]
        if turn in rests and len(colors) > _FEWEST:
            soft = least - softness * np.log(total)
            go_on = np.sort(np.argsort(-soft, kind="stable")[: max(len(colors) // 2, _FEWEST)])
            colors, best, reached, begun = (each[go_on] for each in (colors, best, reached, begun))
            speed, square = speed[go_on], square[go_on]
            bounds = bounds.some(go_on)
            if spread is not None:
                spread = spread.some(go_on)
    return np.asarray(best[np.argsort(-reached, kind="stable")])


class _Spread:
    """Sets that stay spread over the families while they climb: where a move would end that, hues wait."""

    def __init__(self, families: Families, begun: Floats, hues: Floats | None) -> None:
        self.families = families
        own = srgb_to_oklch(begun)[..., 2]
        self.now, self.begun = begun, own if hues is None else np.broadcast_to(hues, own.shape)

    def some(self, places: NDArray[np.intp]) -> "_Spread":
        """Some of the sets."""
        found = copy(self)
        found.now, found.begun = self.now[places], self.begun[places]
        return found

    def moved(self, colors: Floats, bounds: Bounds) -> Floats:
        """Colors (k, n, 3) inside the bounds; with the hues that they had where new ones would not do, or as before."""
        found = bounds.project(colors)
        lch = srgb_to_oklch(found)
        keeps = self._keeps(lch)
        if not bool(keeps.all()):
            lch[..., 2] = srgb_to_oklch(self.now)[..., 2]
            again = bounds.project(oklch_to_srgb(lch).clip(0.0, 1.0))
            again = np.where(self._keeps(srgb_to_oklch(again)), again, self.now)
            found = np.where(keeps, found, again)
        self.now = found
        return found

    def _keeps(self, lch: Floats) -> NDArray[np.bool_]:
        return self.families.keeps(lch[..., 2], self.begun)[:, None, None]


def _inside(colors: Floats, held: int, bounds: Bounds) -> Bytes:
    """Rounded to 8 bits; what rounding has put outside the bounds moves to the neighbor inside that is farthest off."""
    rgb8 = to_levels(np.round(colors * 255.0))
    for place in map(int, np.flatnonzero(~bounds.holds(rgb8))):
        if place < held:
            continue
        near = to_levels(rgb8[place].astype(np.int64) + _FARTHER)
        near = near[bounds.at(place).holds(near)]
        if len(near):
            others = np.delete(rgb8, place, axis=0)
            rgb8[place] = near[int(np.argmax(apart(seen8(near), seen8(others)).min(axis=1)))]
    return rgb8


def _polished(rgb8: Bytes, held: int, bounds: Bounds, families: Families | None) -> Bytes:
    """The nearest two moved apart among neighboring 8-bit values, as long as that helps."""
    views = seen8(rgb8)
    far = all_apart(views)
    for _ in range(_POLISHES):
        one, other = np.unravel_index(int(np.argmin(far)), far.shape)
        for place in (int(one), int(other)):
            if place < held:
                continue
            near = to_levels(rgb8[place].astype(np.int64) + _NEAR)
            near = near[bounds.at(place).holds(near)]
            rest = np.delete(np.arange(len(rgb8)), place)
            if families is not None:
                near = near[families.allows(Kinds.of(rgb8[rest]), Kinds.of(near))]
            if len(near) == 0:
                continue
            rows = apart(seen8(near), views[:, rest])
            best = int(np.argmax(rows.min(axis=1)))
            if rows[best].min() > far[place].min() + 1e-6:
                rgb8[place] = near[best]
                views = seen8(rgb8)
                far[place, rest] = far[rest, place] = rows[best]
                break
        else:
            break
    return rgb8


def ordered(rgb8: Bytes, held: int, families: Families | None) -> FoundColors:
    """The colors (n, 3) in an order: what is held stays in front; each next one is the farthest from those before."""
    far = all_apart(seen8(rgb8))
    order = list(range(held)) or [int(np.argmax(np.where(np.isinf(far), 0.0, far).sum(axis=1)))]
    while len(order) < len(rgb8):
        room = far[order].min(axis=0)
        room[order] = _GONE
        order.append(int(np.argmax(room)))
    return FoundColors(rgb8[order], float(far.min()), families)


def for_ground(
    rgb8: Bytes,
    bounds: KeptHues,
    held: int = 0,
    families: Families | None = None,
    seed: int = 1,
) -> FoundColors:
    """The same colors (n, 3) on another ground: lightness and strength move, hues by 15° at most, places stay.

    The first `held` stay as they are, and what is spread over the families stays so.
    """
    rng = np.random.default_rng(seed)
    lch = srgb_to_oklch(from_bytes(rgb8))
    begun = np.repeat(lch[None], _ELSEWHERE, axis=0)
    # The first begins where the colors are, all others anywhere in lightness and strength.
    begun[1:, :, 0] = rng.uniform(0.2, 0.95, begun[1:, :, 0].shape)
    begun[1:, :, 1] *= rng.uniform(0.6, 1.4, begun[1:, :, 1].shape)
    srgb = bounds.project(oklch_to_srgb(begun).clip(0.0, 1.0))
    srgb[:, :held] = from_bytes(rgb8[:held])
    climbed = _climbed(srgb, held, bounds, families, _TURNS, lch[:, 2])
    found = [_inside(each, held, bounds) for each in climbed]
    best = max(
        found,
        key=lambda each: (
            _inside_of(each, held, bounds),
            families is None or families.spread(each, held),
            nearest_pair(each)[0],
        ),
    )
    polished = _polished(best, held, bounds, families)
    return FoundColors(polished, float(all_apart(seen8(polished)).min()), families)


def _inside_of(rgb8: Bytes, held: int, bounds: Bounds) -> int:
    """How many colors of a set (n, 3) behind the held ones lie inside."""
    return int(bounds.holds(rgb8)[held:].sum())
