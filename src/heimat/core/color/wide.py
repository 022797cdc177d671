"""Colors beyond sRGB: display-p3 as it is published, and its WCAG luminance."""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats, from_bytes
from heimat.core.color.gamut import DISPLAY_P3
from heimat.core.color.spaces import srgb_to_linear, srgb_to_p3

PLACES = 4
"""Decimals of a display-p3 channel as published: a sixth of what 8 bits can tell at the least."""


def published_p3(p3: ArrayLike) -> Floats:
    """Gamma-encoded display-p3 (..., 3) as it is published: 0 to 1, four decimals."""
    return floats(np.round(np.clip(floats(p3), 0.0, 1.0), PLACES))


def p3_of_bytes(rgb8: ArrayLike) -> Floats:
    """8-bit sRGB colors (..., 3) in display-p3, which holds all of them."""
    return srgb_to_p3(from_bytes(np.asarray(rgb8)))


def p3_luminance(p3: ArrayLike) -> Floats:
    """The WCAG luminance (...,) of gamma-encoded display-p3 (..., 3): that of the same color in sRGB, unclipped.

    WCAG 2.2 defines relative luminance for sRGB alone; its channel weights are carried over by linear algebra.
    """
    return srgb_to_linear(floats(p3)) @ DISPLAY_P3.weights


def p3_text(p3: ArrayLike) -> str:
    """A display-p3 color (3,) as CSS Color 4 writes it."""
    return f"color(display-p3 {' '.join(f'{float(part):g}' for part in published_p3(p3))})"
