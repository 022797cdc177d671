"""The rules of the second generator.

Bright yellows darken through gold. A strong source leaves a lighter step. No gap beside an anchor differs by more than
three tenths from what the ladder has there, where the ladder has room.
"""

from itertools import accumulate

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask
from heimat.core.scales.anchors import LEAST_GAP, nearest

STRONG = 0.08
"""OKLCH chroma above which a source is seen as a color, not as a tint: then it leaves a lighter step."""
_FINE_GAP = 15.0
"""L* between the first labels of a ladder above which a strong source may be the lightest step: moved to the second, it
would push all others far down."""
_CEILING, _FLOOR = 99.5, 0.5
"""L* beyond which a share of the source's offset pushes no step, but for a ladder that begins or ends there."""
_LEAST_SHARE = 0.7
"""The share of the ladder's gap that is left above an anchor; with less, the lighter label is the better place."""
_FARTHEST = 0.42
"""The share of the ladder's largest gap that a step goes up with a bright source at most: so that none leaps where a
source becomes so strong that it leaves the lightest label."""
_TAKING = 2.6
"""Gaps on each side that take up the source's offset."""
_LARGEST_CHANGE = 0.27
"""The share of a ladder's gap by which an anchor may change it."""

_GOLD_FROM, _GOLD_AT = 45.0, 95.0
_GOLD_DRIFT = -32.0
"""Oranges and golds darken toward brown, most at 95 degrees."""
_LEMON_TO, _GREEN_FROM = 113.0, 122.0
_LEMON_DRIFT = -41.0
"""Lemon yellows darken through gold too, by more; from 122 degrees on, yellow-greens darken through green."""
_OLIVE, _LEMON = 60.0, 74.0
"""L*: up to the first, a color between yellow and green is olive itself and keeps its hue; from the second on it is a
lemon yellow."""
_OWN_HUE = 85.0
"""OKLCH hue from which lightness decides so; golds and oranges drift at any."""
HASTE = 7.5
"""How much of its turn a lemon yellow takes beside the source, where it is strongest and would be olive at once: the
more, the farther its hue is from gold."""


def place(targets: Floats, source_lightness: float, oklch: Floats, counted: Mask) -> int:
    """The label nearest in lightness (n,); but a strong source never takes the lightest, where the next is near it."""
    found = nearest(targets, source_lightness, counted)
    main = np.flatnonzero(counted)
    first, second = int(main[0]), int(main[1])
    if found == first and oklch[1] > STRONG and targets[first] - targets[second] <= _FINE_GAP:
        return second
    return found


def drift(hue: float, lightness: float) -> tuple[float, float]:
    """By hue, and between yellow and green by lightness; the turn of lemon yellows is made in haste."""
    hue %= 360.0
    lemon = _smooth((hue - _OWN_HUE) / (_GOLD_AT - _OWN_HUE))
    bright = _smooth((lightness - _OLIVE) / (_LEMON - _OLIVE))
    own = 1.0 - lemon * (1.0 - bright)
    fall = 1.0 - _smooth((hue - _LEMON_TO) / (_GREEN_FROM - _LEMON_TO))
    degrees = _GOLD_DRIFT * _smooth((hue - _GOLD_FROM) / (_GOLD_AT - _GOLD_FROM))
    more = min(max((hue - _GOLD_AT) / (_LEMON_TO - _GOLD_AT), 0.0), 1.0)
    degrees += (_LEMON_DRIFT - _GOLD_DRIFT) * more
    return degrees * own * fall, HASTE * more * bright


def _smooth(share: float) -> float:
    """From 0 to 1 with no corner at either end."""
    share = min(max(share, 0.0), 1.0)
    return share * share * (3.0 - 2.0 * share)


def bend(targets: Floats, source_lightness: float, place: int) -> tuple[Floats, int]:
    """Targets (n,) of which three gaps on each side take the source's offset evenly, or more where each would change by
    over three tenths; beyond the ladder's end, the end goes along."""
    gaps = -np.diff(targets)
    if place > 0 and gaps[0] > _FINE_GAP:
        room = (
            min(targets[0] + (source_lightness - targets[place]) * 0.5**place, _CEILING)
            - source_lightness
        )
        if place == 1 and room < _LEAST_SHARE * gaps[0]:
            place = 0
    offset = source_lightness - targets[place]
    bent = targets.copy()
    bent[place] = source_lightness
    most = _FARTHEST * gaps.max() if offset > 0.0 else np.inf
    bent[:place] += shares(offset, gaps[:place][::-1], most)[::-1]
    bent[place + 1 :] += shares(offset, gaps[place:], most)
    return _within(bent, targets, place), place


def shares(offset: float, gaps: Floats, most: float) -> Floats:
    """By how much steps (n,) go along with an offset, from the anchor outward, whose gaps (n,) are given: `most` L*."""
    if not len(gaps):
        return gaps
    # A handful of numbers: plain ones are several times as fast as arrays.
    sums, whole = list(accumulate(gaps.tolist())), int(_TAKING)
    # A gap beyond the end is taken to be like the last: so a source near the end moves it, and none moves much.
    if len(sums) > whole:
        usual = (sums[whole] - sums[whole - 1]) * (_TAKING - whole) + sums[whole - 1]
    else:
        usual = sums[-1] + (_TAKING - len(sums)) * float(gaps[-1])
    over = max(usual, abs(offset) / _LARGEST_CHANGE)
    own = (offset * min(max(1.0 - each / over, 0.0), 1.0) for each in sums)
    return np.array([min(max(each, -most), most) for each in own])


def _within(bent: Floats, targets: Floats, place: int) -> Floats:
    """Both sides pressed together where they would leave the range that keeps a color."""
    own, below = bent[place], len(bent) - 1 - place
    # Right above the source, half the way to white still shows its color; more would be white.
    highest = (own + 100.0) / 2.0 if place == 1 else _CEILING
    top = min(max(targets[0], highest, own + place * LEAST_GAP), 100.0)
    bottom = max(min(targets[-1], _FLOOR, own - below * LEAST_GAP), 0.0)
    if place and bent[0] > top:
        bent[:place] = own + (bent[:place] - own) * ((top - own) / (bent[0] - own))
    if below and bent[-1] < bottom:
        bent[place + 1 :] = own + (bent[place + 1 :] - own) * ((bottom - own) / (bent[-1] - own))
    return bent
