"""Derived values of tokens: the colors that aliases come to with their changes."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Bytes, floats
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.gamut import solve
from heimat.core.color.overlay import alpha_as_published
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.document.hues import QuantityChange
from heimat.core.document.tokens import DerivedColor
from heimat.core.hues.derivation import changed

_KEPT = QuantityChange()
Levels = tuple[bytes, float]
"""The three 8-bit levels of a color, and its alpha."""


def derived_color(base: Color, value: DerivedColor) -> Color:
    """A color after the changes of a derived value: L* and OKLCH, as derived hues are. Pure."""
    ((levels, alpha),) = derived_levels([((rgb8_of(base).tobytes(), base.alpha), value)])
    return Color.of_bytes(np.frombuffer(levels, dtype=np.uint8)).model_copy(update={"alpha": alpha})


def derived_levels(asked: Sequence[tuple[Levels, DerivedColor]]) -> list[Levels]:
    """Many colors after their changes, solved at once: from the colors as published, to colors as published.

    What only becomes more or less opaque keeps its color to the bit.
    """
    alphas = [_alpha(alpha, value) for (_, alpha), value in asked]
    found = [levels for (levels, _), _ in asked]
    moving = [at for at, (_, value) in enumerate(asked) if not _keeps_color(value)]
    if moving:
        bases = np.array([list(found[at]) for at in moving], dtype=np.uint8)
        made = _moved(bases, [asked[at][1] for at in moving])
        for at, levels in zip(moving, made, strict=True):
            found[at] = levels.tobytes()
    return list(zip(found, alphas, strict=True))


def _keeps_color(value: DerivedColor) -> bool:
    return value.lightness == value.chroma == value.turn == _KEPT


def _alpha(alpha: float, value: DerivedColor) -> float:
    return alpha_as_published(min(max(changed(value.alpha, alpha), 0.0), 1.0))


def _moved(bases: Bytes, values: Sequence[DerivedColor]) -> Bytes:
    """8-bit colors (n, 3) with their lightness, chroma and hue changed, inside the gamut."""
    light = lightness(relative_luminance(bases))
    _, chroma, angle = np.moveaxis(srgb_to_oklch(bases / 255.0), -1, 0)
    wanted = np.array(
        [
            (
                min(max(changed(value.lightness, float(light[at])), 0.0), 100.0),
                min(max(changed(value.chroma, float(chroma[at])), 0.0), STRONGEST_CHROMA),
                changed(value.turn, float(angle[at])) % 360.0,
            )
            for at, value in enumerate(values)
        ]
    )
    return nearest_bytes(solve(luminance_of(wanted[:, 0]), wanted[:, 1], wanted[:, 2]))


def in_lightness(base: Bytes, shifts: ArrayLike) -> Bytes:
    """One 8-bit color (3,) with its L* shifted by many amounts (n,): (n, 3), as derived values shift it."""
    light = np.clip(float(lightness(relative_luminance(base))) + floats(shifts), 0.0, 100.0)
    _, chroma, angle = srgb_to_oklch(base / 255.0)
    strength = min(max(float(chroma), 0.0), STRONGEST_CHROMA)
    return nearest_bytes(solve(luminance_of(light), strength, float(angle) % 360.0))
