"""The told-apart sets in the theme that is shown."""

from typing_extensions import TypedDict

from heimat.core.color.difference import distance_text
from heimat.core.resolve.theme import ToldApartResult
from heimat.view.look import Look


class DistanceView(TypedDict):
    """The least distance under a vision, and whether it keeps to the threshold."""

    vision: str
    distance: str
    holds: bool


class PairView(TypedDict):
    """Two members of a told-apart set and their distances, typical vision first."""

    one: str
    other: str
    distances: list[DistanceView]


class ToldApartView(TypedDict):
    """A told-apart set with the distances of all its pairs."""

    id: str
    name: str
    threshold: str
    tokens: list[str]
    pairs: list[PairView]


def told_apart_part(look: Look) -> list[ToldApartView]:
    """All told-apart sets, in order."""
    return [_told_apart(result) for result in (look.theme.told_apart if look.theme else [])]


def _told_apart(result: ToldApartResult) -> ToldApartView:
    told = result.told_apart
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
            }
            for pair in result.pairs
        ],
    }


def _distance(vision: str, distance: float, threshold: float) -> DistanceView:
    return {"vision": vision, "distance": distance_text(distance), "holds": distance >= threshold}
