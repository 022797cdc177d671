"""Colors that say a status, for which none of a palette should be taken."""

from typing import get_args

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000
from heimat.core.color.few import lab_of_few
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.tokens import Token
from heimat.core.legibility.findings.palettes.palette_site import REMEMBERED, PaletteSite, colors_of
from heimat.core.memory import remembered
from heimat.core.resolve.resolved import Resolved
from heimat.core.sources.conventions import Status

STATUSES = frozenset(f"status.{status}" for status in get_args(Status))
"""The purposes of tokens that say a status by their own color."""


def statuses_at(site: PaletteSite) -> tuple[list[Token], Bytes]:
    """The tokens that say a status by their own color, and these colors (n, 3) in the theme."""
    return statuses_in(site.resolved, site.theme)


def statuses_in(resolved: Resolved, theme: str) -> tuple[list[Token], Bytes]:
    """Those tokens and colors (n, 3) of a theme by its key; none where there is no such theme."""
    there = resolved.themes.get(theme)
    tokens = [
        token
        for token in resolved.system.tokens.values()
        if token.purpose in STATUSES and there is not None
    ]
    rgb8 = [there.tokens[token.id].rgb8 for token in tokens] if there else []
    return tokens, np.array(rgb8, dtype=np.uint8).reshape(-1, 3)


def off_status(rgb8: Bytes, status8: Bytes) -> NDArray[np.bool_]:
    """Which colors (n, 3) could not be taken for a status."""
    far = ciede2000(srgb_to_lab(from_bytes(rgb8))[:, None], srgb_to_lab(from_bytes(status8))[None])
    return np.asarray((far >= TOLD_APART).all(axis=1))


@remembered(REMEMBERED)
def nearest_statuses(levels: bytes, statuses: bytes) -> tuple[tuple[int, float], ...]:
    """For each color the nearest of some statuses, and how far it is for typical vision."""
    ours, theirs = (lab_of_few(colors_of(each)) for each in (levels, statuses))
    far = ciede2000(ours[:, None], theirs[None])
    return tuple(
        (int(place), float(far[color, place])) for color, place in enumerate(far.argmin(axis=1))
    )
