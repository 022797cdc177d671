"""The work area of even sets: equal in OKLCH, or equal in HSL or HSB values and how unequal that looks."""

import numpy as np
from numpy.typing import ArrayLike
from typing_extensions import TypedDict

from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.notation import Notation
from heimat.core.color.spaces import lightness, srgb_to_hsl, srgb_to_hsv
from heimat.core.sources import even
from heimat.core.sources.circles import ALONG, on_circle
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import color_text

_VISIBLY = 4.0
"""L* from which colors of equal HSL or HSB values are said to look unequal."""


class EvenView(TypedDict):
    """An even set, what the gamut allows along the strip, and how unequal the colors look."""

    strip: list[str]
    limits: list[float]
    common: float
    highest: float
    angles: list[float]
    light: float
    colors: list[SwatchView]
    texts: list[str]
    chroma: float
    lightness_range: list[float]
    chroma_range: list[float]
    uneven: str | None
    corrected: list[SwatchView]


def even_view(
    start: Color,
    count: int,
    space: even.EvenIn,
    lightness_: float | None,
    strength: float | None,
    notation: Notation,
    eyes: Eyes,
) -> EvenView:
    """An even set from a start color; without lightness and strength, those of the start are taken.

    In OKLCH they are L* and chroma, else HSL's or HSB's lightness (brightness) and saturation, 0 to 100.
    """
    value = 0.0
    if space == "oklch":
        source = on_circle(start, "oklch")
        light = source.light if lightness_ is None else lightness_
        chroma = source.strength if strength is None else strength
        angles = even.even_angles(source.angle, count)
        rgb8 = even.equal_in_oklch(light, chroma, angles)
        strip = even.equal_in_oklch(light, chroma, ALONG)
    else:
        angle, own_strength, own_value = _parts(start, space)
        value = own_value if lightness_ is None else lightness_ / 100.0
        share = own_strength if strength is None else strength / 100.0
        angles = even.even_angles(angle, count)
        rgb8 = even.equal_values(space, share, value, angles)
        strip = even.equal_values(space, share, value, ALONG)
        light, chroma = float(lightness(relative_luminance(rgb8)).mean()), share * 100.0
    limits = even.chroma_limits(light, ALONG)
    uneven = even.unevenness(rgb8)
    looks = uneven.lightness[1] - uneven.lightness[0]
    correct = space != "oklch" and looks >= _VISIBLY
    return {
        "strip": eyes.hexes(strip),
        "limits": [round(float(limit), 4) for limit in limits],
        "common": round(even.common_chroma(light, ALONG), 4),
        "highest": round(even.common_chroma(light, angles), 4) if space == "oklch" else 0.0,
        "angles": [round(float(angle), 2) for angle in angles],
        "light": round(light if space == "oklch" else value * 100.0, 2),
        "colors": eyes.swatches(rgb8),
        "texts": _texts(rgb8, notation),
        "chroma": round(chroma, 4),
        "lightness_range": [round(part, 1) for part in uneven.lightness],
        "chroma_range": [round(part, 3) for part in uneven.chroma],
        "uneven": (
            f"They look unequal: L* runs from {uneven.lightness[0]:.0f} to {uneven.lightness[1]:.0f}, "
            f"chroma from {uneven.chroma[0]:.3f} to {uneven.chroma[1]:.3f}."
            if correct
            else None
        ),
        "corrected": eyes.swatches(even.evened(rgb8)) if correct else [],
    }


def _parts(color: Color, space: str) -> tuple[float, float, float]:
    convert = srgb_to_hsl if space == "hsl" else srgb_to_hsv
    angle, strength, value = (float(part) for part in convert(rgb8_of(color) / 255.0))
    return angle, strength, value


def _texts(rgb8: ArrayLike, notation: Notation) -> list[str]:
    colors = [Color.of_bytes(color) for color in np.asarray(rgb8)]
    return [color_text(color, notation) for color in colors]
