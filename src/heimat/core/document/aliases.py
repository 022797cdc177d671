"""Following aliases to the colors at their ends, and themes to those that they rest on."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import (
    DerivedColor,
    End,
    Token,
    TokenAlias,
    TokenValue,
    base_of,
    token_under,
)
from heimat.core.errors import DomainError

Ways = Mapping[str, Sequence[str]]
"""By the id of each theme, the ids of the themes whose values hold in it: its own, those it rests on, then all."""


Recipe = tuple[tuple[tuple[str, float], ...], ...]
"""The changes of a chain, outermost first: for each how lightness, chroma, hue and alpha change, and by how much."""


@dataclass(frozen=True)
class Chain:
    """The tokens passed on the way, beginning with the token itself, and what stands at the end.

    `changes` are the derivations on the way, the outermost first.
    """

    tokens: tuple[str, ...]
    end: End
    changes: tuple[DerivedColor, ...] = ()

    @cached_property
    def recipe(self) -> Recipe:
        """What the changes do, without what they do it to: equal for chains that change a color alike."""
        return tuple(
            tuple(
                (quantity.how, quantity.by)
                for quantity in (each.lightness, each.chroma, each.turn, each.alpha)
            )
            for each in self.changes
        )


def ways_of(system: ColorSystem) -> dict[str, tuple[str, ...]]:
    """Where each theme looks for a value, in order: at its own, at those it rests on, then at the first that has one.

    Raises DomainError for themes that rest on each other, naming them.
    """
    themes = in_order(system.themes)
    order = [theme.id for theme in themes]
    return {
        theme.id: tuple(dict.fromkeys([*_bases(system.themes, theme), *order])) for theme in themes
    }


def _bases(themes: Mapping[str, Theme], theme: Theme) -> list[str]:
    found = [theme.id]
    at = theme.base
    while at is not None and at in themes:
        if at in found:
            words = ", which rests on ".join(
                themes[other].name for other in [*found[found.index(at) :], at]
            )
            raise DomainError(f"A theme cannot rest on itself: {words}.", "base", "loop")
        found.append(at)
        at = themes[at].base
    return found


def value_in(token: Token, way: Sequence[str]) -> TokenValue:
    """A token's value in a theme, by where that theme looks."""
    for theme in way:
        own = token.values.get(theme)
        if own is not None:
            return own
    # A value for a theme that is gone still says what the token was.
    return token.values[min(token.values)]


def follow(system: ColorSystem, token_id: str, way: Sequence[str], field: str = "value") -> Chain:
    """Follow a token's aliases in a theme to a step, a hue or a literal; `way` is where that theme looks.

    Raises DomainError for a loop, naming it, and for an alias of something that is not there.
    """
    passed: dict[str, None] = {}
    changes: list[DerivedColor] = []
    at = token_id
    while True:
        if at in passed:
            every = list(passed)
            names = [system.tokens[passed_id].name for passed_id in [*every[every.index(at) :], at]]
            where = f" in {system.themes[way[0]].name}" if len(system.themes) > 1 and way else ""
            raise DomainError(f"That would be a loop{where}: {' is '.join(names)}.", field, "loop")
        token = system.tokens.get(at)
        if token is None:
            raise DomainError(
                "The token it should stand for is not there any more.", field, "missing"
            )
        passed[at] = None
        value = value_in(token, way)
        if isinstance(value, DerivedColor):
            changes.append(value)
        base = base_of(value)
        if not isinstance(base, TokenAlias):
            return Chain(tuple(passed), base, tuple(changes))
        at = base.token


def aliases_of(system: ColorSystem, token_id: str) -> list[tuple[Token, str]]:
    """The tokens that name another one as what they stand for, of itself or with changes, each with the theme's id."""
    return [
        (token, theme)
        for token in in_order(system.tokens)
        for theme, value in token.values.items()
        if token_under(value) == token_id
    ]
