"""Measures of a scale: evenness, order, what the gamut took, near-duplicates, how far the source stands."""

from collections.abc import Sequence, Set
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.nearness import HARDLY_DIFFERENT
from heimat.core.color.spaces import lightness, srgb_to_lab, srgb_to_oklab
from heimat.core.scales.generate import Scale

_TAKEN = 0.004
"""OKLCH chroma below which a loss is what rounding to 8 bits costs."""


@dataclass(frozen=True)
class Spread:
    """The gaps (n - 1,) between neighbors of a scale, from light to dark."""

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


def measure(scales: Sequence[Scale], exact: Sequence[Set[int]]) -> list[Measures]:
    """Measure scales; the gamut takes nothing from steps that stand to the bit: `exact`, a set a scale.

    All scales are measured at once: the arrays are so small that calls cost more than numbers.
    """
    if not scales:
        return []
    counts = [len(scale.rgb8) for scale in scales]
    stops = np.cumsum(counts).tolist()
    rgb8 = np.concatenate([scale.rgb8 for scale in scales])
    own = np.repeat(
        srgb_to_lab(from_bytes(np.array([scale.source8 for scale in scales]))), counts, axis=0
    )
    lab, oklab = srgb_to_lab(from_bytes(rgb8)), srgb_to_oklab(from_bytes(rgb8))
    apart = ciede2000(np.concatenate([lab[:-1], own]), np.concatenate([lab[1:], lab]))
    to_next, to_source = apart[: len(lab) - 1], apart[len(lab) - 1 :]
    falls = -np.diff(lightness(relative_luminance(rgb8)))
    distances = np.linalg.norm(np.diff(oklab, axis=0), axis=1) * 100.0
    chroma = np.hypot(oklab[:, 1], oklab[:, 2])
    # Between the last step of a scale and the first of the next there is no gap: the parts leave it out.
    return [
        _measures(
            scale,
            Spread(falls[start : stop - 1]),
            Spread(distances[start : stop - 1]),
            to_next[start : stop - 1],
            to_source[start:stop],
            _taken(scale.chroma - chroma[start:stop], to_the_bit),
        )
        for scale, to_the_bit, start, stop in zip(
            scales, exact, [0, *stops[:-1]], stops, strict=True
        )
    ]


def _measures(
    scale: Scale,
    falls: Spread,
    distances: Spread,
    to_next: Floats,
    to_source: Floats,
    taken: Floats,
) -> Measures:
    nearest = int(np.argmin(to_source)) if scale.anchor is None else scale.anchor
    return Measures(
        lightness=falls,
        distance=distances,
        out_of_order=(np.flatnonzero(falls.gaps <= 0.0) + 1).tolist(),
        alike=(np.flatnonzero(to_next < HARDLY_DIFFERENT) + 1).tolist(),
        taken=taken,
        source=float(to_source[nearest]),
        source_place=nearest,
    )


def _taken(lost: Floats, exact: Set[int]) -> Floats:
    taken = np.where(lost < _TAKEN, 0.0, lost)
    taken[sorted(exact)] = 0.0
    return taken
