"""display-p3 twins of a scale's steps: the chroma that sRGB could not give, at the luminance that is published."""

from collections.abc import Mapping

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.gamut import DISPLAY_P3, in_gamut, solve
from heimat.core.color.notation import Color, oklch_of, rgb8_of, srgb_of
from heimat.core.color.spaces import p3_to_srgb, srgb_to_oklch, srgb_to_p3
from heimat.core.color.wide import published_p3
from heimat.core.scales.generate import Scale

LEAST_GAIN = 0.004
"""OKLCH chroma below which a twin would not be told from its step."""


def beyond_srgb(color: Color) -> bool:
    """Whether a color lies outside the sRGB gamut."""
    return not bool(in_gamut(srgb_of(color)))


def twins(scale: Scale, source: Color, pins: Mapping[int, Color]) -> Floats:
    """The display-p3 values (n, 3) of the steps of a scale as published; NaN where a step is as strong in sRGB.

    A twin has the hue and chroma that are asked of a wider gamut and the luminance of its published sRGB step, so that
    both have the same contrast. The anchor and pins beyond sRGB are themselves, in so far as display-p3 holds them.
    """
    found = np.full((len(scale.rgb8), 3), np.nan)
    exact = {place: color for place, color in pins.items() if beyond_srgb(color)}
    if scale.anchor is not None and scale.anchor not in pins and beyond_srgb(source):
        exact[scale.anchor] = source
    has = srgb_to_oklch(from_bytes(scale.rgb8))[:, 1]
    free = [place for place in range(len(has)) if place != scale.anchor and place not in pins]
    wanting = [place for place in free if scale.wide[place, 0] - has[place] >= LEAST_GAIN]
    luminance = relative_luminance(scale.rgb8)
    if wanting:
        chroma, hue = scale.wide[wanting].T
        solved = solve(luminance[wanting], chroma, hue, DISPLAY_P3)
        shown = p3_to_srgb(solved)
        # Near blue the gamut of sRGB has a gap, beyond which it holds again what display-p3 reaches: no twin then.
        gains = (srgb_to_oklch(shown)[:, 1] - has[wanting] >= LEAST_GAIN) & ~in_gamut(shown)
        for place, p3, gains_here in zip(wanting, solved, gains.tolist(), strict=True):
            if gains_here:
                found[place] = published_p3(p3)
    for place, color in exact.items():
        found[place] = _held(color, float(luminance[place]))
    return found


def literal_p3(color: Color) -> Floats | None:
    """A color that stands by itself, (3,) in display-p3 as published; None where sRGB holds it."""
    if not beyond_srgb(color):
        return None
    return _held(color, float(relative_luminance(rgb8_of(color))))


def _held(color: Color, luminance: float) -> Floats:
    """A color as display-p3 holds it: itself, or with its chroma reduced at the luminance of its step."""
    p3 = srgb_to_p3(srgb_of(color))
    if bool(in_gamut(p3)):
        return published_p3(p3)
    _, chroma, hue = (float(part) for part in oklch_of(color))
    return published_p3(solve(luminance, chroma, hue, DISPLAY_P3))
