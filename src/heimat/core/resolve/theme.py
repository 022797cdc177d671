"""One theme of a document: its token colors, and what is checked of them."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.document.aliases import Chain
from heimat.core.document.order import in_order
from heimat.core.document.pairings import ToldApartSet
from heimat.core.document.palettes import OtherRole
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import PaletteAlias
from heimat.core.resolve.checked_pairings import PairingResult, check_pairings
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.resolve.resolved_palettes import (
    ResolvedPalette,
    ThemeContext,
    color_of,
    resolve_palette,
)
from heimat.core.resolve.token_colors import Ends, TokenColor, token_colors


@dataclass(frozen=True)
class ToldApartResult:
    """A told-apart set with the distances of all its pairs."""

    told_apart: ToldApartSet
    pairs: tuple[PairDistance, ...]


@dataclass(frozen=True)
class ResolvedTheme:
    """The tokens in one theme, by id and in order, with the pairings and told-apart sets that are declared of them.

    `bound` are the palettes, by id, that tokens stand on.
    """

    theme: Theme
    tokens: dict[str, TokenColor]
    bound: dict[str, ResolvedPalette]
    pairings: list[PairingResult]
    told_apart: list[ToldApartResult]

    @cached_property
    def grounds(self) -> frozenset[str]:
        """The tokens that something stands on, and those that they are aliases of."""
        return frozenset(
            token for each in self.pairings for token in self.tokens[each.pairing.ground].chain
        )


def resolve_theme(
    system: ColorSystem,
    hues: Mapping[str, ResolvedHue],
    theme: Theme,
    chains: Mapping[str, Chain],
    ends: Ends,
    roles: Mapping[OtherRole, str],
) -> ResolvedTheme:
    """A theme of a document whose hues are resolved and whose tokens are followed.

    `ends` are shared by all themes, `roles` the tokens for what palettes leave without a color.
    """
    bound: dict[str, ResolvedPalette] = {}

    def palette_color(free: Mapping[str, TokenColor], alias: PaletteAlias) -> Bytes:
        if alias.palette not in bound:
            bound[alias.palette] = resolve_palette(
                system.palettes[alias.palette], around(system, hues, theme.id, free, roles)
            )
        return color_of(bound[alias.palette], alias)

    tokens = token_colors(hues, chains, ends, palette_color)
    return ResolvedTheme(
        theme=theme,
        tokens=tokens,
        bound=bound,
        pairings=check_pairings(in_order(system.pairings), tokens),
        told_apart=[_told_apart(told, tokens) for told in in_order(system.told_apart)],
    )


def around(
    system: ColorSystem,
    hues: Mapping[str, ResolvedHue],
    theme: str,
    tokens: Mapping[str, TokenColor],
    roles: Mapping[OtherRole, str],
) -> ThemeContext:
    """What palettes stand on in a theme whose tokens are known."""
    first = next(iter(in_order(system.themes)), None)
    colors = {token: color.rgb8 for token, color in tokens.items()}
    return ThemeContext(hues, colors, roles, theme, base=first is None or first.id == theme)


def _told_apart(told: ToldApartSet, tokens: Mapping[str, TokenColor]) -> ToldApartResult:
    rgb8 = np.array([tokens[token].rgb8 for token in told.tokens], dtype=np.uint8).reshape(-1, 3)
    return ToldApartResult(told, distances(rgb8, told.threshold))
