"""Categories that lack contrast with the ground, where no outline gives it."""

import math
from collections.abc import Iterator

from heimat.core.color.contrast import cut, ratio
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.finding import GRAIN_OF_CONTRAST
from heimat.core.legibility.findings.palettes.color_repairs import color_repairs, telling_repairs
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words
from heimat.core.legibility.repairs import Repair


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """Every color against the ground."""
    make = site.categories
    if make is None or "outline" in make.told_by:
        return
    for place, reached in enumerate(ratio(site.shown.rgb8, site.shown.ground8)):
        yield _case(site, make, place, float(reached))


def _case(site: PaletteSite, make: Categorical, place: int, reached: float) -> PaletteCase:
    rgb8, ground8 = site.shown.rgb8[place], site.shown.ground8

    def words() -> Words:
        sentence = f"{site.name(place)} on its ground reads {cut(reached)}; a graphic needs {make.contrast:g}."
        return sentence, f"It is {hex_of(rgb8)} on {hex_of(ground8)}."

    def ways() -> list[Repair]:
        return [*color_repairs(site, make, (place,)), *telling_repairs(site, make, ("outline",))]

    short, slack = reached < make.contrast, math.log(reached / make.contrast)
    return PaletteCase(
        site,
        site.id("contrast", make.colors[place].id),
        (rgb8, ground8),
        words,
        ways,
        told=short,
        clear=slack,
        by_level=GRAIN_OF_CONTRAST,
    )
