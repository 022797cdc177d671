"""The main colors of a picture: weighted k-means in OKLab, seeded by what is far and heavy, so always the same.

Pixels are gathered in small cells first, so that a picture of millions is a few thousand weighted points. A cell
weighs by the root of its area and by its chroma, as far as the person prefers the one or the other: a small red buoy
on a gray sea is light in area and heavy in color (k-means after Lloyd 1982; farthest seeding after Gonzalez 1985).
"""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import linear_of_bytes
from heimat.core.color.spaces import linear_to_oklab
from heimat.core.errors import DomainError
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.rectangle import ALIKE, Mask, Rectangle, kept, oklab_of
from heimat.core.pictures.spots import spots

FEWEST, USUAL, MOST = 3, 6, 12
WORKING_PIXELS = 700_000
"""At most so many pixels are looked at: every second, third ... of larger pictures, so that each is the picture's."""
_BITS = 5
_ROUNDS = 24
_LEAST_CHROMA = 0.012
_FLAT, _WIDE = 0.35, 1.8
"""What a difference in lightness counts beside one in color, from one lightness wanted to a wide range wanted."""
_SPREAD = 0.12
_ONE = 0.03
"""OKLab distance below which the middles of two clusters are one color to the eye: near ties of flat pictures."""
_SPOTS_FROM = 0.4
"""Preference for strength of color from which small strong areas are looked for."""
_TRIES, _MOST_SOUGHT = 4, 24


@dataclass(frozen=True)
class Wanted:
    """What is wanted of main colors: how many; 0 to 1 from area to strength of color, and from one lightness to a
    wide range; rectangles (in the picture's pixels) and colors (8 bits) that are left out, with all that is within
    `alike` of them in OKLab."""

    count: int = USUAL
    strength: float = 0.5
    span: float = 0.5
    without: tuple[Rectangle, ...] = ()
    without_colors: tuple[tuple[int, int, int], ...] = ()
    alike: float = ALIKE


@dataclass(frozen=True)
class MainColors:
    """Main colors, the largest area first: pixels of the picture (k, 3), their shares (k,) of what was looked at,
    where each was found (x, y in the picture), and for every `step`-th pixel the color it belongs to, or -1."""

    rgb8: Bytes
    shares: Floats
    points: list[tuple[int, int]]
    labels: np.ndarray
    step: int


def working_step(pixels: Pixels) -> int:
    """Every how manyth pixel, across and down, is looked at."""
    return max(1, int(np.ceil(np.sqrt(pixels.width * pixels.height / WORKING_PIXELS))))


def main_colors(pixels: Pixels, wanted: Wanted) -> MainColors:
    """Find the main colors of a picture. Raises DomainError where everything is left out."""
    step = working_step(pixels)
    rows = pixels.rgb8[::step, ::step]
    mask = kept(pixels, step, wanted.without)
    cell_of = _cells(rows)
    if wanted.without_colors:
        mask &= ~_alike(cell_of, wanted.without_colors, wanted.alike)
    if not mask.any():
        raise DomainError(
            "Everything is left out: take an area or a color back.", "without", "empty"
        )
    cells, places, counts = np.unique(cell_of[mask], return_inverse=True, return_counts=True)
    labs = _means(rows[mask], places, len(cells))
    weights = _weights(labs, counts, wanted)
    scale = _FLAT + (_WIDE - _FLAT) * wanted.span
    points = labs * (scale, 1.0, 1.0)
    nearest = _distinct(labs, points, weights, min(wanted.count, len(cells)))
    if wanted.strength >= _SPOTS_FROM:
        nearest = _with_spots(labs, points, weights, counts, nearest, wanted.count)
    return _told(rows, mask, nearest[places], step, int(nearest.max()) + 1)


def _cells(rows: Bytes) -> np.ndarray:
    """The cell of each pixel: its channels cut to 5 bits, as one number."""
    cut = (rows >> (8 - _BITS)).astype(np.int32)
    return (cut[..., 0] << (2 * _BITS)) | (cut[..., 1] << _BITS) | cut[..., 2]


def _means(pixels: Bytes, places: np.ndarray, count: int) -> Floats:
    """OKLab of the mean color of each cell, in linear light, (n, 3)."""
    linear = linear_of_bytes(pixels)
    sizes = np.bincount(places, minlength=count)
    sums = [
        np.bincount(places, weights=linear[:, channel], minlength=count) for channel in range(3)
    ]
    return linear_to_oklab(np.stack(sums, axis=-1) / sizes[:, None])


def _alike(cell_of: np.ndarray, colors: tuple[tuple[int, int, int], ...], within: float) -> Mask:
    """Which pixels are of colors that are left out, told by the middles of their cells."""
    every = np.arange(1 << (3 * _BITS))
    middles = np.stack([every >> (2 * _BITS), (every >> _BITS) & 31, every & 31], axis=-1) * 8 + 4
    out = oklab_of(np.array(colors, dtype=np.uint8))
    labs = oklab_of(middles.astype(np.uint8))
    far = np.sqrt(((labs[:, None] - out[None]) ** 2).sum(axis=-1)).min(axis=1)
    return np.asarray((far <= within)[cell_of])


def _weights(labs: Floats, counts: np.ndarray, wanted: Wanted) -> Floats:
    chroma = np.hypot(labs[:, 1], labs[:, 2])
    area = counts ** (1.0 - 0.8 * wanted.strength)
    weights = area * (chroma + _LEAST_CHROMA) ** (2.0 * wanted.strength)
    if wanted.span < 0.5:
        order = np.argsort(labs[:, 0])
        along = np.cumsum(weights[order])
        middle = labs[order[int(np.searchsorted(along, along[-1] / 2.0))], 0]
        weights = weights * np.exp(
            -(1.0 - 2.0 * wanted.span) * ((labs[:, 0] - middle) / _SPREAD) ** 2
        )
    return np.asarray(weights / weights.max())


def _distinct(labs: Floats, points: Floats, weights: Floats, count: int) -> np.ndarray:
    """The cluster of each cell (n,), of `count` that differ. Where two are nearly one they are merged, and further
    ones are looked for in their place; fewer are told where a picture has no more."""
    sought = count
    for _ in range(_TRIES):
        centers = _clusters(points, weights, sought)
        joined = _joined(labs, weights, _nearest(points, centers))
        found = int(joined.max()) + 1
        if found >= count or len(centers) < sought or sought >= _MOST_SOUGHT:
            break
        sought = min(sought + count - found, _MOST_SOUGHT)
    return joined


def _with_spots(
    labs: Floats,
    points: Floats,
    weights: Floats,
    counts: np.ndarray,
    labels: np.ndarray,
    count: int,
) -> np.ndarray:
    """The cluster of each cell (n,), with small strong areas that clusters have swallowed as clusters of their own."""
    middles = np.stack([labs[labels == each].mean(axis=0) for each in range(int(labels.max()) + 1)])
    found = spots(labs, counts, np.sqrt(((labs - middles[labels]) ** 2).sum(axis=1)))
    if not found:
        return labels
    rest = np.ones(len(labs), dtype=np.bool_)
    rest[np.concatenate(found)] = False
    fewer = max(min(count - len(found), int(rest.sum())), 1)
    again = np.empty(len(labs), dtype=np.intp)
    again[rest] = _distinct(labs[rest], points[rest], weights[rest], fewer)
    for place, cells in enumerate(found):
        again[cells] = int(again[rest].max()) + 1 + place
    return again


def _joined(labs: Floats, weights: Floats, labels: np.ndarray) -> np.ndarray:
    """Labels (n,) renumbered, those of clusters whose middles are nearer than `_ONE` in OKLab made one."""
    while True:
        used, labels = np.unique(labels, return_inverse=True)
        mass = np.bincount(labels, weights=weights, minlength=len(used))
        sums = np.stack(
            [np.bincount(labels, weights=weights * labs[:, axis]) for axis in range(3)], axis=-1
        )
        means = sums / np.maximum(mass, 1e-300)[:, None]
        far = np.sqrt(((means[:, None] - means[None]) ** 2).sum(axis=-1))
        np.fill_diagonal(far, np.inf)
        one, other = np.unravel_index(int(far.argmin()), far.shape)
        if len(used) < 2 or far[one, other] >= _ONE:
            return np.asarray(labels)
        labels = np.where(labels == max(one, other), min(one, other), labels)


def _clusters(points: Floats, weights: Floats, count: int) -> Floats:
    """Centers (k, 3) of weighted points (n, 3): each new seed is the heaviest that is far from the others."""
    centers = points[[int(np.argmax(weights))]]
    far = ((points - centers[0]) ** 2).sum(axis=1)
    while len(centers) < count:
        place = int(np.argmax(weights * far))
        if far[place] == 0.0:
            break
        centers = np.vstack([centers, points[place]])
        far = np.minimum(far, ((points - points[place]) ** 2).sum(axis=1))
    for _ in range(_ROUNDS):
        labels = _nearest(points, centers)
        mass = np.bincount(labels, weights=weights, minlength=len(centers))
        sums = [
            np.bincount(labels, weights=weights * points[:, axis], minlength=len(centers))
            for axis in range(3)
        ]
        moved = np.where(
            mass[:, None] > 0.0,
            np.stack(sums, axis=-1) / np.maximum(mass, 1e-300)[:, None],
            centers,
        )
        settled = np.abs(moved - centers).max() < 1e-5
        centers = moved
        if settled:
            break
    return centers


def _nearest(points: Floats, centers: Floats) -> np.ndarray:
    """The nearest center of each point, (n,)."""
    # |p - c|^2 without |p|^2, which is the same for every center.
    return np.asarray(((centers**2).sum(axis=1)[None] - 2.0 * points @ centers.T).argmin(axis=1))


def _told(rows: Bytes, mask: Mask, labels: np.ndarray, step: int, count: int) -> MainColors:
    """Name each cluster by the pixel of the picture that is nearest to its middle, the largest first."""
    every = np.full(mask.shape, -1, dtype=np.int8)
    every[mask] = labels
    sizes = np.bincount(labels, minlength=count)
    order = [int(place) for place in np.argsort(-sizes, kind="stable") if sizes[place] > 0]
    renamed = np.full(count, -1, dtype=np.int8)
    renamed[order] = np.arange(len(order), dtype=np.int8)
    told = np.where(every >= 0, renamed[every], -1).astype(np.int8)
    down, across = np.nonzero(mask)
    labs = oklab_of(rows[mask])
    colors, points = [], []
    for place in order:
        own = np.flatnonzero(labels == place)
        middle = _core(labs[own])
        best = own[int(((labs[own] - middle) ** 2).sum(axis=1).argmin())]
        colors.append(rows[down[best], across[best]])
        points.append((int(across[best]) * step, int(down[best]) * step))
    return MainColors(np.array(colors), sizes[order] / sizes.sum(), points, told, step)


def _core(labs: Floats) -> Floats:
    """The middle of a cluster without its rim, where pixels mix with what lies beside: mean of the nearer half."""
    middle = np.median(labs[:: max(1, len(labs) // 20_000)], axis=0)
    far = ((labs - middle) ** 2).sum(axis=1)
    return np.asarray(labs[far <= np.median(far)].mean(axis=0))
