"""One token that takes another opaque color: what moves with it, theme by theme, and what is known of the rest."""

from collections import defaultdict
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple, TypeVar, cast

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.document.tokens import HueAlias, LiteralColor, StepAlias
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.end_colors import end_color
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme

V = TypeVar("V")


class Counted(NamedTuple):
    """How many findings go, how many come, and how many that stay open get worse."""

    mends: int = 0
    breaks: int = 0
    worsens: int = 0

    def plus(self, other: "Counted") -> "Counted":
        """Both together."""
        return Counted(*(one + more for one, more in zip(self, other, strict=True)))


WORSE = 1e-3
"""The share, or logarithm, by which the slack of a finding must fall for it to be worse: less shows in no figure."""


def compared(before: Mapping[str, float | None], after: Mapping[str, float | None]) -> Counted:
    """What becomes of open findings with their slack, as far as that is known, by their ids."""
    worse = 0
    for key in before.keys() & after.keys():
        had, has = before[key], after[key]
        worse += had is not None and has is not None and has < had - WORSE
    return Counted(len(before.keys() - after.keys()), len(after.keys() - before.keys()), worse)


class Ground:
    """What all moves on one document have in common, found once: its findings, luminances, pairings by token."""

    def __init__(self, resolved: Resolved, before: frozenset[str]) -> None:
        self.resolved = resolved
        self.before = before
        self._once: dict[Callable[[Ground], object], object] = {}

    def once(self, find: "Callable[[Ground], V]") -> V:
        """What a function finds here, found once: for what a kind of finding needs at every move."""
        if find not in self._once:
            self._once[find] = find(self)
        return cast(V, self._once[find])

    @cached_property
    def lights(self) -> dict[str, dict[str, float]]:
        """By theme and token, its luminance."""
        found = {}
        for theme in self.resolved.themes.values():
            rgb8 = np.array(
                [color.rgb8 for color in theme.tokens.values()], dtype=np.uint8
            ).reshape(-1, 3)
            found[theme.theme.id] = dict(
                zip(theme.tokens, relative_luminance(rgb8).tolist(), strict=True)
            )
        return found

    @cached_property
    def pairings(self) -> dict[str, dict[str, list[PairingResult]]]:
        """By theme and token, the pairings in which it stands."""
        found: dict[str, dict[str, list[PairingResult]]] = {}
        for theme in self.resolved.themes.values():
            of_token: dict[str, list[PairingResult]] = defaultdict(list)
            for result in theme.pairings:
                of_token[result.pairing.foreground].append(result)
                of_token[result.pairing.ground].append(result)
            found[theme.theme.id] = of_token
        return found


@dataclass(frozen=True)
class Move:
    """A token's value in a theme, the color (3,) that it comes to, and by theme the tokens that take that color."""

    ground: Ground
    edit: SetTokenValue
    value: StepAlias | HueAlias | LiteralColor
    rgb8: Bytes
    tokens: dict[str, set[str]]

    @classmethod
    def of(cls, ground: Ground, edit: SetTokenValue) -> "Move | None":
        """The move that an edit makes; None where it is no single opaque sRGB color that all take as it is."""
        if not isinstance(edit.value, StepAlias | HueAlias | LiteralColor):
            return None
        end = end_color(ground.resolved.hues, edit.value)
        if end.alpha < 1.0 or end.p3 is not None:
            return None
        tokens = {}
        for key, theme in ground.resolved.themes.items():
            moved = _moved(ground.resolved, theme, edit)
            if moved is None:
                return None
            tokens[key] = moved
        return cls(ground, edit, edit.value, end.rgb8, tokens)

    @cached_property
    def light(self) -> float:
        """The luminance of the color."""
        return float(relative_luminance(self.rgb8))

    @property
    def themes(self) -> list[tuple[ResolvedTheme, set[str]]]:
        """The themes in which anything moves, with what moves there."""
        themes = self.ground.resolved.themes
        return [(themes[key], tokens) for key, tokens in self.tokens.items() if tokens]


def _moved(resolved: Resolved, theme: ResolvedTheme, edit: SetTokenValue) -> set[str] | None:
    """The tokens that take the new color in a theme; None where one of them changes it on the way."""
    values = resolved.system.tokens[edit.token].values
    way = resolved.ways[theme.theme.id]
    if next((each for each in way if each in values or each == edit.theme), None) != edit.theme:
        return set()
    moved = {token for token, color in theme.tokens.items() if edit.token in color.chain}
    return None if any(theme.tokens[token].derived for token in moved - {edit.token}) else moved
