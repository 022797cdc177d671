"""Neighboring areas of a picture that merge for some people: apart in typical vision, too close in another."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.pictures.main_colors import MainColors

_LEAST_BORDER = 0.002
"""The share of all borders from which two areas count as neighbors: less is a stray pixel."""


@dataclass(frozen=True)
class Merging:
    """Two main colors, by their places, whose areas touch and merge; the share of all borders that is theirs."""

    pair: PairDistance
    border: float


def borders(labels: NDArray[np.int_]) -> dict[tuple[int, int], int]:
    """How many pixels of each two labels (h, w), 0 and more, stand side by side or one over the other."""
    found: dict[tuple[int, int], int] = {}
    for one, other in ((labels[:, :-1], labels[:, 1:]), (labels[:-1], labels[1:])):
        there = (one != other) & (one >= 0) & (other >= 0)
        low, high = np.minimum(one[there], other[there]), np.maximum(one[there], other[there])
        pairs, counts = np.unique(np.stack([low, high]), axis=1, return_counts=True)
        for (first, second), count in zip(pairs.T.tolist(), counts.tolist(), strict=True):
            found[first, second] = found.get((first, second), 0) + count
    return found


def merging(found: MainColors, threshold: float) -> list[Merging]:
    """The neighbors that merge, the closest first: at least `threshold` apart typically, and below it for a vision."""
    touching = borders(found.labels)
    total = sum(touching.values()) or 1
    close = [
        Merging(pair, touching[pair.one, pair.other] / total)
        for pair in distances(found.rgb8, threshold)
        if pair.typical >= threshold > pair.worst.least
        and touching.get((pair.one, pair.other), 0) >= _LEAST_BORDER * total
    ]
    return sorted(close, key=lambda each: each.pair.worst.least)


def merging_map(labels: NDArray[np.int_], one: int, other: int) -> NDArray[np.bool_]:
    """Where two areas of a picture touch, three pixels wide: (h, w)."""
    near = [_grown(labels == place) for place in (one, other)]
    return np.asarray(near[0] & near[1])


def _grown(marked: NDArray[np.bool_]) -> NDArray[np.bool_]:
    grown = marked.copy()
    grown[1:] |= marked[:-1]
    grown[:-1] |= marked[1:]
    across = grown.copy()
    grown[:, 1:] |= across[:, :-1]
    grown[:, :-1] |= across[:, 1:]
    return grown
