"""CIEDE2000 (CIE 142-2001), in the form of Sharma, Wu and Dalal 2005, and the threshold that Heimat uses.

Half of observers see a difference at about 0.8 and accept one up to about 1.8. The formula was fitted for small
differences; for large ones it orders well enough, and the threshold below is a convention (Szafir 2018 on how
the size of a mark changes what can be told apart).
"""

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Floats, floats

TOLD_APART = 10.0
"""What members of a told-apart set keep between them unless the set says otherwise."""

_POW7 = 25.0**7


def ciede2000(lab_a: ArrayLike, lab_b: ArrayLike) -> Floats:
    """Difference of L*a*b* colors (..., 3) that broadcast; result (...), 0 for equal colors."""
    one, other = floats(lab_a), floats(lab_b)
    l1, a1, b1 = one[..., 0], one[..., 1], one[..., 2]
    l2, a2, b2 = other[..., 0], other[..., 1], other[..., 2]

    mean_c7 = ((np.hypot(a1, b1) + np.hypot(a2, b2)) / 2.0) ** 7
    g = 1.5 - 0.5 * np.sqrt(mean_c7 / (mean_c7 + _POW7))
    ap1, ap2 = a1 * g, a2 * g
    c1, c2 = np.hypot(ap1, b1), np.hypot(ap2, b2)
    h1 = np.degrees(np.arctan2(b1, ap1)) % 360.0
    h2 = np.degrees(np.arctan2(b2, ap2)) % 360.0

    gray = c1 * c2 == 0.0
    turn = h2 - h1
    dh = np.where(gray, 0.0, turn_between(h1, h2))
    dh = np.where(~gray & (dh == -180.0) & (turn == 180.0), 180.0, dh)
    d_hue = 2.0 * np.sqrt(c1 * c2) * np.sin(np.radians(dh) / 2.0)
    d_l, d_c = l2 - l1, c2 - c1

    total = h1 + h2
    far = np.abs(turn) > 180.0
    mean_h = np.where(gray, total, np.where(~far, total / 2.0, (total + np.where(total < 360.0, 360.0, -360.0)) / 2.0))
    mean_l, mean_c = (l1 + l2) / 2.0, (c1 + c2) / 2.0

    t = (
        1.0
        - 0.17 * np.cos(np.radians(mean_h - 30.0))
        + 0.24 * np.cos(np.radians(2.0 * mean_h))
        + 0.32 * np.cos(np.radians(3.0 * mean_h + 6.0))
        - 0.20 * np.cos(np.radians(4.0 * mean_h - 63.0))
    )
    off = (mean_l - 50.0) ** 2
    s_l = 1.0 + 0.015 * off / np.sqrt(20.0 + off)
    s_c = 1.0 + 0.045 * mean_c
    s_h = 1.0 + 0.015 * mean_c * t
    mean_cp7 = mean_c**7
    rotation = -np.sin(np.radians(60.0 * np.exp(-(((mean_h - 275.0) / 25.0) ** 2)))) * (
        2.0 * np.sqrt(mean_cp7 / (mean_cp7 + _POW7))
    )
    x, y, z = d_l / s_l, d_c / s_c, d_hue / s_h
    return np.sqrt(np.maximum(x * x + y * y + z * z + rotation * y * z, 0.0))


def distance_text(value: float) -> str:
    """A CIEDE2000 distance with one decimal, cut and never rounded up over a threshold."""
    return f"{int(value * 10) / 10:.1f}"


def distance_words(value: float) -> str:
    """A distance with the name of its measure, for a sentence."""
    return f"CIEDE2000 {distance_text(value)}"
