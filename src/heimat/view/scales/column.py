"""One column of the sheet: the steps of all hues under one label, side by side, to see whether they weigh the same."""

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.resolve import Resolved
from heimat.core.system import Hue, ladder_of
from heimat.service.seeing import Eyes
from heimat.service.view_types import ColumnMemberView, ColumnView

_EVEN = 3.0
"""L* within which steps of a column weigh the same: they can be swapped and their contrast hardly changes."""
_GRAYS = Eyes("achromat", 1.0)


def column_view(resolved: Resolved, hue: Hue, step: str | None, eyes: Eyes) -> ColumnView:
    """The column in which a step of a hue stands, or else the hue's own color."""
    system, scale = resolved.system, resolved.scales[hue.id]
    own = int(np.abs(lightness(relative_luminance(scale.rgb8)) - scale.source_lightness).argmin())
    chosen = ladder_of(system, hue).index(step or "")
    aim = ladder_of(system, hue).steps[own if chosen is None else chosen].lightness
    places = [ladder_of(system, each).nearest(aim) for each in resolved.hues]
    rgb8 = np.array([resolved.scales[each.id].rgb8[place] for each, place in zip(resolved.hues, places, strict=True)])
    light, chroma = lightness(relative_luminance(rgb8)), srgb_to_oklch(rgb8 / 255.0)[:, 1]
    rows = zip(resolved.hues, places, eyes.swatches(rgb8), _GRAYS.hexes(rgb8), strict=True)
    members: list[ColumnMemberView] = [
        {
            **swatch,
            "key": f"step:{each.id}/{ladder_of(system, each).steps[place].id}",
            "hue": each.name,
            "label": ladder_of(system, each).steps[place].label,
            "gray": gray,
            "lightness": round(float(light[at]), 2),
            "chroma": round(float(chroma[at]), 4),
        }
        for at, (each, place, swatch, gray) in enumerate(rows)
    ]
    label = ladder_of(system, hue).steps[ladder_of(system, hue).nearest(aim)].label
    return {"label": label, "members": members, "words": _words([member["hue"] for member in members], light, chroma)}


def _words(names: list[str], light: Floats, chroma: Floats) -> str:
    dark, bright = int(light.argmin()), int(light.argmax())
    weak, strong = int(chroma.argmin()), int(chroma.argmax())
    apart = float(light[bright] - light[dark])
    if len(names) == 1:
        return f"Only {names[0]} stands here."
    said = f"L* from {light[dark]:.1f} ({names[dark]}) to {light[bright]:.1f} ({names[bright]})"
    even = "they weigh the same" if apart <= _EVEN else f"{apart:.1f} apart: {names[dark]} weighs most"
    return f"{said}, {even}. Chroma from {chroma[weak]:.3f} ({names[weak]}) to {chroma[strong]:.3f} ({names[strong]})."
