"""Diverging palettes: two arms of equal lightness at equal distance from a quiet middle."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.charts.apart import seen, seen8
from heimat.core.charts.ramp import arc
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import distances
from heimat.core.color.gamut import solve
from heimat.core.color.spaces import luminance_of, srgb_to_lab, srgb_to_oklch
from heimat.core.memory import remembered

LEAST_ENDS, GOOD_ENDS = 20.0, 30.0
"""How far apart the ends are to be under every vision (CIEDE2000), and from where on nothing is said of it."""
_POINTS = 129
_ALONG = np.linspace(0.0, 1.0, _POINTS)
_LEAST_CHROMA = 0.07
"""An end weaker than that would be taken for the middle."""
_PARTNER_CHROMAS = (0.13, 0.17, 0.22)
"""How strong a proposed end is: a quiet brand color needs a partner that speaks up, some more than others."""
_HUES = np.arange(0.0, 360.0, 5.0)


@dataclass(frozen=True)
class Arms:
    """L* of the middle and of each end, and OKLCH chroma and hue in degrees of the low and the high end."""

    middle: float
    ends: tuple[float, float]
    low: tuple[float, float]
    high: tuple[float, float]

    @classmethod
    def between(cls, low8: Bytes, high8: Bytes, middle: float, end: float) -> "Arms":
        """The arms from the hue of one 8-bit color (3,) to another's, each as strong as that, both as light at last."""
        return cls(middle, (end, end), _end_of(low8), _end_of(high8))

    @classmethod
    def to(cls, low8: Bytes, high8: Bytes, middle: float) -> "Arms":
        """The arms that end in these very 8-bit colors, (3,) each, as light as they are."""
        light = srgb_to_lab(from_bytes(np.stack([low8, high8])))[:, 0]
        return cls(
            middle, (float(light[0]), float(light[1])), _end_of(low8, 0.0), _end_of(high8, 0.0)
        )

    def at(self, places: Floats) -> Floats:
        """The colors (n, 3) at places from -1, the low end, over 0 to 1, the high end: sRGB 0 to 1.

        Where both ends are as light, both arms have the same L* at the same distance; the steps are even over both
        together in CAM02-UCS.
        """
        low, high = (
            _walked(self.middle, end, *strength_and_hue)
            for end, strength_and_hue in zip(self.ends, (self.low, self.high), strict=True)
        )
        together = (low + high) / 2.0
        return self._arms(np.interp(np.abs(places), together, _ALONG), places >= 0.0)

    def _arms(self, along: Floats, high: NDArray[np.bool_]) -> Floats:
        """The colors (n, 3) on the high or on the low arm, 0 at the middle."""
        light_end, strength, hue = (
            np.where(high, there, here)
            for here, there in (self.ends, *zip(self.low, self.high, strict=True))
        )
        return _on_arm(self.middle, light_end, strength, hue, along)


def _on_arm(
    middle: float, end: Floats | float, strength: Floats | float, hue: Floats | float, along: Floats
) -> Floats:
    """The colors (n, 3) on an arm, or on one arm each, from 0 at the middle to 1 at the end."""
    light = middle + along * (end - middle)
    # Strength comes sooner than darkness, so that the first classes beside the middle have a side.
    return solve(luminance_of(light), strength * np.sin(along * np.pi / 2.0), hue)


@remembered(512)
def _walked(middle: float, end: float, strength: float, hue: float) -> Floats:
    """How far each of `_POINTS` colors is along an arm, as a share of the whole. While one end is dragged, the other
    arm stays."""
    lengths = arc(_on_arm(middle, end, strength, hue, _ALONG))
    return np.asarray(lengths / max(float(lengths[-1]), 1e-9))


def ends_apart(rgb8: Bytes) -> float:
    """How far apart the ends of a line of 8-bit colors (n, 3) are under the vision that brings them nearest."""
    return _apart(rgb8[[0, -1]].tobytes())


@remembered(512)
def _apart(levels: bytes) -> float:
    views = seen8(np.frombuffer(levels, dtype=np.uint8).reshape(2, 3))
    return float(distances(views[:, 0], views[:, 1]).min())


def _end_of(rgb8: Bytes, least: float = _LEAST_CHROMA) -> tuple[float, float]:
    _, chroma, hue = srgb_to_oklch(from_bytes(rgb8))
    return max(float(chroma), least), float(hue)


@dataclass(frozen=True)
class Partner:
    """A hue for the other end, in degrees, and how far apart the ends are with it under every vision.

    `chroma` is the least that brings the ends far enough apart, or the one that brings them farthest.
    """

    hue: float
    chroma: float
    apart: float


def partners(low8: Bytes, end: float) -> list[Partner]:
    """The hues for the other end of an 8-bit color (3,) at an L*, the one farthest apart under every vision first."""
    chroma, hue = _end_of(low8)
    light = luminance_of(np.float64(end))
    own = seen(solve(light, np.float64(chroma), np.float64(hue)))
    chromas = np.array([max(chroma, each) for each in _PARTNER_CHROMAS])
    others = seen(solve(light, chromas[:, None], _HUES[None, :]))
    apart = distances(own[:, None, None], others).min(axis=0)
    enough = apart >= GOOD_ENDS
    chosen = np.where(enough.any(axis=0), enough.argmax(axis=0), apart.argmax(axis=0))
    found = [
        Partner(float(hue), float(chromas[place]), float(apart[place, at]))
        for at, (hue, place) in enumerate(zip(_HUES, chosen, strict=True))
    ]
    return sorted(found, key=lambda each: -each.apart)


def class_places(count: int) -> Floats:
    """The places (count,) of classes from -1 to 1; an odd number has one in the middle."""
    return np.linspace(-1.0, 1.0, count) if count > 1 else np.zeros(1)
