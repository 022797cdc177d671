"""The chains of all tokens in all themes. They hang on tokens and themes alone: while a hue moves, they stay."""

import threading
from collections.abc import Mapping, Sequence
from dataclasses import replace

from cachetools import LRUCache

from heimat.core.document.aliases import Chain, follow, ways_of
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import End, Token

Chains = dict[str, dict[str, Chain]]
"""By the id of each theme, in order, and of each token, in order. Equal ends are the same object."""
_Kept = tuple[Mapping[str, Token], Mapping[str, Theme], Chains]
_REMEMBERED = 16
_KEPT: LRUCache[tuple[int, int], _Kept] = LRUCache(_REMEMBERED)
"""By the identity of tokens and themes: an edit that does not touch them leaves the very same ones in the document.
They are kept with what was found, so that no other object can take their place."""
_LOCK = threading.Lock()


def chains_of(system: ColorSystem) -> Chains:
    """The chain of every token in every theme. Raises DomainError for a loop, which no sound document has."""
    key = (id(system.tokens), id(system.themes))
    with _LOCK:
        known = _KEPT.get(key)
    if known is not None and known[0] is system.tokens and known[1] is system.themes:
        return known[2]
    ways = ways_of(system)
    tokens = [token.id for token in in_order(system.tokens)]
    ends: dict[End, End] = {}

    def chain(token: str, way: Sequence[str]) -> Chain:
        made = follow(system, token, way)
        # Equal ends are one and the same from here on: their color is found once.
        return replace(made, end=ends.setdefault(made.end, made.end))

    found = {theme.id: {token: chain(token, ways[theme.id]) for token in tokens} for theme in in_order(system.themes)}
    with _LOCK:
        _KEPT[key] = (system.tokens, system.themes, found)
    return found
