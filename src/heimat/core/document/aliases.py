"""Following aliases to colors."""

from dataclasses import dataclass

from heimat.core.errors import DomainError
from heimat.core.system import ColorSystem, LiteralColor, StepAlias, Token, TokenAlias, TokenValue


@dataclass(frozen=True)
class Chain:
    """The tokens passed on the way, beginning with the token itself, and the value at the end."""

    tokens: tuple[str, ...]
    end: StepAlias | LiteralColor


def value_in(token: Token, theme: str) -> TokenValue:
    """A token's value in a theme; a theme that a token has no value for takes the one of the token's first theme."""
    return token.values.get(theme) or next(iter(token.values.values()))


def follow(system: ColorSystem, token_id: str, theme: str, field: str = "value") -> Chain:
    """Follow a token's aliases in a theme to a step or a literal.

    Raises DomainError for a circle, naming it, and for an alias of something that is not there.
    """
    passed: list[str] = []
    at = token_id
    while True:
        if at in passed:
            names = [system.tokens[passed_id].name for passed_id in [*passed[passed.index(at) :], at]]
            raise DomainError(f"That would be a circle: {' is '.join(names)}.", field, "circle")
        token = system.tokens.get(at)
        if token is None:
            raise DomainError("The token it should stand for is not there any more.", field, "missing")
        passed.append(at)
        value = value_in(token, theme)
        if not isinstance(value, TokenAlias):
            return Chain(tuple(passed), value)
        at = value.token
