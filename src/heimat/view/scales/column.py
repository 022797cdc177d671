"""One column of the sheet: the steps of all hues under one label, side by side, to see whether they weigh the same."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.view.eyes import Eyes, SwatchView

_EVEN = 3.0
"""L* within which steps of a column weigh the same: they can be swapped and their contrast hardly changes."""
_GRAYS = Eyes("achromat", 1.0)


class ColumnMemberView(SwatchView):
    """A hue's step in a column, what it weighs as gray, and its L* and OKLCH chroma."""

    key: str
    hue: str
    label: str
    gray: str
    lightness: float
    chroma: float


class ColumnView(TypedDict):
    """The steps of all hues under one label of the ladder, and in words whether they weigh the same."""

    label: str
    members: list[ColumnMemberView]
    words: str


def column_view(resolved: Resolved, hue: ResolvedHue, place: int | None, eyes: Eyes) -> ColumnView:
    """The column in which a step of a hue stands, or else the hue's own color."""
    own = int(np.abs(lightness(relative_luminance(hue.rgb8)) - hue.scale.source_lightness).argmin())
    aim = hue.steps[own if place is None else place].lightness
    hues = resolved.hue_list
    places = [each.ladder.nearest(aim) for each in hues]
    rgb8 = np.array([each.rgb8[at] for each, at in zip(hues, places, strict=True)])
    light, chroma = lightness(relative_luminance(rgb8)), srgb_to_oklch(rgb8 / 255.0)[:, 1]
    swatches, grays = eyes.swatches(rgb8), _GRAYS.hexes(rgb8)
    members: list[ColumnMemberView] = [
        {
            **swatches[row],
            "key": each.step_key(at),
            "hue": each.name,
            "label": each.steps[at].label,
            "gray": grays[row],
            "lightness": round(float(light[row]), 2),
            "chroma": round(float(chroma[row]), 4),
        }
        for row, (each, at) in enumerate(zip(hues, places, strict=True))
    ]
    label = hue.steps[hue.ladder.nearest(aim)].label
    return {
        "label": label,
        "members": members,
        "words": _words([each.name for each in hues], light, chroma),
    }


def _words(names: list[str], light: Floats, chroma: Floats) -> str:
    dark, bright = int(light.argmin()), int(light.argmax())
    weak, strong = int(chroma.argmin()), int(chroma.argmax())
    apart = float(light[bright] - light[dark])
    if len(names) == 1:
        return f"Only {names[0]} stands here."
    said = f"L* from {light[dark]:.1f} ({names[dark]}) to {light[bright]:.1f} ({names[bright]})"
    even = (
        "they weigh the same" if apart <= _EVEN else f"{apart:.1f} apart: {names[dark]} weighs most"
    )
    return f"{said}, {even}. Chroma from {chroma[weak]:.3f} ({names[weak]}) to {chroma[strong]:.3f} ({names[strong]})."
