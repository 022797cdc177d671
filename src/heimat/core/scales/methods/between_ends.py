"""Between ends: colors between a light and a dark one, through the source and any stops."""

from typing import Annotated

import numpy as np
from pydantic import Field

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.blending import MixSpace, blend, unheld
from heimat.core.color.color_text import ColorInput
from heimat.core.color.exact_color import Color, rgb8_of, srgb_of
from heimat.core.color.gamut import in_gamut, solve
from heimat.core.color.spaces import luminance_of
from heimat.core.scales.curves import DARK_TAPER, LIGHT_TAPER
from heimat.core.scales.ladder import LONGEST_STEP_ID
from heimat.core.scales.methods.drafts import Draft, Given, MethodKind, of_colors
from heimat.core.scales.methods.settings import Settings


class Stop(Settings):
    """A color that somebody put at a step, by its id."""

    step: Annotated[str, Field(max_length=LONGEST_STEP_ID)]
    color: ColorInput


class BetweenEnds(Settings):
    """Two ends, the source and any stops between them, in a space; an end not given is that of even lightness."""

    space: MixSpace = "oklab"
    light: ColorInput | None = None
    dark: ColorInput | None = None
    stops: Annotated[tuple[Stop, ...], Field(max_length=60)] = ()


def _draft(given: Given, settings: BetweenEnds) -> Draft:
    """The ends are the first and the last step; stops and the source stand at their labels unless it only guides."""
    _, chroma, hue = given.oklch
    lights = given.aims[[0, -1]]
    if given.rules.reaching and given.anchor == "nearest" and given.place > 0:
        lights[0] = max(lights[0], (given.lightness + 100.0) / 2.0)
    usual = solve(
        luminance_of(lights),
        np.array([chroma * LIGHT_TAPER, chroma * DARK_TAPER]),
        np.array([hue, hue + given.rules.drift(float(hue), given.lightness)[0]]),
    )
    last = len(given.aims) - 1
    stops: dict[int, Color | Floats] = {
        0: settings.light or usual[0],
        last: settings.dark or usual[1],
        **given.stops,
    }
    anchor = None if given.anchor == "guide" else given.place
    if anchor is not None:
        stops[anchor] = given.source
    places = np.array(sorted(stops))
    in_order = [stops[place] for place in places.tolist()]
    after = np.clip(np.searchsorted(places, np.arange(last + 1), side="right"), 1, len(places) - 1)
    at, starts, ends = (
        given.positions,
        given.positions[places[after - 1]],
        given.positions[places[after]],
    )
    shares = ((at - starts) / (ends - starts))[:, None]
    colors = np.stack(
        [from_bytes(rgb8_of(stop)) if isinstance(stop, Color) else stop for stop in in_order]
    )
    srgb = blend(colors[after - 1], colors[after], shares, settings.space)
    exact = np.stack([srgb_of(stop) if isinstance(stop, Color) else stop for stop in in_order])
    wide = None
    if not in_gamut(exact).all():
        wide = unheld(exact[after - 1], exact[after], shares, settings.space)
    return of_colors(srgb, anchor, None, wide)


KIND = MethodKind(
    "ends",
    "between two ends",
    "Colors between a light and a dark end, through the source. Good where the ends are given.",
    _draft,
)
