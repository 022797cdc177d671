"""Ramps: the colors along lightness, chroma and hue through one color, with the ends of the gamut."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, to_bytes
from heimat.core.color.contrast import AA_TEXT, luminance_reaching
from heimat.core.color.gamut import MORE_THAN_ANY_CHROMA, solve
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.memory import remembered

SAMPLES = 48
CHROMA_END = 0.32
"""The strongest OKLCH chroma of any sRGB color (magenta) is 0.322."""


@dataclass(frozen=True)
class Ramps:
    """Three rows of 8-bit colors, each (48, 3) and not to be written to, and what bounds them.

    lightness runs over L* 0 to 100, chroma over 0 to `CHROMA_END`, hue over 0 to 360 degrees. `chroma_end` is the
    strongest chroma in the gamut at this lightness and hue; `passing` the intervals of L* that reach 4.5 against the
    ground asked for.
    """

    lightness: Bytes
    chroma: Bytes
    hue: Bytes
    chroma_end: float
    passing: list[tuple[float, float]]


@remembered(64)
def ramps(light: float, chroma: float, hue: float, ground_luminance: float) -> Ramps:
    """The ramps through a color of L* `light`, OKLCH chroma and hue, against a ground of a given luminance.

    Remembered: while something else moves, the ramps of what is selected are asked for again and again.
    """
    along = np.linspace(0.0, 1.0, SAMPLES)
    lights = np.concatenate([along * 100.0, np.full(2 * SAMPLES + 1, light)])
    chromas = np.concatenate(
        [
            np.full(SAMPLES, chroma),
            along * CHROMA_END,
            np.full(SAMPLES, chroma),
            [MORE_THAN_ANY_CHROMA],
        ]
    )
    hues = np.concatenate([np.full(2 * SAMPLES, hue), along * 360.0, [hue]])
    srgb = solve(luminance_of(lights), chromas, hues)
    rows = to_bytes(srgb[:-1]).reshape(3, SAMPLES, 3)
    rows.setflags(write=False)
    end = float(srgb_to_oklch(srgb[-1])[1])
    return Ramps(rows[0], rows[1], rows[2], end, passing_lightness(ground_luminance))


def passing_lightness(ground_luminance: float) -> list[tuple[float, float]]:
    """The intervals of L* whose contrast with a ground reaches 4.5."""
    found: list[tuple[float, float]] = []
    darker = luminance_reaching(AA_TEXT, ground_luminance, lighter=False)
    lighter = luminance_reaching(AA_TEXT, ground_luminance, lighter=True)
    if darker >= 0.0:
        found.append((0.0, _light(darker)))
    if lighter <= 1.0:
        found.append((_light(lighter), 100.0))
    return found


def _light(luminance: Floats) -> float:
    return float(lightness(luminance))
