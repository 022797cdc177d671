"""Declared pairings against the level that their use needs (WCAG 2.2: 1.4.3 for text, 1.4.11 for parts)."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import AA_LARGE, AA_TEXT, ratio
from heimat.core.color.overlay import over
from heimat.core.system import Pairing, Use

NEEDED: dict[Use, float | None] = {"body": AA_TEXT, "large": AA_LARGE, "part": AA_LARGE, "decoration": None}
"""The ratio that a use needs; decoration is exempt."""
USE_WORDS: dict[Use, str] = {
    "body": "body text",
    "large": "large text",
    "part": "an interface part or graphic",
    "decoration": "decoration",
}


@dataclass(frozen=True)
class TokenColor:
    """What a token comes to in a theme: 8-bit sRGB (3,), alpha, the tokens passed, and where the chain ends."""

    rgb8: Bytes
    alpha: float
    chain: tuple[str, ...]
    step: tuple[str, str] | None


@dataclass(frozen=True)
class PairingResult:
    """A pairing with its ratio; `holds` is None for decoration, which is exempt, and for a translucent ground."""

    pairing: Pairing
    ratio: float
    needed: float | None
    holds: bool | None


def translucent_ratio(foreground8: Bytes, alpha: float, ground8: Bytes) -> float:
    """The least ratio of a translucent color over its ground.

    Browsers differ from the exact composite by one level in about half of all cases, so the worst of the composite
    and of it one level up and down counts.
    """
    exact = np.rint(over(foreground8, alpha, ground8)).astype(np.intp)
    around = np.clip(exact + np.array([[-1], [0], [1]]), 0, 255)
    return float(ratio(around, ground8).min())


def check_pairing(pairing: Pairing, colors: dict[str, TokenColor]) -> PairingResult:
    """Measure one pairing of the theme whose token colors are given."""
    foreground, ground = colors[pairing.foreground], colors[pairing.ground]
    if foreground.alpha < 1.0:
        reached = translucent_ratio(foreground.rgb8, foreground.alpha, ground.rgb8)
    else:
        reached = float(ratio(foreground.rgb8, ground.rgb8))
    needed = NEEDED[pairing.use]
    known = needed is not None and ground.alpha == 1.0
    return PairingResult(pairing, reached, needed, reached >= needed if known and needed is not None else None)
