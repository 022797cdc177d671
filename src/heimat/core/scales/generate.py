"""Generating scales: aim, anchor, curves, gamut, 8-bit choice, in this order, for all scales at once."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.gamut import solve
from heimat.core.color.notation import Color, oklch_of, rgb8_of
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import lightness, luminance_of
from heimat.core.errors import DomainError
from heimat.core.scales.anchors import LEAST_GAP, AnchorMode, bend
from heimat.core.scales.curves import dark_drift, reach, taper

LATEST_GENERATOR = 1


@dataclass(frozen=True)
class ScaleRequest:
    """What one scale is made from.

    `lightness` lists the L* aimed at, from light to dark, shape (n,); `fixed` is the position that a `label` anchor
    names; `pins` maps positions to colors that stand there to the bit; `neutral` keeps the tint at both ends.
    """

    source: Color
    lightness: Floats
    anchor: AnchorMode = "nearest"
    fixed: int | None = None
    neutral: bool = False
    pins: Mapping[int, Bytes] = field(default_factory=dict)


@dataclass(frozen=True)
class Scale:
    """One finished scale of n steps, from light to dark.

    rgb8 (n, 3) is what is published. lightness (n,) is the L* solved for, chroma and hue (n,) what the curves asked
    of OKLCH. `anchor` is the position that is the source itself, `source8` (3,) the source's 8-bit value and
    `source_lightness` its L*.
    """

    rgb8: Bytes
    lightness: Floats
    chroma: Floats
    hue: Floats
    anchor: int | None
    source8: Bytes
    source_lightness: float

    @property
    def crowded(self) -> bool:
        """Whether an anchor near white or black leaves its side too little room to keep the steps apart."""
        return bool((-np.diff(self.lightness)).min() < LEAST_GAP - 1e-9)


@dataclass(frozen=True)
class _Plan:
    request: ScaleRequest
    lightness: Floats
    chroma: Floats
    hue: Floats
    anchor: int | None
    source8: Bytes
    source_lightness: float


def generate(requests: Sequence[ScaleRequest], generator: int = LATEST_GENERATOR) -> list[Scale]:
    """Make scales by even perceived lightness; the same requests give the same bytes for ever.

    Raises DomainError (field `generator`) for a version of the rules that this program does not have.
    """
    if generator != LATEST_GENERATOR:
        raise DomainError(f"This Heimat has no generator {generator}.", "generator", "unknown")
    if not requests:
        return []
    plans = [_plan(request) for request in requests]
    luminance = luminance_of(np.concatenate([plan.lightness for plan in plans]))
    chroma = np.concatenate([plan.chroma for plan in plans])
    hue = np.concatenate([plan.hue for plan in plans])
    all8 = nearest_bytes(solve(luminance, chroma, hue))
    ends = np.cumsum([len(plan.lightness) for plan in plans])[:-1]
    return [_finish(plan, rgb8) for plan, rgb8 in zip(plans, np.split(all8, ends), strict=True)]


def _plan(request: ScaleRequest) -> _Plan:
    source8 = rgb8_of(request.source)
    _, chroma, hue = oklch_of(request.source)
    source_lightness = float(lightness(relative_luminance(source8)))
    targets, anchor = bend(request.lightness, source_lightness, request.anchor, request.fixed)
    light, dark = reach(targets, source_lightness)
    return _Plan(
        request,
        targets,
        chroma * taper(light, dark, neutral=request.neutral),
        hue + dark_drift(float(hue)) * dark,
        anchor,
        source8,
        source_lightness,
    )


def _finish(plan: _Plan, rgb8: Bytes) -> Scale:
    """Anchor and pins are exempt from every choice: they stand to the bit."""
    exact = rgb8.copy()
    if plan.anchor is not None:
        exact[plan.anchor] = plan.source8
    for place, pinned in plan.request.pins.items():
        exact[place] = pinned
    return Scale(exact, plan.lightness, plan.chroma, plan.hue, plan.anchor, plan.source8, plan.source_lightness)
