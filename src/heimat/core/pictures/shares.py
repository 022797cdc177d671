"""How much of a picture is painted in given colors: every pixel goes to the nearest one, if that is near enough."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.main_colors import working_step

NEAR = 4.0
"""CIEDE2000 up to which a pixel is taken for a color: compression and smoothed edges move it by about so much. Ours."""
_MOST_UNMATCHED = 6


@dataclass(frozen=True)
class Shares:
    """The share 0 to 1 of each of n colors (n,), that of all other pixels, and the commonest of these with theirs."""

    shares: NDArray[np.float64]
    unmatched: float
    others: tuple[tuple[Bytes, float], ...]


def shares_of(pixels: Pixels, colors: Bytes) -> Shares:
    """The shares of colors (n, 3) among the pixels of a picture, sampled as finely as its main colors are."""
    step = working_step(pixels)
    rows = pixels.rgb8[::step, ::step].reshape(-1, 3)
    if pixels.solid is not None:
        rows = rows[pixels.solid[::step, ::step].reshape(-1)]
    # Screens have few colors: each is compared once, in levels of 5 bits where there are many.
    codes = rows.astype(np.uint32) @ np.array([65536, 256, 1], dtype=np.uint32)
    unique, counts = np.unique(codes, return_counts=True)
    if len(unique) > 20_000:
        rows = ((rows & 0xF8) | 4).astype(np.uint8)
        codes = rows.astype(np.uint32) @ np.array([65536, 256, 1], dtype=np.uint32)
        unique, counts = np.unique(codes, return_counts=True)
    found = np.stack([unique >> 16, (unique >> 8) & 255, unique & 255], axis=-1).astype(np.uint8)
    total = float(counts.sum()) or 1.0
    shares = np.zeros(len(colors))
    away = np.full(len(found), np.inf)
    nearest = np.zeros(len(found), dtype=np.intp)
    labs = srgb_to_lab(from_bytes(found))
    for place, lab in enumerate(srgb_to_lab(from_bytes(colors))):
        apart = ciede2000(labs, lab)
        closer = apart < away
        away[closer], nearest[closer] = apart[closer], place
    near = away <= NEAR
    np.add.at(shares, nearest[near], counts[near] / total)
    left = np.flatnonzero(~near)
    commonest = left[np.argsort(counts[left])[::-1][:_MOST_UNMATCHED]]
    others = tuple((found[at], float(counts[at]) / total) for at in commonest.tolist())
    return Shares(shares, float(counts[left].sum()) / total, others)
