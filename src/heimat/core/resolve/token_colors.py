"""From tokens to colors, in one theme."""

from collections.abc import Mapping
from dataclasses import dataclass

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.notation import Color, rgb8_of
from heimat.core.color.overlay import alpha_as_published
from heimat.core.document.aliases import Chain
from heimat.core.document.tokens import End, HueAlias, LiteralColor, StepAlias
from heimat.core.hues.derived_tokens import derived_color
from heimat.core.resolve.hues import ResolvedHue
from heimat.core.scales.wide import literal_p3


@dataclass(frozen=True)
class TokenColor:
    """What a token comes to in a theme: 8-bit sRGB (3,), alpha, the tokens passed (itself first), and the end of them.

    `derived` is whether anything on the way changes the color; `p3` is its display-p3 value (3,), where it has one of
    its own.
    """

    rgb8: Bytes
    alpha: float
    chain: tuple[str, ...]
    end: End
    p3: Floats | None = None
    derived: bool = False

    @property
    def hue(self) -> str | None:
        """The id of the hue that it stands on, itself, by a step or with changes; None for a color of its own."""
        return None if isinstance(self.end, LiteralColor) else self.end.hue

    @property
    def step(self) -> StepAlias | None:
        """The step that it stands on, if it does."""
        return self.end if isinstance(self.end, StepAlias) else None


Ends = dict[int, "EndColor"]
"""The colors of what chains end in, by the identity of these ends, found once for all themes."""


@dataclass(frozen=True)
class EndColor:
    """The color of what chains end in: 8-bit sRGB (3,), alpha, and its display-p3 value (3,), where it has one."""

    rgb8: Bytes
    alpha: float
    p3: Floats | None


def token_colors(hues: Mapping[str, ResolvedHue], chains: Mapping[str, Chain], ends: Ends) -> dict[str, TokenColor]:
    """The color of every token in a theme, by token id, in the order of their chains; `ends` is added to."""
    found: dict[str, TokenColor] = {}
    for token, chain in chains.items():
        made = ends.get(id(chain.end))
        if made is None:
            made = ends[id(chain.end)] = end_color(hues, chain.end)
        if not chain.changes:
            found[token] = TokenColor(made.rgb8, made.alpha, chain.tokens, chain.end, made.p3)
            continue
        color = Color.of_bytes(made.rgb8).model_copy(update={"alpha": made.alpha})
        for change in reversed(chain.changes):
            color = derived_color(color, change)
        found[token] = TokenColor(rgb8_of(color), color.alpha, chain.tokens, chain.end, None, True)
    return found


def end_color(hues: Mapping[str, ResolvedHue], end: End) -> EndColor:
    """The color of what a chain ends in: a step, a hue itself, or a color of its own."""
    if isinstance(end, LiteralColor):
        return EndColor(rgb8_of(end.color), alpha_as_published(end.color.alpha), literal_p3(end.color))
    hue = hues[end.hue]
    if isinstance(end, HueAlias):
        wide = literal_p3(hue.color) if hue.hue.wide is not False else None
        return EndColor(rgb8_of(hue.color), hue.source.alpha, wide)
    place = hue.place(end.step) or 0
    return EndColor(hue.rgb8[place], hue.source.alpha, hue.p3_at(place))
