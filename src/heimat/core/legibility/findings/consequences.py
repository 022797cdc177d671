"""What else a repair would change: how many findings go with it, and how many come.

A repair that gives one token an opaque color touches only the pairings and told-apart sets in which that token, or an
alias of it, stands: these alone are measured anew, from luminances that are found once; and the palettes, where one
stands on it. All others (several edits,
derived values, translucent or display-p3 colors) are done on the document, which is then resolved and checked whole.
"""

from collections import defaultdict
from dataclasses import replace
from functools import cached_property

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import ratio_of_luminances, relative_luminance
from heimat.core.color.told_apart import distances
from heimat.core.document.palettes import all_values
from heimat.core.document.tokens import HueAlias, LiteralColor, PaletteAlias, StepAlias, TokenAlias
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.legibility.findings.on_kept import kept_id
from heimat.core.legibility.findings.on_pairings import pairing_id
from heimat.core.legibility.findings.on_told_apart import close_ids
from heimat.core.legibility.findings.palettes import STATUSES, palette_ids
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.end_colors import end_color
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import roles_of
from heimat.core.resolve.theme import ResolvedTheme

Counted = tuple[int, int]
"""How many findings go, and how many come."""


class Consequences:
    """The consequences of repairs on one document, whose findings are known by their ids."""

    def __init__(self, resolved: Resolved, before: frozenset[str]) -> None:
        self._resolved = resolved
        self._before = before

    def of(self, repair: Repair) -> Counted | None:
        """What a repair mends and breaks; None where it is no single opaque color of a token."""
        if len(repair.edits) != 1 or not isinstance(repair.edits[0], SetTokenValue):
            return None
        (edit,) = repair.edits
        if not isinstance(edit, SetTokenValue) or not isinstance(edit.value, StepAlias | HueAlias | LiteralColor):
            return None
        end = end_color(self._resolved.hues, edit.value)
        if end.alpha < 1.0 or end.p3 is not None:
            return None
        mends = breaks = 0
        if kept_id(edit.token, edit.theme) in self._before and not getattr(edit.value, "was", ""):
            mends += 1
        repainted = {}
        for key, theme in self._resolved.themes.items():
            moved = self._moved(theme, edit)
            if moved is None:
                return None
            counted = self._in_theme(theme, moved, end.rgb8)
            if counted is None or (moved & self._under_palettes and self._bound_are_checked):
                return None
            mends, breaks = mends + counted[0], breaks + counted[1]
            if moved & self._under_palettes:
                colors = {token: replace(theme.tokens[token], rgb8=end.rgb8, end=edit.value) for token in moved}
                repainted[key] = replace(theme, tokens={**theme.tokens, **colors}, bound={})
        if repainted:
            after = palette_ids(replace(self._resolved, themes={**self._resolved.themes, **repainted}))
            mends, breaks = mends + len(self._on_palettes - after), breaks + len(after - self._on_palettes)
        return mends, breaks

    @cached_property
    def _on_palettes(self) -> frozenset[str]:
        """The ids of the findings on palettes."""
        return self._before & palette_ids(self._resolved)

    @cached_property
    def _bound_are_checked(self) -> bool:
        """Whether a token that stands on a palette is in a pairing or in a told-apart set."""
        system = self._resolved.system
        named = {token for each in system.pairings.values() for token in (each.foreground, each.ground)}
        named |= {token for told in system.told_apart.values() for token in told.tokens}
        theme = self._resolved.theme()
        return theme is not None and any(
            isinstance(theme.tokens[token].end, PaletteAlias) for token in named if token in theme.tokens
        )

    @cached_property
    def _under_palettes(self) -> set[str]:
        """The tokens that palettes stand on or are drawn on, and those that none of their colors may be taken for."""
        system = self._resolved.system
        values = [value for palette in system.palettes.values() for value in all_values(palette)]
        grounds = {palette.ground for palette in system.palettes.values() if palette.ground}
        statuses = {token.id for token in system.tokens.values() if system.palettes and token.purpose in STATUSES}
        roles = set(roles_of(system.tokens).values()) if system.palettes else set()
        return grounds | statuses | roles | {value.token for value in values if isinstance(value, TokenAlias)}

    def _moved(self, theme: ResolvedTheme, edit: SetTokenValue) -> set[str] | None:
        """The tokens that take the new color in a theme; None where one of them changes it on the way."""
        values = self._resolved.system.tokens[edit.token].values
        way = self._resolved.ways[theme.theme.id]
        if next((each for each in way if each in values or each == edit.theme), None) != edit.theme:
            return set()
        moved = {token for token, color in theme.tokens.items() if edit.token in color.chain}
        return None if any(theme.tokens[token].derived for token in moved - {edit.token}) else moved

    def _in_theme(self, theme: ResolvedTheme, moved: set[str], rgb8: Bytes) -> Counted | None:
        if not moved:
            return 0, 0
        mends = breaks = 0
        lights, new = self._lights[theme.theme.id], float(relative_luminance(rgb8))
        for result in self._results(theme, moved):
            ends = (result.pairing.foreground, result.pairing.ground)
            others = [theme.tokens[token] for token in ends if token not in moved]
            if any(color.alpha < 1.0 or color.p3 is not None for color in others):
                return None
            if result.needed is None:
                continue
            one, other = (new if token in moved else lights[token] for token in ends)
            falls = float(ratio_of_luminances(one, other)) < result.needed
            fell = pairing_id(theme, result) in self._before
            mends, breaks = mends + (fell and not falls), breaks + (falls and not fell)
        for told in theme.told_apart:
            if moved.isdisjoint(told.told_apart.tokens):
                continue
            colors = [rgb8 if token in moved else theme.tokens[token].rgb8 for token in told.told_apart.tokens]
            pairs = distances(np.array(colors, dtype=np.uint8), told.told_apart.threshold)
            before, after = (close_ids(theme, told.told_apart, each) for each in (told.pairs, pairs))
            mends, breaks = mends + len(before - after), breaks + len(after - before)
        return mends, breaks

    def _results(self, theme: ResolvedTheme, moved: set[str]) -> list[PairingResult]:
        found = {result.pairing.id: result for token in moved for result in self._index[theme.theme.id][token]}
        return list(found.values())

    @cached_property
    def _index(self) -> dict[str, dict[str, list[PairingResult]]]:
        """By theme and token, the pairings in which it stands."""
        found: dict[str, dict[str, list[PairingResult]]] = {}
        for theme in self._resolved.themes.values():
            of_token: dict[str, list[PairingResult]] = defaultdict(list)
            for result in theme.pairings:
                of_token[result.pairing.foreground].append(result)
                of_token[result.pairing.ground].append(result)
            found[theme.theme.id] = of_token
        return found

    @cached_property
    def _lights(self) -> dict[str, dict[str, float]]:
        """By theme and token, its luminance."""
        found = {}
        for theme in self._resolved.themes.values():
            rgb8 = np.array([color.rgb8 for color in theme.tokens.values()], dtype=np.uint8).reshape(-1, 3)
            found[theme.theme.id] = dict(zip(theme.tokens, relative_luminance(rgb8).tolist(), strict=True))
        return found
