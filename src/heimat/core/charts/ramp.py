"""Ways through color space along which data run: even in CAM02-UCS, of lightness that only rises or only falls.

A way is told by L* at its two ends, and by the OKLCH hue and chroma that it has at given lightnesses. Its colors keep
hue and lightness and give up chroma where the gamut ends. It is walked by arc length in CAM02-UCS (Kovesi 2015: equal
steps of data are equal steps of color), so neighbors are equally far apart for typical vision; for other visions
chroma gives way until their steps are even enough.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from heimat.core.charts.monotone import rounded
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.few import lab_of_few
from heimat.core.color.gamut import solve
from heimat.core.color.spaces import (
    luminance_of,
    srgb_to_lab,
    srgb_to_oklch,
    srgb_to_xyz,
    xyz_to_cam02,
)
from heimat.core.color.vision import COLOR_VISIONS, Vision, simulate

UNEVEN = 0.15
"""The most that steps may vary under any deficiency, as standard deviation over mean; beyond it chroma gives way."""
CONTINUOUS = 256
_POINTS = 257
_YIELDS = tuple(np.linspace(1.0, 0.0, 21).tolist())
LIGHT_TAPER, DARK_TAPER = 0.25, 0.66
"""Shares of the chroma of the nearest source that are left at L* 97 and at L* 8; as scales have it."""
_LIGHTEST, _DARKEST = 97.0, 8.0


@dataclass(frozen=True)
class Way:
    """L* at both ends, and the L*, OKLCH chroma and hue (n,) of what it passes, by falling lightness."""

    ends: tuple[float, float]
    light: Floats
    chroma: Floats
    hue: Floats

    @classmethod
    def through(
        cls, sources8: Bytes, ends: tuple[float, float], places: Sequence[float | None] = ()
    ) -> "Way":
        """The way through one or more 8-bit colors (n, 3), in the order of their lightness.

        Where `places` says so a color is passed elsewhere: from 0 at the lighter end to 1 at the darker.
        """
        srgb = from_bytes(sources8).reshape(-1, 3)
        lch = srgb_to_oklch(srgb)
        light = srgb_to_lab(srgb)[:, 0]
        for at, place in enumerate(places):
            if place is not None:
                light[at] = max(ends) - place * abs(ends[0] - ends[1])
        order = np.argsort(-light, kind="stable")
        return cls(ends, light[order], lch[order, 1], np.unwrap(lch[order, 2], period=360.0))

    def at(self, along: Floats, share: float = 1.0) -> Floats:
        """The colors (n, 3) at places 0 to 1 along it, sRGB 0 to 1, with a share of the chroma."""
        light = self.ends[0] + along * (self.ends[1] - self.ends[0])
        # From the lightest to the darkest; np.interp wants its places to rise.
        knots = np.concatenate([[_LIGHTEST], self.light.clip(_DARKEST, _LIGHTEST), [_DARKEST]])
        chroma = np.concatenate(
            [[LIGHT_TAPER * self.chroma[0]], self.chroma, [DARK_TAPER * self.chroma[-1]]]
        )
        hue = np.concatenate([self.hue[:1], self.hue, self.hue[-1:]])
        return solve(
            luminance_of(light),
            share * _smooth(light, knots, chroma),
            np.interp(-light, -knots, hue) % 360.0,
        )


def _smooth(light: Floats, knots: Floats, values: Floats) -> Floats:
    """Between knots of falling lightness, without a corner at any of them."""
    place = np.interp(-light, -knots, np.arange(len(knots), dtype=np.float64))
    low = np.minimum(place.astype(np.int64), len(knots) - 2)
    part = place - low
    part = part * part * (3.0 - 2.0 * part)
    return np.asarray(values[low] + part * (values[low + 1] - values[low]))


@dataclass(frozen=True)
class Ramp:
    """The colors of a way as designed (n, 3), sRGB 0 to 1, and as published; how even they are, and what that took.

    `spread` is the standard deviation of neighboring distances in CAM02-UCS over their mean for typical vision,
    `worst` the largest under a deficiency and `worst_vision` which; `share` of the chroma was kept for it. `most` is
    the number of colors of strictly monotonic luminance that 8 bits hold of it: the most classes.
    """

    srgb: Floats
    rgb8: Bytes
    spread: float
    worst: float
    worst_vision: Vision
    share: float
    most: int

    def turned(self) -> "Ramp":
        """The same from its other end: rounded anew, as its luminance goes the other way."""
        srgb = self.srgb[::-1]
        rgb8, most = rounded(srgb)
        return replace(self, srgb=srgb, rgb8=rgb8, most=most)


def ramp(way: Way, count: int = CONTINUOUS) -> Ramp:
    """A number of colors along a way, even for typical vision, and for all others within `UNEVEN`."""
    found = _Trial.of(way, count, _YIELDS[0])
    if found.worst > UNEVEN:
        # The less chroma the more even: the share is halved in on, since each trial costs as much as the palette.
        low, high = 0, len(_YIELDS) - 1
        while high - low > 1:
            middle = (low + high) // 2
            trial = _Trial.of(way, count, _YIELDS[middle])
            if trial.worst <= UNEVEN:
                high, found = middle, trial
            else:
                low = middle
        if found.share != _YIELDS[high]:
            found = _Trial.of(way, count, _YIELDS[high])
    rgb8, most = rounded(found.srgb)
    return Ramp(
        found.srgb,
        rgb8,
        float(spread(found.srgb)),
        found.worst,
        found.worst_vision,
        found.share,
        most,
    )


@dataclass(frozen=True)
class _Trial:
    """The colors with a share of the chroma, and how uneven they are for the eyes for which they are that most."""

    share: float
    srgb: Floats
    worst: float
    worst_vision: Vision

    @classmethod
    def of(cls, way: Way, count: int, share: float) -> "_Trial":
        srgb = evenly(way, count, share)
        spreads = spread(np.stack([simulate(srgb, vision) for vision in COLOR_VISIONS])).tolist()
        return cls(share, srgb, *max(zip(spreads, COLOR_VISIONS, strict=True)))


def evenly(way: Way, count: int, share: float = 1.0) -> Floats:
    """Colors (count, 3) at equal arc lengths in CAM02-UCS along a way, its ends included."""
    along = np.linspace(0.0, 1.0, _POINTS)
    lengths = arc(way.at(along, share))
    return way.at(np.interp(np.linspace(0.0, lengths[-1], count), lengths, along), share)


def arc(srgb: Floats) -> Floats:
    """How far each color (..., n, 3) is along its line of colors, in CAM02-UCS: 0 at the first; shape (..., n)."""
    steps = np.linalg.norm(np.diff(xyz_to_cam02(srgb_to_xyz(srgb)), axis=-2), axis=-1)
    return np.concatenate([np.zeros((*steps.shape[:-1], 1)), np.cumsum(steps, axis=-1)], axis=-1)


def spread(srgb: Floats) -> Floats:
    """How much neighboring distances in CAM02-UCS vary along lines of colors (..., n, 3): standard deviation over mean,
    shape (...)."""
    if srgb.shape[-2] < 3:
        return np.zeros(srgb.shape[:-2])
    steps = np.diff(arc(srgb), axis=-1)
    return np.asarray(steps.std(axis=-1) / np.maximum(steps.mean(axis=-1), 1e-9))


def lights(rgb8: Bytes) -> Floats:
    """L* of 8-bit colors (n, 3)."""
    return np.asarray(lab_of_few(rgb8)[..., 0])
