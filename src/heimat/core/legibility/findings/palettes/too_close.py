"""Categories whose colors come too close under some vision, where nothing else tells them apart."""

from collections.abc import Iterator

from heimat.core.color.ciede2000 import distance_text, distance_words
from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.document.palettes import Categorical, Telling
from heimat.core.document.words import counted
from heimat.core.legibility.findings.palettes.color_repairs import color_repairs, telling_repairs
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words
from heimat.core.legibility.repairs import Repair

MOST_PAIRS = 12
"""Pairs of a palette that are told one by one, the nearest first; of what has more, the whole is to be made anew."""
_APART_BY: tuple[Telling, ...] = ("label", "dash", "marker")
"""What tells categories apart where their colors do not (WCAG 2.2, 1.4.1 asks for one such way)."""


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """Every pair whose distance is asked for, the closest first; of many that are too close, the first are told."""
    make = site.categories
    if make is None or not set(make.told_by).isdisjoint(_APART_BY):
        return
    pairs = sorted(distances(site.shown.rgb8, make.asked), key=lambda pair: pair.least)
    more = sum(pair.least < make.asked for pair in pairs) - MOST_PAIRS
    for number, pair in enumerate(pairs, start=1):
        yield _case(site, make, pair, number, more)


def _case(
    site: PaletteSite, make: Categorical, pair: PairDistance, number: int, more: int
) -> PaletteCase:
    rgb8 = site.shown.rgb8

    def words() -> Words:
        last = f" {counted(more, 'more pair')} of it {'is' if more == 1 else 'are'} too close."
        return _words(site, make, pair, last if more > 0 and number == MOST_PAIRS else "")

    def ways() -> list[Repair]:
        return [
            *color_repairs(site, make, (pair.other, pair.one)),
            *telling_repairs(site, make, _APART_BY),
        ]

    return PaletteCase(
        site,
        site.id("close", make.colors[pair.one].id, make.colors[pair.other].id),
        (rgb8[pair.one], rgb8[pair.other]),
        words,
        ways,
        told=pair.least < make.asked and number <= MOST_PAIRS,
        clear=pair.least / max(make.asked, 1e-9) - 1.0,
        vision=pair.worst,
    )


def _words(site: PaletteSite, make: Categorical, pair: PairDistance, last: str) -> Words:
    worst = pair.worst
    small = ", as its marks are small" if make.marks == "small" else ""
    who = "" if pair.typical < make.asked else f" for {worst.vision} vision"
    said = f"{distance_words(pair.typical)} for typical vision, {distance_text(worst.least)} for {worst.vision}"
    sentence = f"{site.name(pair.one)} and {site.name(pair.other)} look alike{who}."
    return sentence, f"{said}. The palette asks for {make.asked:g}{small}.{last}"
