"""Values in sheets: a color as it is written, or the name of another token."""

import re

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.errors import DomainError
from heimat.core.importing.sheet import Named, SheetValue

_VAR = re.compile(r"\s*var\(\s*--([\w-]{1,120})\s*(?:,.*)?\)\s*", re.S)
_VARIABLE = re.compile(r"\s*[$@]([A-Za-z_][\w-]{0,119})\s*")


def color_of(text: str) -> Color | None:
    """The color that a text is, if it is one."""
    try:
        return parse(text.strip()) if len(text) <= 200 else None
    except DomainError:
        return None


def css_value(text: str) -> SheetValue | None:
    """What a custom property or a variable is: a color, or another one's name."""
    match = _VAR.fullmatch(text) or _VARIABLE.fullmatch(text)
    return Named(match[1]) if match else color_of(text)
