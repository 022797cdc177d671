"""Sorting colors that come from outside: what kind each may be, what it repeats, which hue and step it fits."""

import re
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.exact_color import Color, oklch_of
from heimat.core.color.nearness import differences, nearest
from heimat.core.color.spaces import srgb_to_oklab
from heimat.core.document.hues import HueKind
from heimat.core.hues.scaling import scales_of
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.sources.conventions import Status

_STATUS_WORDS: tuple[tuple[Status, str], ...] = (
    ("success", r"success(?:ful)?|positive|valid|confirm(?:ed)?|done|ok"),
    ("warning", r"warn(?:ing)?|caution|alert|attention"),
    ("error", r"errors?|danger|critical|negative|invalid|fail(?:ed|ure)?|destructive"),
    ("information", r"info(?:rmation)?|notice|hint"),
)
_NEUTRAL_WORDS = r"gr[ae]ys?|neutrals?|black|white|ink|paper|surfaces?|background|bg|borders?|text|slate|stone|ash"
_BRAND_WORDS = r"brand|primary|logo|corporate|main"
_CAPITAL = re.compile(r"(?<=[a-z0-9])(?=[A-Z])")
_GRAY_BELOW = 0.02


def guess_kind(name: str, color: Color, *, first: bool = False) -> tuple[HueKind, Status | None]:
    """The kind that a color's name and chroma speak for: status words first, then brand, neutral, accent.

    Words count whole: `pink` and `link` hold no ink, `terror` no error. `first` is the first color of an empty set,
    which is taken for the brand's.
    """
    words = re.sub(r"[-_./\d]", " ", _CAPITAL.sub(" ", name)).lower()
    for status, pattern in _STATUS_WORDS:
        if _holds(words, pattern):
            return "status", status
    if _holds(words, _BRAND_WORDS):
        return "brand", None
    if _holds(words, _NEUTRAL_WORDS) or float(oklch_of(color)[1]) < _GRAY_BELOW:
        return "neutral", None
    return ("brand", None) if first else ("accent", None)


def _holds(words: str, pattern: str) -> bool:
    return re.search(rf"\b(?:{pattern})\b", words) is not None


@dataclass(frozen=True)
class Repeat:
    """What a color hardly differs from: a hue of the set by its id, or an earlier line by its place; the distance."""

    hue: str | None
    line: int | None
    distance: float


def repeats(rgb8: Bytes, resolved: Resolved, solid: Sequence[bool]) -> list[Repeat | None]:
    """For each 8-bit color (n, 3): the hue of the set or the earlier color that it comes nearest to, if below 2.

    What is not `solid` as it was written only looks like that on white, so it is the same as none.
    """
    own = np.array([hue.scale.source8 for hue in resolved.hue_list], dtype=np.uint8).reshape(-1, 3)
    found = nearest(rgb8, np.concatenate([own, rgb8]), above=len(own))
    told: list[Repeat | None] = []
    hues = [hue.source.alpha == 1.0 for hue in resolved.hue_list]
    for near, is_solid in zip(found, solid, strict=True):
        other = near is not None and [*hues, *solid][near.place]
        if near is None or not near.hardly_different or not is_solid or not other:
            told.append(None)
        elif near.place < len(own):
            told.append(Repeat(resolved.hue_list[near.place].id, None, near.distance))
        else:
            told.append(Repeat(None, near.place - len(own), near.distance))
    return told


def replacing(
    names: Sequence[str], hues: Sequence[ResolvedHue]
) -> list[tuple[ResolvedHue, str] | None]:
    """The hue whose value each line would replace, and whether by `name` or by `order`; None where none is left.

    Names match without regard to capitals; the lines that match none take the hues that are left, in order.
    """
    by_name = {hue.name.casefold(): hue for hue in hues}
    found: list[tuple[ResolvedHue, str] | None] = []
    taken: set[str] = set()
    for name in names:
        hue = by_name.get(name.strip().casefold())
        new = hue is not None and hue.id not in taken
        found.append((hue, "name") if new and hue is not None else None)
        if new and hue is not None:
            taken.add(hue.id)
    left = iter([hue for hue in hues if hue.id not in taken])
    return [match or ((hue, "order") if (hue := next(left, None)) else None) for match in found]


@dataclass(frozen=True)
class Fit:
    """The step that an existing color would be pinned at: hue, step and label, what is generated there, how far."""

    hue: str
    step: str
    label: str
    generated: Bytes
    distance: float


_LIGHT_COUNTS = 0.35


def fits(rgb8: Bytes, resolved: Resolved) -> list[Fit | None]:
    """For each 8-bit color (n, 3), the hue that it fits best, and there the generated step that it comes nearest to.

    The hue is the one whose scale passes nearest in OKLab, lightness counting a third: a scale has all lightnesses.
    No two colors of a list are offered the same step; the nearer one has it.
    """
    if not resolved.hues or len(rgb8) == 0:
        return [None] * len(rgb8)
    unpinned = [hue.hue.model_copy(update={"pins": {}}) for hue in resolved.hue_list]
    scales = [np.asarray(scale.rgb8) for scale in scales_of(resolved.system, unpinned)]
    rows = np.concatenate(scales)
    owner = np.repeat(np.arange(len(scales)), [len(scale) for scale in scales])
    weights = np.array([_LIGHT_COUNTS, 1.0, 1.0])
    labs = srgb_to_oklab(rgb8 / 255.0) * weights
    steps = srgb_to_oklab(rows / 255.0) * weights
    far = np.sqrt(((labs[:, None] - steps[None]) ** 2).sum(axis=-1))
    hue_of = owner[far.argmin(axis=1)]
    distances = differences(rgb8, rows)
    distances[owner[None, :] != hue_of[:, None]] = np.inf
    return _without_clashes(distances, scales, resolved)


def _without_clashes(
    distances: np.ndarray, scales: list[Bytes], resolved: Resolved
) -> list[Fit | None]:
    starts = np.cumsum([0, *[len(scale) for scale in scales]])
    found: list[Fit | None] = [None] * len(distances)
    taken = np.zeros(distances.shape[1], dtype=bool)
    for row in np.argsort(distances.min(axis=1), kind="stable"):
        free = np.where(taken, np.inf, distances[row])
        place = int(free.argmin())
        if not np.isfinite(free[place]):
            continue
        taken[place] = True
        owner = int(np.searchsorted(starts, place, side="right")) - 1
        hue, at = resolved.hue_list[owner], place - int(starts[owner])
        step = hue.steps[at]
        found[row] = Fit(hue.id, step.id, step.label, scales[owner][at], float(free[place]))
    return found
