"""Declared pairings against the level that their use needs (WCAG 2.2: 1.4.3 for text, 1.4.11 for parts)."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import AA_LARGE, AA_TEXT, ratio, ratio_of_luminances
from heimat.core.color.overlay import solid
from heimat.core.color.wide import p3_luminance, p3_of_bytes
from heimat.core.document.pairings import Pairing, Use
from heimat.core.resolve.token_colors import TokenColor

NEEDED: dict[Use, float | None] = {
    "body": AA_TEXT,
    "large": AA_LARGE,
    "part": AA_LARGE,
    "decoration": None,
}
"""The ratio that a use needs; decoration is exempt."""


@dataclass(frozen=True)
class PairingResult:
    """A pairing with its ratio; `holds` is None for decoration, which is exempt, and for a translucent ground.

    `wide` is the ratio in display-p3, where one of the two has a value there; the pairing holds only if both do.
    """

    pairing: Pairing
    ratio: float
    wide: float | None
    needed: float | None
    holds: bool | None


def translucent_ratio(foreground8: Bytes, alpha: float, ground8: Bytes) -> float:
    """The least ratio of a translucent color over its ground, 8 bits, (3,) each.

    Browsers differ from the exact composite by one level in about half of all cases, so the worst of the composite
    and of it one level up and down counts.
    """
    exact = solid(foreground8, alpha, ground8).astype(np.intp)
    around = np.clip(exact + np.array([[-1], [0], [1]]), 0, 255)
    return float(ratio(around, ground8).min())


def check_pairings(
    pairings: Sequence[Pairing], colors: Mapping[str, TokenColor]
) -> list[PairingResult]:
    """Measure pairings of the theme whose token colors are given."""
    if not pairings:
        return []
    sides = [(colors[pairing.foreground], colors[pairing.ground]) for pairing in pairings]
    opaque = ratio(
        np.array([one.rgb8 for one, _ in sides]), np.array([other.rgb8 for _, other in sides])
    ).tolist()
    return [
        _result(pairing, foreground, ground, reached)
        for pairing, (foreground, ground), reached in zip(pairings, sides, opaque, strict=True)
    ]


def _result(
    pairing: Pairing, foreground: TokenColor, ground: TokenColor, opaque: float
) -> PairingResult:
    """A pairing whose ratio is known as if both colors were opaque."""
    reached = opaque
    if foreground.alpha < 1.0:
        reached = translucent_ratio(foreground.rgb8, foreground.alpha, ground.rgb8)
    wide = (
        _wide_ratio(foreground, ground)
        if foreground.p3 is not None or ground.p3 is not None
        else None
    )
    needed = NEEDED[pairing.use]
    least = reached if wide is None else min(reached, wide)
    holds = least >= needed if needed is not None and ground.alpha == 1.0 else None
    return PairingResult(pairing, reached, wide, needed, holds)


def _wide_ratio(foreground: TokenColor, ground: TokenColor) -> float:
    """The ratio of two colors on a display-p3 screen; composited in its own gamma-encoded values."""
    above, below = (
        p3_of_bytes(color.rgb8) if color.p3 is None else color.p3 for color in (foreground, ground)
    )
    shown = above * foreground.alpha + below * (1.0 - foreground.alpha)
    return float(ratio_of_luminances(p3_luminance(shown), p3_luminance(below)))
