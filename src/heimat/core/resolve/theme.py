"""One theme of a document: its token colors, and what is checked of them."""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.document.aliases import Chain
from heimat.core.document.order import in_order
from heimat.core.document.pairings import ToldApartSet
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.resolve.hues import ResolvedHue
from heimat.core.resolve.pairings import PairingResult, check_pairings
from heimat.core.resolve.token_colors import Ends, TokenColor, token_colors


@dataclass(frozen=True)
class ToldApartResult:
    """A told-apart set with the distances of all its pairs."""

    told_apart: ToldApartSet
    pairs: tuple[PairDistance, ...]


@dataclass(frozen=True)
class ResolvedTheme:
    """The tokens in one theme, by id and in order, with the pairings and told-apart sets that are declared of them."""

    theme: Theme
    tokens: dict[str, TokenColor]
    pairings: list[PairingResult]
    told_apart: list[ToldApartResult]


def resolve_theme(
    system: ColorSystem, hues: Mapping[str, ResolvedHue], theme: Theme, chains: Mapping[str, Chain], ends: Ends
) -> ResolvedTheme:
    """A theme of a document whose hues are resolved and whose tokens are followed; `ends` are shared by all themes."""
    tokens = token_colors(hues, chains, ends)
    return ResolvedTheme(
        theme=theme,
        tokens=tokens,
        pairings=check_pairings(in_order(system.pairings), tokens),
        told_apart=[_told_apart(told, tokens) for told in in_order(system.told_apart)],
    )


def _told_apart(told: ToldApartSet, tokens: Mapping[str, TokenColor]) -> ToldApartResult:
    rgb8 = np.array([tokens[token].rgb8 for token in told.tokens], dtype=np.uint8).reshape(-1, 3)
    return ToldApartResult(told, distances(rgb8, told.threshold))
