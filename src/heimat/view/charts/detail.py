"""The palette that is selected: how far apart its colors are, pair by pair, for each kind of vision."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.charts.apart import differences, seen8
from heimat.core.color.difference import distance_text
from heimat.core.color.vision import COLOR_VISIONS
from heimat.core.document.keys import parse_key
from heimat.core.document.palettes import Categorical
from heimat.core.resolve.palettes import ResolvedPalette
from heimat.view.eyes import TYPICAL, Eyes
from heimat.view.look import Look


class PairPlaceView(TypedDict):
    """Two colors of a palette (places from 0) where their distance stands, and both as they are seen there."""

    one: int
    other: int
    distance: float
    colors: list[str]


class ApartView(TypedDict):
    """One kind of vision: every pair, the nearest first, and the nearest in words."""

    vision: str
    pairs: list[PairPlaceView]
    least: str
    nearest: str


class PaletteDetail(TypedDict):
    """The selected palette's distances; `most` is how far the axis reaches, `threshold` what the palette asks for."""

    palette: str
    apart: list[ApartView]
    threshold: float
    most: float


def palette_detail_part(look: Look) -> PaletteDetail | None:
    """The distances of the palette that is selected, the first without one; none where that is not categorical."""
    key = parse_key(look.options.select or "")
    palettes = look.resolved.palettes[look.theme.theme.id if look.theme else ""]
    first = palettes[0] if palettes else None
    shown = next((each for each in palettes if key and key.kind == "palette" and each.palette.id == key.id), first)
    if shown is None or not isinstance(shown.palette.make, Categorical):
        return None
    views = seen8(shown.rgb8)
    one, other = np.triu_indices(len(shown.rgb8), k=1)
    far = differences(views[:, one], views[:, other])
    most = max(60.0, float(np.ceil(far.max() / 10.0) * 10.0)) if far.size else 60.0
    eyes = [TYPICAL, *(Eyes(vision, 1.0) for vision in COLOR_VISIONS)]
    return {
        "palette": shown.palette.id,
        "apart": [_apart(shown, each, one, other, far[place]) for place, each in enumerate(eyes)],
        "threshold": shown.palette.make.threshold,
        "most": most,
    }


def _apart(shown: ResolvedPalette, eyes: Eyes, one: np.ndarray, other: np.ndarray, far: np.ndarray) -> ApartView:
    seen = eyes.hexes(shown.rgb8)
    order = np.argsort(far, kind="stable")
    pairs: list[PairPlaceView] = [
        {
            "one": int(one[place]),
            "other": int(other[place]),
            "distance": round(float(far[place]), 2),
            "colors": [seen[one[place]], seen[other[place]]],
        }
        for place in order
    ]
    nearest = f"{one[order[0]] + 1} and {other[order[0]] + 1}" if pairs else ""
    return {
        "vision": eyes.vision,
        "pairs": pairs,
        "least": distance_text(float(far.min())) if far.size else "",
        "nearest": nearest,
    }
