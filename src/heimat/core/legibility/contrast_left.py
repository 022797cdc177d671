"""Viewing conditions: what of a contrast is left for a reader, on a display or paper, in a light.

Every color gives off a luminance; light that is reflected by the display, or scattered into the eye, is added to both
sides of a pair. With a white of 80 cd/m² and a veil of 4 cd/m² (0.05 of it) that is WCAG's own formula. What is needed
follows WCAG's reasoning (Understanding 1.4.3): 3 for normal sight after ISO 9241-3, times what lower acuity takes away,
1.5 at 20/40. All of it is an approximation: it counts light, not what a page means.
"""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import WEIGHTS, linear_of_bytes
from heimat.core.document.conditions import Quantities
from heimat.core.document.pairings import Pairing
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.theme import ResolvedTheme

WCAG_ACUITY = 0.5
"""The decimal acuity, 20/40, for which WCAG takes 4.5 (Understanding 1.4.3)."""
_LOSS_A_HALVING = 1.5
"""How much more contrast is needed for each halving of acuity (ibid.: 20/40 needs 1.5 times as much as 20/20)."""
_YOUNG = 32.0
_LENS = np.array([0.027, 0.093, 0.25])
"""The part of the lens's density that grows with age, at about 610, 550 and 465 nm, where the three channels lie
(Pokorny, Smith, Lutze 1987, Aging of the human lens)."""
_PER_LUX = 1.0 / math.pi
"""Luminance of a diffuse surface, in cd/m², a lux and a reflectance of 1."""


@dataclass(frozen=True)
class UnderCondition:
    """A pairing under a condition: its level, the contrast that is left, what would be needed, whether it suffices."""

    pairing: Pairing
    level: float
    left: float
    needed: float
    holds: bool
    holds_usually: bool


def lens(age: float) -> Floats:
    """The light that a lens of this age lets through in red, green and blue (3,), of what one of 32 years does."""
    grown = 1.0 + 0.02 * (age - _YOUNG) if age <= 60.0 else 1.56 + 0.0667 * (age - 60.0)
    return np.asarray(10.0 ** (-_LENS * (grown - 1.0)))


def luminances(rgb8: ArrayLike, quantities: Quantities) -> Floats:
    """What reaches the eye of 8-bit colors (..., 3), in cd/m² on a display, as a share of the light on paper."""
    weights = WEIGHTS * lens(quantities.age)
    own = linear_of_bytes(rgb8) @ (weights / weights.sum())
    if quantities.medium == "paper":
        lit = quantities.ink + own * (quantities.paper - quantities.ink)
        return np.asarray(lit * max(quantities.lux, 1.0) * _PER_LUX + quantities.veil)
    reflected = quantities.lux * quantities.reflectance * _PER_LUX
    return np.asarray(own * quantities.white + reflected + quantities.veil)


def contrast_left(one8: ArrayLike, other8: ArrayLike, quantities: Quantities) -> Floats:
    """The contrast that is left of 8-bit pairs (..., 3)."""
    one, other = luminances(one8, quantities), luminances(other8, quantities)
    return np.asarray(np.maximum(one, other) / np.maximum(np.minimum(one, other), 1e-9))


def needed(level: float, quantities: Quantities) -> float:
    """What a level of the standard becomes for this reader: more for lower acuity and for lost contrast sensitivity."""
    halvings = math.log2(WCAG_ACUITY / quantities.acuity)
    return float(level * _LOSS_A_HALVING**halvings * 10.0**quantities.contrast_loss)


def under(theme: ResolvedTheme, quantities: Quantities) -> list[UnderCondition]:
    """All declared pairings of a theme with opaque colors and a level, under a condition, the weakest first."""
    measured = [each for each in theme.pairings if _measurable(theme, each)]
    if not measured:
        return []
    fronts, grounds = (
        np.array([theme.tokens[token].rgb8 for token in tokens], dtype=np.uint8)
        for tokens in (
            [each.pairing.foreground for each in measured],
            [each.pairing.ground for each in measured],
        )
    )
    left = contrast_left(fronts, grounds, quantities)
    found = []
    for each, reached in zip(measured, left.tolist(), strict=True):
        wanted = needed(each.needed or 1.0, quantities)
        found.append(
            UnderCondition(
                each.pairing,
                each.needed or 1.0,
                reached,
                wanted,
                reached >= wanted - 1e-9,
                bool(each.holds),
            )
        )
    return sorted(found, key=lambda held: held.left / held.needed)


def _measurable(theme: ResolvedTheme, each: PairingResult) -> bool:
    ends = (each.pairing.foreground, each.pairing.ground)
    return each.needed is not None and all(theme.tokens[token].alpha == 1.0 for token in ends)


def white_needed(
    quantities: Quantities, theme: ResolvedTheme, pairing: Pairing, level: float
) -> float | None:
    """The luminance of white, in cd/m², with which a pairing would hold on this display; None where none would."""
    if quantities.medium == "paper":
        return None
    wanted = needed(level, quantities)
    dark = quantities.model_copy(update={"white": 1.0, "lux": 0.0, "veil": 0.0})
    ends = (theme.tokens[token].rgb8 for token in (pairing.foreground, pairing.ground))
    high, low = sorted((float(luminances(end, dark)) for end in ends), reverse=True)
    light = quantities.lux * quantities.reflectance * _PER_LUX + quantities.veil
    # (high * white + light) / (low * white + light) >= wanted
    room = high - wanted * low
    return float((wanted - 1.0) * light / room) if room > 0.0 else None
