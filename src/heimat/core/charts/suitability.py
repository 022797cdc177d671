"""What a set of colors suits as a palette, and what kind of palette suits a column of data; and why, in figures."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from heimat.core.charts.apart import SERIES_APART, nearest_pair
from heimat.core.charts.columns import Column, finite
from heimat.core.charts.gathering import MOST_DRAWN
from heimat.core.charts.ramp import lights, spread
from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.color.thresholds import CALLED_BY_HUE

PaletteKind = Literal["categorical", "sequential", "diverging"]
MOST_LOPSIDED = 10.0
"""L* by which both ends may differ and still be as strong as each other."""
LEAST_SPAN = 30.0
"""L* from end to end below which an order is hardly seen."""
MOST_UNEVEN = 0.35
"""How much steps may vary (standard deviation over mean) and still be read as even."""
_SIDES = 45.0
"""Degrees of hue between two ends from which on they are two sides and not one."""


@dataclass(frozen=True)
class Suits:
    """Whether a set suits one kind of palette, and the reason in a sentence with its figures."""

    kind: PaletteKind
    suits: bool
    why: str


def kind_for(column: Column) -> tuple[PaletteKind, str] | None:
    """The kind of palette that a column of data is told by, and what says so; None where colors would tell nothing.

    Words that are nearly all different are names and no categories. Numbers on both sides of 0 go two ways.
    """
    if column.kind == "word":
        count, rows = len(column.categories), sum(bool(word) for word in column.words)
        if count < 2 or (count > MOST_DRAWN and 2 * count > rows):
            return None
        return "categorical", f"{count} categories"
    values = finite(column.numbers) if column.kind == "number" else np.empty(0)
    if len(values) == 0 or values.min() == values.max():
        return None
    low, high = float(values.min()), float(values.max())
    if low < 0.0 < high:
        return "diverging", f"{low:g} to {high:g}, on both sides of 0"
    return "sequential", f"{low:g} to {high:g}"


def suitability(rgb8: Bytes) -> list[Suits]:
    """What 8-bit colors (n, 3), in their order, suit: what they suit comes first, of that what asks for most."""
    found = [_diverging(rgb8), _sequential(rgb8), _categorical(rgb8)]
    return sorted(found, key=lambda each: not each.suits)


def _categorical(rgb8: Bytes) -> Suits:
    if len(rgb8) < 2:
        return Suits("categorical", False, "One color is no set of categories.")
    least, one, other = nearest_pair(rgb8)
    why = f"The nearest two, {one + 1} and {other + 1}, are CIEDE2000 {distance_text(least)} apart under any vision"
    enough = least >= SERIES_APART
    return Suits(
        "categorical",
        enough,
        f"{why}; {'that is told apart' if enough else f'{SERIES_APART:g} is asked for'}.",
    )


def _sequential(rgb8: Bytes) -> Suits:
    light = lights(rgb8)
    if len(light) < 3:
        return Suits("sequential", False, "An order takes three colors at least.")
    steps, span = np.diff(light), abs(float(light[-1] - light[0]))
    if not ((steps > 0.0).all() or (steps < 0.0).all()):
        return Suits(
            "sequential", False, "Their lightness turns on the way, so they show no order."
        )
    if span < LEAST_SPAN:
        return Suits(
            "sequential",
            False,
            f"From end to end they span {span:.0f} L*; {LEAST_SPAN:g} is asked for.",
        )
    uneven = float(spread(from_bytes(rgb8)))
    why = f"Lightness goes one way, over {span:.0f} L*; steps vary by {uneven:.0%}"
    even = uneven <= MOST_UNEVEN
    return Suits(
        "sequential",
        even,
        f"{why}{'' if even else f', {MOST_UNEVEN:.0%} is the most for even steps'}.",
    )


def _diverging(rgb8: Bytes) -> Suits:
    light = lights(rgb8)
    if len(light) < 4:
        return Suits("diverging", False, "Two directions take four colors at least.")
    turn = _turning_place(light)
    if turn is None:
        return Suits("diverging", False, "Lightness does not rise to one middle and fall from it.")
    low, high = srgb_to_oklch(from_bytes(rgb8[[0, -1]]))
    apart = abs(float(turn_between(low[2], high[2])))
    if min(low[1], high[1]) < CALLED_BY_HUE or apart < _SIDES:
        return Suits(
            "diverging", False, f"Its ends are {apart:.0f}° of hue apart: they are not two sides."
        )
    off = abs(float(light[0] - light[-1]))
    # An even number of colors has a limit in the middle: either of the two beside it may be the one that turns.
    middle = abs(turn - (len(light) - 1) / 2) <= (0.5 if len(light) % 2 == 0 else 0.0)
    first = int(turn) + 1
    where = f"at color {first}" if turn == int(turn) else f"between colors {first} and {first + 1}"
    why = f"Lightness turns {where} of {len(light)}; its ends are {off:.1f} L* and {apart:.0f}° of hue apart"
    return Suits(
        "diverging",
        middle and off <= MOST_LOPSIDED,
        why + ("." if middle else ": that is not the middle."),
    )


def _turning_place(light: Floats) -> float | None:
    """Where lightness turns, if it turns once, between the ends: at a color, or half-way between two that are alike."""
    signs = np.sign(np.diff(light))
    level = np.flatnonzero(signs == 0)
    moving = signs[signs != 0]
    turns = np.flatnonzero(moving[1:] != moving[:-1]) + 1
    if len(turns) != 1 or len(level) > 1:
        return None
    turn = int(turns[0])
    if len(level) == 0:
        return float(turn)
    return turn + 0.5 if level[0] == turn else None
