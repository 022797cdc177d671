"""Classes that can hardly be told from their neighbors."""

from collections.abc import Iterator

import numpy as np

from heimat.core.charts.apart import seen8
from heimat.core.color.ciede2000 import distance_words, distances
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.palettes.palette_site import (
    REMEMBERED,
    PaletteCase,
    PaletteSite,
    Words,
    colors_of,
)
from heimat.core.memory import remembered

LEAST_NEIGHBORS = 4.0
"""CIEDE2000 between neighboring classes below which they can hardly be told on a map."""


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """The two neighboring classes that are nearest to each other."""
    shown, make = site.shown, site.shown.palette.make
    if isinstance(make, Categorical) or make.classes is None:
        return
    place, step = _nearest_neighbors(shown.rgb8.tobytes())

    def words() -> Words:
        said = f"{distance_words(step)} under the vision that brings them nearest"
        sentence = (
            f"Classes {place + 1} and {place + 2} of {shown.palette.name} can hardly be told apart."
        )
        return (
            sentence,
            f"{said}; {LEAST_NEIGHBORS:g} is asked for. Fewer classes, or ends farther apart, help.",
        )

    yield PaletteCase(
        site,
        site.id("neighbors"),
        (shown.rgb8[place], shown.rgb8[place + 1]),
        words,
        told=step < LEAST_NEIGHBORS,
        clear=step / LEAST_NEIGHBORS - 1.0,
    )


@remembered(REMEMBERED)
def _nearest_neighbors(levels: bytes) -> tuple[int, float]:
    """The place of the class that is nearest to the next one, and how far that is under any vision."""
    views = seen8(colors_of(levels))
    steps = distances(views[:, :-1], views[:, 1:]).min(axis=0)
    place = int(np.argmin(steps))
    return place, float(steps[place])
