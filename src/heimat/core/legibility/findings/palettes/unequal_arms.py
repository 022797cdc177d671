"""Palettes in two directions, one of whose ends is much darker than the other."""

from collections.abc import Iterator

from heimat.core.charts.ramp import lights
from heimat.core.document.palettes import Diverging
from heimat.core.edits.palette_edits import SetPalette
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words
from heimat.core.legibility.repairs import Repair

MOST_UNEQUAL = 5.0
"""L* by which two ends may differ before the darker one says more than the other."""


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """The difference of the ends in L*."""
    shown = site.shown
    if shown.arms is None:
        return
    light = lights(shown.rgb8)
    unequal = abs(float(light[0] - light[-1]))

    def words() -> Words:
        sentence = f"The arms of {shown.palette.name} are unequal by {unequal:.1f} L*."
        return sentence, "The darker side looks as if it said more."

    ends = (shown.rgb8[0], shown.rgb8[-1])
    yield PaletteCase(
        site,
        site.id("arms"),
        ends,
        words,
        lambda: _repairs(site),
        told=unequal > MOST_UNEQUAL,
        clear=1.0 - unequal / MOST_UNEQUAL,
    )


def _repairs(site: PaletteSite) -> list[Repair]:
    """Ends that are exact keep their hues and take one lightness."""
    palette = site.shown.palette
    make = palette.make
    if not isinstance(make, Diverging) or not make.exact:
        return []
    edit = SetPalette(palette=palette.id, make=make.model_copy(update={"exact": False}))
    words = f"Give both ends of {palette.name} one lightness"
    return [Repair((edit,), "telling", site.shown.rgb8[0], words, 0.0)]
