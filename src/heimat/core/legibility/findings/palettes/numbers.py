"""Findings on palettes over numbers: ends that look alike, classes that can hardly be told from their neighbors."""

from collections.abc import Iterator
from functools import lru_cache

import numpy as np

from heimat.core.charts.apart import differences, seen8
from heimat.core.charts.diverging import LEAST_ENDS, ends_apart
from heimat.core.color.ciede2000 import distance_words
from heimat.core.document.palettes import Categorical
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.palettes.at import REMEMBERED, At, colors_of

LEAST_NEIGHBORS = 4.0
"""CIEDE2000 between neighboring classes below which they can hardly be told on a map."""


def on_numbers(at: At) -> Iterator[Finding]:
    """What is to be said of a palette over numbers in a theme."""
    shown, make = at.shown, at.shown.palette.make
    if isinstance(make, Categorical):
        return
    ends = ends_apart(shown.rgb8) if shown.arms is not None else LEAST_ENDS
    if ends < LEAST_ENDS:
        apart_words = distance_words(ends)
        sentence = f"The ends of {shown.palette.name} are {apart_words} apart; {LEAST_ENDS:g} is asked for."
        detail = "Under one kind of vision both sides look alike. Choose another end: partners are offered."
        yield at.finding(at.id("ends"), sentence, detail, (shown.rgb8[0], shown.rgb8[-1]))
    if make.classes is None:
        return
    place, step = _nearest_neighbors(shown.rgb8.tobytes())
    if step < LEAST_NEIGHBORS:
        sentence = f"Classes {place + 1} and {place + 2} of {shown.palette.name} can hardly be told apart."
        said = f"{distance_words(step)} under the vision that brings them nearest"
        detail = f"{said}; {LEAST_NEIGHBORS:g} is asked for. Fewer classes, or ends farther apart, help."
        yield at.finding(at.id("neighbors"), sentence, detail, (shown.rgb8[place], shown.rgb8[place + 1]))


@lru_cache(REMEMBERED)
def _nearest_neighbors(levels: bytes) -> tuple[int, float]:
    """The place of the class that is nearest to the next one, and how far that is under any vision."""
    views = seen8(colors_of(levels))
    steps = differences(views[:, :-1], views[:, 1:]).min(axis=0)
    place = int(np.argmin(steps))
    return place, float(steps[place])
