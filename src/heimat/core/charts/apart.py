"""How far apart colors are over four kinds of vision, for searches that ask many million times.

Typical vision, and protan, deutan and tritan vision at severity 1 (dichromacy), in this order. Distances are CIEDE2000
in a form without angles but one (sums of unit vectors in place of mean hues, the difference of hues from dot and cross
product): half the time of the general form, and the same figures within 1e-6, which a test holds. Only hues that are
exactly opposite, where the mean hue is a matter of convention, may differ.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.spaces import linear_to_xyz, srgb_to_linear, xyz_to_lab
from heimat.core.color.vision import COLOR_VISIONS, simulate
from heimat.core.memory import Memory

_POW7 = 25.0**7
_TINY = 1e-12
_COS = {degrees: float(np.cos(np.radians(degrees))) for degrees in (30, 6, 63)}
_SIN = {degrees: float(np.sin(np.radians(degrees))) for degrees in (30, 6, 63)}
_BLOCK = 16
_FEW = 400
"""Levels of colors up to which what is seen of them is remembered."""
_REMEMBERED = 1024


@dataclass(frozen=True)
class Seen:
    """L*, a*, b* and chroma of colors as four kinds of vision see them: four arrays of shape (4, ...)."""

    light: Floats
    a: Floats
    b: Floats
    chroma: Floats

    def __getitem__(self, key: Any) -> "Seen":
        return Seen(*(each[key] for each in (self.light, self.a, self.b, self.chroma)))


_SEEN: Memory[tuple[bytes, tuple[int, ...]], Seen] = Memory("colors as they are seen", _REMEMBERED)


def seen(srgb: Floats) -> Seen:
    """sRGB colors (..., 3), 0 to 1, as the four see them."""
    every = np.stack([srgb, *(simulate(srgb, vision) for vision in COLOR_VISIONS)])
    lab = xyz_to_lab(linear_to_xyz(srgb_to_linear(every)))
    return Seen(lab[..., 0], lab[..., 1], lab[..., 2], np.hypot(lab[..., 1], lab[..., 2]))


def seen8(rgb8: Bytes) -> Seen:
    """8-bit colors (..., 3) as the four see them. Of a few colors it is remembered: they are asked for many times."""
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
    _SEEN.keep({key: every[:, start:end] for key, start, end in zip(new, [0, *ends], ends, strict=False)})


def differences(one: Seen, other: Seen) -> Floats:
    """CIEDE2000 of two arrays of colors that broadcast, under each of the four: shape (4, ...)."""
    g = _stretch((one.chroma + other.chroma) * 0.5)
    a1, a2 = one.a * g, other.a * g
    c1, c2 = np.sqrt(a1 * a1 + one.b * one.b), np.sqrt(a2 * a2 + other.b * other.b)
    # The square of the difference of hue, 4 c1 c2 sin²(dh / 2), and its sign.
    d_hue2 = np.maximum(2.0 * (c1 * c2 - a1 * a2 - one.b * other.b), 0.0)
    sign = np.sign(a1 * other.b - one.b * a2)
    # The mean hue as the direction of the sum of both, each of length 1; its multiples by the addition theorems.
    x, y = a1 * c2 + a2 * c1, one.b * c2 + other.b * c1
    length = np.maximum(np.sqrt(x * x + y * y), _TINY)
    cos1, sin1 = x / length, y / length
    cos2, sin2 = cos1 * cos1 - sin1 * sin1, 2.0 * cos1 * sin1
    cos3, sin3 = cos2 * cos1 - sin2 * sin1, sin2 * cos1 + cos2 * sin1
    cos4, sin4 = cos2 * cos2 - sin2 * sin2, 2.0 * cos2 * sin2
    t = (
        1.0
        - 0.17 * (cos1 * _COS[30] + sin1 * _SIN[30])
        + 0.24 * cos2
        + 0.32 * (cos3 * _COS[6] - sin3 * _SIN[6])
        - 0.20 * (cos4 * _COS[63] + sin4 * _SIN[63])
    )
    mean_c = (c1 + c2) * 0.5
    off = ((one.light + other.light) * 0.5 - 50.0) ** 2
    hue = np.degrees(np.arctan2(sin1, cos1)) % 360.0
    turned = -np.sin(np.radians(60.0 * np.exp(-(((hue - 275.0) / 25.0) ** 2)))) * 2.0 * _share(mean_c)
    light = (other.light - one.light) / (1.0 + 0.015 * off / np.sqrt(20.0 + off))
    chroma = (c2 - c1) / (1.0 + 0.045 * mean_c)
    hues = sign * np.sqrt(d_hue2) / (1.0 + 0.015 * mean_c * t)
    return np.sqrt(np.maximum(light * light + chroma * chroma + hues * hues + turned * chroma * hues, 0.0))


def _share(chroma: Floats) -> Floats:
    square = chroma * chroma
    seventh = square * square * square * chroma
    return np.sqrt(seventh / (seventh + _POW7))


def _stretch(chroma: Floats) -> Floats:
    return 1.5 - 0.5 * _share(chroma)


def apart(one: Seen, other: Seen) -> Floats:
    """The least distance of every color (4, n) from every other (4, m) over the four visions: shape (n, m)."""
    count = one.light.shape[1]
    found = np.empty((count, other.light.shape[1]))
    # In blocks that stay in the processor's cache.
    for start in range(0, count, _BLOCK):
        rows = slice(start, start + _BLOCK)
        found[rows] = differences(one[:, rows, None], other[:, None, :]).min(axis=0)
    return found


def all_apart(colors: Seen) -> Floats:
    """The least distance of every two of one set (4, n): shape (n, n), infinite for a color and itself."""
    count = colors.light.shape[1]
    found = np.zeros((count, count))
    for start in range(0, count, _BLOCK):
        rows = slice(start, start + _BLOCK)
        found[rows, start:] = differences(colors[:, rows, None], colors[:, None, start:]).min(axis=0)
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
