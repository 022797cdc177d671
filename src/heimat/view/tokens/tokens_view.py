"""The semantic tokens in the theme that is shown."""

from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.hues import QuantityChange
from heimat.core.document.keys import token_key
from heimat.core.document.names import css_name
from heimat.core.document.purposes import Shape, shape_of
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    LiteralColor,
    StepAlias,
    TokenAlias,
    TokenValue,
    base_of,
)
from heimat.core.legibility.why import chain_words
from heimat.view.eyes import SwatchView
from heimat.view.look import Look
from heimat.view.sources.hues_view import QuantityChangeView


class DerivedView(TypedDict):
    """What a derived value changes: L*, OKLCH chroma, hue in degrees, alpha."""

    lightness: QuantityChangeView
    chroma: QuantityChangeView
    turn: QuantityChangeView
    alpha: QuantityChangeView


class ValueView(TypedDict):
    """What a token stands for: a step of a hue, a hue itself, another token, a color of its own; or with changes.

    Of what is derived, the fields name what it is derived of.
    """

    kind: Literal["step", "hue", "token", "palette", "literal", "derived"]
    hue: str | None
    step: str | None
    token: str | None
    was: str
    changes: DerivedView | None


class TokenView(SwatchView):
    """A semantic token in the theme shown, with the chain of its aliases in words.

    `purpose` is what it is there for, whatever it is called; `shape` as what it is drawn; `own` whether the theme says
    something of it by itself, `follows` whether the rule of its purpose could fill it. `css` is its custom property.
    """

    key: str
    id: str
    name: str
    css: str
    purpose: str | None
    shape: Shape
    note: str
    usage: str
    internal: bool
    deprecated: bool
    replacement: str | None
    reason: str
    alpha: float
    value: ValueView
    chain: str
    own: bool
    changed: bool


def tokens_part(look: Look) -> list[TokenView]:
    """All tokens, in order; none where there is no theme."""
    theme = look.theme
    if theme is None or not theme.tokens:
        return []
    way = ways_of(look.system)[theme.theme.id]
    texts = {
        result.pairing.foreground
        for result in theme.pairings
        if result.pairing.use in ("body", "large")
    }
    tokens = [look.system.tokens[token] for token in theme.tokens]
    swatches = look.eyes.swatches(
        np.array([color.rgb8 for color in theme.tokens.values()], dtype=np.uint8)
    )
    return [
        {
            **swatch,
            "key": token_key(token.id),
            "id": token.id,
            "name": token.name,
            "css": css_name(token.name),
            "purpose": token.purpose,
            "shape": shape_of(token.purpose, is_text=token.id in texts),
            "note": token.note,
            "usage": token.usage,
            "internal": token.internal,
            "deprecated": token.deprecated is not None,
            "replacement": token.deprecated.replacement if token.deprecated else None,
            "reason": token.deprecated.reason if token.deprecated else "",
            "alpha": theme.tokens[token.id].alpha,
            "value": value_view(value_in(token, way)),
            "chain": chain_words(look.resolved, theme, token.id),
            "own": theme.theme.id in token.values,
            "changed": token.id in look.changed,
        }
        for token, swatch in zip(tokens, swatches, strict=True)
    ]


def value_view(value: TokenValue) -> ValueView:
    """A value as the page takes it apart."""
    base = base_of(value)
    return {
        "kind": value.kind,
        "hue": base.hue if isinstance(base, StepAlias | HueAlias) else None,
        "step": base.step if isinstance(base, StepAlias) else None,
        "token": base.token if isinstance(base, TokenAlias) else None,
        "was": value.was if isinstance(value, LiteralColor) else "",
        "changes": _changes(value) if isinstance(value, DerivedColor) else None,
    }


def _changes(value: DerivedColor) -> DerivedView:
    return {
        "lightness": _change(value.lightness),
        "chroma": _change(value.chroma),
        "turn": _change(value.turn),
        "alpha": _change(value.alpha),
    }


def _change(change: QuantityChange) -> QuantityChangeView:
    return {"how": change.how, "by": change.by}
