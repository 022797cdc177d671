"""Spots: small areas of strong color that stand alone, which clusters of a strongly colored ground would swallow.

Beside a gradient that runs through many colors, a small buoy weighs nothing, however strong it is. What tells it from
the gradient is that hardly anything in the picture is of a color near its own.
"""

import numpy as np

from heimat.core.color.arrays import Floats

MOST = 2
_LEAST_PIXELS = 6
_STRONG = 0.1
"""OKLCH chroma of a spot."""
_FAR = 0.09
"""OKLab distance from the middle of its cluster at which a color is not told by that."""
_OWN, _BESIDE = 0.055, 0.12
"""OKLab distances within which pixels are of a spot's own color, and of its neighborhood: its rim, or a gradient."""
_LOOKED_AT = 60


def spots(labs: Floats, counts: np.ndarray, far: Floats) -> list[np.ndarray]:
    """The cells of each spot, at most two, of cells in OKLab (n, 3) with their pixels (n,) and their distance (n,) from
    the middle of their cluster."""
    chroma = np.hypot(labs[:, 1], labs[:, 2])
    able = np.flatnonzero((chroma > _STRONG) & (far > _FAR))
    looked_at = able[np.argsort(-(far * chroma * np.sqrt(counts))[able], kind="stable")][
        :_LOOKED_AT
    ]
    found: list[np.ndarray] = []
    taken = np.zeros(len(labs), dtype=np.bool_)
    for cell in looked_at.tolist():
        if taken[cell] or len(found) == MOST:
            continue
        apart = np.sqrt(((labs - labs[cell]) ** 2).sum(axis=1))
        own, beside = apart <= _OWN, (apart > _OWN) & (apart <= _BESIDE)
        pixels = int(counts[own].sum())
        if pixels >= _LEAST_PIXELS and counts[beside].sum() <= pixels:
            found.append(np.flatnonzero(own & ~taken))
            taken |= own
    return found
