"""The rules of the third generator.

A hue drifts evenly from its source outward. White is never one leap from a bright source: where the lighter steps would
be much farther apart than the darker ones, the source leaves one more of them, and they share the way evenly.
"""

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask, solve
from heimat.core.color.spaces import luminance_of, srgb_to_oklab
from heimat.core.scales import generator_2
from heimat.core.scales.anchors import LEAST_GAP
from heimat.core.scales.curves import DARK_TAPER, LIGHT_TAPER

_BRIGHT, _VIVID = 70.0, 0.13
"""L* and OKLCH chroma above which a source may be far from white: below, the ladder's own gaps are never too few."""
_LONGEST = 1.6
"""The mean gap above a source, against the mean one below it, from which on it leaves one step more."""
_ROOM = 2.0
"""L* that each step above a source takes at least."""
_FARTHEST = 0.62
"""The share of the ladder's largest gap by which darker steps go up with a source that has left one more, at most."""
_HASTE = 1.0
"""How much of its turn a lemon yellow takes beside the source: a fifth of it on the usual ladder, so that it is gold
before it is dark, and no step leaps."""


def place(targets: Floats, source_lightness: float, oklch: Floats, counted: Mask) -> int:
    """The label (of n) that the second generator takes, or a darker one, for a source in OKLCH (3,)."""
    found = generator_2.place(targets, source_lightness, oklch, counted)
    if source_lightness < _BRIGHT or oklch[1] < _VIVID:
        return found
    main = np.flatnonzero(counted)
    above, last = int(np.searchsorted(main, found)), len(main) - 1
    most = min(last - 1, int((targets[0] - source_lightness) / _ROOM))
    if not 0 < above < most:
        return found
    up, down = _ways(targets, source_lightness, oklch)
    while above < most and up / above > _LONGEST * down / (last - above):
        above += 1
    return int(main[above])


def _ways(targets: Floats, source_lightness: float, oklch: Floats) -> tuple[float, float]:
    """How far in OKLab a source in OKLCH (3,) is from the lightest and from the darkest of targets (n,)."""
    light = np.array([targets[0], source_lightness, targets[-1]])
    shares = np.array([LIGHT_TAPER, 1.0, DARK_TAPER])
    ends = srgb_to_oklab(solve(luminance_of(light), oklch[1] * shares, oklch[2]))
    up, down = np.linalg.norm(np.diff(ends, axis=0), axis=1)
    return float(up), float(down)


def bend(targets: Floats, source_lightness: float, place: int) -> tuple[Floats, int]:
    """The targets (n,) of the second generator; but a source that left one step more presses none toward white."""
    bent, found = generator_2.bend(targets, source_lightness, place)
    if found < 2 or bent[0] <= targets[0]:
        return bent, found
    share = (targets[:found] - targets[found]) / (targets[0] - targets[found])
    top = min(max(targets[0], source_lightness + found * LEAST_GAP), bent[0])
    bent[:found] = source_lightness + share * (top - source_lightness)
    gaps = -np.diff(targets)
    offset = source_lightness - targets[found]
    bent[found + 1 :] = targets[found + 1 :] + generator_2.shares(
        offset, gaps[found:], _FARTHEST * gaps.max()
    )
    return bent, found


def drift(hue: float, lightness: float) -> tuple[float, float]:
    """The degrees of the second generator, with less haste."""
    degrees, haste = generator_2.drift(hue, lightness)
    return degrees, haste * _HASTE / generator_2.HASTE
