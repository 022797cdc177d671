"""Findings on palettes that are seen at once: a color of one that could be taken for a color of another."""

from collections.abc import Iterator
from itertools import combinations

import numpy as np

from heimat.core.color.ciede2000 import TOLD_APART, ciede2000, distance_words
from heimat.core.color.few import lab_of_few
from heimat.core.document.palettes import Categorical, Palette, PaletteValue, values_of
from heimat.core.document.tokens import LiteralColor
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import ResolvedPalette


def measure(resolved: Resolved) -> Iterator[PaletteCase]:
    """Every two palettes of one view, in every theme."""
    for theme, palettes in resolved.palettes.items():
        for one, other in combinations([each for each in palettes if each.palette.view], 2):
            if one.palette.view == other.palette.view:
                yield from _between(
                    PaletteSite(resolved, theme, one), PaletteSite(resolved, theme, other)
                )


def _between(one: PaletteSite, other: PaletteSite) -> Iterator[PaletteCase]:
    """The nearest two colors of two palettes, where they could be taken for each other and do not mean the same."""
    far = ciede2000(_lab(one.shown)[:, None], _lab(other.shown)[None])
    for at, place in _meant(one.shown, other.shown):
        far[at, place] = np.inf
    mine, theirs = np.unravel_index(int(far.argmin()), far.shape)
    least = float(far[mine, theirs])
    if least >= TOLD_APART:
        return

    def words() -> Words:
        names = [_name(site, int(place)) for site, place in ((one, mine), (other, theirs))]
        sentence = (
            f"{names[0]} could be taken for {names[1]}: both are in {one.shown.palette.view}."
        )
        apart = distance_words(least)
        return (
            sentence,
            f"{apart} apart; {TOLD_APART:g} keeps two palettes of one view from being mixed up.",
        )

    colors = (one.shown.rgb8[_ends(one.shown)[mine]], other.shown.rgb8[_ends(other.shown)[theirs]])
    yield PaletteCase(one, one.id("view", other.shown.palette.id), colors, words)


def _ends(shown: ResolvedPalette) -> list[int]:
    """The places of the colors by which a palette is known: all categories, or the strong ends."""
    count = len(shown.rgb8)
    kind = shown.palette.make.kind
    return (
        list(range(count))
        if kind == "categorical"
        else [count - 1]
        if kind == "sequential"
        else [0, count - 1]
    )


def _lab(shown: ResolvedPalette) -> np.ndarray:
    return lab_of_few(shown.rgb8[_ends(shown)])


def _meant(one: ResolvedPalette, other: ResolvedPalette) -> Iterator[tuple[int, int]]:
    """Colors that stand on the same thing, or for the same category: one meaning, one color."""
    for at, (value, word) in enumerate(_standing(one.palette)):
        for place, (theirs, their_word) in enumerate(_standing(other.palette)):
            same = value == theirs and not isinstance(value, LiteralColor)
            if same or (word and word.casefold() == their_word.casefold()):
                yield at, place


def _standing(palette: Palette) -> list[tuple[PaletteValue, str]]:
    """What each color by which a palette is known stands on, and the word for it."""
    make = palette.make
    values = values_of(make)
    if isinstance(make, Categorical):
        return [(color.value, color.category) for color in make.colors]
    if make.kind == "sequential":
        return [(values[-1], palette.column)]
    ends = [(values[0], make.low_words), (values[1], make.high_words)]
    return ends[::-1] if make.reversed else ends


def _name(site: PaletteSite, place: int) -> str:
    if site.shown.palette.make.kind == "categorical":
        return site.name(place)
    which = "high" if place or site.shown.palette.make.kind == "sequential" else "low"
    return f"The {which} end of {site.shown.palette.name}"
