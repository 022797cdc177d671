"""Even sets: n hues around a circle from one start hue, equal in lightness and chroma, or in HSL or HSB values."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.gamut import MORE_THAN_ANY_CHROMA, solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import (
    hsl_to_srgb,
    hsv_to_srgb,
    lightness,
    luminance_of,
    srgb_to_oklch,
)

EvenIn = Literal["oklch", "hsl", "hsb"]
FEWEST, MOST = 2, 24


def even_angles(start: float, count: int) -> Floats:
    """`count` hues in degrees 0 to 360, evenly around the circle from `start`, shape (count,)."""
    return (start + 360.0 * np.arange(count) / count) % 360.0


def chroma_limits(light: float, angles: Floats) -> Floats:
    """The strongest OKLCH chroma that sRGB holds at an L* and some hues, (n,)."""
    return srgb_to_oklch(solve(luminance_of(light), MORE_THAN_ANY_CHROMA, angles))[..., 1]


def common_chroma(light: float, angles: Floats) -> float:
    """The highest OKLCH chroma that all of some hues (n,) can have at an L*."""
    return float(chroma_limits(light, angles).min())


def equal_in_oklch(light: float, chroma: float, angles: Floats) -> Bytes:
    """Colors of one L* and at most one chroma, 8 bits, (n, 3)."""
    return nearest_bytes(solve(luminance_of(light), np.float64(chroma), angles))


def equal_values(
    space: Literal["hsl", "hsb"], saturation: float, value: float, angles: Floats
) -> Bytes:
    """Colors of equal saturation and lightness (HSL) or brightness (HSB), 0 to 1, 8 bits, (n, 3)."""
    parts = np.stack(np.broadcast_arrays(angles, saturation, value), axis=-1)
    return to_bytes(hsl_to_srgb(parts) if space == "hsl" else hsv_to_srgb(parts))


@dataclass(frozen=True)
class Unevenness:
    """How unequal colors look: the range of L* and of OKLCH chroma."""

    lightness: tuple[float, float]
    chroma: tuple[float, float]


def unevenness(rgb8: Bytes) -> Unevenness:
    """Measure 8-bit colors (n, 3)."""
    light = lightness(relative_luminance(rgb8))
    chroma = srgb_to_oklch(from_bytes(rgb8))[..., 1]
    return Unevenness(
        (float(light.min()), float(light.max())), (float(chroma.min()), float(chroma.max()))
    )


def evened(rgb8: Bytes) -> Bytes:
    """Colors (n, 3) brought to one L*, their mean, and one chroma, at most their mean; each keeps its OKLCH hue."""
    light = float(lightness(relative_luminance(rgb8)).mean())
    oklch = srgb_to_oklch(from_bytes(rgb8))
    chroma = min(float(oklch[..., 1].mean()), common_chroma(light, oklch[..., 2]))
    return equal_in_oklch(light, chroma, oklch[..., 2])
