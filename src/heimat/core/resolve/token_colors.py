"""From tokens to colors, in one theme."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.notation import rgb8_of
from heimat.core.color.overlay import alpha_as_published
from heimat.core.document.aliases import follow
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.resolve.hues import ResolvedHue
from heimat.core.scales.wide import literal_p3


@dataclass(frozen=True)
class TokenColor:
    """What a token comes to in a theme: 8-bit sRGB (3,), alpha, the tokens passed (itself first), and the end of them.

    `p3` is its display-p3 value (3,), where it has one of its own.
    """

    rgb8: Bytes
    alpha: float
    chain: tuple[str, ...]
    end: StepAlias | LiteralColor
    p3: Floats | None = None

    @property
    def step(self) -> StepAlias | None:
        """The step that it stands on, if it does."""
        return self.end if isinstance(self.end, StepAlias) else None


def token_colors(
    system: ColorSystem, hues: Mapping[str, ResolvedHue], theme: str, order: Sequence[str]
) -> dict[str, TokenColor]:
    """The color of every token in a theme, by token id, in order; `order` are the ids of all themes, in order."""
    found: dict[str, TokenColor] = {}
    for token in in_order(system.tokens):
        chain = follow(system, token.id, theme, order)
        if isinstance(chain.end, LiteralColor):
            color = chain.end.color
            alpha = alpha_as_published(color.alpha)
            found[token.id] = TokenColor(rgb8_of(color), alpha, chain.tokens, chain.end, literal_p3(color))
        else:
            hue = hues[chain.end.hue]
            place = hue.place(chain.end.step) or 0
            found[token.id] = TokenColor(hue.rgb8[place], hue.source.alpha, chain.tokens, chain.end, hue.p3_at(place))
    return found
