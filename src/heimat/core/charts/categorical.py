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
from dataclasses import dataclass

import numpy as np

from heimat.core.charts.apart import SOME, all_apart, apart, nearest_pair, seen, seen8
from heimat.core.charts.bounds import Bounds, KeptHues
from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_levels
from heimat.core.color.ciede2000 import distances
from heimat.core.color.spaces import oklch_to_srgb, srgb_to_oklch
from heimat.core.errors import DomainError
from heimat.core.memory import remembered

LEAST_COLORS, MOST_COLORS = 2, 12
_LEVELS = 9
_STARTS, _SHAKES = 24, 3
_CLIMBERS = 12
_UNLIKE = 2
"""In how many members sets that climb differ at least, where so many are free."""
_CLIMBS = 80
_SOFT, _HARD = 3.0, 0.36
"""How soft the minimum is at first and at last, in CIEDE2000."""
_POLISHES = 40
_STEPS = np.stack(np.meshgrid(*[[-1, 0, 1]] * 3, indexing="ij"), axis=-1).reshape(-1, 3)
_NEAR = np.concatenate([_STEPS, 2 * _STEPS, 5 * _STEPS])
_GONE = -1.0
_REMEMBERED = 64
"""The same search is asked for by a proposal, by its prices and by what is kept of it."""


@dataclass(frozen=True)
class Wish:
    """How many colors, inside which bounds, which of them are given exactly, and the seed of the search."""

    count: int
    bounds: Bounds
    held: tuple[tuple[int, int, int], ...] = ()
    seed: int = 1

    @property
    def held8(self) -> Bytes:
        """What is held as an array (n, 3)."""
        return np.array(self.held, dtype=np.uint8).reshape(-1, 3)


@dataclass(frozen=True)
class FoundColors:
    """The colors (n, 3), held ones first, then each the farthest from those before; the least distance of any two."""

    rgb8: Bytes
    apart: float


@remembered(_REMEMBERED)
def generate(wish: Wish) -> FoundColors:
    """As many colors as wished, as far apart as was found. What is answered is shared: nobody changes its colors.

    Raises DomainError for a count outside 2 to 12 or below the held ones, and where the bounds leave too few colors.
    """
    if not LEAST_COLORS <= wish.count <= MOST_COLORS:
        raise DomainError(
            f"A palette has {LEAST_COLORS} to {MOST_COLORS} colors.", "count", "range"
        )
    held8 = wish.held8
    if wish.count < len(held8):
        raise DomainError(
            f"{len(held8)} colors are held, and {wish.count} are asked for.", "count", "held"
        )
    if wish.count == len(held8):
        return FoundColors(held8, nearest_pair(held8)[0])
    rng = np.random.default_rng(wish.seed)
    candidates = _candidates(wish.bounds)
    if len(candidates) < wish.count - len(held8):
        raise DomainError(
            f"These bounds leave {len(candidates)} colors of a coarse grid: too few to choose from. "
            "Widen lightness or strength, or ask for less contrast.",
            "bounds",
            "empty",
        )
    begun = _exchanged(wish, candidates, rng)
    held = len(held8)
    best = _inside(_climbed(from_bytes(begun), held, wish.bounds), held, wish.bounds)
    if not bool(wish.bounds.holds(best[held:]).all()):
        # Where the bounds leave little room, rounding may find no way back inside: the grid's best set is inside.
        best = begun[0]
    return ordered(_polished(best, held, wish.bounds), held)


def _candidates(bounds: Bounds) -> Bytes:
    levels = np.round(np.linspace(0, 255, _LEVELS)).astype(np.uint8)
    grid = np.stack(np.meshgrid(levels, levels, levels, indexing="ij"), axis=-1).reshape(-1, 3)
    inside = grid[bounds.holds(grid)]
    if len(inside) >= 4 * MOST_COLORS:
        return inside
    # Narrow bounds hold few points of a coarse grid: what is moved inside joins them.
    moved = to_levels(np.round(bounds.project(from_bytes(grid)) * 255.0))
    return np.unique(np.concatenate([inside, moved[bounds.holds(moved)]]), axis=0)


def _exchanged(wish: Wish, candidates: Bytes, rng: np.random.Generator) -> Bytes:
    """The best sets on the grid, (k, n, 3), held colors first in each."""
    every8 = np.concatenate([wish.held8, candidates])
    far = all_apart(seen(from_bytes(every8), SOME))
    held, count = len(wish.held), len(every8)
    found: dict[tuple[int, ...], float] = {}
    for start in range(_STARTS):
        chosen = list(range(held)) or [int(rng.integers(count))]
        while len(chosen) < wish.count:
            room = far[chosen].min(axis=0)
            best = np.argsort(-room, kind="stable")[: max(3, count // 12)]
            chosen.append(int(best[0] if start == 0 or rng.random() < 0.3 else rng.choice(best)))
        chosen, least = _settled(far, chosen, held)
        for _ in range(_SHAKES):
            shaken = list(chosen)
            for place in rng.choice(
                np.arange(held, wish.count), min(3, wish.count - held), replace=False
            ):
                shaken[place] = int(rng.integers(held, count))
            shaken, reached = _settled(far, shaken, held)
            found[_named(shaken, held)] = reached
            if reached > least:
                chosen, least = shaken, reached
        found[_named(chosen, held)] = least
    by_distance = sorted(found, key=lambda each: (-found[each], each))
    return every8[np.array(_unlike(by_distance, min(_UNLIKE, wish.count - held)))]


def _named(chosen: list[int], held: int) -> tuple[int, ...]:
    """A set by its members: in which order they were chosen makes no other set of it."""
    return *chosen[:held], *sorted(chosen[held:])


def _unlike(sets: list[tuple[int, ...]], least: int) -> list[tuple[int, ...]]:
    """The first sets that differ from all before them in some members: the others climb to the same place."""
    chosen: list[tuple[int, ...]] = []
    for each in sets:
        if all(len(set(each) - set(other)) >= least for other in chosen):
            chosen.append(each)
        if len(chosen) == _CLIMBERS:
            break
    return chosen


def _settled(far: Floats, chosen: list[int], held: int) -> tuple[list[int], float]:
    """Exchange each color for the one farthest from all others, until none is better."""
    for _ in range(30):
        changed = False
        for place in np.argsort(_least(far, chosen), kind="stable"):
            if place < held:
                continue
            others = chosen[:place] + chosen[place + 1 :]
            room = far[others].min(axis=0)
            room[others] = _GONE
            best = int(np.argmax(room))
            if room[best] > room[chosen[place]] + 1e-9:
                chosen[place], changed = best, True
        if not changed:
            break
    return chosen, float(_least(far, chosen).min())


def _least(far: Floats, chosen: Sequence[int]) -> Floats:
    return np.asarray(far[np.ix_(chosen, chosen)].min(axis=1))


def _climbed(begun: Floats, held: int, bounds: Bounds) -> Floats:
    """Sets of colors (k, n, 3) moved together along the gradient of a soft minimum of their distances: the best one."""
    sets, count, _ = begun.shape
    colors, best, reached = begun.copy(), begun.copy(), np.full(sets, _GONE)
    speed, square = np.zeros_like(colors), np.zeros_like(colors)
    others = ~np.eye(count, dtype=bool)
    for turn in range(_CLIMBS):
        done = turn / _CLIMBS
        softness = _SOFT * (_HARD / _SOFT) ** done
        # Every color as it is and moved by a level in each channel, inward.
        sign = np.where(colors > 0.5, -1.0, 1.0) / 255.0
        moved = np.repeat(colors[:, None], 4, axis=1)
        for channel in range(3):
            moved[:, channel + 1, :, channel] += sign[..., channel]
        views = seen(moved, SOME)
        there = views[:, :, :1, None, :]
        far = distances(views[:, :, :, :, None], there)
        now = np.where(others, far[:, :, 0], np.inf)
        least = now.min(axis=(0, 2, 3))
        better = least > reached
        best[better], reached[better] = colors[better], least[better]
        weight = np.exp(-(now - least[None, :, None, None]) / softness)
        weight /= weight.sum(axis=(0, 2, 3))[None, :, None, None]
        gains = np.where(others, far[:, :, 1:] - far[:, :, :1], 0.0) * weight[:, :, None]
        slope = np.moveaxis(gains.sum(axis=(0, 4)), 1, 2) / sign
        slope[:, :held] = 0.0
        # Adam (Kingma and Ba 2015), so that one pace fits all channels.
        speed = 0.8 * speed + 0.2 * slope
        square = 0.95 * square + 0.05 * slope * slope
        pace = (0.002 + 0.02 * (1.0 - done)) / (1.0 - 0.8 ** (turn + 1))
        colors = colors + pace * speed / (np.sqrt(square / (1.0 - 0.95 ** (turn + 1))) + 1e-6)
        colors = bounds.project(colors)
        colors[:, :held] = begun[:, :held]
    return np.asarray(best[int(np.argmax(reached))])


def _inside(colors: Floats, held: int, bounds: Bounds) -> Bytes:
    """Rounded to 8 bits; what rounding has put outside the bounds moves to the neighbor inside that is farthest off."""
    rgb8 = to_levels(np.round(colors * 255.0))
    for place in map(int, np.flatnonzero(~bounds.holds(rgb8))):
        if place < held:
            continue
        near = to_levels(rgb8[place].astype(np.int64) + _NEAR)
        near = near[bounds.at(place).holds(near)]
        if len(near):
            others = np.delete(rgb8, place, axis=0)
            rgb8[place] = near[int(np.argmax(apart(seen8(near), seen8(others)).min(axis=1)))]
    return rgb8


def _polished(rgb8: Bytes, held: int, bounds: Bounds) -> Bytes:
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
            if len(near) == 0:
                continue
            rest = np.delete(np.arange(len(rgb8)), place)
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


def ordered(rgb8: Bytes, held: int) -> FoundColors:
    """The colors (n, 3) in an order: what is held stays in front; each next one is the farthest from those before."""
    far = all_apart(seen8(rgb8))
    order = list(range(held)) or [int(np.argmax(np.where(np.isinf(far), 0.0, far).sum(axis=1)))]
    while len(order) < len(rgb8):
        room = far[order].min(axis=0)
        room[order] = _GONE
        order.append(int(np.argmax(room)))
    return FoundColors(rgb8[order], float(far.min()))


def for_ground(rgb8: Bytes, bounds: KeptHues, held: int = 0, seed: int = 1) -> FoundColors:
    """The same colors (n, 3) on another ground: lightness and strength move, hues by 15° at most, places stay.

    The first `held` stay as they are.
    """
    rng = np.random.default_rng(seed)
    lch = srgb_to_oklch(from_bytes(rgb8))
    begun = np.repeat(lch[None], _CLIMBERS, axis=0)
    # The first begins where the colors are, all others anywhere in lightness and strength.
    begun[1:, :, 0] = rng.uniform(0.2, 0.95, begun[1:, :, 0].shape)
    begun[1:, :, 1] *= rng.uniform(0.6, 1.4, begun[1:, :, 1].shape)
    srgb = bounds.project(oklch_to_srgb(begun).clip(0.0, 1.0))
    srgb[:, :held] = from_bytes(rgb8[:held])
    found = _polished(_inside(_climbed(srgb, held, bounds), held, bounds), held, bounds)
    return FoundColors(found, float(all_apart(seen8(found)).min()))
