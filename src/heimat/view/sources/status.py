"""What the status area shows: four colors proposed, and the distances of all pairs before and after."""

from collections.abc import Mapping, Sequence

import numpy as np

from heimat.core.color.difference import TOLD_APART
from heimat.core.color.notation import Color, Notation, format, rgb8_of
from heimat.core.legibility.findings import distance_text
from heimat.core.legibility.told_apart import PairDistance, distances
from heimat.core.sources.conventions import STATUS_CONVENTIONS, STATUS_NOTES, STATUSES
from heimat.core.sources.sorting import as_bytes
from heimat.core.sources.status import Brand, propose
from heimat.core.system import Status
from heimat.service.area_types import StatusPairView, StatusView
from heimat.service.seeing import Eyes


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
        [rgb8_of(present[status]) if status in present else proposal.fitted[at] for at, status in enumerate(STATUSES)]
    )
    was, now = distances(before, TOLD_APART), distances(proposal.colors, TOLD_APART)
    after_swatches, before_swatches = eyes.swatches(proposal.colors), eyes.swatches(before)
    return {
        "colors": [
            {
                **after_swatches[at],
                "status": status,
                "text": _text(proposal.colors[at], notation),
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


def _text(rgb8: np.ndarray, notation: Notation) -> str:
    color = Color.of_bytes(rgb8)
    return format(color, notation) or format(color, "hex")


def _pairs(old: PairDistance, new: PairDistance) -> list[StatusPairView]:
    figures = [("typical", old.typical, new.typical)]
    figures += [(was.vision, was.least, now.least) for was, now in zip(old.visions, new.visions, strict=True)]
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
        return f"Every pair keeps {distance_text(least)} or more under every vision; {TOLD_APART:g} is needed."
    worst = min(pairs, key=lambda pair: pair.least())
    names = f"{STATUSES[worst.one]} and {STATUSES[worst.other]}"
    why = "as they are held" if held else "with this brand"
    return f"{names} keep only {distance_text(worst.least())} under {worst.worst.vision} vision {why}; let one go."
