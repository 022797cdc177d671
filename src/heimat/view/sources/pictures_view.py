"""What the picture area shows: main colors, a color taken, ordered stops; each beside what the system has."""

from typing import Protocol

from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.exact_color import Color
from heimat.core.color.notation import Notation
from heimat.core.pictures.main_colors import MainColors
from heimat.core.pictures.sampling import Sample
from heimat.core.pictures.stops import FittedStops
from heimat.core.resolve.resolved import Resolved
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import color_text
from heimat.view.sources.near import NearView, near_system


class _Picture(Protocol):
    """What is told of a picture: its id and name, its size in pixels and bytes, and who has brought it."""

    @property
    def id(self) -> int: ...
    @property
    def name(self) -> str: ...
    @property
    def width(self) -> int: ...
    @property
    def height(self) -> int: ...
    @property
    def size(self) -> int: ...
    @property
    def person(self) -> str: ...


class PictureView(TypedDict):
    """A picture of a system."""

    id: int
    name: str
    width: int
    height: int
    size: str
    person: str


class MainColorView(SwatchView):
    """A main color: its share of the picture, where it was found, and the color of the system that it nearly is."""

    text: str
    share: str
    x: int
    y: int
    near: NearView | None


class SampleView(SwatchView):
    """A color taken from a picture, the 17 by 17 pixels around it row by row, and what of the system it nearly is."""

    text: str
    x: int
    y: int
    around: list[str]
    near: NearView | None


class FittedView(TypedDict):
    """Ordered stops fitted to an area, from dark to light, and the curve that they stand for."""

    colors: list[SwatchView]
    largest: str
    curve: list[str]


def picture_view(row: _Picture) -> PictureView:
    """A picture in the list."""
    size = f"{row.size / 1e6:.1f} MB" if row.size >= 1e6 else f"{max(row.size // 1000, 1)} kB"
    return {
        "id": row.id,
        "name": row.name,
        "width": row.width,
        "height": row.height,
        "size": size,
        "person": row.person,
    }


def main_color_views(
    found: MainColors, resolved: Resolved, notation: Notation, eyes: Eyes
) -> list[MainColorView]:
    """Main colors, the largest area first."""
    near = near_system(found.rgb8, resolved, eyes)
    return [
        {
            **swatch,
            "text": color_text(Color.of_bytes(found.rgb8[place]), notation),
            "share": share_text(float(found.shares[place])),
            "x": found.points[place][0],
            "y": found.points[place][1],
            "near": near[place],
        }
        for place, swatch in enumerate(eyes.swatches(found.rgb8))
    ]


def share_text(share: float) -> str:
    """A share of a picture in percent: two decimals where it is small."""
    percent = share * 100.0
    if percent < 0.01:
        return "under 0.01 %"
    return f"{percent:.2f} %" if percent < 1.0 else f"{percent:.0f} %"


def sample_view(taken: Sample, resolved: Resolved, notation: Notation, eyes: Eyes) -> SampleView:
    """A color taken from a picture."""
    return {
        **eyes.swatch(taken.rgb8),
        "text": color_text(Color.of_bytes(taken.rgb8), notation),
        "x": taken.x,
        "y": taken.y,
        "around": eyes.hexes(taken.around.reshape(-1, 3)),
        "near": near_system(taken.rgb8[None], resolved, eyes)[0],
    }


def fitted_view(fitted: FittedStops, eyes: Eyes) -> FittedView:
    """Ordered stops of an area."""
    return {
        "colors": eyes.swatches(fitted.rgb8),
        "largest": distance_text(fitted.largest),
        "curve": eyes.hexes(fitted.curve),
    }
