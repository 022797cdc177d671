"""Which color of the system another one nearly is."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.nearness import nearest
from heimat.core.resolve.resolved import Resolved
from heimat.view.eyes import Eyes, SwatchView


class NearView(SwatchView):
    """The color of the system that another comes nearest to: its key, its name, and the CIEDE2000 between.

    `same` says that they are so near that they are taken for one.
    """

    key: str
    name: str
    distance: str
    same: bool


class RepeatView(TypedDict):
    """What a color hardly differs from, in words, and by how much; `same` where it is the very value."""

    words: str
    distance: str
    same: bool


def near_hues(rgb8: Bytes, resolved: Resolved, eyes: Eyes) -> list[NearView | None]:
    """For each of n 8-bit colors, the hue that it comes nearest to by the hue's own color; None without any hue."""
    return _near(rgb8, resolved, eyes, steps=False)


def near_system(rgb8: Bytes, resolved: Resolved, eyes: Eyes) -> list[NearView | None]:
    """For each of n 8-bit colors, the hue or step that it hardly differs from, hues before steps; None where none."""
    return [
        near if near and near["same"] else None for near in _near(rgb8, resolved, eyes, steps=True)
    ]


def _near(rgb8: Bytes, resolved: Resolved, eyes: Eyes, *, steps: bool) -> list[NearView | None]:
    hues = resolved.hue_list
    if not hues:
        return [None] * len(rgb8)
    own = np.array([hue.scale.source8 for hue in hues])
    every = np.concatenate([own, resolved.steps.rgb8]) if steps else own
    views: list[NearView | None] = []
    for near in nearest(rgb8, every):
        if near is None:
            views.append(None)
            continue
        key, name = _named(resolved, near.place)
        views.append(
            {
                **eyes.swatch(every[near.place]),
                "key": key,
                "name": name,
                "distance": distance_text(near.distance),
                "same": near.hardly_different,
            }
        )
    return views


def _named(resolved: Resolved, place: int) -> tuple[str, str]:
    """Key and name of a color: the hues come first, then all steps."""
    hues = resolved.hue_list
    if place < len(hues):
        return hues[place].key, hues[place].name
    at = place - len(hues)
    hue, step = hues[int(resolved.steps.hue_index[at])], int(resolved.steps.step_index[at])
    return hue.step_key(step), hue.step_name(step)
