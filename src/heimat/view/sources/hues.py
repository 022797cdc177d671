"""What the page paints of sources: who follows whom, pins, candidates and ordered stops."""

from collections import Counter
from functools import lru_cache
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.difference import TOLD_APART
from heimat.core.color.notation import Notation, format, hex_of, rgb8_of
from heimat.core.color.overlay import over
from heimat.core.colors_of import standing
from heimat.core.edits.sources import following_words
from heimat.core.legibility.findings import distance_text
from heimat.core.legibility.told_apart import distances
from heimat.core.resolve import Resolved
from heimat.core.scales.nudges import Nudge
from heimat.core.scaling import scales_of
from heimat.core.sources.nearness import HARDLY_DIFFERENT, differences
from heimat.core.system import Change, ColorSystem, DerivedSource, GivenSource, Hue, in_order, ladder_of, parent_of
from heimat.service.seeing import Eyes
from heimat.service.view_types import (
    CandidateView,
    ChangeOfQuantity,
    FollowingView,
    NearView,
    PinView,
    StopsView,
)

_KEPT: ChangeOfQuantity = {"how": "kept", "by": 0.0}


def following_view(resolved: Resolved, hue: Hue) -> FollowingView | None:
    """How a hue follows its parent; None where its color is given."""
    source = hue.source
    if isinstance(source, GivenSource):
        return None
    words = following_words(resolved.system, source)
    shared = {"hue": source.hue, "name": resolved.system.hues[source.hue].name, "words": words}
    if isinstance(source, DerivedSource):
        return {  # type: ignore[return-value]
            **shared,
            "kind": "derived",
            "circle": source.circle,
            "lightness": _change(source.lightness),
            "strength": _change(source.strength),
            "turn": _change(source.turn),
            "alpha": _change(source.alpha),
            "limits": list(standing(resolved.system, hue).limits),
        }
    return {  # type: ignore[return-value]
        **shared,
        "kind": "tinted",
        "circle": "oklch",
        "lightness": {"how": "set", "by": source.lightness},
        "strength": {"how": "set", "by": source.chroma},
        "turn": _KEPT,
        "alpha": _KEPT,
        "limits": [],
    }


def _change(change: Change) -> ChangeOfQuantity:
    return {"how": change.how, "by": change.by}


def pin_views(resolved: Resolved, hue: Hue, eyes: Eyes) -> list[PinView]:
    """The pinned and nudged steps of a hue from light to dark, each beside what would be generated in its place."""
    changed = {**dict.fromkeys(hue.nudges, "nudged"), **dict.fromkeys(hue.pins, "pinned")}
    if not changed:
        return []
    now = resolved.scales[hue.id].rgb8
    generated = scales_of(resolved.system, [hue.model_copy(update={"pins": {}, "nudges": {}})])[0].rgb8
    return [
        {
            **eyes.swatch(np.asarray(now[place])),
            "kind": changed[step.id],  # type: ignore[typeddict-item]
            "step": step.id,
            "label": step.label,
            "generated": eyes.swatch(np.asarray(generated[place])),
            "distance": distance_text(float(differences(now[place][None], generated[place][None])[0, 0])),
        }
        for place, step in enumerate(ladder_of(resolved.system, hue).steps)
        if step.id in changed
    ]


def nudge_sign(nudge: Nudge | None) -> Literal["plus", "minus"] | None:
    """The mark of a nudged step: a plus where it is lighter than generated, or else stronger, a minus otherwise."""
    if nudge is None:
        return None
    return "plus" if (nudge.lightness, nudge.chroma, nudge.hue) > (0.0, 0.0, 0.0) else "minus"


def candidate_views(resolved: Resolved, eyes: Eyes, notation: Notation) -> list[CandidateView]:
    """The candidates in order, each with the hue that it comes nearest to."""
    candidates = in_order(resolved.system.candidates)
    if not candidates:
        return []
    rgb8 = np.array([rgb8_of(candidate.color) for candidate in candidates])
    near = _nearest(resolved, rgb8)
    return [
        {
            **swatch,
            "id": candidate.id,
            "name": candidate.name,
            "text": format(candidate.color, notation) or swatch["hex"],
            "kind": candidate.kind,
            "status": candidate.status,
            "note": candidate.note,
            "near": near[place],
        }
        for place, (candidate, swatch) in enumerate(zip(candidates, eyes.swatches(rgb8), strict=True))
    ]


def _nearest(resolved: Resolved, rgb8: Bytes) -> list[NearView | None]:
    if not resolved.hues:
        return [None] * len(rgb8)
    own = np.array([resolved.scales[hue.id].source8 for hue in resolved.hues])
    found = differences(rgb8, own)
    places = found.argmin(axis=1)
    return [
        {
            "name": resolved.hues[place].name,
            "distance": distance_text(float(found[row, place])),
            "same": bool(found[row, place] < HARDLY_DIFFERENT),
        }
        for row, place in enumerate(places)
    ]


def confusable_status(resolved: Resolved) -> int:
    """How many pairs of status hues some eyes cannot tell apart by the hues' own colors."""
    own = [resolved.scales[hue.id].source8 for hue in resolved.hues if hue.status]
    return _confusable(np.array(own, dtype=np.uint8).tobytes())


@lru_cache(maxsize=64)
def _confusable(levels: bytes) -> int:
    rgb8 = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    return sum(pair.least() < TOLD_APART for pair in distances(rgb8, TOLD_APART))


def stops_views(resolved: Resolved, eyes: Eyes) -> list[StopsView]:
    """The ordered stops that are kept."""
    return [
        {
            "id": stops.id,
            "name": stops.name,
            "colors": eyes.swatches(np.array([rgb8_of(color) for color in stops.colors])),
            "difference": f"{stops.difference:g}",
            "note": stops.note,
        }
        for stops in in_order(resolved.system.stops)
    ]


def on_grounds(rgb8: Bytes, alpha: float, eyes: Eyes) -> tuple[str, str]:
    """A color of an alpha, composited on white and on black, as seen."""
    grounds = np.array([[255, 255, 255], [0, 0, 0]], dtype=np.uint8)
    white, black = eyes.see(np.rint(over(rgb8, alpha, grounds)).astype(np.uint8))
    return hex_of(white), hex_of(black)


def followers(system: ColorSystem) -> tuple[dict[str, list[str]], Counter[str]]:
    """By the id of each hue: the names of those that follow it directly, and how many follow in chains as well."""
    names: dict[str, list[str]] = {hue: [] for hue in system.hues}
    counts: Counter[str] = Counter()
    for hue in in_order(system.hues):
        at = parent_of(hue)
        if at is not None:
            names[at].append(hue.name)
        while at is not None:
            counts[at] += 1
            at = parent_of(system.hues[at])
    return names, counts
