"""Angles on a circle of hues, in degrees."""

from typing import overload

import numpy as np

from heimat.core.color.arrays import Floats


def around(angle: float) -> float:
    """The same angle from 0 up to but not 360. (A hair below 0 alone, the remainder is 360 itself.)"""
    return angle % 360.0 % 360.0


@overload
def turn_between(one: float, other: float) -> float: ...
@overload
def turn_between(one: Floats, other: Floats | float) -> Floats: ...
def turn_between(one: Floats | float, other: Floats | float) -> Floats | float:
    """The shorter way from one angle to another, -180 up to but not 180; shapes that broadcast."""
    return (other - one + 180.0) % 360.0 - 180.0


def unwrapped(angles: Floats) -> Floats:
    """The same angles (n,) without a jump where they pass 0 or 360."""
    return np.unwrap(angles, period=360.0)
