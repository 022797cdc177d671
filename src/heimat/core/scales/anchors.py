"""Anchors: where the hue's own color stands in its scale, and how the ladder bends to let it."""

from typing import Annotated, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask
from heimat.core.scales.ladder import LONGEST_STEP_ID

LEAST_GAP = 1.0
"""L* between neighbours below which a side of the ladder is stretched beyond its end."""

_CEILING = 99.5
"""L* of the lightest step where a share of the source's offset would make it white."""
_LEAST_SHARE = 0.7
"""The share of an even gap that is left beside an anchor."""

AnchorMode = Literal["nearest", "label", "guide"]


class Anchor(BaseModel):
    """nearest: the step nearest in lightness becomes the source. label: a chosen step does. guide: none does."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    mode: AnchorMode = "nearest"
    step: Annotated[str | None, Field(max_length=LONGEST_STEP_ID)] = None


def place_of(targets: Floats, source_lightness: float, mode: AnchorMode, fixed: int | None, counted: Mask) -> int:
    """The position of a fixed label, else of the counted target nearest to the source's L*; the lighter of two."""
    if mode == "label" and fixed is not None:
        return fixed
    return int(np.argmin(np.where(counted, np.abs(targets - source_lightness), np.inf)))


def bend(
    targets: Floats, source_lightness: float, mode: AnchorMode, fixed: int | None, counted: Mask
) -> tuple[Floats, int | None]:
    """Bend the L* targets (n,) so that the source stands among them.

    Returns the bent targets and the position of the source, None for a guide. At the nearest label, the neighbours
    on each side take a half, a quarter, ... of its offset, so that no gap jumps out; a source farther off than half
    a gap, and one at a fixed label, stretch both sides evenly instead. Steps that are not `counted` (n,) go along
    between their neighbours, so that putting one in moves no other.
    """
    if mode == "guide":
        return targets, None
    place = place_of(targets, source_lightness, mode, fixed, counted)
    main = counted.copy()
    main[place] = True
    bent, at = _bend_main(targets[main], source_lightness, int(main[:place].sum()), mode == "label")
    if main.all():
        return bent, at
    return np.interp(-targets, -targets[main], bent), int(np.flatnonzero(main)[at])


def _bend_main(targets: Floats, source_lightness: float, place: int, fixed: bool) -> tuple[Floats, int]:
    if fixed:
        return stretch(targets, source_lightness, place), place
    offset = source_lightness - targets[place]
    shared = _shared(targets, source_lightness, place)
    gaps = -np.diff(targets)
    if place > 0 and shared[0] >= 100.0:
        # Steps far apart leave no room toward white for a share; then the lighter label may be the better place.
        shared[0] = _CEILING
        if shared[0] - shared[1] < _LEAST_SHARE * gaps[0]:
            place -= 1
            shared = _shared(targets, source_lightness, place)
            offset = min(offset, gaps.max() / 2.0)
    if abs(offset) <= gaps.max() / 2.0 and (np.diff(shared) < 0.0).all() and shared[0] < 100.0 and shared[-1] > 0.0:
        return shared, place
    return stretch(targets, source_lightness, place), place


def _shared(targets: Floats, source_lightness: float, place: int) -> Floats:
    """The targets with the source at a place, whose offset the neighbours share."""
    offset = source_lightness - targets[place]
    shared = targets + offset * 0.5 ** np.abs(np.arange(len(targets)) - place)
    shared[place] = source_lightness
    return shared


def stretch(targets: Floats, source_lightness: float, place: int) -> Floats:
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
