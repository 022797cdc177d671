"""What palettes stood on, and what stood on palettes: where one goes, the other keeps its last color."""

from heimat.core.color.exact_color import Color
from heimat.core.document.palettes import (
    Palette,
    PaletteValue,
    all_values,
    holds_color,
    with_values,
)
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    LiteralColor,
    PaletteAlias,
    StepAlias,
    TokenAlias,
    TokenValue,
    base_of,
)
from heimat.core.document.words import value_in_words
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.values.derived_color import derived_color

_GRAY = (128, 128, 128)
"""The color of what was not there before either, which no sound document has."""


def keep_palettes(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    """The changed document, in which what stood on what is gone has the color that it was, and says what it was."""
    after = _kept_in_palettes(before, after)
    return after if before.palettes is after.palettes else _kept_in_tokens(before, after)


def _kept_in_palettes(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    if not after.palettes or (
        before.hues is after.hues
        and before.tokens is after.tokens
        and before.ladder is after.ladder
    ):
        return after
    loose = {key: palette for key, palette in after.palettes.items() if _is_loose(after, palette)}
    if not loose:
        return after
    resolved = resolve(before)

    def kept(value: PaletteValue) -> PaletteValue:
        return value if is_there(after, value) else _last_color(resolved, value)

    changed = {}
    for key, palette in loose.items():
        others = {role: kept(value) for role, value in palette.others.items()}
        ground = palette.ground if palette.ground in after.tokens else None
        update = {"make": with_values(palette.make, kept), "others": others, "ground": ground}
        changed[key] = palette.model_copy(update=update)
    return after.model_copy(update={"palettes": {**after.palettes, **changed}})


def _is_loose(system: ColorSystem, palette: Palette) -> bool:
    """Whether something that a palette stands on is gone."""
    ground_is_gone = palette.ground is not None and palette.ground not in system.tokens
    return ground_is_gone or not all(is_there(system, value) for value in all_values(palette))


def _kept_in_tokens(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    loose = {
        key: [theme for theme, value in token.values.items() if _has_lost(after, value)]
        for key, token in after.tokens.items()
    }
    if not any(loose.values()):
        return after
    resolved = resolve(before)
    changed = {}
    for key, themes in loose.items():
        if themes:
            token = after.tokens[key]
            own = {theme: _last_value(resolved, token.values[theme], theme) for theme in themes}
            changed[key] = token.model_copy(update={"values": {**token.values, **own}})
    return after.model_copy(update={"tokens": {**after.tokens, **changed}})


def _has_lost(after: ColorSystem, value: TokenValue) -> bool:
    """Whether a token's value stands on a color of a palette that is gone."""
    base = base_of(value)
    return isinstance(base, PaletteAlias) and not holds_color(after.palettes, base)


def _last_value(before: Resolved, value: TokenValue, theme: str) -> LiteralColor:
    """The color that a value came to in a theme, and what it was."""
    color = before.color(base_of(value), theme)
    if isinstance(value, DerivedColor):
        color = derived_color(color, value)
    return LiteralColor(color=color, was=value_in_words(before.system, value)[:LONGEST_NAME])


def is_there(system: ColorSystem, value: PaletteValue) -> bool:
    """Whether what a value names is in the document."""
    if isinstance(value, TokenAlias):
        return value.token in system.tokens
    if isinstance(value, StepAlias | HueAlias):
        hue = system.hues.get(value.hue)
        return hue is not None and (
            isinstance(value, HueAlias) or ladder_of(system, hue).index(value.step) is not None
        )
    return True


def _last_color(before: Resolved, value: PaletteValue) -> LiteralColor:
    """The color that a value had in the first theme, opaque, and what it was."""
    if not is_there(before.system, value):
        return LiteralColor(color=Color.of_bytes(_GRAY))
    words = value_in_words(before.system, value)[:LONGEST_NAME]
    return LiteralColor(color=before.color(value), was=words)
