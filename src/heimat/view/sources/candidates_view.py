"""What waits beside the set: candidates, and ordered stops."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.exact_color import rgb8_of
from heimat.core.document.hues import HueKind
from heimat.core.document.order import in_order
from heimat.core.sources.conventions import Status
from heimat.view.eyes import SwatchView
from heimat.view.figures import ExactColor, color_text, exact_color
from heimat.view.look import Look
from heimat.view.sources.near import NearView, near_hues


class CandidateView(SwatchView):
    """A color that waits beside the set, with the hue of the set that it comes nearest to."""

    id: str
    name: str
    text: str
    kind: HueKind
    status: Status | None
    note: str
    near: NearView | None


class StopsView(TypedDict):
    """Ordered stops of a picture's area, kept for charts; `exact` are their colors as an edit takes them."""

    id: str
    name: str
    colors: list[SwatchView]
    exact: list[ExactColor]
    difference: str
    note: str


def candidates_part(look: Look) -> list[CandidateView]:
    """The candidates, in order, each with the hue that it comes nearest to."""
    candidates = in_order(look.system.candidates)
    if not candidates:
        return []
    rgb8 = np.array([rgb8_of(candidate.color) for candidate in candidates])
    near = near_hues(rgb8, look.resolved, look.eyes)
    return [
        {
            **swatch,
            "id": candidate.id,
            "name": candidate.name,
            "text": color_text(candidate.color, look.options.notation),
            "kind": candidate.kind,
            "status": candidate.status,
            "note": candidate.note,
            "near": near[place],
        }
        for place, (candidate, swatch) in enumerate(
            zip(candidates, look.eyes.swatches(rgb8), strict=True)
        )
    ]


def stops_part(look: Look) -> list[StopsView]:
    """The ordered stops that are kept."""
    return [
        {
            "id": stops.id,
            "name": stops.name,
            "colors": look.eyes.swatches(np.array([rgb8_of(color) for color in stops.colors])),
            "exact": [exact_color(color) for color in stops.colors],
            "difference": f"{stops.difference:g}",
            "note": stops.note,
        }
        for stops in in_order(look.system.stops)
    ]
