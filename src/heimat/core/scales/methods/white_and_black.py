"""Mixing with white and black, by percentages."""

from typing import Literal

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.blending import blend, unheld
from heimat.core.color.exact_color import rgb8_of, srgb_of
from heimat.core.color.gamut import in_gamut
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.scales.methods.drafts import Draft, Given, MethodKind, of_colors, resolved
from heimat.core.scales.methods.settings import Settings, TypedValues

TOWARD_WHITE, TOWARD_BLACK = 0.94, 0.84
"""Shares of white and of black at the ends of a ladder, by default: short of both, so that the ends keep a color."""


class WhiteBlack(Settings):
    """Percentages toward white (above 0) and black (below), in a space; those not typed follow the ladder's aims.

    A plain mix turns the hue of many colors; `hold_hue` turns it back, at the mix's luminance and chroma.
    """

    space: Literal["srgb", "linear", "oklab"] = "srgb"
    hold_hue: bool = False
    targets: TypedValues = ()


def _draft(given: Given, settings: WhiteBlack) -> Draft:
    place = given.place
    start = given.lightness if given.anchor == "guide" else float(given.aims[place])
    light, dark = max(given.aims[0] - start, 1.0), max(start - given.aims[-1], 1.0)
    away = given.aims - start
    shares = np.where(away > 0.0, TOWARD_WHITE * away / light, TOWARD_BLACK * away / dark)
    for at, value in given.typed.items():
        shares[at] = value / 100.0
    source = from_bytes(rgb8_of(given.source))
    ends = np.where(shares[:, None] > 0.0, np.ones(3), np.zeros(3))
    parts = np.abs(shares)[:, None]
    srgb = blend(np.broadcast_to(source, ends.shape), ends, parts, settings.space)
    exact = srgb_of(given.source)
    wide = (
        None
        if in_gamut(exact)
        else unheld(np.broadcast_to(exact, ends.shape), ends, parts, settings.space)
    )
    if settings.hold_hue:
        # What sRGB does not hold keeps the hue of its own mix.
        _, chroma, _ = np.moveaxis(srgb_to_oklch(srgb), -1, 0)
        srgb = resolved(srgb, chroma, np.full(len(shares), float(srgb_to_oklch(source)[2])))
    anchor = None if given.anchor == "guide" else place
    return of_colors(srgb, anchor, shares * 100.0, wide)


KIND = MethodKind(
    "mix",
    "white and black mix",
    "White or black is laid over the source by percentages. Good for matching tints that exist; hues may gray.",
    _draft,
)
