"""Generating scales: method with its anchor, curves, pins, nudges, gamut, 8-bit choice, in this order, all at once."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats, to_bytes
from heimat.core.color.gamut import solve
from heimat.core.color.notation import Color, rgb8_of
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import luminance_of
from heimat.core.errors import DomainError
from heimat.core.scales.anchors import LEAST_GAP, AnchorMode
from heimat.core.scales.curves import Curves, Ends, at_reach, reach
from heimat.core.scales.methods import Draft, Given, Method, draft
from heimat.core.scales.nudges import through_pins

LATEST_GENERATOR = 1


@dataclass(frozen=True)
class ScaleRequest:
    """What one scale is made from.

    `lightness` lists the L* aimed at, from light to dark, shape (n,); `fixed` is the position that a `label` anchor
    names; `pins` maps positions to colors that stand there to the bit, and where they are `smooth` their neighbours
    pass through them; `nudges` maps positions to changes of L*, chroma and hue, (3,); `neutral` keeps the tint at
    both ends; `typed` maps positions to values of the method. Steps at `between` were put between two others.
    """

    source: Color
    lightness: Floats
    anchor: AnchorMode = "nearest"
    fixed: int | None = None
    neutral: bool = False
    pins: Mapping[int, Bytes] = field(default_factory=dict)
    smooth: bool = False
    nudges: Mapping[int, Floats] = field(default_factory=dict)
    method: Method = field(default_factory=Method)
    typed: Mapping[int, float] = field(default_factory=dict)
    curves: Curves = field(default_factory=Curves)
    between: frozenset[int] = frozenset()


@dataclass(frozen=True)
class Scale:
    """One finished scale of n steps, from light to dark.

    rgb8 (n, 3) is what is published. lightness (n,) is the L* solved for, chroma and hue (n,) what the curves asked
    of OKLCH. `anchor` is the position that is the source itself, `source8` (3,) the source's 8-bit value and
    `source_lightness` its L*. `figures` (n,) are the method's own numbers, where it has any; `ends` the tapers and
    drifts in force at the light and the dark end. `drafted` (n, 3) are L*, chroma and hue as the method gives them,
    and `reaches` (n,) where these stand against the source, before any curve.
    """

    rgb8: Bytes
    lightness: Floats
    chroma: Floats
    hue: Floats
    anchor: int | None
    source8: Bytes
    source_lightness: float
    figures: Floats | None
    ends: Ends
    drafted: Floats
    reaches: Floats

    @property
    def crowded(self) -> bool:
        """Whether an anchor near white or black leaves its side too little room to keep the steps apart."""
        return bool((-np.diff(self.lightness)).min() < LEAST_GAP - 1e-9)


@dataclass(frozen=True)
class _Plan:
    """A scale before its colors are chosen: `aims` (n, 3), and mixed colors (n, 3) where `mixed` (n,) says so."""

    request: ScaleRequest
    draft: Draft
    aims: Floats
    mixed: NDArray[np.bool_]
    source8: Bytes
    source_lightness: float
    ends: Ends
    start: Floats
    reaches: Floats


def generate(requests: Sequence[ScaleRequest], generator: int = LATEST_GENERATOR) -> list[Scale]:
    """Make scales; the same requests give the same bytes for ever.

    Raises DomainError (field `generator`) for a version of the rules that this program does not have.
    """
    if generator != LATEST_GENERATOR:
        raise DomainError(f"This Heimat has no generator {generator}.", "generator", "unknown")
    if not requests:
        return []
    plans = [_plan(request) for request in requests]
    aims, mixed = np.concatenate([plan.aims for plan in plans]), np.concatenate([plan.mixed for plan in plans])
    light, chroma, hue = aims[~mixed].T
    all8 = np.zeros((len(aims), 3), dtype=np.uint8)
    if len(light):
        all8[~mixed] = nearest_bytes(solve(luminance_of(np.clip(light, 0.0, 100.0)), np.maximum(chroma, 0.0), hue))
    ends = np.cumsum([len(plan.aims) for plan in plans])[:-1]
    return [_finish(plan, rgb8) for plan, rgb8 in zip(plans, np.split(all8, ends), strict=True)]


def _plan(request: ScaleRequest) -> _Plan:
    """The method's draft, then curves, then the neighbours of pins, then nudges."""
    counted = np.array([place not in request.between for place in range(len(request.lightness))])
    given = Given(request.source, request.lightness, request.anchor, request.fixed, request.typed, counted)
    found = draft(given, request.method)
    colored = found.srgb is not None
    ends = request.curves.ends(float(given.oklch[2]), neutral=request.neutral, colored=colored)
    reaches = reach(found.lightness, given.lightness)
    kept, turned = request.curves.shares(ends, reaches), request.curves.turns(ends, reaches)
    light = at_reach(request.curves.moved(reaches), given.lightness) if request.curves.lightness else found.lightness
    start = np.stack([found.lightness, found.chroma, found.hue], axis=-1)
    aims = np.stack([light, found.chroma * kept, found.hue + turned], axis=-1)
    if request.smooth and request.pins:
        aims = through_pins(aims, request.pins, found.anchor, given.positions)
    for place, nudge in request.nudges.items():
        aims[place] = aims[place] + nudge
    # A mixed color that nothing changes stays as it was mixed, to the bit.
    mixed = np.asarray((np.abs(aims - start) < 1e-12).all(axis=-1) & colored)
    return _Plan(request, found, aims, mixed, rgb8_of(request.source), given.lightness, ends, start, reaches)


def _finish(plan: _Plan, rgb8: Bytes) -> Scale:
    """Anchor and pins are exempt from every choice: they stand to the bit."""
    found = plan.draft
    exact = rgb8.copy()
    if found.srgb is not None:
        exact[plan.mixed] = to_bytes(found.srgb[plan.mixed])
    if found.anchor is not None:
        exact[found.anchor] = plan.source8
    for place, pinned in plan.request.pins.items():
        exact[place] = pinned
    light, chroma, hue = plan.aims.T
    own = plan.source_lightness
    return Scale(
        exact, light, chroma, hue, found.anchor, plan.source8, own, found.figures, plan.ends, plan.start, plan.reaches
    )
