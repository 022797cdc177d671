"""One color of a lightness, chroma and hue, as it is published."""

import numpy as np

from heimat.core.color.exact_color import Color
from heimat.core.color.gamut import DISPLAY_P3, in_gamut, solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import luminance_of, p3_to_srgb
from heimat.core.color.wide import published_p3
from heimat.core.memory import remembered

GAMUT_LOSS = 0.004
"""OKLCH chroma given up to the gamut that is worth a word."""


@remembered(4096)
def solved(light: float, chroma: float, hue: float) -> Color:
    """The 8-bit color of an L* 0 to 100, an OKLCH hue in degrees and at most an OKLCH chroma."""
    srgb = solve(luminance_of(light), np.float64(chroma), np.float64(hue))
    return Color.of_bytes(nearest_bytes(srgb))


def solved_wide(light: float, chroma: float, hue: float) -> Color:
    """The same in display-p3; of 8 bits in sRGB where that holds the color."""
    p3 = published_p3(solve(luminance_of(light), np.float64(chroma), np.float64(hue), DISPLAY_P3))
    if bool(in_gamut(p3_to_srgb(p3))):
        return solved(light, chroma, hue)
    red, green, blue = (float(part) for part in p3)
    return Color(space="display-p3", components=(red, green, blue))
