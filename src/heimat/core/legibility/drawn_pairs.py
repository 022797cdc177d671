"""Pairs out of a drawing: texts and parts with what is painted behind each, as contrasts and as pairings of tokens."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.overlay import solid
from heimat.core.document.order import in_order
from heimat.core.document.pairings import Use
from heimat.core.resolve.checked_pairings import NEEDED, translucent_ratio
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme

LARGE_PX, LARGE_BOLD_PX = 24.0, 18.66
"""From which size on text is large (WCAG 2.2, large scale): 18 pt, or 14 pt bold."""
_MOST_GROUNDS = 64
"""Grounds that gradients over one another may make; of more, the ends count."""
_PAPER = np.array([255, 255, 255], dtype=np.uint8)


@dataclass(frozen=True)
class Met:
    """A text or a part as it was laid out: its color, its size in CSS pixels, and the layers behind it, front to back.

    A layer with several colors is a gradient: the worst of them counts.
    """

    text: str
    part: bool
    size: float
    bold: bool
    color: Color
    layers: tuple[tuple[Color, ...], ...]


@dataclass(frozen=True)
class DrawnPair:
    """A pair as it is drawn: 8-bit colors (3,), the use, what it reaches and needs, and how often it is met.

    `foreground` and `ground` are the ids of tokens of these very colors in the theme, if there are any.
    """

    text: str
    use: Use
    rgb8: Bytes
    ground8: Bytes
    ratio: float
    needed: float
    count: int
    foreground: str | None
    ground: str | None


def use_of(met: Met) -> Use:
    """What it is used as: a part, large text as the standard defines it, or body text."""
    if met.part:
        return "part"
    return "large" if met.size >= LARGE_PX or (met.bold and met.size >= LARGE_BOLD_PX) else "body"


def drawn_pairs(
    resolved: Resolved, theme: ResolvedTheme | None, every: Sequence[Met]
) -> list[DrawnPair]:
    """The pairs of a drawing, each once, those that fall short most first."""
    found: dict[tuple[Use, bytes, bytes], DrawnPair] = {}
    tokens = _tokens_by_color(resolved, theme)
    declared = resolved.system.pairings.values()
    fronts, grounds = (
        frozenset(each.foreground for each in declared),
        frozenset(each.ground for each in declared),
    )
    for met in every:
        use = use_of(met)
        rgb8, ground8, reached = _worst(met)
        key = (use, rgb8.tobytes(), ground8.tobytes())
        known = found.get(key)
        if known is not None:
            found[key] = _counted(known)
            continue
        foreground = _paired_first(tokens.get(rgb8.tobytes(), ()), fronts)
        ground = _paired_first(tokens.get(ground8.tobytes(), ()), grounds)
        needed = NEEDED[use] or 0.0
        found[key] = DrawnPair(met.text, use, rgb8, ground8, reached, needed, 1, foreground, ground)
    return sorted(found.values(), key=lambda pair: pair.ratio / pair.needed)


def _counted(pair: DrawnPair) -> DrawnPair:
    return DrawnPair(**{**pair.__dict__, "count": pair.count + 1})


def _worst(met: Met) -> tuple[Bytes, Bytes, float]:
    """Foreground and ground as seen, where they come nearest, and their ratio."""
    color, grounds = rgb8_of(met.color), _grounds(met.layers)
    shown = solid(color, met.color.alpha, grounds)
    worst = int(ratio(shown, grounds).argmin())
    reached = float(ratio(shown[worst], grounds[worst]))
    if met.color.alpha < 1.0:
        reached = translucent_ratio(color, met.color.alpha, grounds[worst])
    return shown[worst], grounds[worst], reached


def _grounds(layers: Sequence[Sequence[Color]]) -> Bytes:
    """All that the layers give together, from the paper up: (n, 3)."""
    grounds = _PAPER[None]
    for layer in reversed(layers):
        colors, alphas = (
            np.array([rgb8_of(color) for color in layer]),
            np.array([color.alpha for color in layer]),
        )
        grounds = solid(colors[None], alphas[None, :, None], grounds[:, None]).reshape(-1, 3)
        if len(grounds) > _MOST_GROUNDS:
            order = np.argsort(relative_luminance(grounds), kind="stable")
            grounds = grounds[
                np.concatenate([order[: _MOST_GROUNDS // 2], order[-_MOST_GROUNDS // 2 :]])
            ]
    return grounds


def _tokens_by_color(resolved: Resolved, theme: ResolvedTheme | None) -> dict[bytes, list[str]]:
    """The opaque tokens of a theme, in order, by their colors."""
    found: dict[bytes, list[str]] = {}
    for token in in_order(resolved.system.tokens) if theme else ():
        color = theme.tokens[token.id] if theme else None
        if color is not None and color.alpha == 1.0:
            found.setdefault(color.rgb8.tobytes(), []).append(token.id)
    return found


def _paired_first(same: Sequence[str], paired: frozenset[str]) -> str | None:
    """Of tokens of one color, one that is paired on that side, else the first."""
    return next((token for token in same if token in paired), same[0] if same else None)
