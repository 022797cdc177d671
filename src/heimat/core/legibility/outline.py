"""An outline that stands out from both a part and its surroundings (WCAG 2.2, 1.4.11), in the part's own hue."""

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.contrast import AA_LARGE, ratio
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklch

_LUMINANCES = np.linspace(0.0, 1.0, 201)


def outline(part8: Bytes, around8: Bytes, level: float = AA_LARGE) -> Bytes | None:
    """An 8-bit color (3,) that reaches a level against a part (3,) and its surroundings (3,), in the part's own hue.

    Of all that do, the one nearest to the part; None where none does: then two lines, one light and one dark, do.
    """
    _, chroma, hue = srgb_to_oklch(part8 / 255.0)
    made = nearest_bytes(solve(_LUMINANCES, np.full(201, chroma), np.full(201, hue)))
    good = (ratio(made, part8) >= level) & (ratio(made, around8) >= level)
    if not good.any():
        return None
    away = ciede2000(srgb_to_lab(made / 255.0), srgb_to_lab(part8 / 255.0))
    return made[int(np.argmin(np.where(good, away, np.inf)))]
