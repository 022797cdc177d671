"""Palettes in two directions whose ends look alike."""

from collections.abc import Iterator

from heimat.core.charts.diverging import LEAST_ENDS, ends_apart
from heimat.core.color.ciede2000 import distance_words
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """The distance between both ends, under the vision that brings them nearest."""
    shown = site.shown
    if shown.arms is None:
        return
    ends = ends_apart(shown.rgb8)

    def words() -> Words:
        sentence = f"The ends of {shown.palette.name} are {distance_words(ends)} apart; {LEAST_ENDS:g} is asked for."
        return (
            sentence,
            "Under one kind of vision both sides look alike. Choose another end: partners are offered.",
        )

    colors = (shown.rgb8[0], shown.rgb8[-1])
    told = ends < LEAST_ENDS
    yield PaletteCase(
        site, site.id("ends"), colors, words, told=told, clear=ends / LEAST_ENDS - 1.0
    )
