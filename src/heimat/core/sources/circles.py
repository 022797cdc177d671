"""The two circles on which hues are turned: OKLCH at one L* and chroma, and HSL at one saturation and lightness."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Bytes, Floats, floats, from_bytes, to_bytes
from heimat.core.color.exact_color import Color, lightness_of, oklch_of, rgb8_of
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.solved import solved
from heimat.core.color.spaces import hsl_to_srgb, luminance_of, srgb_to_hsl, srgb_to_oklch
from heimat.core.color.thresholds import HAS_HUE

Circle = Literal["oklch", "hsl"]
"""The circle on which hues are turned: they differ, in angles and in how light their colors look."""


_MIDDLE = (60.0, 0.1)
"""L* and chroma of a color that tells where an OKLCH hue lies on the HSL circle."""
STRIP = 120
"""Colors of a strip of all hues, one every 3 degrees."""
ALONG: Floats = (np.arange(STRIP) + 0.5) * 360.0 / STRIP
"""The hues in degrees along such a strip."""


def hsl_bytes(angles: ArrayLike, saturation: float, light: float) -> Bytes:
    """The 8-bit colors (..., 3) of HSL hues in degrees (...) at one saturation and lightness, 0 to 100.

    More than 100 is taken as 100: full saturation is computed a bit beyond it for many colors.
    """
    parts = np.broadcast_arrays(
        floats(angles) % 360.0, min(saturation, 100.0) / 100.0, light / 100.0
    )
    return to_bytes(hsl_to_srgb(np.stack(parts, axis=-1)))


@dataclass(frozen=True)
class TurnedColor:
    """A color's place on a circle: its hue in degrees there, and what stays while it is turned.

    On `oklch`, `light` is L* and `strength` the chroma; on `hsl`, HSL's lightness and saturation, 0 to 100.
    """

    circle: Circle
    light: float
    strength: float
    angle: float

    def at(self, angles: ArrayLike) -> Bytes:
        """The 8-bit colors at some angles in degrees, any shape (...): (..., 3)."""
        degrees = floats(angles)
        if self.circle == "hsl":
            return hsl_bytes(degrees, self.strength, self.light)
        return nearest_bytes(solve(luminance_of(self.light), np.float64(self.strength), degrees))

    def lost(self, angles: ArrayLike) -> Floats:
        """The OKLCH chroma that the gamut takes at some angles, (...); HSL never leaves the gamut."""
        degrees = floats(angles)
        if self.circle == "hsl":
            return np.zeros(degrees.shape)
        held = solve(luminance_of(self.light), np.float64(self.strength), degrees)
        return np.maximum(self.strength - srgb_to_oklch(held)[..., 1], 0.0)


def on_circle(color: Color, circle: Circle, remembered: float | None = None) -> TurnedColor:
    """Where a color stands on a circle.

    `remembered` is the OKLCH hue in degrees that is meant where white, gray or the gamut has taken it away. Without
    one a gray stands at 0 degrees of HSL and wherever OKLCH puts it.
    """
    _, chroma, angle = (float(part) for part in oklch_of(color))
    if circle == "oklch":
        return TurnedColor(
            circle, lightness_of(color), chroma, angle if remembered is None else remembered
        )
    turn, strength, light = (float(part) for part in srgb_to_hsl(from_bytes(rgb8_of(color))))
    if remembered is not None and chroma < HAS_HUE:
        turn = float(srgb_to_hsl(from_bytes(rgb8_of(solved(*_MIDDLE, remembered))))[0])
    return TurnedColor(circle, light * 100.0, strength * 100.0, turn)
