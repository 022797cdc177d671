"""Categories that would both be called by the same word."""

from collections.abc import Iterator

from heimat.core.color.naming import spoken_names
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.palettes.palette_site import (
    REMEMBERED,
    PaletteCase,
    PaletteSite,
    Words,
    colors_of,
)
from heimat.core.memory import remembered


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """Every color whose word another one before it has, in the first theme."""
    make = site.categories
    if make is None or not site.is_first:
        return
    words = _spoken(site.shown.rgb8.tobytes())
    for place, word in enumerate(words):
        before = words.index(word)
        if before < place:
            yield _case(site, make, before, place, word)


def _case(site: PaletteSite, make: Categorical, before: int, place: int, word: str) -> PaletteCase:
    def words() -> Words:
        sentence = f"{site.name(before)} and {site.name(place)} would both be called {word}."
        return sentence, "Who speaks of the chart cannot name them apart."

    key = site.id("word", make.colors[before].id, make.colors[place].id)
    return PaletteCase(site, key, (site.shown.rgb8[before], site.shown.rgb8[place]), words)


@remembered(REMEMBERED)
def _spoken(levels: bytes) -> tuple[str, ...]:
    return tuple(spoken_names(colors_of(levels)))
