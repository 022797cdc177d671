"""Parts of the document in words."""

from collections.abc import Sequence

from heimat.core.color.notation import format
from heimat.core.document.hues import QuantityChange
from heimat.core.document.palettes import Categorical
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    PaletteAlias,
    StepAlias,
    TokenAlias,
    TokenValue,
)


def step_name(system: ColorSystem, hue_id: str, step_id: str) -> str | None:
    """A step as people say it: tidewater 600; None where it is not there."""
    hue = system.hues.get(hue_id)
    place = ladder_of(system, hue).index(step_id) if hue else None
    return (
        None
        if hue is None or place is None
        else f"{hue.name} {ladder_of(system, hue).steps[place].label}"
    )


def value_in_words(system: ColorSystem, value: TokenValue) -> str:
    """What a token stands for, as people say it: tidewater 600, tidewater itself, action.main.fill, or #FFFFFF."""
    if isinstance(value, DerivedColor):
        return ", ".join([value_in_words(system, value.of), *changes_in_words(value)])
    if isinstance(value, TokenAlias):
        target = system.tokens.get(value.token)
        return target.name if target else "a token that is gone"
    if isinstance(value, StepAlias):
        return step_name(system, value.hue, value.step) or "a step that is gone"
    if isinstance(value, PaletteAlias):
        return _palette_color(system, value)
    if isinstance(value, HueAlias):
        hue = system.hues.get(value.hue)
        return f"{hue.name} itself" if hue else "a hue that is gone"
    return format(value.color, "hex") or ""


def _palette_color(system: ColorSystem, value: PaletteAlias) -> str:
    palette = system.palettes.get(value.palette)
    if palette is None:
        return "a palette that is gone"
    if not isinstance(palette.make, Categorical):
        return f"{palette.name} at {value.along:.0%}"
    ids = [color.id for color in palette.make.colors]
    return (
        f"{palette.name} {ids.index(value.color) + 1}"
        if value.color in ids
        else "a color that is gone"
    )


def changes_in_words(value: DerivedColor) -> list[str]:
    """What a derived value changes, each as people say it: 7 darker, chroma times 0.5, 20 % opaque."""
    quantities = (
        ("L*", value.lightness, "lighter", "darker", 1.0, ""),
        ("chroma", value.chroma, "stronger", "weaker", 1.0, ""),
        ("hue", value.turn, "", "", 1.0, "°"),
        ("opacity", value.alpha, "more opaque", "less opaque", 100.0, " %"),
    )
    return [
        _change_in_words(name, change, more, less, scale, unit)
        for name, change, more, less, scale, unit in quantities
        if change.how != "kept"
    ]


def _change_in_words(
    name: str, change: QuantityChange, more: str, less: str, scale: float, unit: str
) -> str:
    if change.how == "times":
        return f"{name} times {change.by:g}"
    by = change.by * scale
    if change.how == "set":
        return f"{name} {by:g}{unit}"
    way = more if change.by > 0 else less
    return f"{abs(by):g}{unit} {way}" if way else f"{name} {by:+g}{unit}"


MOST_NAMED = 5


def listed(names: Sequence[str]) -> str:
    """Names in a sentence: mint, sea and sand; of many, the first five and how many more."""
    told = list(names[:MOST_NAMED])
    if len(names) > MOST_NAMED:
        told.append(f"{len(names) - MOST_NAMED} more")
    return " and ".join([", ".join(told[:-1]), told[-1]] if len(told) > 1 else told)


def counted(number: int, what: str) -> str:
    """A number of things: 1 token, 2 tokens."""
    return f"{number} {what}" + ("" if number == 1 else "s")
