"""Status hues proposed from the brand: fitted to it, then moved apart until everyone can tell them apart.

For each status a grid of colors in its conventional range is measured against the grids of the others, under every
vision at a few severities. Of all fours that keep their distance, the one that fits the brand best is taken, and
confirmed at every severity. The grids hold four colors that are known to keep 15.7, so that there is always an answer.
"""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats, floats
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000
from heimat.core.color.contrast import AA_LARGE, linear_of_bytes, ratio, relative_luminance
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import (
    lightness,
    linear_to_xyz,
    luminance_of,
    srgb_to_oklch,
    xyz_to_lab,
)
from heimat.core.color.told_apart import distances
from heimat.core.color.vision import COLOR_VISIONS, simulate_severities
from heimat.core.sources.conventions import STATUS_AIMS, STATUS_HUES, STATUSES, Status

_SEVERITIES = (0, 5, 8, 10)
"""Places in `SEVERITIES` at which the grids are measured: typical, middle, strong and full."""
_LIGHTNESS = (30.0, 36.0, 42.0, 48.0, 54.0, 60.0, 66.0, 72.0)
_SHARES = (0.0, 0.5, 1.0)
_STRENGTHS = (1.0, 1.3)
_WEAKEST, _STRONGEST = 0.07, 0.17
"""The OKLCH chroma between which a status color is lively and still possible in all four ranges."""
_LIGHT_ENOUGH, _DARK_ENOUGH = 34.0, 62.0
_PER_LIGHTNESS, _PER_CHROMA, _PER_SHARE = 10.0, 0.03, 0.5
_TOO_LIGHT = 6.0
"""What it costs to fall short of 3 on white, in the unit of the squared costs beside it."""
_MARGIN = 0.25
_LOWER = (1.0, 0.8, 0.6, 0.4, 0.2, 0.0)
_CONFIRMED = 24


@dataclass(frozen=True)
class Brand:
    """What status hues are fitted to: L* and OKLCH chroma of the brand, as far as status colors can take them."""

    lightness: float
    chroma: float

    @classmethod
    def of(cls, rgb8: Bytes) -> "Brand":
        """The middle of some brand colors (n, 3); without any, a middle of what status colors are."""
        if len(rgb8) == 0:
            return cls(46.0, 0.12)
        light = float(np.median(lightness(relative_luminance(rgb8))))
        chroma = float(np.median(srgb_to_oklch(rgb8 / 255.0)[..., 1]))
        return cls(
            float(np.clip(light, _LIGHT_ENOUGH, _DARK_ENOUGH)),
            float(np.clip(chroma * 1.2, _WEAKEST, _STRONGEST)),
        )


@dataclass(frozen=True)
class Proposal:
    """Four status colors in the order of `STATUSES`: as fitted alone, and as moved apart; 8 bits, (4, 3) each.

    `least` is the smallest distance of any pair under any vision, `reached` whether it is the threshold.
    """

    fitted: Bytes
    colors: Bytes
    least: float
    reached: bool


@dataclass(frozen=True)
class _Grid:
    """The colors that one status could have, 8 bits (n, 3), what each costs (n,), and how each is seen (v, n, 3)."""

    rgb8: Bytes
    cost: Floats
    labs: Floats


def propose(
    brand: Brand, held: Mapping[Status, Bytes] | None = None, threshold: float = TOLD_APART
) -> Proposal:
    """Propose four status colors; those in `held`, 8 bits (3,), stay as they are. Pure, the same each time.

    Where held colors make the threshold impossible, the greatest distance that is found is taken.
    """
    kept = held or {}
    grids = [_held(kept[status]) if status in kept else _grid(status, brand) for status in STATUSES]
    fitted = np.array([grid.rgb8[int(np.argmin(grid.cost))] for grid in grids])
    apart = {
        (one, other): _least(grids[one].labs, grids[other].labs)
        for one in range(4)
        for other in range(one + 1, 4)
    }
    best: tuple[float, Bytes] | None = None
    for share in _LOWER:
        wanted = threshold * share
        for chosen in _cheapest(grids, apart, wanted + _MARGIN if share else -1.0):
            colors = np.array([grid.rgb8[place] for grid, place in zip(grids, chosen, strict=True)])
            least = min(pair.least for pair in distances(colors, threshold))
            if best is None or least > best[0]:
                best = (least, colors)
            if least >= wanted:
                return Proposal(fitted, colors, least, least >= threshold)
    assert best is not None
    return Proposal(fitted, best[1], best[0], best[0] >= threshold)


def _grid(status: Status, brand: Brand) -> _Grid:
    low, high = STATUS_HUES[status]
    light, share, strength = np.meshgrid(_LIGHTNESS, _SHARES, _STRENGTHS, indexing="ij")
    aim = STATUS_AIMS[status]
    lights = np.append(light.ravel(), aim[0])
    chromas = np.append(strength.ravel() * brand.chroma, aim[1])
    hues = np.append(low + share.ravel() * (high - low), aim[2])
    rgb8 = nearest_bytes(solve(luminance_of(lights), chromas, hues))
    chroma = srgb_to_oklch(rgb8 / 255.0)[..., 1]
    off_middle = np.abs((hues - low) / (high - low) - 0.5)
    cost = (
        ((lights - brand.lightness) / _PER_LIGHTNESS) ** 2
        + ((chroma - brand.chroma) / _PER_CHROMA) ** 2
        + (off_middle / _PER_SHARE) ** 2
        + np.where(ratio(rgb8, (255, 255, 255)) < AA_LARGE, _TOO_LIGHT, 0.0)
    )
    return _Grid(rgb8, cost, _seen(rgb8))


def _held(rgb8: Bytes) -> _Grid:
    own = np.asarray(rgb8, dtype=np.uint8).reshape(1, 3)
    return _Grid(own, np.zeros(1), _seen(own))


def _seen(rgb8: Bytes) -> Floats:
    """L*a*b* of 8-bit colors (n, 3) in every view that the search looks through, (v, n, 3)."""
    linear = linear_of_bytes(rgb8)
    views = [linear[None]] + [
        simulate_severities(linear, vision)[list(_SEVERITIES[1:])] for vision in COLOR_VISIONS
    ]
    return xyz_to_lab(linear_to_xyz(np.concatenate(views)))


def _least(one: Floats, other: Floats) -> Floats:
    """The least CIEDE2000 over all views of every color of one grid with every one of another: (n, m)."""
    return floats(ciede2000(one[:, :, None], other[:, None]).min(axis=0))


def _cheapest(
    grids: list[_Grid], apart: Mapping[tuple[int, int], Floats], least: float
) -> list[tuple[int, int, int, int]]:
    """The cheapest fours whose pairs all keep a distance: for every first two, the best of the others."""
    far: dict[tuple[int, int], NDArray[np.bool_]] = {
        pair: found >= least for pair, found in apart.items()
    }
    third, fourth = grids[2].cost, grids[3].cost
    both = np.where(far[2, 3], third[:, None] + fourth[None, :], np.inf)
    found: list[tuple[float, tuple[int, int, int, int]]] = []
    bound = np.inf
    for one in np.argsort(grids[0].cost):
        for other in np.flatnonzero(far[0, 1][one]):
            start = float(grids[0].cost[one] + grids[1].cost[other])
            if start >= bound:
                continue
            rows = far[0, 2][one] & far[1, 2][other]
            columns = far[0, 3][one] & far[1, 3][other]
            if not rows.any() or not columns.any():
                continue
            left = np.where(rows[:, None] & columns[None, :], both, np.inf)
            place = int(np.argmin(left))
            total = start + float(left.flat[place])
            if np.isfinite(total):
                two, three = divmod(place, left.shape[1])
                found.append((total, (int(one), int(other), two, three)))
                if len(found) >= _CONFIRMED:
                    found = sorted(found)[:_CONFIRMED]
                    bound = found[-1][0]
    return [chosen for _, chosen in sorted(found)]
