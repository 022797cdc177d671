"""Colors of rising or falling luminance in 8 bits that rise or fall as strictly."""

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, to_levels
from heimat.core.color.contrast import relative_luminance

_STRICTLY = 1e-9
"""Luminances nearer than that differ by how they were computed alone."""
_AROUND = np.stack(np.meshgrid(*[[-1, 0, 1]] * 3, indexing="ij"), axis=-1).reshape(-1, 3)


def rounded(srgb: Floats) -> tuple[Bytes, int]:
    """Colors (n, 3), sRGB 0 to 1, as 8-bit values within one level a channel, and how many differ strictly.

    Each is the nearest value; where its luminance would not go on in the direction of the whole, it is the nearest of
    those within a level that goes on. Where none does, it repeats what is before it in direction, and is not counted.
    """
    levels = srgb * 255.0
    rgb8 = to_levels(np.round(levels))
    light = relative_luminance(rgb8)
    falls = bool(len(light)) and light[0] > light[-1]
    direction = -1.0 if falls else 1.0
    counted, last = 0, -np.inf
    for place in range(len(rgb8)):
        if direction * light[place] <= last + _STRICTLY or _stands_in_the_way(
            light, place, direction, last
        ):
            near = to_levels(np.round(levels[place])[None] + _AROUND)
            within = (np.abs(near - levels[place]) <= 1.0).all(axis=1)
            beyond = direction * relative_luminance(near)
            good = within & (beyond > last + _STRICTLY)
            if not good.any():
                continue
            away = np.where(good, np.abs(near - levels[place]).sum(axis=1), np.inf)
            rgb8[place] = near[int(np.argmin(away))]
            light[place] = direction * beyond[int(np.argmin(away))]
        last = direction * light[place]
        counted += 1
    return rgb8, counted


def _stands_in_the_way(light: Floats, place: int, direction: float, last: float) -> bool:
    """Whether the next one is no farther on than this one: then this one steps back, if there is room."""
    return (
        place + 1 < len(light)
        and direction * light[place + 1] <= direction * light[place] + _STRICTLY
        and last > -np.inf
    )
