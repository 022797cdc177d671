"""Two colors against each other: the ratio, what it suffices for, and how far each may move in lightness."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import (
    AA_LARGE,
    AA_TEXT,
    AAA_TEXT,
    luminance_reaching,
    ratio,
    relative_luminance,
)
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.gamut import solve
from heimat.core.color.overlay import solid
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.errors import DomainError
from heimat.core.resolve.checked_pairings import translucent_ratio

LEVELS = (AA_LARGE, AA_TEXT, AAA_TEXT)


@dataclass(frozen=True)
class Interval:
    """The CIE L* that reach a level against the other color: up to `dark`, from `light` on; None where none does."""

    level: float
    dark: float | None
    light: float | None
    room: float
    """By how much L* the color is inside what passes; below 0 by how much it falls short."""


@dataclass(frozen=True)
class PairSide:
    """One color of a pair: 8 bits (3,) as composited, CIE L*, OKLCH chroma and hue, and where it passes."""

    rgb8: Bytes
    light: float
    chroma: float
    hue: float
    passes: tuple[Interval, ...]


@dataclass(frozen=True)
class PairResult:
    """Two colors, and their contrast."""

    one: PairSide
    other: PairSide
    ratio: float


def moved(color: Color, light: float, chroma: float, hue: float) -> Color:
    """A color at another CIE L*, OKLCH chroma and hue, inside the gamut; black and white stay what they are."""
    made = nearest_bytes(
        solve(luminance_of(np.array([light])), np.array([chroma]), np.array([hue % 360.0]))
    )
    return Color.of_bytes(made[0]).model_copy(update={"alpha": color.alpha})


def read_pair(one: Color, other: Color) -> PairResult:
    """Read two colors. A translucent one is composited over the other.

    Raises DomainError where both are translucent: a ground is missing.
    """
    if one.alpha < 1.0 and other.alpha < 1.0:
        raise DomainError(
            "Both are translucent: give one of them an opaque color to stand on.",
            "other",
            "translucent",
        )
    colors = [rgb8_of(one), rgb8_of(other)]
    if one.alpha < 1.0:
        reached = translucent_ratio(colors[0], one.alpha, colors[1])
        colors[0] = solid(colors[0], one.alpha, colors[1])
    elif other.alpha < 1.0:
        reached = translucent_ratio(colors[1], other.alpha, colors[0])
        colors[1] = solid(colors[1], other.alpha, colors[0])
    else:
        reached = float(ratio(colors[0], colors[1]))
    return PairResult(_side(colors[0], colors[1]), _side(colors[1], colors[0]), reached)


def _side(rgb8: Bytes, against: Bytes) -> PairSide:
    light = float(lightness(relative_luminance(rgb8)))
    _, chroma, hue = (float(number) for number in srgb_to_oklch(rgb8 / 255.0))
    under = float(relative_luminance(against))
    return PairSide(
        rgb8, light, chroma, hue % 360.0, tuple(_interval(level, light, under) for level in LEVELS)
    )


def _interval(level: float, light: float, under: float) -> Interval:
    dark_edge = float(luminance_reaching(level, under, lighter=False))
    light_edge = float(luminance_reaching(level, under, lighter=True))
    dark = float(lightness(dark_edge)) if dark_edge >= 0.0 else None
    bright = float(lightness(light_edge)) if light_edge <= 1.0 else None
    rooms = [dark - light] if dark is not None else []
    rooms += [light - bright] if bright is not None else []
    return Interval(level, dark, bright, max(rooms, default=-100.0))
