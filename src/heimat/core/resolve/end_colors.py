"""The colors of what chains of aliases end in, where no theme decides it."""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.overlay import alpha_as_published
from heimat.core.document.tokens import HueAlias, LiteralColor, StepAlias
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.wide_twins import literal_p3


@dataclass(frozen=True)
class EndColor:
    """The color of what chains end in: 8-bit sRGB (3,), alpha, and its display-p3 value (3,), where it has one.

    `given` is the color of which it is the published form, where somebody gave one.
    """

    rgb8: Bytes
    alpha: float
    p3: Floats | None
    given: Color | None = None

    @property
    def color(self) -> Color:
        """The color as exactly as it is known, opaque."""
        return (
            self.given.model_copy(update={"alpha": 1.0})
            if self.given
            else Color.of_bytes(self.rgb8)
        )


def end_color(
    hues: Mapping[str, ResolvedHue], end: StepAlias | HueAlias | LiteralColor
) -> EndColor:
    """The color of what a chain ends in: a step, a hue itself, or a color of its own."""
    if isinstance(end, LiteralColor):
        return EndColor(
            rgb8_of(end.color),
            alpha_as_published(end.color.alpha),
            literal_p3(end.color),
            end.color,
        )
    hue = hues[end.hue]
    if isinstance(end, HueAlias):
        wide = literal_p3(hue.color) if hue.hue.wide is not False else None
        return EndColor(rgb8_of(hue.color), hue.source.alpha, wide, hue.color)
    place = hue.place(end.step) or 0
    return EndColor(hue.rgb8[place], hue.source.alpha, hue.p3_at(place))


def end_rgb8(hues: Mapping[str, ResolvedHue], end: StepAlias | HueAlias | LiteralColor) -> Bytes:
    """The published 8-bit color (3,) of what a chain ends in, without alpha."""
    if isinstance(end, StepAlias):
        hue = hues[end.hue]
        return hue.rgb8[hue.place(end.step) or 0]
    return np.array(
        rgb8_of(end.color if isinstance(end, LiteralColor) else hues[end.hue].color), dtype=np.uint8
    )
