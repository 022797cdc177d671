"""Overlays and solids: which solid a translucent color gives on a ground, and which overlay gives a solid there.

Source-over in gamma-encoded sRGB, as browsers do it; alpha in 255ths, as hex values hold it.
"""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, floats, from_bytes, to_levels
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import srgb_to_lab

_LEVELS = 255
_WHITE = np.array([255, 255, 255], dtype=np.uint8)


@dataclass(frozen=True)
class Overlay:
    """A color (3,) and alpha 0 to 1, the solid (3,) that they give, and its CIEDE2000 from the one that was wanted."""

    rgb8: Bytes
    alpha: float
    solid: Bytes
    distance: float


def alpha_as_published(alpha: float) -> float:
    """An alpha 0 to 1 as it leaves the house: in 255ths, so that CSS, JSON and what is composited are one."""
    return round(alpha * _LEVELS) / _LEVELS


def over(foreground8: Bytes, alpha: float | Floats, ground8: Bytes) -> Floats:
    """Source-over in levels 0 to 255, unrounded; shapes (..., 3) that broadcast."""
    return floats(foreground8) * alpha + floats(ground8) * (1.0 - alpha)


def solid(color8: Bytes, alpha: float | Floats, ground8: Bytes) -> Bytes:
    """The 8-bit colors that a color gives over a ground; shapes (..., 3) that broadcast with alpha 0 to 1."""
    return to_levels(over(color8, alpha, ground8))


def on_white(color: Color) -> Color:
    """A color as it looks on white: a translucent one composited there, a solid one itself."""
    if color.alpha == 1.0:
        return color
    return Color.of_bytes(solid(rgb8_of(color), color.alpha, _WHITE))


def least_overlay(tint8: Bytes, ground8: Bytes) -> Overlay:
    """The most transparent color that gives a tint (3,) on a ground (3,), to the bit.

    Each channel of the tint lies on the way from the ground's to 0 or to 255; the channel that is farthest along, half
    a level of rounding granted, sets the least alpha there can be. The first from there on that gives the tint is
    taken; an opaque tint always does.
    """
    tint, ground = floats(tint8), floats(ground8)
    room = np.where(tint > ground, 255.0 - ground, ground)
    if (tint == ground).all():
        return Overlay(np.asarray(tint8), 0.0, np.asarray(tint8), 0.0)
    least = float(np.max(np.maximum(np.abs(tint - ground) - 0.5, 0.0) / np.maximum(room, 1.0)))
    first = max(int(np.floor(least * _LEVELS)), 1)
    alphas = np.arange(first, _LEVELS + 1)[:, None] / _LEVELS
    colors = to_levels((tint - ground * (1.0 - alphas)) / alphas)
    given = solid(colors, alphas, ground8)
    place = int(np.argmax((given == tint8).all(axis=-1)))
    return Overlay(colors[place], float(alphas[place, 0]), given[place], 0.0)


def overlay_of(color8: Bytes, tint8: Bytes, ground8: Bytes) -> Overlay:
    """The alpha at which a color comes nearest to a tint on a ground, in CIEDE2000; 8 bits, (3,) each."""
    alphas = np.arange(_LEVELS + 1)[:, None] / _LEVELS
    given = solid(color8, alphas, ground8)
    wanted = srgb_to_lab(from_bytes(np.asarray(tint8)[None]))
    distances = ciede2000(srgb_to_lab(from_bytes(given)), wanted)
    place = int(np.argmin(distances))
    return Overlay(
        np.asarray(color8), float(alphas[place, 0]), given[place], float(distances[place])
    )
