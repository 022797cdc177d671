"""From data to the place of a color: by classes, or along a continuous palette; around a middle where it has one."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Floats


def class_places(values: Floats, limits: Sequence[float]) -> NDArray[np.int64]:
    """The class (from 0) of each value, any shape; -1 where there is none. On a limit it is of the class above."""
    found = np.searchsorted(np.asarray(limits, dtype=np.float64), values, side="right")
    return np.where(np.isfinite(values), found, -1).astype(np.int64)


def along(values: Floats, low: float, high: float) -> Floats:
    """How far each value (n,) is from low to high, 0 to 1; NaN stays."""
    return ((values - low) / (high - low) if high > low else np.zeros_like(values)).clip(0.0, 1.0)


def around(values: Floats, low: float, middle: float, high: float, *, same_unit: bool) -> Floats:
    """How far each value (n,) is from one end over the middle to the other, 0 to 1, the middle at 0.5; NaN stays.

    With the same unit on both sides equal color is equal value, and the shorter side ends before its end; without it
    each side goes to its full end. A middle outside of the data leaves one side without values.
    """
    below, above = max(middle - low, 0.0), max(high - middle, 0.0)
    if same_unit:
        below = above = max(below, above)
    off = np.where(
        values < middle, (values - middle) / (below or 1.0), (values - middle) / (above or 1.0)
    )
    return (0.5 + 0.5 * off).clip(0.0, 1.0)


def nearest_sample(shares: Floats, count: int) -> NDArray[np.int64]:
    """The place of the sample (of `count`) for shares 0 to 1, any shape; -1 where there is none."""
    there = np.isfinite(shares)
    return np.where(there, np.rint(np.where(there, shares, 0.0) * (count - 1)), -1).astype(np.int64)


def even_limits(
    low: float, middle: float, high: float, count: int, *, same_unit: bool
) -> list[float]:
    """The inner limits of classes around a middle: equal shares of color on each side."""
    below, above = max(middle - low, 0.0), max(high - middle, 0.0)
    if same_unit:
        below = above = max(below, above)
    shares = np.arange(1, count) / count * 2.0 - 1.0
    return [float(middle + share * (below if share < 0 else above)) for share in shares]
