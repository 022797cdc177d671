"""What the status area shows: four colors proposed, and the distances of all pairs before and after."""

from collections.abc import Mapping, Sequence

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import TOLD_APART, distance_text, distance_words
from heimat.core.color.exact_color import Color, as_bytes, rgb8_of
from heimat.core.color.notation import Notation
from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.sources.conventions import STATUS_CONVENTIONS, STATUS_NOTES, STATUSES, Status
from heimat.core.sources.status import Brand, propose
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import color_text


class StatusColorView(SwatchView):
    """A proposed status color: what it was before, what is said of it, and whether it was held."""

    status: Status
    text: str
    before: SwatchView
    note: str
    convention: str
    held: bool


class StatusPairView(TypedDict):
    """The least distance of two status colors under a vision, before and after."""

    one: Status
    other: Status
    vision: str
    before: str
    after: str
    held_before: bool
    holds: bool


class StatusView(TypedDict):
    """Status colors proposed, and the distances of all pairs."""

    colors: list[StatusColorView]
    pairs: list[StatusPairView]
    threshold: str
    reached: bool
    sentence: str


def status_view(
    brand: Sequence[Color],
    present: Mapping[Status, Color],
    held: Sequence[Status],
    notation: Notation,
    eyes: Eyes,
) -> StatusView:
    """Propose status colors for a brand; `present` are those that the system has, `held` those of them that stay."""
    kept = {status: rgb8_of(present[status]) for status in held if status in present}
    proposal = propose(Brand.of(as_bytes(brand)), kept)
    before = np.array(
        [
            rgb8_of(present[status]) if status in present else proposal.fitted[at]
            for at, status in enumerate(STATUSES)
        ]
    )
    was, now = distances(before, TOLD_APART), distances(proposal.colors, TOLD_APART)
    after_swatches, before_swatches = eyes.swatches(proposal.colors), eyes.swatches(before)
    return {
        "colors": [
            {
                **after_swatches[at],
                "status": status,
                "text": color_text(Color.of_bytes(proposal.colors[at]), notation),
                "before": before_swatches[at],
                "note": STATUS_NOTES[status],
                "convention": STATUS_CONVENTIONS[status],
                "held": status in kept,
            }
            for at, status in enumerate(STATUSES)
        ],
        "pairs": [pair for old, new in zip(was, now, strict=True) for pair in _pairs(old, new)],
        "threshold": f"{TOLD_APART:g}",
        "reached": proposal.reached,
        "sentence": _sentence(proposal.least, proposal.reached, now, bool(kept)),
    }


def _pairs(old: PairDistance, new: PairDistance) -> list[StatusPairView]:
    figures = [("typical", old.typical, new.typical)]
    figures += [
        (was.vision, was.least, now.least)
        for was, now in zip(old.visions, new.visions, strict=True)
    ]
    return [
        {
            "one": STATUSES[new.one],
            "other": STATUSES[new.other],
            "vision": vision,
            "before": distance_text(before),
            "after": distance_text(after),
            "held_before": before >= TOLD_APART,
            "holds": after >= TOLD_APART,
        }
        for vision, before, after in figures
    ]


def _sentence(least: float, reached: bool, pairs: Sequence[PairDistance], held: bool) -> str:
    if reached:
        return f"Every pair keeps {distance_words(least)} or more under every vision; {TOLD_APART:g} is needed."
    worst = min(pairs, key=lambda pair: pair.least)
    names = f"{STATUSES[worst.one]} and {STATUSES[worst.other]}"
    why = "as they are held" if held else "with this brand"
    return f"{names} keep only {distance_words(worst.least)} under {worst.worst.vision} vision {why}; let one go."
