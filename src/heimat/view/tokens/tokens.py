"""The semantic tokens in the theme that is shown."""

from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.document.aliases import theme_order, value_in
from heimat.core.document.keys import token_key
from heimat.core.document.purposes import Purpose, Shape, shape_of
from heimat.core.document.tokens import StepAlias, TokenAlias, TokenValue
from heimat.core.legibility.why import chain_words
from heimat.view.eyes import SwatchView
from heimat.view.look import Look


class ValueView(TypedDict):
    """What a token stands for: a step of a hue, another token, or a color of its own (then all three are null)."""

    kind: Literal["step", "token", "literal"]
    hue: str | None
    step: str | None
    token: str | None


class TokenView(SwatchView):
    """A semantic token in the theme shown, with the chain of its aliases in words.

    `purpose` is what it is there for, whatever it is called; `shape` as what it is drawn.
    """

    key: str
    id: str
    name: str
    purpose: Purpose | None
    shape: Shape
    note: str
    alpha: float
    value: ValueView
    chain: str
    changed: bool


def tokens_part(look: Look) -> list[TokenView]:
    """All tokens, in order; none where there is no theme."""
    theme = look.theme
    if theme is None or not theme.tokens:
        return []
    order = theme_order(look.system)
    texts = {result.pairing.foreground for result in theme.pairings if result.pairing.use in ("body", "large")}
    tokens = [look.system.tokens[token] for token in theme.tokens]
    swatches = look.eyes.swatches(np.array([color.rgb8 for color in theme.tokens.values()], dtype=np.uint8))
    return [
        {
            **swatch,
            "key": token_key(token.id),
            "id": token.id,
            "name": token.name,
            "purpose": token.purpose,
            "shape": shape_of(token.purpose, is_text=token.id in texts),
            "note": token.note,
            "alpha": theme.tokens[token.id].alpha,
            "value": _value(value_in(token, theme.theme.id, order)),
            "chain": chain_words(look.resolved, theme, token.id),
            "changed": token.id in look.changed,
        }
        for token, swatch in zip(tokens, swatches, strict=True)
    ]


def _value(value: TokenValue) -> ValueView:
    step = value if isinstance(value, StepAlias) else None
    token = value.token if isinstance(value, TokenAlias) else None
    return {"kind": value.kind, "hue": step.hue if step else None, "step": step.step if step else None, "token": token}
