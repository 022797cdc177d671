"""How far apart colors are over all kinds of vision, for searches that ask many million times.

Typical vision, then protan, deutan and tritan vision, each at every tenth of severity up to 1 (dichromacy): where
colors are told as they are seen, the first axis of each of their parts is that of these views. Distances are CIEDE2000.
A pair may be nearer at a severity below 1 than at 1: of 19 palettes measured at 1 alone, 8 were told too much.
"""

from collections.abc import Iterable, Sequence

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import LabParts, distances, parts
from heimat.core.color.spaces import linear_to_xyz, srgb_to_linear, xyz_to_lab
from heimat.core.color.vision import COLOR_VISIONS, simulate_severities
from heimat.core.memory import Memory

SERIES_APART = 15.0
"""How far apart chart series are to be (CIEDE2000), by convention, unless less was to be had (Szafir 2018)."""
EVERY = tuple(range(1, 11))
"""The places of all severities but 0, which is typical vision."""
SOME = (6, 8, 10)
"""Those at which colors come nearest most often, for what is asked too often to ask for all."""
_BLOCK = 16
_FEW = 400
"""Levels of colors up to which what is seen of them is remembered."""
_REMEMBERED = 1024


_SEEN: Memory[tuple[bytes, tuple[int, ...]], LabParts] = Memory(
    "colors as they are seen", _REMEMBERED
)


def seen(srgb: Floats, severities: Sequence[int] = EVERY) -> LabParts:
    """sRGB colors (..., 3), 0 to 1, as they are seen: typically, and under each vision at some severities, by place."""
    linear = srgb_to_linear(srgb)
    views = [simulate_severities(linear, vision, severities) for vision in COLOR_VISIONS]
    return parts(xyz_to_lab(linear_to_xyz(np.concatenate([linear[None], *views]))))


def by_vision(found: Floats) -> Floats:
    """What was found in every view (31, ...) for typical vision and under each vision at its worst: shape (4, ...)."""
    rest = found[1:].reshape(len(COLOR_VISIONS), len(EVERY), *found.shape[1:])
    return np.concatenate([found[:1], rest.min(axis=1)])


def seen8(rgb8: Bytes) -> LabParts:
    """8-bit colors (..., 3) in every view. Of a few it is remembered: they are asked for many times."""
    if rgb8.size > _FEW:
        return seen(from_bytes(rgb8))
    key = rgb8.tobytes(), rgb8.shape
    known = _SEEN.known([key]).get(key)
    if known is None:
        known = seen(from_bytes(rgb8))
        _SEEN.keep({key: known})
    return known


def see_soon(sets: Iterable[Bytes]) -> None:
    """See some sets of a few colors (n, 3), that will be asked for one by one, all at once: the sets are small."""
    keys = {(each.tobytes(), each.shape): each for each in sets if 0 < each.size <= _FEW}
    known = _SEEN.known(keys)
    new = {key: each for key, each in keys.items() if key not in known}
    if len(new) < 2:
        return
    every = seen(from_bytes(np.concatenate(list(new.values()))))
    ends = np.cumsum([len(each) for each in new.values()]).tolist()
    _SEEN.keep(
        {key: every[:, start:end] for key, start, end in zip(new, [0, *ends], ends, strict=False)}
    )


def apart(one: LabParts, other: LabParts) -> Floats:
    """The least distance of every color (v, n) from every other (v, m) over the views: shape (n, m)."""
    count = one.light.shape[1]
    found = np.empty((count, other.light.shape[1]))
    # In blocks that stay in the processor's cache.
    for start in range(0, count, _BLOCK):
        rows = slice(start, start + _BLOCK)
        found[rows] = distances(one[:, rows, None], other[:, None, :]).min(axis=0)
    return found


def all_apart(colors: LabParts) -> Floats:
    """The least distance of every two of one set (v, n): shape (n, n), infinite for a color and itself."""
    count = colors.light.shape[1]
    found = np.zeros((count, count))
    for start in range(0, count, _BLOCK):
        rows = slice(start, start + _BLOCK)
        found[rows, start:] = distances(colors[:, rows, None], colors[:, None, start:]).min(axis=0)
    found = np.maximum(found, found.T)
    np.fill_diagonal(found, np.inf)
    return found


def nearest_pair(rgb8: Bytes) -> tuple[float, int, int]:
    """The least distance of any two of some 8-bit colors (n, 3), and their places; infinite for fewer than two."""
    if len(rgb8) < 2:
        return float("inf"), 0, 0
    found = all_apart(seen8(rgb8))
    one, other = np.unravel_index(int(np.argmin(found)), found.shape)
    return float(found[one, other]), int(min(one, other)), int(max(one, other))
