"""What palettes stood on, and what stood on palettes: where one goes, the other keeps its last color."""

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.notation import Color, rgb8_of
from heimat.core.document.aliases import follow, ways_of
from heimat.core.document.hues import Hue
from heimat.core.document.order import in_order
from heimat.core.document.palettes import Categorical, PaletteValue, all_values, holds_color, values_of, with_values
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
from heimat.core.hues.scaling import scales_of
from heimat.core.hues.source import resolve_source
from heimat.core.values.derived_color import derived_color
from heimat.core.values.palette_colors import palette_colors

_WHITE = np.full(3, 255, dtype=np.uint8)


def keep_palettes(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    """The changed document, in which what stood on what is gone has the color that it was, and says what it was."""
    after = _kept_in_palettes(before, after)
    return after if before.palettes is after.palettes else _kept_in_tokens(before, after)


def _kept_in_palettes(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    if not after.palettes or (
        before.hues is after.hues and before.tokens is after.tokens and before.ladder is after.ladder
    ):
        return after
    changed = {}

    def kept(value: PaletteValue) -> PaletteValue:
        return value if is_there(after, value) else _last_color(before, value, _first(before))

    for key, palette in after.palettes.items():
        ground = palette.ground if palette.ground in after.tokens else None
        if ground != palette.ground or not all(is_there(after, value) for value in all_values(palette)):
            others = {role: kept(value) for role, value in palette.others.items()}
            update = {"make": with_values(palette.make, kept), "others": others, "ground": ground}
            changed[key] = palette.model_copy(update=update)
    return after.model_copy(update={"palettes": {**after.palettes, **changed}}) if changed else after


def _kept_in_tokens(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    changed = {}
    for key, token in after.tokens.items():
        values = {theme: _kept_value(before, after, value, theme) for theme, value in token.values.items()}
        if values != token.values:
            changed[key] = token.model_copy(update={"values": values})
    return after.model_copy(update={"tokens": {**after.tokens, **changed}}) if changed else after


def _kept_value(before: ColorSystem, after: ColorSystem, value: TokenValue, theme: str) -> TokenValue:
    base = base_of(value)
    if not isinstance(base, PaletteAlias) or holds_color(after.palettes, base):
        return value
    color = Color.of_bytes(_palette_color(before, base, theme))
    if isinstance(value, DerivedColor):
        color = derived_color(color, value)
    return LiteralColor(color=color, was=value_in_words(before, value)[:LONGEST_NAME])


def _palette_color(system: ColorSystem, alias: PaletteAlias, theme: str) -> Bytes:
    """The color (3,) that a token had of a palette in a theme."""
    palette = system.palettes[alias.palette]
    make = palette.make
    values8 = np.array([rgb8_of(_last_color(system, each, theme).color) for each in values_of(make)], dtype=np.uint8)
    ground = TokenAlias(token=palette.ground) if palette.ground else None
    ground8 = np.array(rgb8_of(_last_color(system, ground, theme).color), dtype=np.uint8) if ground else _WHITE
    rgb8 = palette_colors(make, values8, ground8, theme, base=theme == _first(system)).rgb8
    if isinstance(make, Categorical):
        return rgb8[[color.id for color in make.colors].index(alias.color or "")]
    return rgb8[round(alias.along * (len(rgb8) - 1))]


def _first(system: ColorSystem) -> str:
    theme = next(iter(in_order(system.themes)), None)
    return theme.id if theme else ""


def is_there(system: ColorSystem, value: PaletteValue) -> bool:
    """Whether what a value names is in the document."""
    if isinstance(value, TokenAlias):
        return value.token in system.tokens
    if isinstance(value, StepAlias | HueAlias):
        hue = system.hues.get(value.hue)
        return hue is not None and (isinstance(value, HueAlias) or ladder_of(system, hue).index(value.step) is not None)
    return True


def _last_color(system: ColorSystem, value: PaletteValue, theme: str) -> LiteralColor:
    """The color of a value in a theme of the document in which it was still there."""
    words = value_in_words(system, value)[:LONGEST_NAME] if is_there(system, value) else ""
    if isinstance(value, TokenAlias) and value.token in system.tokens:
        chain = follow(system, value.token, ways_of(system).get(theme, ()))
        color = _color(system, chain.end)
        for change in reversed(chain.changes):
            color = derived_color(color, change)
    elif isinstance(value, TokenAlias) or not is_there(system, value):
        return LiteralColor(color=Color.of_bytes((128, 128, 128)), was=words)
    else:
        color = _color(system, value)
    return LiteralColor(color=color.model_copy(update={"alpha": 1.0}), was=words)


def _color(system: ColorSystem, end: StepAlias | HueAlias | PaletteAlias | LiteralColor) -> Color:
    if isinstance(end, LiteralColor):
        return end.color
    if isinstance(end, PaletteAlias):
        return Color.of_bytes(_palette_color(system, end, _first(system)))
    hue: Hue = system.hues[end.hue]
    if isinstance(end, HueAlias):
        return resolve_source(system, hue).color
    (scale,) = scales_of(system, [hue])
    return Color.of_bytes(scale.rgb8[ladder_of(system, hue).index(end.step) or 0])
