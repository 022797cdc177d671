"""Basic color terms: what a color is called first, and how it is told from others of its kind.

Berlin and Kay 1969 found which words a language has for colors before all others. Where one ends and the next begins
is taken from the names of ISCC-NBS (Kelly and Judd 1955, NBS Circular 553), whose borders are Munsell hues: 10RP, 10R,
10YR, 10Y, 10G, 10BG, 9PB, 10P. Munsell's renotation (Newhall, Nickerson and Judd 1943) at value 5 and chroma 8 puts
them in OKLCH. "Teal" stands for Munsell's blue-green, which has no word of its own in that list.
"""

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.color.thresholds import KEEPS_HUE

Places = NDArray[np.intp]

TERMS = (
    "black",
    "white",
    "gray",
    "pink",
    "red",
    "orange",
    "yellow",
    "green",
    "teal",
    "blue",
    "violet",
    "brown",
    "olive",
)
"""All terms; what a term is called by its place."""
ENDS: tuple[tuple[float, str], ...] = (
    (10.0, "pink"),
    (38.0, "red"),
    (74.0, "orange"),
    (108.0, "yellow"),
    (174.0, "green"),
    (203.0, "teal"),
    (284.0, "blue"),
    (335.0, "violet"),
    (360.0, "pink"),
)
"""The OKLCH hue in degrees at which each term of a hue ends."""
BROWN = (38.0, 85.0, 50.0)
"""A dark orange is brown: from and to which OKLCH hue, below which L*."""
OLIVE = (85.0, 128.0, 55.0)
"""A dark yellow is olive."""
DARK_BELOW, LIGHT_ABOVE = 42.0, 72.0
"""L* at which a color is called dark, or light."""
STRONG, STRONG_BELOW = 0.2, 25.0
"""From this OKLCH chroma on nobody calls a color dark, the blue of the screen among them, but below this L*."""
DARK, PLAIN, LIGHT = -1, 0, 1
_BLACK_BELOW, _WHITE_ABOVE = 8.0, 97.0
_CALLED = np.array([TERMS.index(name) for _, name in ENDS])
_UNTIL = np.array([end for end, _ in ENDS[:-1]])


def hue_terms(light: Floats, chroma: Floats, hue: Floats) -> Places:
    """The terms by hue alone of colors (...): L*, OKLCH chroma, hue in degrees. Weak ones are black, white or gray."""
    found = _CALLED[np.searchsorted(_UNTIL, hue, side="left")]
    gray = np.where(light < _BLACK_BELOW, 0, np.where(light > _WHITE_ABOVE, 1, 2))
    return np.asarray(np.where(chroma < KEEPS_HUE, gray, found))


def terms(light: Floats, chroma: Floats, hue: Floats) -> Places:
    """The terms of colors (...), brown and olive among them: L*, OKLCH chroma, hue in degrees."""
    found = hue_terms(light, chroma, hue)
    colored = found > TERMS.index("gray")
    for (low, high, below), name in ((BROWN, "brown"), (OLIVE, "olive")):
        is_so = colored & (hue > low) & (hue <= high) & (light < below)
        found = np.where(is_so, TERMS.index(name), found)
    return found


def shades(light: Floats, chroma: Floats) -> Places:
    """Whether colors (...) of an L* and OKLCH chroma are called dark (-1), plain (0) or light (1)."""
    below = np.where(chroma < STRONG, DARK_BELOW, STRONG_BELOW)
    return np.asarray(np.where(light < below, DARK, np.where(light > LIGHT_ABOVE, LIGHT, PLAIN)))


def measured(rgb8: Bytes) -> tuple[Floats, Floats, Floats]:
    """L*, OKLCH chroma and hue in degrees of 8-bit colors (..., 3): each (...)."""
    lch = srgb_to_oklch(from_bytes(rgb8))
    return lightness(relative_luminance(rgb8)), lch[..., 1], lch[..., 2]


def hue_ranges(hue: Floats) -> tuple[Floats, Floats]:
    """From and to which OKLCH hue the term of each hue (...) in degrees reaches; pink begins below 0."""
    place = np.searchsorted(_UNTIL, hue, side="left")
    begins = np.array([_UNTIL[-1] - 360.0, *_UNTIL])[place]
    ends = np.array([*_UNTIL, _UNTIL[0] + 360.0])[place]
    return begins, ends
