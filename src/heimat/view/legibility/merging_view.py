"""Neighboring areas of a picture that merge, as the page shows them."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.exact_color import Color
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.naming import plain_name
from heimat.core.color.vision import Vision
from heimat.core.legibility.outline import outline
from heimat.core.pictures.main_colors import MainColors
from heimat.core.pictures.merging import Merging, merging
from heimat.view.eyes import TYPICAL, Eyes, SwatchView


class MergingView(TypedDict):
    """Two areas that touch and merge: their places and colors, as they are and as seen, in words, and an outline."""

    one: int
    other: int
    colors: list[SwatchView]
    seen: list[str]
    vision: Vision
    sentence: str
    outline: str


def merging_views(found: MainColors, threshold: float) -> list[MergingView]:
    """All neighbors that merge in a picture."""
    return [_view(found, each, threshold) for each in merging(found, threshold)]


def _view(found: MainColors, each: Merging, threshold: float) -> MergingView:
    pair, worst = each.pair, each.pair.worst
    rgb8 = found.rgb8[[pair.one, pair.other]]
    names = [f"{plain_name(Color.of_bytes(color))} {hex_of(color)}" for color in rgb8]
    line = outline(rgb8[0], rgb8[1])
    figures = [distance_text(number) for number in (pair.typical, worst.least)]
    apart = f"CIEDE2000 {figures[0]} for typical vision, {figures[1]} for {worst.vision}"
    return {
        "one": pair.one,
        "other": pair.other,
        "colors": TYPICAL.swatches(rgb8),
        "seen": Eyes(worst.vision, worst.at_severity).hexes(np.asarray(rgb8)),
        "vision": worst.vision,
        "sentence": f"{names[0]} and {names[1]} touch and merge for {worst.vision} vision: {apart}, "
        f"where {threshold:g} is asked for.",
        "outline": f"An outline in {hex_of(line)} stands out from both by 3."
        if line is not None
        else "No single outline stands out from both by 3: draw a light and a dark line.",
    }
