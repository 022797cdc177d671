"""What palettes stood on and is gone leaves its last color in them."""

from heimat.core.color.notation import Color
from heimat.core.document.aliases import follow, ways_of
from heimat.core.document.hues import Hue
from heimat.core.document.order import in_order
from heimat.core.document.palettes import PaletteValue, values_of, with_values
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import HueAlias, LiteralColor, StepAlias, TokenAlias
from heimat.core.document.words import value_in_words
from heimat.core.hues.derived_tokens import derived_color
from heimat.core.hues.scaling import scales_of
from heimat.core.hues.source import resolve_source


def keep_palettes(before: ColorSystem, after: ColorSystem) -> ColorSystem:
    """The changed document, in whose palettes what is gone stands as the color that it was, and says what it was."""
    if not after.palettes or (
        before.hues is after.hues and before.tokens is after.tokens and before.ladder is after.ladder
    ):
        return after
    changed = {}
    for key, palette in after.palettes.items():
        gone = [value for value in values_of(palette.make) if not is_there(after, value)]
        ground = palette.ground if palette.ground in after.tokens else None
        if gone or ground != palette.ground:
            make = with_values(
                palette.make, lambda value: value if is_there(after, value) else _last_color(before, value)
            )
            changed[key] = palette.model_copy(update={"make": make, "ground": ground})
    return after.model_copy(update={"palettes": {**after.palettes, **changed}}) if changed else after


def is_there(system: ColorSystem, value: PaletteValue) -> bool:
    """Whether what a value names is in the document."""
    if isinstance(value, TokenAlias):
        return value.token in system.tokens
    if isinstance(value, StepAlias | HueAlias):
        hue = system.hues.get(value.hue)
        return hue is not None and (isinstance(value, HueAlias) or ladder_of(system, hue).index(value.step) is not None)
    return True


def _last_color(system: ColorSystem, value: PaletteValue) -> PaletteValue:
    """The color of a value in the first theme of the document in which it was still there."""
    words = value_in_words(system, value)[:LONGEST_NAME] if is_there(system, value) else ""
    if isinstance(value, TokenAlias) and value.token in system.tokens:
        theme = next(iter(in_order(system.themes)), None)
        chain = follow(system, value.token, ways_of(system)[theme.id] if theme else ())
        color = _color(system, chain.end)
        for change in reversed(chain.changes):
            color = derived_color(color, change)
    elif isinstance(value, TokenAlias) or not is_there(system, value):
        return LiteralColor(color=Color.of_bytes((128, 128, 128)), was=words)
    else:
        color = _color(system, value)
    return LiteralColor(color=color.model_copy(update={"alpha": 1.0}), was=words)


def _color(system: ColorSystem, end: StepAlias | HueAlias | LiteralColor) -> Color:
    if isinstance(end, LiteralColor):
        return end.color
    hue: Hue = system.hues[end.hue]
    if isinstance(end, HueAlias):
        return resolve_source(system, hue).color
    (scale,) = scales_of(system, [hue])
    return Color.of_bytes(scale.rgb8[ladder_of(system, hue).index(end.step) or 0])
