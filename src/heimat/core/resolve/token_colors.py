"""From tokens to colors."""

from collections.abc import Mapping

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.notation import rgb8_of
from heimat.core.colors_of import standing
from heimat.core.legibility.pairings import TokenColor
from heimat.core.scales.generate import Scale
from heimat.core.scales.wide import literal_p3
from heimat.core.system import ColorSystem, LiteralColor, in_order, ladder_of
from heimat.core.tokens.aliases import follow


def token_colors(
    system: ColorSystem, scales: dict[str, Scale], wide: Mapping[str, Floats], theme: str
) -> dict[str, TokenColor]:
    """The color of every token in a theme, by token id; `scales` are finished scales by hue id, `wide` their twins."""
    found: dict[str, TokenColor] = {}
    for token in in_order(system.tokens):
        chain = follow(system, token.id, theme)
        if isinstance(chain.end, LiteralColor):
            color = chain.end.color
            found[token.id] = TokenColor(rgb8_of(color), color.alpha, chain.tokens, None, literal_p3(color))
        else:
            place = ladder_of(system, system.hues[chain.end.hue]).index(chain.end.step)
            rgb8 = scales[chain.end.hue].rgb8[place if place is not None else 0]
            alpha = standing(system, system.hues[chain.end.hue]).alpha
            p3 = wide[chain.end.hue][place or 0] if chain.end.hue in wide else None
            twin = None if p3 is None or np.isnan(p3).any() else p3
            found[token.id] = TokenColor(np.asarray(rgb8), alpha, chain.tokens, (chain.end.hue, chain.end.step), twin)
    return found
