"""The source color of each hue, tinted neutrals followed."""

from functools import lru_cache

import numpy as np

from heimat.core.color.gamut import solve
from heimat.core.color.notation import Color, oklch_of
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import luminance_of
from heimat.core.system import ColorSystem, GivenSource, Hue

COLORED = 0.004
"""OKLCH chroma below which a color is taken for a gray, whose hue says nothing."""


def hue_and_chroma(hue: Hue) -> tuple[float, float]:
    """OKLCH chroma and hue of a given source: its own, or what is remembered while it is white, black or gray."""
    assert isinstance(hue.source, GivenSource)
    _, chroma, angle = (float(number) for number in oklch_of(hue.source.color))
    if chroma < COLORED and hue.recall is not None:
        return hue.recall.chroma, hue.recall.hue
    return chroma, angle


def source_color(system: ColorSystem, hue: Hue) -> Color:
    """The color that a hue's scale is made from. A neutral tinted by a hue that is gray is gray itself."""
    source = hue.source
    if isinstance(source, GivenSource):
        return source.color
    parent = system.hues[source.hue]
    chroma, angle = hue_and_chroma(parent)
    tint = source.chroma if chroma >= COLORED else 0.0
    return solved(source.lightness, tint, angle)


@lru_cache(maxsize=4096)
def solved(lightness: float, chroma: float, hue: float) -> Color:
    """The 8-bit color of an L* 0 to 100, an OKLCH hue in degrees and at most an OKLCH chroma."""
    srgb = solve(luminance_of(lightness), np.float64(chroma), np.float64(hue))
    return Color.of_bytes(nearest_bytes(srgb))
