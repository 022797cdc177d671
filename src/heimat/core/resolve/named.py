"""Colors and values by the names that people call them: a step, a hue, a token."""

import re
from difflib import get_close_matches

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.color.spelling import plainly_spelled
from heimat.core.document.order import in_order
from heimat.core.document.palettes import Categorical
from heimat.core.document.tokens import (
    HueAlias,
    LiteralColor,
    PaletteAlias,
    StepAlias,
    TokenAlias,
    TokenValue,
)
from heimat.core.errors import DomainError
from heimat.core.resolve.resolved import Resolved

_LIKE_A_NAME = re.compile(r"[^\W\d][\w .\-–]{0,79}\Z")
"""What may be meant as a name: no longer than names are."""


def alias_named(resolved: Resolved, text: str) -> StepAlias | HueAlias | TokenAlias | None:
    """The hue, step (`hue label`) or token that is called so, however it is spelled; None for no name."""
    wanted = plainly_spelled(text.strip())
    for hue in resolved.hue_list:
        name = plainly_spelled(hue.name)
        if wanted == name:
            return HueAlias(hue=hue.id)
        for step in hue.steps:
            if wanted == f"{name} {plainly_spelled(step.label)}":
                return StepAlias(hue=hue.id, step=step.id)
    named = (
        token for token in resolved.system.tokens.values() if plainly_spelled(token.name) == wanted
    )
    token = next(named, None)
    return TokenAlias(token=token.id) if token else None


def color_named(resolved: Resolved, text: str) -> Color | None:
    """The color that is called so, a hue's as it is kept, a token's in the theme that comes first; None for no name."""
    alias = alias_named(resolved, text)
    if alias is None:
        return None
    if isinstance(alias, TokenAlias):
        theme = resolved.theme()
        color = theme.tokens.get(alias.token) if theme else None
        return (
            Color.of_bytes(color.rgb8).model_copy(update={"alpha": color.alpha}) if color else None
        )
    hue = resolved.hues[alias.hue]
    if isinstance(alias, HueAlias):
        return hue.color
    return Color.of_bytes(hue.rgb8[hue.place(alias.step) or 0])


def color_called(resolved: Resolved | None, text: str, field: str) -> Color:
    """The color of a name in a system, or of a value in any notation. Raises DomainError, with the field."""
    named = color_named(resolved, text) if resolved else None
    if named is not None:
        return named
    return _parsed(resolved, text, field)


def value_named(resolved: Resolved, text: str) -> TokenValue:
    """What a token shall be by what was typed: a name, or a color in any notation. Raises DomainError for neither."""
    named = alias_named(resolved, text) or _palette_named(resolved, text)
    return named or LiteralColor(color=_parsed(resolved, text, "text"))


def _parsed(resolved: Resolved | None, text: str, field: str) -> Color:
    """The color of a value. Raises DomainError, with the field; where it reads like a name, as of one nobody knows."""
    try:
        return parse(text)
    except DomainError as refusal:
        if resolved is None or refusal.code != "unreadable" or not _LIKE_A_NAME.match(text.strip()):
            raise DomainError(refusal.message, field, refusal.code) from refusal
        raise DomainError(_unknown(resolved, text.strip()), field, "unknown") from refusal


def _unknown(resolved: Resolved, text: str) -> str:
    names = [token.name for token in resolved.system.tokens.values()]
    for hue in resolved.hue_list:
        names += [hue.name, *(f"{hue.name} {step.label}" for step in hue.steps)]
    near = get_close_matches(text, names, n=1)
    meant = f" Did you mean {near[0]}?" if near else ""
    return f"Nothing here is called “{text}”, and it is no color.{meant}"


def _palette_named(resolved: Resolved, text: str) -> PaletteAlias | None:
    """The color of a palette by its name and number, counted from 1, or by what it stands for."""
    wanted = plainly_spelled(text.strip())
    for palette in in_order(resolved.system.palettes):
        name = plainly_spelled(palette.name)
        if isinstance(palette.make, Categorical):
            for number, color in enumerate(palette.make.colors, start=1):
                words = [f"{name} {number}", f"{name} {plainly_spelled(color.category)}"]
                if wanted in words[: 2 if color.category else 1]:
                    return PaletteAlias(palette=palette.id, color=color.id)
        elif palette.make.classes is not None and wanted.startswith(f"{name} "):
            classes, last = palette.make.classes, wanted[len(name) + 1 :]
            if last.isdecimal() and 1 <= int(last) <= classes:
                return PaletteAlias(palette=palette.id, along=(int(last) - 1) / (classes - 1))
    return None
