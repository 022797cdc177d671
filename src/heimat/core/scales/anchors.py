"""Anchors: where the hue's own color stands in its scale, and how the ladder bends to let it."""

from typing import Annotated, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.arrays import Floats

LEAST_GAP = 1.0
"""L* between neighbours below which a side of the ladder is stretched beyond its end."""

AnchorMode = Literal["nearest", "label", "guide"]


class Anchor(BaseModel):
    """nearest: the step nearest in lightness becomes the source. label: a chosen step does. guide: none does."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    mode: AnchorMode = "nearest"
    step: Annotated[str | None, Field(max_length=24)] = None


def bend(targets: Floats, source_lightness: float, mode: AnchorMode, fixed: int | None) -> tuple[Floats, int | None]:
    """Bend the L* targets (n,) so that the source stands among them.

    Returns the bent targets and the position of the source, None for a guide. At the nearest label, the neighbours
    on each side take a half, a quarter, ... of its offset, so that no gap jumps out; a source farther off than half
    a gap, and one at a fixed label, stretch both sides evenly instead.
    """
    if mode == "guide":
        return targets, None
    if mode == "label" and fixed is not None:
        return _stretch(targets, source_lightness, fixed), fixed
    place = int(np.argmin(np.abs(targets - source_lightness)))
    offset = source_lightness - targets[place]
    shared = targets + offset * 0.5 ** np.abs(np.arange(len(targets)) - place)
    half_gap = np.abs(np.diff(targets)).max() / 2.0
    shared[place] = source_lightness
    if abs(offset) <= half_gap and (np.diff(shared) < 0.0).all() and shared[0] < 100.0 and shared[-1] > 0.0:
        return shared, place
    return _stretch(targets, source_lightness, place), place


def _stretch(targets: Floats, source_lightness: float, place: int) -> Floats:
    """Map each side of the ladder linearly onto what is left between its end and the source.

    A side with too little room goes beyond the ladder's end, toward white or black, to keep its steps apart.
    """
    bent = targets.copy()
    below = len(targets) - 1 - place
    top = min(max(targets[0], source_lightness + place * LEAST_GAP), 100.0)
    bottom = max(min(targets[-1], source_lightness - below * LEAST_GAP), 0.0)
    if place > 0:
        share = (targets[:place] - targets[place]) / (targets[0] - targets[place])
        bent[:place] = source_lightness + share * (top - source_lightness)
    if place < len(targets) - 1:
        share = (targets[place] - targets[place + 1 :]) / (targets[place] - targets[-1])
        bent[place + 1 :] = source_lightness - share * (source_lightness - bottom)
    bent[place] = source_lightness
    return bent
