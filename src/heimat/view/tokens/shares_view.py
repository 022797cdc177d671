"""How much of a screenshot is ground, ink and accent, by the tokens of a theme; and what is none of them."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.hex_notation import hex_of
from heimat.core.document.groups import GROUPS, Group, group_of
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.shares import Shares, shares_of
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme
from heimat.view.eyes import Eyes, SwatchView


class ShareView(SwatchView):
    """A color of a screenshot, what it is called, and its share in percent."""

    name: str
    percent: float


class SharesView(TypedDict):
    """Percent of ground, ink and accent, the tokens that take most, and what is no token's color."""

    ground: float
    ink: float
    accent: float
    unmatched: float
    tokens: list[ShareView]
    others: list[ShareView]


_MOST_NAMED = 6
_LIKELY: tuple[Group, ...] = ("ground", "accent", "ink")


def shares_view(pixels: Pixels, resolved: Resolved, theme: ResolvedTheme, eyes: Eyes) -> SharesView:
    """The shares of a picture's pixels by the nearest token.

    Of tokens of one color a ground is named before an accent, an accent before ink: what covers most is most likely.
    """
    first: dict[str, str] = {}
    purposes = {token: resolved.system.tokens[token].purpose for token in theme.tokens}
    for token in sorted(purposes, key=lambda token: _LIKELY.index(group_of(purposes[token]))):
        color = theme.tokens[token]
        if color.alpha == 1.0:
            first.setdefault(hex_of(color.rgb8), token)
    tokens = list(first.values())
    colors = np.array([theme.tokens[token].rgb8 for token in tokens], dtype=np.uint8).reshape(-1, 3)
    found = shares_of(pixels, colors)
    grouped = dict.fromkeys(GROUPS, 0.0)
    for token, share in zip(tokens, found.shares.tolist(), strict=True):
        grouped[group_of(resolved.system.tokens[token].purpose)] += 100.0 * share
    most = np.argsort(found.shares)[::-1][:_MOST_NAMED].tolist()
    return {
        "ground": round(grouped["ground"], 1),
        "ink": round(grouped["ink"], 1),
        "accent": round(grouped["accent"], 1),
        "unmatched": round(100.0 * found.unmatched, 1),
        "tokens": [
            {
                **eyes.swatch(colors[at]),
                "name": resolved.system.tokens[tokens[at]].name,
                "percent": round(100.0 * float(found.shares[at]), 1),
            }
            for at in most
            if found.shares[at] > 0.0
        ],
        "others": _others(found, eyes),
    }


def _others(found: Shares, eyes: Eyes) -> list[ShareView]:
    return [
        {**eyes.swatch(rgb8), "name": hex_of(rgb8), "percent": round(100.0 * share, 1)}
        for rgb8, share in found.others
    ]
