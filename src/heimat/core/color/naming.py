"""Plain, unique names for colors that came without one."""

import re
from collections.abc import Iterable

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.spaces import lightness
from heimat.core.color.thresholds import KEEPS_HUE
from heimat.core.errors import DomainError
from heimat.core.memory import remembered

_BLACK_BELOW, _WHITE_ABOVE = 8.0, 97.0
_TERMS: list[tuple[float, str]] = [
    (10.0, "pink"),
    (38.0, "red"),
    (72.0, "orange"),
    (112.0, "yellow"),
    (158.0, "green"),
    (206.0, "teal"),
    (270.0, "blue"),
    (332.0, "violet"),
    (360.0, "pink"),
]
"""Basic color terms by the OKLCH hue in degrees at which each ends."""


def plain_name(color: Color) -> str:
    """A basic color term for a color: black, white, gray, red, orange, yellow, green, teal, blue, violet, pink."""
    light = float(lightness(relative_luminance(rgb8_of(color))))
    _, chroma, hue = oklch_of(color)
    if chroma < KEEPS_HUE:
        return "black" if light < _BLACK_BELOW else "white" if light > _WHITE_ABOVE else "gray"
    return next(term for end, term in _TERMS if hue <= end)


_PALE, _DEEP, _GRAYISH = 72.0, 30.0, 0.06
_BROWN = (38.0, 85.0, 50.0)
_OLIVE = (85.0, 128.0, 55.0)


def spoken_name(color: Color) -> str:
    """A name that can be said aloud of a color in a chart: a term with light, dark or grayish before it; brown, olive.

    The terms are those of `plain_name`; brown is a dark orange, olive a dark yellow, by OKLCH hue and L*.
    """
    light = float(lightness(relative_luminance(rgb8_of(color))))
    _, chroma, hue = oklch_of(color)
    term = plain_name(color)
    if term in ("black", "white"):
        return term
    if chroma >= _GRAYISH / 2:
        for (low, high, below), name in ((_BROWN, "brown"), (_OLIVE, "olive")):
            if low < hue <= high and light < below:
                return name if light >= _DEEP else f"dark {name}"
    shade = "dark " if light < _DEEP else "light " if light > _PALE else ""
    return f"{shade}{'grayish ' if term != 'gray' and chroma < _GRAYISH else ''}{term}"


def spoken_names(rgb8: Bytes) -> list[str]:
    """The names that can be said aloud of 8-bit colors (n, 3); those found lately are remembered."""
    return [_spoken(red, green, blue) for red, green, blue in rgb8.tolist()]


@remembered(4096)
def _spoken(red: int, green: int, blue: int) -> str:
    return spoken_name(Color.of_bytes((red, green, blue)))


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
