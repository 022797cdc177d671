"""From tokens to colors, in one theme."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import cast

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.document.aliases import Chain, Recipe
from heimat.core.document.tokens import End, HueAlias, PaletteAlias, StepAlias
from heimat.core.memory import Memory
from heimat.core.resolve.end_colors import EndColor, end_color
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.values.derived_color import Levels, derived_levels


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
        return self.end.hue if isinstance(self.end, StepAlias | HueAlias) else None

    @property
    def step(self) -> StepAlias | None:
        """The step that it stands on, if it does."""
        return self.end if isinstance(self.end, StepAlias) else None


_REMEMBERED = 4096
_KNOWN: Memory[tuple[Levels, Recipe], Levels] = Memory("derived colors of tokens", _REMEMBERED)
Ends = dict[int, EndColor]
"""The colors of what chains end in, by the identity of these ends, found once for all themes."""


Palettes = Callable[[Mapping[str, TokenColor], PaletteAlias], Bytes]
"""From the tokens that stand on no palette, and what another stands on, to its color (3,)."""


def token_colors(
    hues: Mapping[str, ResolvedHue], chains: Mapping[str, Chain], ends: Ends, palettes: Palettes
) -> dict[str, TokenColor]:
    """The color of every token in a theme, by token id, in the order of their chains; `ends` is added to."""
    free = {
        token: chain for token, chain in chains.items() if not isinstance(chain.end, PaletteAlias)
    }
    found = _colors(free, lambda end: _shared(hues, end, ends))
    if len(free) == len(chains):
        return found
    # Palettes stand on tokens; what stands on palettes comes after these, and is in none.
    bound = {token: chain for token, chain in chains.items() if token not in free}
    found |= _colors(
        bound, lambda end: EndColor(palettes(found, cast(PaletteAlias, end)), 1.0, None)
    )
    return {token: found[token] for token in chains}


def _shared(hues: Mapping[str, ResolvedHue], end: End, ends: Ends) -> EndColor:
    """The color of an end that no theme changes, found once."""
    made = ends.get(id(end))
    if made is None:
        assert not isinstance(end, PaletteAlias)
        made = ends[id(end)] = end_color(hues, end)
    return made


def _colors(chains: Mapping[str, Chain], color: Callable[[End], EndColor]) -> dict[str, TokenColor]:
    found: dict[str, TokenColor] = {}
    derived: list[tuple[str, Chain, EndColor]] = []
    for token, chain in chains.items():
        made = color(chain.end)
        if chain.changes:
            derived.append((token, chain, made))
        found[token] = TokenColor(made.rgb8, made.alpha, chain.tokens, chain.end, made.p3)
    for (token, chain, _), (levels, alpha) in zip(derived, _changed(derived), strict=True):
        rgb8 = np.frombuffer(levels, dtype=np.uint8)
        found[token] = TokenColor(rgb8, alpha, chain.tokens, chain.end, None, True)
    return found


def _changed(derived: Sequence[tuple[str, Chain, EndColor]]) -> list[Levels]:
    """Colors after the changes on their chains, the innermost first; what was found before is remembered.

    All that are new are found at once, one change of each after the other.
    """
    keys = [((made.rgb8.tobytes(), made.alpha), chain.recipe) for _, chain, made in derived]
    known = _KNOWN.known(keys)
    new = {
        key: chain.changes
        for key, (_, chain, _) in zip(keys, derived, strict=True)
        if key not in known
    }
    todo = list(new.values())
    states = [levels for levels, _ in new]
    for depth in range(1, max(map(len, todo), default=0) + 1):
        there = [at for at, changes in enumerate(todo) if len(changes) >= depth]
        made = derived_levels([(states[at], todo[at][-depth]) for at in there])
        for at, levels in zip(there, made, strict=True):
            states[at] = levels
    made_now = dict(zip(new, states, strict=True))
    _KNOWN.keep(made_now)
    known |= made_now
    return [known[key] for key in keys]
