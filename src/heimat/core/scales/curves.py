"""Default curves: how strong a step is, and where its hue drifts, by its lightness against the source's.

Reach is 0 at the source and 1 at an end of an even ladder (L* 97 and 8).
"""

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.scales.ladder import DARKEST, LIGHTEST

LIGHT_TAPER = 0.25
DARK_TAPER = 2.0 / 3.0
"""Share of the source's chroma that is left at the lightest and at the darkest step."""
NEUTRAL_TAPER = 0.75
"""Neutrals keep most of their tint at both ends, so that their steps read as one material."""

_OLIVE_FROM, _OLIVE_AT, _OLIVE_TO = 45.0, 95.0, 135.0
_OLIVE_DRIFT = -32.0
"""OKLCH hues between 45 and 135 degrees turn olive when darkened; they drift toward orange, most at 95."""


def reach(lightness: Floats, source_lightness: float) -> tuple[Floats, Floats]:
    """How far steps (n,) stand from the source toward the light and toward the dark end, each 0 to 1."""
    toward_light = (lightness - source_lightness) / max(LIGHTEST - source_lightness, 1.0)
    toward_dark = (source_lightness - lightness) / max(source_lightness - DARKEST, 1.0)
    return np.clip(toward_light, 0.0, 1.0), np.clip(toward_dark, 0.0, 1.0)


def taper(light: Floats, dark: Floats, *, neutral: bool) -> Floats:
    """The share 0 to 1 of the source's chroma that steps keep, from their reach."""
    light_end, dark_end = (NEUTRAL_TAPER, NEUTRAL_TAPER) if neutral else (LIGHT_TAPER, DARK_TAPER)
    return 1.0 - (1.0 - light_end) * light**2 - (1.0 - dark_end) * dark**2


def dark_drift(source_hue: float) -> float:
    """Degrees of OKLCH hue by which the darkest step of a hue drifts, by default."""
    hue = source_hue % 360.0
    rise = np.clip((hue - _OLIVE_FROM) / (_OLIVE_AT - _OLIVE_FROM), 0.0, 1.0)
    fall = np.clip((_OLIVE_TO - hue) / (_OLIVE_TO - _OLIVE_AT), 0.0, 1.0)
    near = min(rise, fall)
    return float(_OLIVE_DRIFT * near * near * (3.0 - 2.0 * near))
