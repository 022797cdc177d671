"""Along each change of an alias: the colors that a token would have, from one end of the change to the other."""

from dataclasses import dataclass
from math import ceil
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.blending import blend
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.document.hues import QuantityChange
from heimat.core.document.tokens import DerivedColor, LiteralColor, PaletteAlias, TokenAlias
from heimat.core.legibility.standing import value_there
from heimat.core.resolve.end_colors import end_color
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme
from heimat.core.values.derived_color import derived_levels

Changed = Literal["lightness", "chroma", "turn", "alpha"]
_STOPS = 25
_FURTHEST_TURN = 180.0
_STRONGEST = 0.32
"""OKLCH chroma that a ramp goes up to; hardly any color of sRGB has more."""


_FINE = 0.005
"""Steps of OKLCH chroma at which a ramp begins and ends."""


def _outward(by: float, step: float) -> float:
    """The next multiple of a step that is no less, and not below 0: no change at all is on every ramp."""
    return round(max(ceil(by / step), 0) * step, 3)


@dataclass(frozen=True)
class ChangeRamp:
    """The colors (n, 3) that come of changing one quantity by `low` to `high`, evenly, all others as they are.

    L* 0 to 100, OKLCH chroma and degrees by which the value is shifted; of alpha what it is set to, over the ground.
    """

    of: Changed
    low: float
    high: float
    rgb8: Bytes


def change_ramps(
    resolved: Resolved, theme: ResolvedTheme, token: str, ground: Bytes
) -> list[ChangeRamp]:
    """The four ramps of a token in a theme, over the ground (3,) on which it stands; none of what is no alias.

    What a quantity is multiplied by or set to has no ramp: that would be another scale.
    """
    value = value_there(resolved, token, theme.theme.id)
    alias = value.of if isinstance(value, DerivedColor) else value
    if isinstance(alias, LiteralColor | PaletteAlias):
        return []
    now = value if isinstance(value, DerivedColor) else DerivedColor(of=alias)
    base = (
        theme.tokens[alias.token].rgb8
        if isinstance(alias, TokenAlias)
        else end_color(resolved.hues, alias).rgb8
    )
    light = float(lightness(relative_luminance(base)))
    strong = float(srgb_to_oklch(base / 255.0)[1])
    spans: list[tuple[Literal["lightness", "chroma", "turn"], float, float]] = [
        ("lightness", -_outward(light, 1.0), _outward(100.0 - light, 1.0)),
        ("chroma", -_outward(strong, _FINE), _outward(_STRONGEST - strong, _FINE)),
        ("turn", -_FURTHEST_TURN, _FURTHEST_TURN),
    ]
    shifted = [span for span in spans if getattr(now, span[0]).how in ("kept", "shifted")]
    asked = [
        now.model_copy(update={of: QuantityChange(how="shifted", by=by)})
        for of, low, high in shifted
        for by in np.linspace(low, high, _STOPS).tolist()
    ]
    levels = ((base.tobytes(), 1.0), now)
    made = derived_levels([levels, *(((base.tobytes(), 1.0), each) for each in asked)])
    colors = np.array([list(found) for found, _ in made], dtype=np.uint8)
    ramps = [
        ChangeRamp(of, low, high, colors[1 + place * _STOPS : 1 + (place + 1) * _STOPS])
        for place, (of, low, high) in enumerate(shifted)
    ]
    return [*ramps, ChangeRamp("alpha", 0.0, 1.0, _veiled(colors[0], ground))]


def _veiled(color: Bytes, ground: Bytes) -> Bytes:
    """A color (3,) over a ground (3,), from not at all to opaque: (n, 3)."""
    shares = np.linspace(0.0, 1.0, _STOPS)[:, None]
    return np.rint(255.0 * blend(ground / 255.0, color / 255.0, shares, "srgb")).astype(np.uint8)
