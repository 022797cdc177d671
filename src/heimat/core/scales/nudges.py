"""Nudges, and the neighbors of pins: what is changed by hand on top of what is generated."""

from collections.abc import Mapping
from typing import Annotated

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import lightness, srgb_to_oklab

_REACHES = (1.0, 0.5, 0.25)
"""Shares of a pin's offset that its neighbors try to take; less than all where all would break the order."""


class Nudge(BaseModel):
    """By how much a step differs from what is generated: L*, OKLCH chroma, and degrees of OKLCH hue."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    lightness: Annotated[float, Field(ge=-100.0, le=100.0)] = 0.0
    chroma: Annotated[float, Field(ge=-STRONGEST_CHROMA, le=STRONGEST_CHROMA)] = 0.0
    hue: Annotated[float, Field(ge=-180.0, le=180.0)] = 0.0

    def values(self) -> Floats:
        """The three as an array, shape (3,)."""
        return np.array([self.lightness, self.chroma, self.hue])

    @property
    def nothing(self) -> bool:
        """Whether it changes nothing that could be seen."""
        return abs(self.lightness) < 0.005 and abs(self.chroma) < 0.00005 and abs(self.hue) < 0.005


def through_pins(
    aims: Floats, pins: Mapping[int, Bytes], anchor: int | None, positions: Floats
) -> Floats:
    """Let the neighbors of pins pass smoothly through them.

    `aims` (n, 3) are L*, OKLCH chroma and hue of the steps, `positions` (n,) where they stand. The neighbors on each
    side take a half, a quarter, ... of a pin's offset from its own aim, measured along L* and the two axes of OKLab,
    up to the anchor or the next pin. Where that would break the order of lightness, they take less.
    """
    held = {*pins, anchor}
    flat = _to_axes(aims)
    offsets = np.zeros_like(flat)
    for place, rgb8 in pins.items():
        _, a, b = srgb_to_oklab(from_bytes(rgb8))
        own = np.array([float(lightness(relative_luminance(rgb8))), a, b]) - flat[place]
        for way in (-1, 1):
            at = place + way
            while 0 <= at < len(flat) and at not in held:
                offsets[at] += own * 0.5 ** abs(positions[at] - positions[place])
                at += way
    for reach in _REACHES:
        moved = flat + offsets * reach
        for place, rgb8 in pins.items():
            moved[place, 0] = lightness(relative_luminance(rgb8))
        if (np.diff(moved[:, 0]) < 0.0).all() and moved[-1, 0] >= 0.0 and moved[0, 0] <= 100.0:
            return _from_axes(flat + offsets * reach, aims)
    return aims


def _to_axes(aims: Floats) -> Floats:
    turn = np.radians(aims[:, 2])
    return np.stack([aims[:, 0], aims[:, 1] * np.cos(turn), aims[:, 1] * np.sin(turn)], axis=-1)


def _from_axes(axes: Floats, before: Floats) -> Floats:
    chroma = np.hypot(axes[:, 1], axes[:, 2])
    # A gray keeps the hue that was meant, so that it takes it up again where color comes back.
    turn = np.where(chroma > 1e-9, np.degrees(np.arctan2(axes[:, 2], axes[:, 1])), before[:, 2])
    return np.stack([axes[:, 0], chroma, turn], axis=-1)
