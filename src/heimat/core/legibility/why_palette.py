"""Why a color of a palette is so: one sentence, with figures."""

import numpy as np

from heimat.core.charts.apart import apart, seen8
from heimat.core.color.ciede2000 import distance_words
from heimat.core.color.contrast import cut, ratio
from heimat.core.document.palettes import Categorical, Sequential
from heimat.core.document.tokens import LiteralColor
from heimat.core.document.words import value_in_words
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import ResolvedPalette


def why_palette_color(resolved: Resolved, shown: ResolvedPalette, place: int) -> str:
    """What the color at a place (from 0) of a palette stands on, and how it stands to its neighbors and its ground."""
    make = shown.palette.make
    contrast = f"It reads {cut(float(ratio(shown.rgb8[place], shown.ground8)))} on its ground."
    if isinstance(make, Categorical):
        color = make.colors[place]
        made = (
            "Made for this palette"
            if isinstance(color.value, LiteralColor) and not color.value.was
            else None
        )
        words = (made or f"It is {value_in_words(resolved.system, color.value)}") + (
            ", held." if color.held else "."
        )
        if shown.moved and shown.moved[place]:
            words = f"{words[:-1]}, moved for the ground of this theme, its hue kept."
        others = np.delete(shown.rgb8, place, axis=0)
        if len(others) == 0:
            return f"{words} {contrast}"
        near = float(apart(seen8(shown.rgb8[[place]]), seen8(others)).min())
        return f"{words} {distance_words(near)} from the nearest other under any vision. {contrast}"
    along = f"Color {place + 1} of {len(shown.rgb8)}"
    if isinstance(make, Sequential):
        through = ", ".join(value_in_words(resolved.system, each) for each in make.sources)
        kept = shown.ramp.share if shown.ramp else 1.0
        given_up = (
            f"; {1.0 - kept:.0%} of the chroma is given up so that steps are even for all"
            if kept < 1.0
            else ""
        )
        return f"{along}, even in CAM02-UCS on the way through {through}{given_up}. {contrast}"
    ends = " and ".join(value_in_words(resolved.system, each) for each in (make.low, make.high))
    return f"{along} between {ends}: as light as the one as far beyond the middle. {contrast}"
