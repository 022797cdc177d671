"""The palette that is selected: how far apart its colors are, pair by pair, for each kind of vision."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.charts.apart import by_vision, seen8
from heimat.core.charts.ramp import arc, lights
from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import distance_text, distances
from heimat.core.color.vision import COLOR_VISIONS
from heimat.core.document.keys import parse_key
from heimat.core.document.palettes import Categorical
from heimat.core.resolve.resolved_palettes import ResolvedPalette
from heimat.view.eyes import TYPICAL, Eyes
from heimat.view.look import Look


class PairPlaceView(TypedDict):
    """Two colors of a palette (places from 0) where their distance stands, and both as they are seen there;
    `figure` is the distance as it is told everywhere."""

    one: int
    other: int
    distance: float
    figure: str
    colors: list[str]


class ApartView(TypedDict):
    """One kind of vision: every pair, the nearest first, and the nearest in words."""

    vision: str
    pairs: list[PairPlaceView]
    least: str
    nearest: str


class StepsView(TypedDict):
    """One kind of vision along a palette over numbers: how far each color is from the next, and how even that is."""

    vision: str
    steps: list[float]
    least: str
    varies: str


class PaletteDetail(TypedDict):
    """The selected palette's distances; `most` is how far the axis reaches, `threshold` what the palette asks for.

    One by category has its pairs in `apart`; one over numbers its steps in CAM02-UCS in `steps`, and L* in `light`.
    """

    palette: str
    apart: list[ApartView]
    steps: list[StepsView]
    light: list[float]
    threshold: float
    most: float


def palette_detail_part(look: Look) -> PaletteDetail | None:
    """The distances of the palette that is selected, the first without one; none without a palette."""
    key = parse_key(look.options.select or "")
    palettes = look.resolved.palettes[look.theme.theme.id if look.theme else ""]
    first = palettes[0] if palettes else None
    shown = next(
        (each for each in palettes if key and key.kind == "palette" and each.palette.id == key.id),
        first,
    )
    if shown is None:
        return None
    eyes = [TYPICAL, *(Eyes(vision, 1.0) for vision in COLOR_VISIONS)]
    if not isinstance(shown.palette.make, Categorical):
        return _along(shown, eyes)
    views = seen8(shown.rgb8)
    one, other = np.triu_indices(len(shown.rgb8), k=1)
    far = by_vision(distances(views[:, one], views[:, other]))
    most = max(60.0, float(np.ceil(far.max() / 10.0) * 10.0)) if far.size else 60.0
    return {
        "palette": shown.palette.id,
        "apart": [_apart(shown, each, one, other, far[place]) for place, each in enumerate(eyes)],
        "steps": [],
        "light": [],
        "threshold": shown.palette.make.asked,
        "most": most,
    }


def _along(shown: ResolvedPalette, eyes: list[Eyes]) -> PaletteDetail:
    """The distances of neighbors along a palette over numbers, for each kind of vision."""
    found: list[StepsView] = []
    for each in eyes:
        srgb = from_bytes(each.see(shown.rgb8))
        steps = np.diff(arc(srgb))
        mean = float(steps.mean()) if steps.size else 0.0
        found.append(
            {
                "vision": each.vision,
                "steps": [round(float(step), 3) for step in steps],
                "least": distance_text(float(steps.min())) if steps.size else "",
                "varies": f"{float(steps.std()) / mean:.0%}" if mean > 0.0 else "",
            }
        )
    most = max((max(each["steps"], default=0.0) for each in found), default=0.0)
    return {
        "palette": shown.palette.id,
        "apart": [],
        "steps": found,
        "light": [round(float(each), 2) for each in lights(shown.rgb8)],
        "threshold": 0.0,
        "most": round(most, 3),
    }


def _apart(
    shown: ResolvedPalette, eyes: Eyes, one: np.ndarray, other: np.ndarray, far: np.ndarray
) -> ApartView:
    seen = eyes.hexes(shown.rgb8)
    order = np.argsort(far, kind="stable")
    pairs: list[PairPlaceView] = [
        {
            "one": int(one[place]),
            "other": int(other[place]),
            "distance": round(float(far[place]), 2),
            "figure": distance_text(float(far[place])),
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
