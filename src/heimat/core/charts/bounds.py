"""Inside which bounds the colors of a palette lie: lightness, strength, contrast with the ground."""

from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from heimat.core.charts.families import Regions
from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000
from heimat.core.color.contrast import FLARE, WEIGHTS, ratio, relative_luminance
from heimat.core.color.spaces import (
    linear_to_srgb,
    oklab_to_srgb,
    oklch_to_srgb,
    srgb_to_lab,
    srgb_to_linear,
    srgb_to_oklab,
    srgb_to_oklch,
)
from heimat.core.color.terms import hue_ranges
from heimat.core.color.thresholds import KEEPS_HUE

GRAPHIC = 3.0
"""The contrast that a graphic has on its ground (WCAG 2.2, 1.4.11), unless a palette says otherwise."""
_LEAST = 1e-6
"""What is divided by is at least this."""
_SAFE = 0.003
"""By which share of luminance a projected color is kept inside, so that rounding does not put it outside."""


OLIVES = ((70.0, 130.0, 0.58), (85.0, 142.0, 0.62), (85.0, 130.0, 0.70), (98.0, 128.0, 0.88))
"""Where olives, khakis and muddy golds lie: from and to which OKLCH hue in degrees, below which OKLab lightness."""
_TURNED = 0.7
"""Degrees by which a projected color is kept outside, so that rounding does not put it inside."""


@dataclass(frozen=True)
class Bounds:
    """OKLab lightness and chroma from and to, and the least contrast with a ground (an 8-bit color).

    Without `olive`, no color lies where olives and khakis do. For none of `taken` (8-bit colors, those of statuses)
    could one be taken for typical vision.
    """

    ground: tuple[int, int, int]
    contrast: float = GRAPHIC
    lightness: tuple[float, float] = (0.0, 1.0)
    chroma: tuple[float, float] = (0.0, 0.5)
    olive: bool = True
    taken: tuple[tuple[int, int, int], ...] = ()

    @property
    def ground8(self) -> Bytes:
        """The ground as an array (3,)."""
        return np.array(self.ground, dtype=np.uint8)

    def holds(self, rgb8: Bytes) -> NDArray[np.bool_]:
        """Whether 8-bit colors (..., 3) lie inside."""
        lab = srgb_to_oklab(from_bytes(rgb8))
        chroma = np.hypot(lab[..., 1], lab[..., 2])
        inside = (lab[..., 0] >= self.lightness[0]) & (lab[..., 0] <= self.lightness[1])
        inside &= (chroma >= self.chroma[0]) & (chroma <= self.chroma[1])
        if not self.olive:
            inside &= ~_is_olive(lab)
        if self.taken:
            taken = srgb_to_lab(from_bytes(np.array(self.taken)))
            far = ciede2000(srgb_to_lab(from_bytes(rgb8))[..., None, :], taken)
            inside &= (far >= TOLD_APART).all(axis=-1)
        return np.asarray(inside & (ratio(rgb8, self.ground8) >= self.contrast))

    def project(self, srgb: Floats) -> Floats:
        """sRGB colors (..., 3) moved inside, or as near to it as one step of each kind comes."""
        lab = srgb_to_oklab(srgb.clip(0.0, 1.0))
        chroma = np.hypot(lab[..., 1], lab[..., 2])
        stretch = chroma.clip(*self.chroma) / np.maximum(chroma, _LEAST)
        lab = np.stack(
            [lab[..., 0].clip(*self.lightness), lab[..., 1] * stretch, lab[..., 2] * stretch],
            axis=-1,
        )
        if not self.olive:
            lab = _out_of_olive(lab)
        return self._contrasting(oklab_to_srgb(lab).clip(0.0, 1.0))

    def _contrasting(self, srgb: Floats) -> Floats:
        """Darker, or lighter where the ground is dark, until the contrast is reached."""
        under = float(relative_luminance(self.ground8)) + FLARE
        linear = srgb_to_linear(srgb)
        light = linear @ WEIGHTS
        darkest, lightest = under / self.contrast - FLARE, under * self.contrast - FLARE
        if darkest >= 1.0 - lightest:
            linear = (
                linear
                * np.minimum(1.0, darkest * (1.0 - _SAFE) / np.maximum(light, _LEAST))[..., None]
            )
        else:
            lacking = (lightest * (1.0 + _SAFE) - light) / np.maximum(1.0 - light, _LEAST)
            linear = linear + lacking.clip(0.0, 1.0)[..., None] * (1.0 - linear)
        return linear_to_srgb(linear.clip(0.0, 1.0)).clip(0.0, 1.0)

    def at(self, place: int) -> "Bounds":
        """The bounds of the color at a place: the same for all."""
        del place
        return self

    def some(self, places: NDArray[np.intp]) -> "Bounds":
        """The bounds of some sets, by their places (k,): the same for all."""
        del places
        return self


def _hue(lab: Floats) -> Floats:
    return np.asarray(np.degrees(np.arctan2(lab[..., 2], lab[..., 1])))


def _is_olive(lab: Floats) -> NDArray[np.bool_]:
    hue = _hue(lab)
    return np.any(
        [(hue > low) & (hue < high) & (lab[..., 0] < below) for low, high, below in OLIVES], axis=0
    )


def _out_of_olive(lab: Floats) -> Floats:
    """OKLab (..., 3), turned to the nearer edge where it is olive: a gold or a brown, or a green."""
    for low, high, below in OLIVES:
        start, end = low - _TURNED, high + _TURNED
        hue = _hue(lab)
        inside = (hue > start) & (hue < end) & (lab[..., 0] < below + _SAFE)
        if not inside.any():
            continue
        edge = np.radians(np.where(hue[inside] < (low + high) / 2.0, start, end))
        chroma = np.hypot(lab[inside, 1], lab[inside, 2])
        lab = lab.copy()
        lab[inside, 1], lab[inside, 2] = chroma * np.cos(edge), chroma * np.sin(edge)
    return lab


@dataclass(frozen=True)
class InTerms(Bounds):
    """Bounds in which each color of some sets keeps its basic color term, and whether it is a dark or a light one."""

    regions: Regions = field(kw_only=True)

    def project(self, srgb: Floats) -> Floats:
        """Colors (k, n, 3) moved inside, each to the region of its place."""
        lch = srgb_to_oklch(super().project(srgb))
        turned = oklch_to_srgb(
            np.stack([lch[..., 0], lch[..., 1], self.regions.turned(lch[..., 2])], axis=-1)
        )
        linear = srgb_to_linear(turned.clip(0.0, 1.0))
        light = np.maximum(linear @ WEIGHTS, _LEAST)
        # OKLab is homogeneous: what is scaled in linear light keeps its hue.
        lit = linear * (self.regions.lit(light) / light)[..., None]
        return super().project(linear_to_srgb(lit.clip(0.0, 1.0)))

    def some(self, places: NDArray[np.intp]) -> "InTerms":
        """The bounds of some sets, by their places (k,)."""
        return replace(self, regions=self.regions[places])


KEPT_TURN = 15.0
"""Degrees by which a hue may turn and still be called by the same word."""


@dataclass(frozen=True)
class KeptHues(Bounds):
    """Bounds in which each of n colors keeps its OKLCH hue, in degrees, but for `KEPT_TURN`; grays have none.

    None leaves its basic color term either.
    """

    hues: tuple[float, ...] = ()

    @cached_property
    def _turns(self) -> tuple[Floats, Floats]:
        """From and to which turn each hue may move."""
        own = np.array(self.hues)
        low, high = hue_ranges(own)
        return np.maximum(low - own, -KEPT_TURN), np.minimum(high - own, KEPT_TURN)

    def holds(self, rgb8: Bytes) -> NDArray[np.bool_]:
        """Whether 8-bit colors (..., n, 3) lie inside, each in the bounds of its place."""
        lch = srgb_to_oklch(from_bytes(rgb8))
        turn, (low, high) = turn_between(np.array(self.hues), lch[..., 2]), self._turns
        kept = (turn >= low) & (turn <= high)
        return np.asarray(super().holds(rgb8) & (kept | (lch[..., 1] < KEEPS_HUE)))

    def project(self, srgb: Floats) -> Floats:
        """Colors (..., n, 3) moved inside, each to the hues of its place."""
        lch = srgb_to_oklch(super().project(srgb))
        own = np.array(self.hues)
        low, high = self._turns
        room = np.minimum(1.0, (high - low) / 2.0)
        turn = turn_between(own, lch[..., 2]).clip(low + room, high - room)
        turned = oklch_to_srgb(np.stack([lch[..., 0], lch[..., 1], own + turn], axis=-1))
        return super().project(turned.clip(0.0, 1.0))

    def at(self, place: int) -> Bounds:
        """The bounds of the color at a place."""
        return replace(self, hues=(self.hues[place],))
