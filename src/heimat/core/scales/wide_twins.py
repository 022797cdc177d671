"""display-p3 twins of a scale's steps: the chroma that sRGB could not give, at the luminance that is published."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of, srgb_of
from heimat.core.color.gamut import DISPLAY_P3, Mask, in_gamut, solve
from heimat.core.color.spaces import p3_to_srgb, srgb_to_oklch, srgb_to_p3
from heimat.core.color.wide import published_p3
from heimat.core.scales.generate import Scale

LEAST_GAIN = 0.004
"""OKLCH chroma below which a twin would not be told from its step."""


def beyond_srgb(color: Color) -> bool:
    """Whether a color lies outside the sRGB gamut."""
    return not bool(in_gamut(srgb_of(color)))


@dataclass(frozen=True)
class WideRequest:
    """A scale that shall have display-p3 values, the source that it was made from, and its pins by position."""

    scale: Scale
    source: Color
    pins: Mapping[int, Color] = field(default_factory=dict)


def twins(requests: Sequence[WideRequest]) -> list[Floats]:
    """The display-p3 values (n, 3) of the steps of scales as published; NaN where a step is as strong in sRGB.

    A twin has the hue and chroma that are asked of a wider gamut and the luminance of its published sRGB step, so that
    both have the same contrast. The anchor and pins beyond sRGB are themselves, in so far as display-p3 holds them.
    """
    if not requests:
        return []
    rgb8 = np.concatenate([each.scale.rgb8 for each in requests])
    chroma, hue = np.concatenate([each.scale.wide for each in requests]).T
    free = np.concatenate([_free(each) for each in requests])
    has = srgb_to_oklch(from_bytes(rgb8))[:, 1]
    luminance = relative_luminance(rgb8)
    wanting = np.flatnonzero(free & (chroma - has >= LEAST_GAIN))
    solved = solve(luminance[wanting], chroma[wanting], hue[wanting], DISPLAY_P3)
    shown = p3_to_srgb(solved)
    # Near blue the gamut of sRGB has a gap, beyond which it holds again what display-p3 reaches: no twin then.
    gains = (srgb_to_oklch(shown)[:, 1] - has[wanting] >= LEAST_GAIN) & ~in_gamut(shown)
    found = np.full((len(rgb8), 3), np.nan)
    found[wanting[gains]] = published_p3(solved[gains])
    each_found = np.split(found, np.cumsum([len(each.scale.rgb8) for each in requests])[:-1])
    for request, own in zip(requests, each_found, strict=True):
        for place, color in _exact(request).items():
            own[place] = _held(color, float(relative_luminance(request.scale.rgb8[place])))
    return each_found


def _free(request: WideRequest) -> Mask:
    """Which steps are generated: neither the anchor nor pinned."""
    free = np.ones(len(request.scale.rgb8), dtype=np.bool_)
    free[list(request.pins)] = False
    if request.scale.anchor is not None:
        free[request.scale.anchor] = False
    return free


def _exact(request: WideRequest) -> dict[int, Color]:
    """The colors beyond sRGB that stand as themselves, by position."""
    exact = {place: color for place, color in request.pins.items() if beyond_srgb(color)}
    anchor = request.scale.anchor
    if anchor is not None and anchor not in request.pins and beyond_srgb(request.source):
        exact[anchor] = request.source
    return exact


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
