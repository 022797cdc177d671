"""What a method starts from, and what it gives."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes, to_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, lightness_of, oklch_of
from heimat.core.color.gamut import Mask, solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.scales.anchors import AnchorMode, stretch
from heimat.core.scales.generator_rules import Rules


@dataclass(frozen=True)
class Given:
    """What a method starts from: the source, the aims L* (n,), the anchor wanted, and typed values by position.

    `counted` (n,) is False for steps that were put between two others: they move none. `stops` are colors by position.
    """

    source: Color
    aims: Floats
    anchor: AnchorMode
    fixed: int | None
    typed: Mapping[int, float]
    counted: Mask
    rules: Rules
    stops: Mapping[int, Color]

    @cached_property
    def positions(self) -> Floats:
        """Where the steps stand when those put between others are not counted, (n,)."""
        main = self.aims[self.counted]
        return np.interp(-self.aims, -main, np.arange(len(main), dtype=np.float64))

    @cached_property
    def lightness(self) -> float:
        """L* of the source as it is published."""
        return lightness_of(self.source)

    @cached_property
    def oklch(self) -> Floats:
        """The source in OKLCH, (3,)."""
        return oklch_of(self.source)

    @property
    def place(self) -> int:
        """The position at which the source stands, or would stand nearest."""
        return self._place(self.aims)

    def _place(self, targets: Floats) -> int:
        if self.anchor == "label" and self.fixed is not None:
            return self.fixed
        return self.rules.place(targets, self.lightness, self.oklch, self.counted)

    def bent(self, targets: Floats) -> tuple[Floats, int | None]:
        """L* targets (n,) so that the source stands among them, and its position; as they are, and None, for a guide.

        A source at a fixed label stretches both sides evenly. Steps that are not counted go along between their
        neighbors, so that putting one in moves no other.
        """
        if self.anchor == "guide":
            return targets, None
        place = self._place(targets)
        main = self.counted.copy()
        main[place] = True
        among = int(main[:place].sum())
        if self.anchor == "label":
            bent = stretch(targets[main], self.lightness, among)
        else:
            bent, among = self.rules.bend(targets[main], self.lightness, among)
        if main.all():
            return bent, among
        return np.interp(-targets, -targets[main], bent), int(np.flatnonzero(main)[among])


@dataclass(frozen=True)
class Draft:
    """What a method gives: L*, OKLCH chroma and hue (n,), the source's position, and mixed sRGB colors (n, 3) if any.

    `meant` (n,) is the L* before an anchor bends it. `figures` (n,) are the method's own numbers, as they may be typed:
    ratios, percentages, HSL lightness; or none. `windows` (2, n) are the least and the largest luminance of a step that
    keep to what was asked of it. `wide` (n, 2) are chroma and hue of the same mix made from colors as they were given,
    where sRGB does not hold them.
    """

    lightness: Floats
    chroma: Floats
    hue: Floats
    meant: Floats
    anchor: int | None
    srgb: Floats | None = None
    figures: Floats | None = None
    wide: Floats | None = None
    windows: Floats | None = None


@dataclass(frozen=True)
class MethodKind:
    """A method: its name and how people say it, a sentence on what it is good for, and the pure function that it is.

    `draft` takes what is given and the method's own settings; None of a method without any.
    """

    name: str
    words: str
    sentence: str
    draft: Callable[[Given, Any], Draft]


def by_lightness(given: Given, targets: Floats, figures: Floats | None) -> Draft:
    """A draft of the L* targets (n,), bent about the anchor, at the source's own chroma and hue."""
    _, chroma, hue = given.oklch
    bent, anchor = given.bent(targets)
    count = len(bent)
    return Draft(bent, np.full(count, chroma), np.full(count, hue), targets, anchor, None, figures)


def of_colors(
    srgb: Floats, anchor: int | None, figures: Floats | None, wide: Floats | None
) -> Draft:
    """A draft of mixed colors (n, 3), and of what they are without a gamut. What is published, and L*, is of 8 bits."""
    rgb8 = to_bytes(srgb)
    _, chroma, hue = np.moveaxis(srgb_to_oklch(srgb), -1, 0)
    unheld_parts = None if wide is None else srgb_to_oklch(wide)[:, 1:]
    light = lightness(relative_luminance(rgb8))
    return Draft(light, chroma, hue, light, anchor, srgb, figures, unheld_parts)


def resolved(srgb: Floats, chroma: Floats, hue: Floats) -> Floats:
    """Colors (n, 3) of the luminance of others as published, with other chroma and hue (n,); of 8 bits."""
    return from_bytes(nearest_bytes(solve(relative_luminance(to_bytes(srgb)), chroma, hue)))
