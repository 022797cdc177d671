"""Pacing: what keeps steps from jumping where the gamut gives a source far more chroma than its neighbors.

Near its most colorful point the gamut falls off steeply: a step of even lightness may be two and a half times as far
from the next, in OKLab, as all others are. Steps beside such a source are drawn nearer to it, and those beyond take
what that leaves; and chroma, which the gamut cuts here and there, falls away from the source and never rises again.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask, solve
from heimat.core.color.spaces import luminance_of, srgb_to_oklab
from heimat.core.scales.curves import Ends, reach, usual_shares, usual_turns

Places = NDArray[np.intp]

_LONGEST = 1.6
"""The longest gap against the median one; what is published may be off by rounding."""
_SHORTEST = 0.74
"""The share of the method's own gap that is left of one that is drawn together."""
_FARTHEST = 0.34
"""The share of the method's largest gap that a step is drawn away from where it would be without an anchor: so that no
step leaps when the source moves on to the next label."""
_SHORTEST_TINT, _FARTHEST_TINT = 0.4, 0.45
"""The same for steps that are drawn toward the lightest, where that counts: tints are near to one another."""
_FREE_BELOW = 4.0
"""L* below which a step is as good as black, and its distance no jump."""
_SAMPLES = 48
_AT_SOURCE = 1e-9
"""Reach at which a step is the source itself: it belongs to both sides."""


@dataclass(frozen=True)
class Walk:
    """The steps of one scale about its anchor: their L* (n,), and those `meant` without it (n,).

    `chroma` and `hue` are those of the source in OKLCH, `own` its L*, `ends` what its curves have by default;
    `counted` (n,) is False for steps put between others; `fixed` are positions that stay. With
    `counts_lightest` the gap at the lightest step may not be long either.
    """

    light: Floats
    meant: Floats
    anchor: int
    chroma: float
    hue: float
    own: float
    ends: Ends
    counted: Mask
    fixed: frozenset[int]
    counts_lightest: bool

    def colors(self, light: Floats) -> Floats:
        """OKLab (n, 3) of steps of some L* (n,)."""
        return _colors(light, *(np.full(len(light), each) for each in self.quantities))

    @property
    def quantities(self) -> tuple[float, ...]:
        """What the color of a step depends on, but for its L*."""
        return (self.own, self.chroma, self.hue, *self.ends)


def paced(walks: Sequence[Walk]) -> list[tuple[Floats, float]]:
    """The L* (n,) of scales, with long gaps drawn together, and the share of chroma that is left at the lightest step.

    Where the gap there is free to be long, it leads to a tint that stands for white.
    """
    if not walks:
        return []
    mains = [_main(walk) for walk in walks]
    counts = [len(main) for main in mains]
    light = np.concatenate([walk.light[main] for walk, main in zip(walks, mains, strict=True)])
    lab = _colors(
        light, *np.repeat(np.array([walk.quantities for walk in walks]).T, counts, axis=1)
    )
    parts = np.split(lab, np.cumsum(counts)[:-1])
    return [_one(walk, main, part) for walk, main, part in zip(walks, mains, parts, strict=True)]


def _main(walk: Walk) -> Places:
    counted = walk.counted.copy()
    counted[[walk.anchor, *walk.fixed]] = True
    return np.flatnonzero(counted)


def _one(walk: Walk, main: Places, lab: Floats) -> tuple[Floats, float]:
    light, meant = walk.light[main], walk.meant[main]
    gaps = np.linalg.norm(np.diff(lab, axis=0), axis=1)
    limit = _LONGEST * median(gaps.tolist())
    over = gaps > limit
    over[0] &= walk.counts_lightest
    over[light[1:] < _FREE_BELOW] = False
    taper = walk.ends[0]
    if not over.any():
        return walk.light, taper
    anchor = int(np.searchsorted(main, walk.anchor))
    fixed = [int(np.searchsorted(main, each)) for each in walk.fixed]
    found = light.copy()
    above = max((each for each in fixed if each < anchor), default=0)
    below = min((each for each in fixed if each > anchor), default=len(main) - 1)
    most = _FARTHEST * float((-np.diff(meant)).max())
    for side in (np.arange(anchor, above - 1, -1), np.arange(anchor, below + 1)):
        if len(side) > 2:
            found[side] = _drawn(walk, found[side], meant[side], limit, most, _SHORTEST)
    if over[0] and above == 0:
        if anchor > 1:
            most *= _FARTHEST_TINT / _FARTHEST
            side = np.arange(anchor + 1)
            found[side] = _drawn(walk, found[side], meant[side], limit, most, _SHORTEST_TINT)
        else:
            # Right beside the source there is no step to draw: the tint comes nearer by its chroma.
            taper = 1.0 - (1.0 - taper) * limit / float(gaps[0])
    return np.interp(-walk.light, -light, found), taper


def _drawn(
    walk: Walk, side: Floats, meant: Floats, limit: float, farthest: float, shortest: float
) -> Floats:
    """The L* (n,) of one side, from the anchor to its end, or back; both stay."""
    samples = np.linspace(side[0], side[-1], _SAMPLES)
    path = walk.colors(samples)
    way = -1.0 if side[-1] < side[0] else 1.0
    found = side.copy()
    for at in range(1, len(side) - 1):
        before, here = (
            np.array([np.interp(way * light, way * samples, axis) for axis in path.T])
            for light in found[at - 1 : at + 1]
        )
        gap = float(np.linalg.norm(here - before))
        width = abs(found[at] - found[at - 1])
        if gap <= limit:
            continue
        least = shortest * abs(meant[at] - meant[at - 1])
        held = way * (meant[at] - found[at - 1]) - farthest
        drawn = max(width * limit / gap, least, held)
        if width > drawn:
            moved = found[at - 1] + way * drawn
            found[at + 1 :] += (
                (moved - found[at]) * (found[at + 1 :] - found[-1]) / (found[at] - found[-1])
            )
            found[at] = moved
    return found


def _colors(light: Floats, own: Floats, chroma: Floats, hue: Floats, *ends: Floats) -> Floats:
    """OKLab (n, 3) of steps (n,) that have the chroma and hue of their sources, but for the usual curves."""
    reaches, force = reach(light, own), np.array(ends)
    return srgb_to_oklab(
        solve(
            luminance_of(light),
            chroma * usual_shares(force, reaches),
            hue + usual_turns(force, reaches),
        )
    )


def once(chroma: Floats, reaches: Floats) -> Floats:
    """Chroma (n,) that falls away from the source on both sides; `reaches` (n,) are where steps stand."""
    light, dark = reaches <= _AT_SOURCE, reaches >= -_AT_SOURCE
    found = chroma.copy()
    found[light] = np.minimum.accumulate(chroma[light][::-1])[::-1]
    found[dark] = np.minimum.accumulate(chroma[dark])
    return found
