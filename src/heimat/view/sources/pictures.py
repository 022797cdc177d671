"""What the picture area shows: main colors, a color taken, ordered stops; each beside what the system has."""

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.notation import Color, Notation, format
from heimat.core.legibility.findings import distance_text
from heimat.core.pictures.main_colors import MainColors
from heimat.core.pictures.sampling import Sample
from heimat.core.pictures.stops import FittedStops
from heimat.core.resolve import Resolved
from heimat.core.sources.nearness import HARDLY_DIFFERENT, differences
from heimat.core.system import ladder_of
from heimat.service.area_types import FittedView, MainColorView, NearSystemView, PictureView, SampleView
from heimat.service.seeing import Eyes
from heimat.store.pictures import PictureRow


def picture_view(row: PictureRow) -> PictureView:
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


def main_color_views(found: MainColors, resolved: Resolved, notation: Notation, eyes: Eyes) -> list[MainColorView]:
    """Main colors, the largest area first."""
    near = near_system(found.rgb8, resolved, eyes)
    return [
        {
            **swatch,
            "text": _text(found.rgb8[place], notation),
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
        "text": _text(taken.rgb8, notation),
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


def _text(rgb8: Bytes, notation: Notation) -> str:
    color = Color.of_bytes(rgb8)
    return format(color, notation) or format(color, "hex")


def near_system(rgb8: Bytes, resolved: Resolved, eyes: Eyes) -> list[NearSystemView | None]:
    """For each of n 8-bit colors, the hue or step that it is within 2 of, hues before steps; None where none is."""
    hues = resolved.hues
    if not hues:
        return [None] * len(rgb8)
    own = np.array([resolved.scales[hue.id].source8 for hue in hues])
    every = np.concatenate([own, resolved.steps.rgb8])
    found = differences(rgb8, every)
    nearest = found.argmin(axis=1)
    views: list[NearSystemView | None] = []
    for row, place in enumerate(nearest):
        distance = float(found[row, place])
        if distance > HARDLY_DIFFERENT:
            views.append(None)
            continue
        key, name = _named(resolved, int(place))
        views.append({**eyes.swatch(every[place]), "key": key, "name": name, "distance": distance_text(distance)})
    return views


def _named(resolved: Resolved, place: int) -> tuple[str, str]:
    """Key and name of a color: the hues come first, then all steps."""
    if place < len(resolved.hues):
        hue = resolved.hues[place]
        return f"hue:{hue.id}", hue.name
    at = place - len(resolved.hues)
    hue = resolved.hues[int(resolved.steps.hue_index[at])]
    step = ladder_of(resolved.system, hue).steps[int(resolved.steps.step_index[at])]
    return f"step:{hue.id}/{step.id}", f"{hue.name} {step.label}"
