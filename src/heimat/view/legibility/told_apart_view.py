"""The told-apart sets in the theme that is shown."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import lightness
from heimat.core.color.told_apart import distance_curves
from heimat.core.resolve.theme import ResolvedTheme, ToldApartResult
from heimat.view.look import Look


class DistanceView(TypedDict):
    """The least distance under a vision, and whether it keeps to the threshold."""

    vision: str
    distance: str
    holds: bool


class PairView(TypedDict):
    """Two members of a told-apart set and their distances, typical vision first.

    `over` are those over the severities 0 to 1 in steps of 0.1, for each vision; `gray` that in lightness alone.
    """

    one: str
    other: str
    distances: list[DistanceView]
    over: list[list[float]]
    gray: str


class ToldApartView(TypedDict):
    """A told-apart set with the distances of all its pairs."""

    id: str
    name: str
    threshold: str
    tokens: list[str]
    pairs: list[PairView]


def told_apart_part(look: Look) -> list[ToldApartView]:
    """All told-apart sets, in order."""
    theme = look.theme
    return [_told_apart(result, theme) for result in theme.told_apart] if theme else []


def _told_apart(result: ToldApartResult, theme: ResolvedTheme) -> ToldApartView:
    told = result.told_apart
    rgb8 = np.array([theme.tokens[token].rgb8 for token in told.tokens], dtype=np.uint8).reshape(
        -1, 3
    )
    curves = distance_curves(rgb8) if len(rgb8) > 1 else np.zeros((3, 11, 0))
    lights = lightness(relative_luminance(rgb8))
    return {
        "id": told.id,
        "name": told.name,
        "threshold": f"{told.threshold:g}",
        "tokens": list(told.tokens),
        "pairs": [
            {
                "one": told.tokens[pair.one],
                "other": told.tokens[pair.other],
                "distances": [
                    _distance("typical", pair.typical, told.threshold),
                    *(_distance(seen.vision, seen.least, told.threshold) for seen in pair.visions),
                ],
                "over": curves[:, :, place].round(2).tolist(),
                "gray": f"{abs(float(lights[pair.one] - lights[pair.other])):.1f}",
            }
            for place, pair in enumerate(result.pairs)
        ],
    }


def _distance(vision: str, distance: float, threshold: float) -> DistanceView:
    return {"vision": vision, "distance": distance_text(distance), "holds": distance >= threshold}
