"""What is drawn beside a palette's colors and could be taken for one of them: missing, muted and other."""

from collections.abc import Iterator

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import TOLD_APART, distance_words
from heimat.core.document.palettes import OtherRole
from heimat.core.legibility.findings.palettes.color_repairs import other_repairs, other_room
from heimat.core.legibility.findings.palettes.palette_site import (
    REMEMBERED,
    PaletteCase,
    PaletteSite,
    Words,
    colors_of,
)
from heimat.core.memory import remembered

_TAKEN: tuple[OtherRole, ...] = ("missing", "muted", "other")
"""What must not be taken for a color of the palette. What is highlighted may be one of them."""


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """How near every other color is to one of the palette's own."""
    roles, colors = compared(site)
    found = nearest(colors.tobytes(), site.shown.rgb8.tobytes(), typical=site.categories is None)
    for role, rgb8, (place, far) in zip(roles, colors, found, strict=True):
        yield _case(site, role, rgb8, place, far)


def _case(site: PaletteSite, role: OtherRole, rgb8: Bytes, place: int, far: float) -> PaletteCase:
    shown, categorical = site.shown, site.categories is not None

    def words() -> Words:
        one_of = f"color {place + 1} of {len(shown.rgb8)} of {shown.palette.name}"
        said = nearest_words(far) if categorical else f"{distance_words(far)} apart"
        sentence = (
            f"What is {role} could be taken for {site.name(place) if categorical else one_of}."
        )
        return sentence, f"{said}; {TOLD_APART:g} keeps them apart."

    colors = (rgb8, shown.rgb8[place])
    return PaletteCase(
        site,
        site.id("other", role),
        colors,
        words,
        lambda: other_repairs(site, role, rgb8),
        told=far < TOLD_APART,
        clear=far / TOLD_APART - 1.0,
    )


def compared(site: PaletteSite) -> tuple[list[OtherRole], Bytes]:
    """Which of a palette's other colors must not be taken for its own, and these colors (n, 3).

    Palettes over numbers are near gray in places, for some eyes everywhere: only what is missing must be apart from
    them, for typical vision; others tell it by its hatching.
    """
    wanted = _TAKEN if site.categories is not None else _TAKEN[:1]
    roles = [role for role in wanted if role in site.shown.others]
    return roles, np.array([site.shown.others[role] for role in roles], dtype=np.uint8).reshape(
        -1, 3
    )


def nearest_words(far: float) -> str:
    """How far two colors are apart, told of the vision that brings them nearest."""
    return f"{distance_words(far)} apart under the vision that brings them nearest"


@remembered(REMEMBERED)
def nearest(ours: bytes, levels: bytes, *, typical: bool = False) -> tuple[tuple[int, float], ...]:
    """For each of some colors the place of the nearest of others, and how far that is: under any vision, or for
    typical vision."""
    if not ours:
        return ()
    far = other_room(colors_of(levels), colors_of(ours), typical=typical)
    return tuple(
        (int(place), float(each[place]))
        for each, place in zip(far, far.argmin(axis=1), strict=True)
    )
