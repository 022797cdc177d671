"""Handles: points that a curve passes through, between the source and the ends of a scale.

Between its points a curve is a cubic that never leaves the range of its two neighbors (Fritsch and Butland 1984), so
a curve whose points rise or fall rises or falls everywhere.
"""

from collections.abc import Sequence
from typing import Annotated

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.arrays import Floats

MOST_HANDLES = 12


class Handle(BaseModel):
    """A point of a curve: `at` a reach of -1, the light end, to 1, the dark end; at the source, 0, stands none.

    `value` is, by curve, what the step there shall have: of lightness, the share 0 to 1 of the way from the source to
    the end; of chroma, the share of what the source has; of hue, the degrees turned away from the source.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    at: Annotated[float, Field(ge=-1.0, le=1.0, allow_inf_nan=False)]
    value: Annotated[float, Field(ge=-180.0, le=180.0, allow_inf_nan=False)]


Handles = Annotated[tuple[Handle, ...], Field(max_length=MOST_HANDLES)]


def put(handles: Sequence[Handle], at: float, value: float | None) -> tuple[Handle, ...]:
    """The handles, from light to dark, with that of a place set, or without it where the value is None."""
    others = [handle for handle in handles if abs(handle.at - at) > 1e-9]
    if value is not None:
        others.append(Handle(at=at, value=value))
    return tuple(sorted(others, key=lambda handle: handle.at))


def through(x: Floats, y: Floats, at: Floats) -> Floats:
    """The curve through the points x (k,), rising, and y (k,), at places (n,); beyond the ends it stays level.

    With y (n, k), each place is on a curve of its own.
    """
    width = np.diff(x)
    slope = np.diff(y) / width
    tangent = np.zeros_like(y)
    tangent[..., 0], tangent[..., -1] = slope[..., 0], slope[..., -1]
    one, other = slope[..., :-1], slope[..., 1:]
    first, second = 2.0 * width[1:] + width[:-1], width[1:] + 2.0 * width[:-1]
    # Where the slope changes its sign, the curve is level; there its mean is not asked for.
    same = np.sign(one) * np.sign(other) > 0.0
    # The weighted harmonic mean of both, told in shares of the flatter: the inverse of a slope may be beyond numbers.
    flatter = np.where(np.abs(one) < np.abs(other), one, other)
    weights = first * (flatter / np.where(same, one, 1.0)) + second * (
        flatter / np.where(same, other, 1.0)
    )
    np.divide((first + second) * flatter, weights, out=tangent[..., 1:-1], where=same)
    place = np.clip(np.searchsorted(x, at, side="right") - 1, 0, len(width) - 1)
    here = (place,) if y.ndim == 1 else (np.arange(len(at)), place)
    after = (*here[:-1], place + 1)
    step = width[place]
    t = np.clip((at - x[place]) / step, 0.0, 1.0)
    square, cube = t * t, t * t * t
    return np.asarray(
        (2.0 * cube - 3.0 * square + 1.0) * y[here]
        + (cube - 2.0 * square + t) * step * tangent[here]
        + (3.0 * square - 2.0 * cube) * y[after]
        + (cube - square) * step * tangent[after]
    )
