"""Following aliases to the colors at their ends."""

from collections.abc import Sequence
from dataclasses import dataclass

from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import LiteralColor, StepAlias, Token, TokenAlias, TokenValue
from heimat.core.errors import DomainError


@dataclass(frozen=True)
class Chain:
    """The tokens passed on the way, beginning with the token itself, and the value at the end."""

    tokens: tuple[str, ...]
    end: StepAlias | LiteralColor


def theme_order(system: ColorSystem) -> list[str]:
    """The ids of the themes, in order."""
    return [theme.id for theme in in_order(system.themes)]


def value_in(token: Token, theme: str, order: Sequence[str]) -> TokenValue:
    """A token's value in a theme; without one of its own there, that of the first theme in which it has one."""
    own = token.values.get(theme)
    if own is not None:
        return own
    first = next((token.values[other] for other in order if other in token.values), None)
    # A value for a theme that is gone still says what the token was.
    return first or token.values[min(token.values)]


def follow(system: ColorSystem, token_id: str, theme: str, order: Sequence[str], field: str = "value") -> Chain:
    """Follow a token's aliases in a theme to a step or a literal; `order` are the ids of all themes, in order.

    Raises DomainError for a loop, naming it, and for an alias of something that is not there.
    """
    passed: list[str] = []
    at = token_id
    while True:
        if at in passed:
            names = [system.tokens[passed_id].name for passed_id in [*passed[passed.index(at) :], at]]
            raise DomainError(f"That would be a loop: {' is '.join(names)}.", field, "loop")
        token = system.tokens.get(at)
        if token is None:
            raise DomainError("The token it should stand for is not there any more.", field, "missing")
        passed.append(at)
        value = value_in(token, theme, order)
        if not isinstance(value, TokenAlias):
            return Chain(tuple(passed), value)
        at = value.token
