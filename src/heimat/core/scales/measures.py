"""Measures of a scale: evenness, order, what the gamut took, near-duplicates, how far the source stands."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.difference import ciede2000
from heimat.core.color.spaces import lightness, srgb_to_lab, srgb_to_oklab
from heimat.core.scales.generate import Scale
from heimat.core.sources.nearness import HARDLY_DIFFERENT

_TAKEN = 0.004
"""OKLCH chroma below which a loss is what rounding to 8 bits costs."""


@dataclass(frozen=True)
class Spread:
    """The gaps (n - 1,) between neighbours of a scale, from light to dark."""

    gaps: Floats

    @property
    def smallest(self) -> float:
        """The smallest gap."""
        return float(self.gaps.min())

    @property
    def largest(self) -> float:
        """The largest gap."""
        return float(self.gaps.max())

    @property
    def uneven(self) -> float:
        """The standard deviation of the gaps, as a share of their mean."""
        return float(self.gaps.std() / max(abs(float(self.gaps.mean())), 1e-9))


@dataclass(frozen=True)
class Measures:
    """What is measured of a scale of n steps, over its published values.

    `lightness` are falls of L*, `distance` OKLab distances times 100. `out_of_order` are the places of steps that are
    not darker than the one before; `alike` those within CIEDE2000 2 of the one before. `taken` (n,) is the OKLCH
    chroma that the gamut did not leave; `source` the CIEDE2000 of the source from its step, and `source_place` the
    step nearest to it.
    """

    lightness: Spread
    distance: Spread
    out_of_order: list[int]
    alike: list[int]
    taken: Floats
    source: float
    source_place: int


def measure(scale: Scale, exact: set[int]) -> Measures:
    """Measure a scale; the gamut takes nothing from steps that stand to the bit, whose places are `exact`."""
    rgb8 = np.asarray(scale.rgb8)
    # All differences in one go, and the source first: the arrays are so small that calls cost more than numbers.
    labs = srgb_to_lab(from_bytes(np.concatenate([scale.source8[None], rgb8])))
    own, steps = labs[:1], labs[1:]
    oklab = srgb_to_oklab(from_bytes(rgb8))
    falls = -np.diff(lightness(relative_luminance(rgb8)))
    one = np.concatenate([steps[:-1], np.broadcast_to(own, steps.shape)])
    apart = ciede2000(one, np.concatenate([steps[1:], steps]))
    alike, from_source = np.split(apart, [len(steps) - 1])
    taken = np.maximum(scale.chroma - np.hypot(oklab[:, 1], oklab[:, 2]), 0.0)
    taken[taken < _TAKEN] = 0.0
    taken[sorted(exact)] = 0.0
    nearest = int(np.argmin(from_source)) if scale.anchor is None else scale.anchor
    return Measures(
        lightness=Spread(falls),
        distance=Spread(np.linalg.norm(np.diff(oklab, axis=0), axis=1) * 100.0),
        out_of_order=(np.flatnonzero(falls <= 0.0) + 1).tolist(),
        alike=(np.flatnonzero(alike < HARDLY_DIFFERENT) + 1).tolist(),
        taken=taken,
        source=float(from_source[nearest]),
        source_place=nearest,
    )
