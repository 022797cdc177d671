"""Contrast after WCAG 2.2 (definitions of relative luminance and contrast ratio; criteria 1.4.3, 1.4.6, 1.4.11)."""

from typing import Literal

import numpy as np
from numpy.typing import ArrayLike, NDArray

from heimat.core.color.arrays import Floats
from heimat.core.color.spaces.srgb import srgb_to_linear

Grade = Literal["AAA", "AA", "large", "under 3"]

WEIGHTS: Floats = np.array([0.2126, 0.7152, 0.0722])
"""WCAG's luminance coefficients, in the four decimals that the definition prints."""
FLARE = 0.05
AAA_TEXT = 7.0
AA_TEXT = 4.5
AA_LARGE = 3.0

_LINEAR_OF_LEVEL = srgb_to_linear(np.arange(256) / 255.0)


def linear_of_bytes(rgb8: ArrayLike) -> Floats:
    """Linear light of 8-bit sRGB (..., 3), by table."""
    return _LINEAR_OF_LEVEL[np.asarray(rgb8, dtype=np.intp)]


def relative_luminance(rgb8: ArrayLike) -> Floats:
    """WCAG relative luminance, shape (...), 0 to 1, of 8-bit sRGB integers (..., 3).

    Raises IndexError for levels above 255 or below -256 and TypeError for what is no integer.
    """
    return linear_of_bytes(rgb8) @ WEIGHTS


def ratio_of_luminances(one: ArrayLike, other: ArrayLike) -> Floats:
    """Contrast ratio 1 to 21 of two relative luminances, whose shapes broadcast."""
    a, b = np.asarray(one, dtype=np.float64), np.asarray(other, dtype=np.float64)
    return (np.maximum(a, b) + FLARE) / (np.minimum(a, b) + FLARE)


def ratio(foreground8: ArrayLike, ground8: ArrayLike) -> Floats:
    """Contrast ratio 1 to 21 of 8-bit sRGB integers; (..., 3) each, broadcasting, result (...)."""
    return ratio_of_luminances(relative_luminance(foreground8), relative_luminance(ground8))


def label_on(rgb8: ArrayLike) -> tuple[NDArray[np.bool_], Floats]:
    """Which of black and white reads better on 8-bit sRGB (..., 3): whether black (also where both do alike), and the
    ratio that it reaches, both of shape (...)."""
    luminance = relative_luminance(rgb8)
    black, white = ratio_of_luminances(luminance, 0.0), ratio_of_luminances(luminance, 1.0)
    return black >= white, np.maximum(black, white)


def grade(value: float) -> Grade:
    """The best that a ratio reaches: AAA 7, AA 4.5, large (large text and graphics only) 3, or under 3.

    Nothing is rounded up.
    """
    if value >= AAA_TEXT:
        return "AAA"
    if value >= AA_TEXT:
        return "AA"
    return "large" if value >= AA_LARGE else "under 3"


def cut(value: float) -> str:
    """Print a ratio with two decimals, cut and never rounded: 4.499 reads 4.49."""
    number = float(value)
    hundredths = int(number * 100.0)
    # The product may be rounded across a hundredth, in either direction.
    if (hundredths + 1) / 100.0 <= number:
        hundredths += 1
    elif hundredths / 100.0 > number:
        hundredths -= 1
    return f"{hundredths // 100}.{hundredths % 100:02d}"


def luminance_reaching(target: ArrayLike, ground: ArrayLike, *, lighter: bool) -> Floats:
    """The luminance whose ratio with a luminance `ground` is `target`; shapes broadcast. May lie outside 0 to 1."""
    base, ratios = (
        np.asarray(ground, dtype=np.float64) + FLARE,
        np.asarray(target, dtype=np.float64),
    )
    return (ratios * base if lighter else base / ratios) - FLARE
