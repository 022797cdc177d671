"""Plain, unique names for colors that came without one."""

import re
from collections.abc import Iterable

import numpy as np

from heimat.core.color.arrays import Bytes, floats
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.spaces import lightness
from heimat.core.color.terms import (
    DARK,
    LIGHT,
    PLAIN,
    TERMS,
    hue_terms,
    measured,
    shades,
    terms,
)
from heimat.core.errors import DomainError
from heimat.core.memory import remembered

_GRAYISH = 0.06
_SHADES = {DARK: "dark ", PLAIN: "", LIGHT: "light "}


def plain_name(color: Color) -> str:
    """A basic color term for a color, by hue alone: brown is an orange, olive a yellow."""
    light = lightness(relative_luminance(rgb8_of(color)))
    _, chroma, hue = map(floats, oklch_of(color))
    return TERMS[int(hue_terms(light, chroma, hue))]


def spoken_name(color: Color) -> str:
    """A name that can be said aloud of a color in a chart: a term with light, dark or grayish before it."""
    return spoken_names(rgb8_of(color)[None])[0]


def spoken_names(rgb8: Bytes) -> list[str]:
    """The names that can be said aloud of 8-bit colors (n, 3); those found lately are remembered."""
    return [_spoken(red, green, blue) for red, green, blue in rgb8.tolist()]


@remembered(4096)
def _spoken(red: int, green: int, blue: int) -> str:
    light, chroma, hue = measured(np.array([red, green, blue], dtype=np.uint8))
    term = TERMS[int(terms(light, chroma, hue))]
    if term in ("black", "white"):
        return term
    weak = chroma < _GRAYISH and term not in ("gray", "brown", "olive")
    return f"{_SHADES[int(shades(light, chroma))]}{'grayish ' if weak else ''}{term}"


def unique_name(wanted: str, taken: Iterable[str]) -> str:
    """The wanted name, with the smallest number behind it that no taken name has, where it is taken."""
    held = {name.casefold() for name in taken}
    if wanted.casefold() not in held:
        return wanted
    number = 2
    while f"{wanted} {number}".casefold() in held:
        number += 1
    return f"{wanted} {number}"


NO_LINE = re.compile(r"[\x00-\x1f\x7f-\x9f\u2028-\u202e\u2066-\u2069]")
"""Control characters, breaks, and signs that turn the direction of what follows."""


def one_line(text: str) -> str:
    """A text out of a file as one line, without control characters or signs that turn its direction."""
    return " ".join(NO_LINE.sub(" ", text).split())


def check_line(text: str, field: str) -> None:
    """Raise DomainError unless a name is one line that reads as it stands."""
    if NO_LINE.search(text):
        words = "A name is one line, without control characters or signs that turn its direction."
        raise DomainError(words, field, "control")
