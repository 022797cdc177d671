"""Contrast targets: every step has a ratio against a ground."""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.color_text import ColorInput
from heimat.core.color.contrast import luminance_reaching, ratio_of_luminances, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.gamut import Mask
from heimat.core.color.spaces import lightness, luminance_of
from heimat.core.scales.anchors import LEAST_GAP
from heimat.core.scales.methods.drafts import Draft, Given, MethodKind, by_lightness
from heimat.core.scales.methods.settings import Settings, TypedValues

NEAREST_GROUND_RATIO = 1.02
"""Of the step that is nearest to the ground, where the ladder's aims leave it open: just beside it."""
MID_LUMINANCE = 0.1791
"""The luminance from which black contrasts more than white: sqrt(1.05 * 0.05) - 0.05."""


class ContrastTargets(Settings):
    """Ratios 1 to 21 of steps against a ground; those not typed rise evenly, by the same factor from step to step."""

    ground: ColorInput = Color(components=(1.0, 1.0, 1.0))
    targets: TypedValues = ()


def _draft(given: Given, settings: ContrastTargets) -> Draft:
    figures, targets = _contrast(given, settings)
    made = by_lightness(given, targets, figures)
    return _reaching(given, made, settings) if given.rules.reaching else made


def contrast_range(ground_luminance: float) -> tuple[float, float]:
    """The ratios that can be reached against a ground of a luminance, on its darker or lighter side."""
    end = 0.0 if ground_luminance >= MID_LUMINANCE else 1.0
    return 1.0, float(ratio_of_luminances(end, ground_luminance))


def _contrast(given: Given, settings: ContrastTargets) -> tuple[Floats, Floats]:
    """Ratios against the ground, and the L* that reach them, (n,) each."""
    ground = float(relative_luminance(rgb8_of(settings.ground)))
    darker = ground >= MID_LUMINANCE
    ends = luminance_of(given.aims[[0, -1]])
    low, high = sorted(float(each) for each in ratio_of_luminances(ends, ground))
    if darker and ends[0] > ground:
        low = NEAREST_GROUND_RATIO
    if not darker and ends[1] < ground:
        low = NEAREST_GROUND_RATIO
    first, last = (
        (max(low, NEAREST_GROUND_RATIO), high) if darker else (high, max(low, NEAREST_GROUND_RATIO))
    )
    ratios = first * (last / first) ** (given.positions / given.positions[-1])
    for place, value in given.typed.items():
        ratios[place] = value
    aims = lightness(np.clip(luminance_for(ratios, ground), 0.0, 1.0))
    # Typed ratios are in order where they are typed; on another ladder they may not be, and then steps share one.
    return ratios, np.minimum.accumulate(aims)


def _reaching(given: Given, made: Draft, settings: ContrastTargets) -> Draft:
    """Ratios that were typed hold beside an anchor too, which moves only what lies between it and them.

    A ratio on the wrong side of the anchor is not kept. Of a scale without an anchor all are.
    """
    kept = np.ones(len(made.lightness), dtype=np.bool_)
    light = made.lightness
    if made.anchor is not None:
        kept[:] = False
        light = light.copy()
        for way in (-1, 1):
            _hold(light, kept, made, sorted(given.typed, reverse=way < 0), way)
    ground = float(relative_luminance(rgb8_of(settings.ground)))
    asked = luminance_of(made.meant)
    darker = ground >= MID_LUMINANCE
    least = np.where(kept & (not darker), asked, 0.0)
    largest = np.where(kept & darker, asked, 1.0)
    return replace(made, lightness=light, windows=np.stack([least, largest]))


def _hold(light: Floats, kept: Mask, made: Draft, typed: Sequence[int], way: int) -> None:
    """Put steps (n,) on one side of the anchor at what was typed for them, and those between in proportion."""
    assert made.anchor is not None
    own, before = light[made.anchor], made.anchor
    for place in (each for each in typed if (each - before) * way > 0):
        if (own - made.meant[place]) * way < LEAST_GAP * abs(place - before):
            continue
        between = np.arange(before, place + way, way)
        light[between] = np.linspace(light[before], made.meant[place], len(between))
        kept[place] = True
        before, own = place, made.meant[place]
    if before != made.anchor:
        beyond = slice(before, None) if way > 0 else slice(None, before + 1)
        light[beyond] = made.meant[beyond]


def luminance_for(ratio: ArrayLike, ground: float) -> Floats:
    """Luminances that have ratios, of the same shape, against a ground: darker than a light one, else lighter."""
    ratios = floats(ratio)
    return luminance_reaching(ratios, ground, lighter=ground < MID_LUMINANCE)


KIND = MethodKind(
    "contrast",
    "contrast targets",
    "Every label has a ratio against a ground. Good where a label must keep a level of the guidelines.",
    _draft,
)
