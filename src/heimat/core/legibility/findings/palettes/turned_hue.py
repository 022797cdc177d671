"""Categories whose hue is another than in the first theme."""

from collections.abc import Iterator

import numpy as np

from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.color.thresholds import CALLED_BY_HUE
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.palettes.color_repairs import color_repairs
from heimat.core.legibility.findings.palettes.palette_site import (
    REMEMBERED,
    PaletteCase,
    PaletteSite,
    Words,
    colors_of,
)
from heimat.core.memory import remembered

MOST_TURN = 15.0
"""Degrees of hue by which a category may move between themes and still be called by the same word."""

_GRAIN = 0.12
"""By how much a level of 8 bits turns a color, as a share of that: nine of ten by 0.09, none by more."""


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """By how much every color turns from what it is in the first theme."""
    make = site.categories
    first = next(iter(site.resolved.palettes.values()))
    own = next((each for each in first if each.palette.id == site.shown.palette.id), site.shown)
    if make is None or own is site.shown:
        return
    for place, turn in _turns(own.rgb8.tobytes(), site.shown.rgb8.tobytes()):
        yield _case(site, make, place, turn, own.rgb8[place])


def _case(
    site: PaletteSite, make: Categorical, place: int, turn: float, own8: Bytes
) -> PaletteCase:
    def words() -> Words:
        sentence = f"{site.name(place)} is another color here: its hue turns by {turn:.0f}°."
        return (
            sentence,
            f"Up to {MOST_TURN:g}° a category keeps its color word from theme to theme.",
        )

    key, colors = site.id("turned", make.colors[place].id), (own8, site.shown.rgb8[place])
    return PaletteCase(
        site,
        key,
        colors,
        words,
        lambda: color_repairs(site, make, (place,)),
        told=turn > MOST_TURN,
        clear=1.0 - turn / MOST_TURN,
        by_level=_GRAIN,
    )


@remembered(REMEMBERED)
def _turns(before: bytes, now: bytes) -> tuple[tuple[int, float], ...]:
    """The places of colors that are called by their hue, and by how much that turns between two themes."""
    was, here = (srgb_to_oklch(from_bytes(colors_of(each))) for each in (before, now))
    turns = np.abs(turn_between(was[:, 2], here[:, 2]))
    colored = np.minimum(was[:, 1], here[:, 1]) >= CALLED_BY_HUE
    return tuple((int(place), float(turns[place])) for place in np.flatnonzero(colored))
