"""The work area of mixing: the colors between two, in every space."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.blending import MIX_SPACES, MixSpace
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.sources import mixing
from heimat.view.eyes import Eyes, SwatchView


class MixView(TypedDict):
    """The colors between two in every space, ends included."""

    space: MixSpace
    colors: list[SwatchView]


def mix_views(one: Color, other: Color, count: int, eyes: Eyes) -> list[MixView]:
    """The colors between two in every space, with the ends."""
    start, end = rgb8_of(one), rgb8_of(other)
    return [
        {
            "space": space,
            "colors": eyes.swatches(
                np.concatenate([start[None], mixing.mixed(start, end, count, space), end[None]])
            ),
        }
        for space in MIX_SPACES
    ]
