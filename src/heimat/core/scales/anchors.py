"""Anchors: where the hue's own color stands in its scale."""

from typing import Annotated, Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask
from heimat.core.scales.ladder import LONGEST_STEP_ID

LEAST_GAP = 1.0
"""L* between neighbors below which a side of the ladder is stretched beyond its end."""

AnchorMode = Literal["nearest", "label", "guide"]


class Anchor(BaseModel):
    """nearest: the step nearest in lightness becomes the source. label: a chosen step does. guide: none does."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    mode: AnchorMode = "nearest"
    step: Annotated[str | None, Field(max_length=LONGEST_STEP_ID)] = None


def nearest(targets: Floats, source_lightness: float, counted: Mask) -> int:
    """The position of the counted target (n,) nearest to the source's L*; the lighter of two."""
    return int(np.argmin(np.where(counted, np.abs(targets - source_lightness), np.inf)))


def stretch(targets: Floats, source_lightness: float, place: int) -> Floats:
    """Map each side of the ladder (n,) linearly onto what is left between its end and the source.

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
