"""What a token would be by a name or a value that is typed."""

from typing_extensions import TypedDict

from heimat.core.document.tokens import TokenValue
from heimat.core.resolve.named import value_named
from heimat.core.resolve.resolved import Resolved


class NamedValueView(TypedDict):
    """What was typed, as a value for a token."""

    value: TokenValue


def named_value(resolved: Resolved, text: str) -> NamedValueView:
    """The value that a text names. Raises DomainError where it is neither a name nor a color."""
    return {"value": value_named(resolved, text)}
