"""The chains of all tokens in all themes. They hang on tokens and themes alone: while a hue moves, they stay."""

from collections.abc import Sequence
from dataclasses import replace

from heimat.core.document.aliases import Chain, follow, ways_of
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import End
from heimat.core.memory import OfObjects

Chains = dict[str, dict[str, Chain]]
"""By the id of each theme, in order, and of each token, in order. Equal ends are the same object."""
_KEPT: OfObjects[Chains] = OfObjects("chains of tokens", 16)


def chains_of(system: ColorSystem) -> Chains:
    """The chain of every token in every theme. Raises DomainError for a loop, which no sound document has."""
    known = _KEPT.known(system.tokens, system.themes)
    if known is not None:
        return known
    ways = ways_of(system)
    tokens = [token.id for token in in_order(system.tokens)]
    ends: dict[End, End] = {}

    def chain(token: str, way: Sequence[str]) -> Chain:
        made = follow(system, token, way)
        # Equal ends are one and the same from here on: their color is found once.
        return replace(made, end=ends.setdefault(made.end, made.end))

    found = {
        theme.id: {token: chain(token, ways[theme.id]) for token in tokens}
        for theme in in_order(system.themes)
    }
    _KEPT.keep(found, system.tokens, system.themes)
    return found
