"""Ways to settle what is found of a color of a palette: a step or a color beside it, or another way to tell it."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from heimat.core.charts.apart import apart, seen8
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000, distance_text
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color
from heimat.core.color.few import lab_of_few
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.passing import nearest_passing
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.palettes import Categorical, OtherRole, PaletteValue, Telling
from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.edits.palette_edits import SetOtherColor, SetPalette
from heimat.core.legibility.findings.palettes.palette_site import PaletteSite, colors_of, every_site
from heimat.core.legibility.findings.palettes.statuses import off_status, statuses_at
from heimat.core.legibility.repairs import Repair
from heimat.core.memory import remembered
from heimat.core.values.palette_colors import on_ground

_FEW = 64
_WORDS: dict[Telling, str] = {
    "outline": "Outline every mark",
    "gap": "Part what touches by a gap",
    "dash": "Dash the lines, each in its own way",
    "marker": "Give every series a shape of its own",
    "label": "Label every mark directly",
}


def telling_repairs(site: PaletteSite, make: Categorical, ways: Sequence[Telling]) -> list[Repair]:
    """What else could tell categories apart, besides their color: the colors stay."""
    found = []
    for way in ways:
        changed = make.model_copy(update={"told_by": (*make.told_by, way)})
        edit = SetPalette(palette=site.shown.palette.id, make=changed)
        found.append(Repair((edit,), "telling", site.shown.rgb8[0], _WORDS[way], 0.0))
    return found


def color_repairs(site: PaletteSite, make: Categorical, places: Sequence[int]) -> list[Repair]:
    """The nearest step of the system that stands apart from all others, and the nearest color of contrast enough."""
    found: list[Repair] = []
    for place in places:
        if make.colors[place].held:
            continue
        found += _nearest_step(site, make, place)
        if ratio(site.shown.rgb8[place], site.shown.ground8) < make.contrast:
            found += _nearest_color(site, make, place)
    return found


def other_repairs(site: PaletteSite, role: OtherRole, rgb8: Bytes) -> list[Repair]:
    """The step nearest to a color (3,) beside those of a palette that is taken for none of them, in any theme."""
    hues = [
        hue
        for hue in site.resolved.hue_list
        if hue.source.alpha == 1.0 and hue.hue.kind == "neutral"
    ]
    steps = [(hue, step) for hue in hues for step in range(len(hue.steps))]
    if not steps:
        return []
    colors = np.concatenate([hue.rgb8 for hue in hues])
    room = np.full(len(colors), np.inf)
    for each in every_site(site.resolved):
        if each.shown.palette.id == site.shown.palette.id:
            typical = not isinstance(each.shown.palette.make, Categorical)
            room = np.minimum(
                room, other_room(each.shown.rgb8, colors, typical=typical).min(axis=1)
            )
    good = room >= TOLD_APART
    if not good.any():
        return []
    away = ciede2000(srgb_to_lab(from_bytes(colors)), srgb_to_lab(from_bytes(rgb8)))
    best = int(np.argmin(np.where(good, away, np.inf)))
    hue, step = steps[best]
    edit = SetOtherColor(
        palette=site.shown.palette.id,
        role=role,
        value=StepAlias(hue=hue.hue.id, step=hue.steps[step].id),
    )
    words = f"Let what is {role} be {hue.step_name(step)}"
    return [Repair((edit,), "apart", colors[best], words, float(room[best]), float(away[best]))]


def other_room(rgb8: Bytes, others8: Bytes, *, typical: bool) -> Floats:
    """How far colors (n, 3) are from those of a palette (m, 3): (n, m), under any vision, or for typical vision."""
    if typical:
        return ciede2000(lab_of_few(others8)[:, None], lab_of_few(rgb8)[None])
    return apart(seen8(others8), seen8(rgb8))


def _nearest_step(site: PaletteSite, make: Categorical, place: int) -> list[Repair]:
    hues = [hue for hue in site.resolved.hue_list if hue.source.alpha == 1.0]
    steps = [(hue, step) for hue in hues for step in range(len(hue.steps))]
    if not steps:
        return []
    rgb8 = np.concatenate([hue.rgb8 for hue in hues])
    room, good = _room(site, make, place, rgb8)
    if not good.any():
        return []
    # What stands apart in every theme goes before what does so in this one alone.
    everywhere = good.copy()
    for other in every_site(site.resolved):
        if other.shown.palette.id == site.shown.palette.id and other.theme != site.theme:
            everywhere &= _room(other, make, place, rgb8)[1]
    good = everywhere if everywhere.any() else good
    away = ciede2000(srgb_to_lab(from_bytes(rgb8)), srgb_to_lab(from_bytes(site.shown.rgb8[place])))
    best = int(np.argmin(np.where(good, away, np.inf)))
    hue, step = steps[best]
    value = StepAlias(hue=hue.id, step=hue.steps[step].id)
    words = f"Let {site.name(place)} be {hue.step_name(step)}"
    return [
        _repair(site, make, place, value, rgb8[best], words, float(room[best]), float(away[best]))
    ]


def _room(
    site: PaletteSite, make: Categorical, place: int, rgb8: Bytes
) -> tuple[Floats, NDArray[np.bool_]]:
    """How far colors (n, 3) would be from all others of a palette in a theme, and whether they would do there."""
    here8 = rgb8 if site.is_first else on_ground(rgb8, site.shown.ground8, make.contrast)
    far = np.delete(_far(here8.tobytes(), site.shown.rgb8.tobytes()), place, axis=1)
    room = far.min(axis=1) if far.shape[1] else np.full(len(rgb8), np.inf)
    good = (room >= make.asked) & (ratio(here8, site.shown.ground8) >= make.contrast)
    return room, good & off_status(here8, statuses_at(site)[1])


@remembered(_FEW)
def _far(levels: bytes, others: bytes) -> Floats:
    """How far colors are from all of a palette under any vision: asked once for each finding on it."""
    return apart(seen8(colors_of(levels)), seen8(colors_of(others)))


def _nearest_color(site: PaletteSite, make: Categorical, place: int) -> list[Repair]:
    colors, away = nearest_passing(
        site.shown.rgb8[place][None], site.shown.ground8[None], np.array([make.contrast])
    )
    if not np.isfinite(away[0]):
        return []
    words = f"Let {site.name(place)} be {hex_of(colors[0])}, {distance_text(away[0])} away"
    reached = float(ratio(colors[0], site.shown.ground8))
    value = LiteralColor(color=Color.of_bytes(colors[0]))
    return [_repair(site, make, place, value, colors[0], words, reached, float(away[0]))]


def _repair(
    site: PaletteSite,
    make: Categorical,
    place: int,
    value: PaletteValue,
    rgb8: Bytes,
    words: str,
    reaches: float,
    away: float,
) -> Repair:
    color = make.colors[place].model_copy(update={"value": value, "shades": {}})
    colors = (*make.colors[:place], color, *make.colors[place + 1 :])
    edit = SetPalette(
        palette=site.shown.palette.id, make=make.model_copy(update={"colors": colors})
    )
    return Repair((edit,), "step", rgb8, words, reaches, away)
