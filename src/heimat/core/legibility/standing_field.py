"""What may stand on a ground: all colors that pass there, by hue and strength, without a hue to begin from."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import luminance_reaching, relative_luminance
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import lightness, srgb_to_oklch

HUES = np.arange(0.0, 360.0, 15.0)
STRENGTHS = np.array([0.0, 0.04, 0.08, 0.12, 0.16, 0.2])


@dataclass(frozen=True)
class Field:
    """The colors (strengths, hues, 3) nearest to the ground that pass on one side of it, at the limit of L*.

    `there` (strengths, hues) is whether the gamut holds that strength there.
    """

    limit: float
    lighter: bool
    rgb8: Bytes
    there: np.ndarray[tuple[int, ...], np.dtype[np.bool_]]


def fields(ground8: Bytes, level: float) -> list[Field]:
    """The colors that reach a ratio on an opaque ground (3,): the darker field and the lighter, where there are any."""
    found = []
    under = relative_luminance(ground8)
    for lighter in (False, True):
        edge = float(luminance_reaching(level, under, lighter=lighter))
        if 0.0 <= edge <= 1.0:
            found.append(_field(edge, lighter))
    return found


def _field(edge: float, lighter: bool) -> Field:
    chroma, hue = np.meshgrid(STRENGTHS, HUES, indexing="ij")
    made = solve(np.full(chroma.shape, edge), chroma, hue)
    window: Floats = np.empty((2, chroma.size))
    window[0], window[1] = (edge, 1.0) if lighter else (0.0, edge)
    rgb8 = nearest_bytes(made, window=window)
    reached = srgb_to_oklch(rgb8 / 255.0)[..., 1]
    return Field(float(lightness(edge)), lighter, rgb8, reached >= chroma - 0.02)


def best_possible(ground8: Bytes) -> float:
    """The highest contrast that any color reaches on a ground (3,): that of black or of white."""
    under = float(relative_luminance(ground8))
    return max((under + 0.05) / 0.05, 1.05 / (under + 0.05))


def grounds_allowing(level: float) -> tuple[float, float]:
    """The CIE L* up to which a ground may be dark, and from which on light, so that some color reaches a ratio."""
    dark = float(lightness(max(1.05 / level - 0.05, 0.0)))
    light = float(lightness(min(level * 0.05 - 0.05, 1.0)))
    return dark, light
