"""Reading one color from a text: CSS Color 4, with or without `#`, HSB; print notations are refused."""

import math
import re
from typing import Annotated, Any, get_args

from coloraide.css import color_names as css_names
from coloraide.everything import ColorAll
from pydantic import BeforeValidator

from heimat.core.color.angles import around
from heimat.core.color.exact_color import (
    Color,
    Space,
    oklch_of,
)
from heimat.core.errors import DomainError

_SPACES: frozenset[str] = frozenset(get_args(Space))
LONGEST_TEXT = 120
EXAMPLE = "#0B6E6E, rgb(11 110 110) or hsb(180 90% 43%)"
_NUMBER = r"([+-]?(?:\d+\.?\d*|\.\d+))"
_HSB = re.compile(
    rf"^hs[bv]a?\s*\(?\s*{_NUMBER}(?:deg|°)?\s*[,\s]\s*{_NUMBER}\s*%?\s*[,\s]\s*{_NUMBER}\s*%?"
    rf"(?:\s*[,/]\s*{_NUMBER}\s*(%?))?\s*\)?$",
    re.I,
)
_BARE_HEX = re.compile(r"^(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$", re.I)
_FUNCTION = re.compile(r"^(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\(", re.I)
_NAMED = frozenset(css_names.name2val_map)
_INKS = r"[\s=:]{0,3}\d{1,3}\s?%?[\s,;/]{0,3}"
_BOOK = r"\b[a-z]{3,}\s+\d{2,5}\s?(?:c|u|cp|up|tcx|tpx)\b"
_PRINT = re.compile(
    rf"\bC{_INKS}M{_INKS}Y{_INKS}K[\s=:]{{0,3}}\d|\b(?:device-)?cmyk\b|{_BOOK}", re.I
)
"""Amounts of four inks, and numbers of a printed color book with the letters of its paper."""
_MATH = re.compile(r"\b(?:calc|min|max|clamp|var|env|attr|color-mix|light-dark)\(", re.I)
"""Functions of CSS whose values hang on more than their text."""
_UNIT_SPACES = frozenset({"srgb", "display-p3"})
_LIGHTEST = {"lab": 100.0, "lch": 100.0, "oklab": 1.0, "oklch": 1.0}
"""The lightness of white, beyond which CSS cuts it."""
_POLAR = frozenset({"lch", "oklch"})
STRONGEST_CHROMA = 0.6
"""OKLCH chroma that no visible color reaches: what is asked for ends here."""
_BRIGHTEST = 1.001
"""OKLab lightness of white, with room for its rounding."""


def parse(text: str) -> Color:
    """Read one color in any CSS Color 4 notation, with or without `#`, or as HSB or HSV.

    Numbers outside the range of rgb(), hsl() and the like are brought to the nearest allowed value, as CSS does; so are
    lightness and negative chroma.
    Raises DomainError (field `text`) with a sentence for what cannot be read; print notations are refused.
    """
    wanted = text.strip().rstrip(";").strip()
    if not wanted:
        raise DomainError(f"Type a color, for example {EXAMPLE}.", "text", "empty")
    if len(wanted) > LONGEST_TEXT:
        raise DomainError(
            f"That is too long for one color. For example: {EXAMPLE}.", "text", "unreadable"
        )
    if is_print(wanted):
        raise DomainError(
            "Print colors depend on paper, ink and profile, so they are not guessed. "
            f"Give the value for screens, for example {EXAMPLE}.",
            "text",
            "print",
        )
    if _MATH.search(wanted):
        raise DomainError(
            f"“{wanted[:60]}” is to be computed first. Give the numbers that come of it, "
            f"for example {EXAMPLE}.",
            "text",
            "computed",
        )
    color = _hsb(wanted) or _css_color(f"#{wanted}" if _BARE_HEX.match(wanted) else wanted)
    if color is None:
        raise DomainError(
            f"“{wanted}” is not a color Heimat can read. For example: {EXAMPLE}.",
            "text",
            "unreadable",
        )
    return reasonable(color, "text")


def is_print(text: str) -> bool:
    """Whether a text holds amounts of ink or a number of a printed book."""
    return _PRINT.search(text) is not None


def reasonable(color: Color, field: str) -> Color:
    """The color itself. Raises DomainError where it is stronger than any that can be seen, or brighter than white."""
    light, chroma, _ = oklch_of(color)
    if chroma > STRONGEST_CHROMA:
        words = f"That is stronger than any color there is: OKLCH chroma {chroma:.2f}, of at most {STRONGEST_CHROMA}."
        raise DomainError(f"{words} Give it less.", field, "strong")
    if light > _BRIGHTEST:
        raise DomainError("That is brighter than white. Give it less light.", field, "bright")
    return color


def _from_text(value: Any) -> Any:
    if not isinstance(value, str):
        return value
    try:
        return parse(value)
    except DomainError as refusal:
        raise DomainError(refusal.message, "color", refusal.code) from refusal


ColorInput = Annotated[Color, BeforeValidator(_from_text, json_schema_input_type=Color | str)]
"""A color in an edit: the object, or a text that `parse` reads."""


def _hsb(text: str) -> Color | None:
    match = _HSB.match(text)
    if match is None:
        return None
    hue, saturation, value = (float(number) for number in match.groups()[:3])
    share = (min(max(part, 0.0), 100.0) / 100.0 for part in (saturation, value))
    alpha = 1.0 if match[4] is None else float(match[4]) / (100.0 if match[5] else 1.0)
    return Color(space="hsv", components=(around(hue), *share), alpha=min(max(alpha, 0.0), 1.0))


def _css_color(text: str) -> Color | None:
    if text.startswith("#"):
        return _hex(text[1:]) if _BARE_HEX.match(text[1:]) else None
    if not _FUNCTION.match(text) and text.lower() not in _NAMED:
        return None
    try:
        css = ColorAll(text)
    except ValueError:
        return None
    space = css.space()
    numbers = [float(number) for number in css.coords(nans=False)]
    if space not in _SPACES or not all(math.isfinite(number) for number in numbers):
        return None
    if space in _LIGHTEST:
        numbers = _cut(numbers, space)
    if space in _UNIT_SPACES:
        numbers = [min(max(number, 0.0), 1.0) for number in numbers]
    elif space in {"hsl", "hwb", "hsv"}:
        numbers = [around(numbers[0]), *(min(max(number, 0.0), 1.0) for number in numbers[1:])]
    alpha = min(max(float(css.alpha(nans=False)), 0.0), 1.0)
    try:
        return Color.model_validate({"space": space, "components": numbers, "alpha": alpha})
    except ValueError:
        return None


def _cut(numbers: list[float], space: str) -> list[float]:
    """Lightness and chroma within their bounds. At the ends of lightness there is white and black alone, whatever else
    is asked for: CSS Color 4, 13.2, step 2 of its gamut mapping."""
    lightest = _LIGHTEST[space]
    light, first, second = numbers
    if light >= lightest or light <= 0.0:
        end = lightest if light >= lightest else 0.0
        return [end, 0.0, second if space in _POLAR else 0.0]
    return [light, max(first, 0.0) if space in _POLAR else first, second]


def _hex(digits: str) -> Color:
    """Hex digits, 3, 4, 6 or 8 of them, as CSS Color 4 reads them."""
    if len(digits) < 6:
        digits = "".join(digit * 2 for digit in digits)
    r, g, b, *alpha = (level / 255.0 for level in bytes.fromhex(digits))
    return Color(components=(r, g, b), alpha=alpha[0] if alpha else 1.0)
