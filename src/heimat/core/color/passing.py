"""The nearest color that reaches a contrast: hue kept, the least CIEDE2000 from what it was.

Among the colors whose OKLCH hue is within 2 degrees of the original's (where its chroma is above 0.02), the best lies
near the boundary luminance. A coarse search over hue and chroma along that boundary finds its neighborhood; from there
the 8-bit colors themselves are walked, until none of the 124 around is nearer. Grays count as keeping any hue.
"""

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.contrast import (
    linear_of_bytes,
    luminance_reaching,
    ratio_of_luminances,
    relative_luminance,
)
from heimat.core.color.gamut import solve
from heimat.core.color.spaces import linear_to_xyz, srgb_to_lab, srgb_to_oklch, xyz_to_lab
from heimat.core.color.spaces.oklab import linear_to_oklab
from heimat.core.color.thresholds import KEEPS_HUE

HUE_KEPT = 2.0
"""Degrees of OKLCH hue within which a hue is kept."""
_TURNS = np.linspace(-HUE_KEPT, HUE_KEPT, 5)
_SHARES = np.array([0.0, 0.25, 0.5, 0.7, 0.85, 0.95, 1.0, 1.1, 1.3])
_AROUND = np.stack(np.meshgrid(*[np.arange(-2, 3)] * 3, indexing="ij"), axis=-1).reshape(-1, 3)
_MOST_WALKS = 24
_INWARD = (0.0, 0.004, 0.015)
"""How far beyond the boundary, as a share of luminance, the walk may have to begin: 8 bits are coarse in the dark."""


def nearest_passing(
    original8: ArrayLike, ground8: ArrayLike, target: ArrayLike
) -> tuple[Bytes, Floats]:
    """For 8-bit colors (n, 3) on opaque grounds (n, 3): the nearest 8-bit colors that reach the ratios `target` (n,).

    Returns them (n, 3), with their CIEDE2000 from the originals (n,): 0 where those pass already, and infinite where
    no color reaches the ratio on that ground; the color is then the original.
    """
    colors, grounds = (
        np.asarray(each, dtype=np.uint8).reshape(-1, 3) for each in (original8, ground8)
    )
    wanted = np.broadcast_to(np.asarray(target, dtype=np.float64), (len(colors),))
    best, distance = colors.copy(), np.full(len(colors), np.inf)
    own, under = relative_luminance(colors), relative_luminance(grounds)
    passing = ratio_of_luminances(own, under) >= wanted
    distance[passing] = 0.0
    for lighter in (False, True):
        edge = luminance_reaching(wanted, under, lighter=lighter)
        todo = np.flatnonzero(~passing & (edge >= -1e-12) & (edge <= 1.0 + 1e-12))
        if len(todo) == 0:
            continue
        limits = _Limits(
            colors[todo], under[todo], wanted[todo], edge[todo].clip(0.0, 1.0), lighter
        )
        found, away = limits.nearest()
        nearer = away < distance[todo]
        best[todo[nearer]], distance[todo[nearer]] = found[nearer], away[nearer]
    return best, distance


class _Limits:
    """Colors that are to pass on one side of their grounds."""

    def __init__(
        self, colors: Bytes, under: Floats, wanted: Floats, edge: Floats, lighter: bool
    ) -> None:
        self.labs = srgb_to_lab(colors / 255.0)
        oklch = srgb_to_oklch(colors / 255.0)
        self.chroma, self.hue = oklch[:, 1], oklch[:, 2]
        self.under, self.wanted, self.edge, self.lighter = under, wanted, edge, lighter

    def nearest(self) -> tuple[Bytes, Floats]:
        best, distance = self._walked(self._begin(_INWARD[0]))
        for inward in _INWARD[1:]:
            lost = np.flatnonzero(~np.isfinite(distance))
            if len(lost) == 0:
                break
            again, away = self._walked(self._begin(inward))
            best[lost], distance[lost] = again[lost], away[lost]
        # White and black end every scale: where they alone pass, they are the answer.
        end = np.full((len(best), 3), 255 if self.lighter else 0, dtype=np.intp)
        ends = self._away(end[:, None])[:, 0]
        nearer = ends < distance
        best[nearer], distance[nearer] = end[nearer], ends[nearer]
        return best.astype(np.uint8), distance

    def _begin(self, inward: float) -> NDArray[np.intp]:
        edge = self.edge + inward * ((1.0 - self.edge) if self.lighter else -self.edge)
        chroma = np.maximum(self.chroma, 1e-4)[:, None, None] * _SHARES
        hue = self.hue[:, None, None] + _TURNS[:, None]
        shape = (len(edge), len(_TURNS), len(_SHARES))
        made = solve(
            np.broadcast_to(edge[:, None, None], shape),
            np.broadcast_to(chroma, shape),
            np.broadcast_to(hue, shape),
        ).reshape(len(edge), -1, 3)
        away = ciede2000(srgb_to_lab(made), self.labs[:, None])
        at = away.argmin(axis=1)
        return np.rint(made[np.arange(len(edge)), at] * 255.0).astype(np.intp)

    def _walked(self, begin: NDArray[np.intp]) -> tuple[NDArray[np.intp], Floats]:
        best, distance = begin, np.full(len(begin), np.inf)
        rows = np.arange(len(begin))
        for _ in range(_MOST_WALKS):
            around = np.clip(best[rows][:, None] + _AROUND, 0, 255)
            away = self._away(around, rows)
            at = away.argmin(axis=1)
            nearest = away[np.arange(len(rows)), at]
            nearer = nearest < distance[rows] - 1e-12
            moved = rows[nearer]
            best[moved], distance[moved] = around[nearer, at[nearer]], nearest[nearer]
            rows = moved
            if len(rows) == 0:
                break
        return best, distance

    def _away(self, levels: NDArray[np.intp], rows: NDArray[np.intp] | None = None) -> Floats:
        """CIEDE2000 of 8-bit colors (n, m, 3) from the originals; infinite where they fall short or leave the hue."""
        at = slice(None) if rows is None else rows
        linear = linear_of_bytes(levels)
        luminance = relative_luminance(levels)
        under = self.under[at][:, None]
        beyond = luminance > under if self.lighter else luminance < under
        good = beyond & (ratio_of_luminances(luminance, under) >= self.wanted[at][:, None])
        lab = linear_to_oklab(linear)
        angle = np.degrees(np.arctan2(lab[..., 2], lab[..., 1]))
        off = np.abs((angle - self.hue[at][:, None] + 180.0) % 360.0 - 180.0)
        gray = (levels == levels[..., :1]).all(axis=-1)
        good &= (off <= HUE_KEPT) | gray | (self.chroma[at][:, None] <= KEEPS_HUE)
        found = np.full(good.shape, np.inf)
        place = np.nonzero(good)
        originals = np.broadcast_to(self.labs[at][:, None], (*good.shape, 3))[place]
        found[place] = ciede2000(xyz_to_lab(linear_to_xyz(linear[place])), originals)
        return found
