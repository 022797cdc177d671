"""Every hue of a document with all that follows from it: ladder, method, curves, color, scale and display-p3 values."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.exact_color import Color
from heimat.core.document.hues import Hue
from heimat.core.document.keys import hue_key, step_key
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem, curves_of, ladder_of, method_of
from heimat.core.hues.scaling import scales_of
from heimat.core.hues.source import ResolvedSource, resolve_source
from heimat.core.scales.curves import Curves
from heimat.core.scales.generate import Scale
from heimat.core.scales.ladder import Ladder, LadderStep
from heimat.core.scales.methods import Method
from heimat.core.scales.wide_twins import WideRequest, beyond_srgb, twins


@dataclass(frozen=True)
class ResolvedHue:
    """A hue with its ladder, method and curves, whether its own or the system's, its color and its finished scale.

    `p3` (n, 3) are the display-p3 values of its steps, NaN for those without one; None where there are none.
    """

    hue: Hue
    ladder: Ladder
    method: Method
    curves: Curves
    source: ResolvedSource
    scale: Scale
    p3: Floats | None = None

    @property
    def id(self) -> str:
        """The id of the hue."""
        return self.hue.id

    @property
    def name(self) -> str:
        """The name of the hue."""
        return self.hue.name

    @property
    def key(self) -> str:
        """The key of the hue."""
        return hue_key(self.hue.id)

    @property
    def color(self) -> Color:
        """The opaque color that the scale is made from."""
        return self.source.color

    @property
    def rgb8(self) -> Bytes:
        """The steps as published, (n, 3)."""
        return self.scale.rgb8

    @property
    def steps(self) -> tuple[LadderStep, ...]:
        """The steps of the ladder, from light to dark."""
        return self.ladder.steps

    @cached_property
    def _places(self) -> dict[str, int]:
        return {step.id: place for place, step in enumerate(self.ladder.steps)}

    def place(self, step_id: str) -> int | None:
        """The position of a step, or None where the ladder has none of that id."""
        return self._places.get(step_id)

    @cached_property
    def own_place(self) -> int | None:
        """The position at which the hue's own color stands in its scale, to the bit; None where it does not."""
        place = self.scale.anchor
        return (
            place
            if place is not None and bool((self.rgb8[place] == self.scale.source8).all())
            else None
        )

    def step_key(self, place: int) -> str:
        """The key of the step at a position."""
        return step_key(self.hue.id, self.ladder.steps[place].id)

    def step_name(self, place: int) -> str:
        """A step as people say it: tidewater 600."""
        return f"{self.hue.name} {self.ladder.steps[place].label}"

    def p3_at(self, place: int) -> Floats | None:
        """The display-p3 value (3,) of a step, where it has one of its own."""
        value = None if self.p3 is None else self.p3[place]
        return None if value is None or np.isnan(value).any() else value


def resolve_hues(system: ColorSystem) -> tuple[ResolvedHue, ...]:
    """All hues of a document, in order."""
    return resolved_hues(system, in_order(system.hues))


def resolved_hues(system: ColorSystem, hues: Sequence[Hue]) -> tuple[ResolvedHue, ...]:
    """Some hues as they stand, or would stand, in a document; their scales are made at once."""
    sources = [resolve_source(system, hue) for hue in hues]
    scales = scales_of(system, hues)
    wide = _wide(system, hues, sources, scales)
    return tuple(
        ResolvedHue(
            hue,
            ladder_of(system, hue),
            method_of(system, hue),
            curves_of(system, hue),
            source,
            scale,
            p3,
        )
        for hue, source, scale, p3 in zip(hues, sources, scales, wide, strict=True)
    )


def _wide(
    system: ColorSystem,
    hues: Sequence[Hue],
    sources: Sequence[ResolvedSource],
    scales: Sequence[Scale],
) -> list[Floats | None]:
    """The display-p3 values of scales with a source or pin beyond sRGB, or where they are wished, where any differ."""
    found: list[Floats | None] = [None] * len(hues)
    requests: dict[int, WideRequest] = {}
    for at, (hue, source, scale) in enumerate(zip(hues, sources, scales, strict=True)):
        beyond = beyond_srgb(source.color) or any(beyond_srgb(color) for color in hue.pins.values())
        if beyond if hue.wide is None else hue.wide:
            ladder = ladder_of(system, hue)
            pins = {ladder.index(step) or 0: color for step, color in hue.pins.items()}
            requests[at] = WideRequest(scale, source.color, pins)
    for at, values in zip(requests, twins(list(requests.values())), strict=True):
        found[at] = None if np.isnan(values).all() else values
    return found
