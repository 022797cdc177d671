"""Default curves: how strong a step is, and where its hue drifts, by its lightness against the source's.

Reach is 0 at the source and 1 at an end of an even ladder (L* 97 and 8).
"""

from typing import Annotated

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

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


def dark_drift(source_hue: float) -> float:
    """Degrees of OKLCH hue by which the darkest step of a hue drifts, by default."""
    hue = source_hue % 360.0
    rise = np.clip((hue - _OLIVE_FROM) / (_OLIVE_AT - _OLIVE_FROM), 0.0, 1.0)
    fall = np.clip((_OLIVE_TO - hue) / (_OLIVE_TO - _OLIVE_AT), 0.0, 1.0)
    near = min(rise, fall)
    return float(_OLIVE_DRIFT * near * near * (3.0 - 2.0 * near))


class Curves(BaseModel):
    """Chroma and hue along a scale, at its two ends; None stands for what a method does by itself.

    A taper is the share 0 to 1.5 of the source's chroma that is left at the lightest and at the darkest step; a drift
    the degrees of OKLCH hue that these steps turn away from the source.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    light_taper: Annotated[float | None, Field(ge=0.0, le=1.5)] = None
    dark_taper: Annotated[float | None, Field(ge=0.0, le=1.5)] = None
    light_drift: Annotated[float | None, Field(ge=-120.0, le=120.0)] = None
    dark_drift: Annotated[float | None, Field(ge=-120.0, le=120.0)] = None

    def ends(self, source_hue: float, *, neutral: bool, colored: bool) -> tuple[float, float, float, float]:
        """Light and dark taper, light and dark drift, as they are in force.

        A method that mixes colors (`colored`) has given them their chroma and hue already, so it changes neither.
        """
        light, dark, turn = LIGHT_TAPER, DARK_TAPER, 0.0 if colored else dark_drift(source_hue)
        if neutral:
            light = dark = NEUTRAL_TAPER
        if colored:
            light = dark = 1.0
        return (
            light if self.light_taper is None else self.light_taper,
            dark if self.dark_taper is None else self.dark_taper,
            0.0 if self.light_drift is None else self.light_drift,
            turn if self.dark_drift is None else self.dark_drift,
        )


def along(ends: tuple[float, float, float, float], light: Floats, dark: Floats) -> tuple[Floats, Floats]:
    """The share of chroma that steps (n,) keep, and the degrees that they turn, from their reach 0 to 1 each way.

    Chroma falls with the square of the reach: slowly beside the source, fast at the ends.
    """
    light_taper, dark_taper, light_drift, turn = ends
    kept = 1.0 - (1.0 - light_taper) * light**2 - (1.0 - dark_taper) * dark**2
    return kept, light_drift * light + turn * dark
