"""Reading and writing one color as people and files write it.

CSS Color 4 is read and converted by the general library `coloraide`, one color at a time; HSB and HSV as designers
type them, and hex without its sign, are ours.
"""

import math
import re
from collections.abc import Sequence
from typing import Annotated, Any, Literal, Self, get_args

import numpy as np
from coloraide.css import color_names as css_names
from coloraide.everything import ColorAll
from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, model_validator

from heimat.core.color.angles import around
from heimat.core.color.arrays import Bytes, Floats, floats, to_bytes
from heimat.core.color.contrast import WEIGHTS, relative_luminance
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import hsv_to_srgb, lightness, srgb_to_linear, srgb_to_oklch
from heimat.core.errors import DomainError
from heimat.core.memory import remembered

Space = Literal[
    "srgb",
    "hsl",
    "hwb",
    "hsv",
    "lab",
    "lch",
    "oklab",
    "oklch",
    "display-p3",
    "srgb-linear",
    "a98-rgb",
    "prophoto-rgb",
    "rec2020",
    "xyz-d50",
    "xyz-d65",
]
_HALF_A_LEVEL = 0.5 / 255.0
_SPACES: frozenset[str] = frozenset(get_args(Space))
Notation = Literal["hex", "rgb", "hsl", "hwb", "hsb", "lab", "lch", "oklab", "oklch", "display-p3", "name"]
NOTATIONS: tuple[Notation, ...] = get_args(Notation)

LONGEST_TEXT = 120
EXAMPLE = "#0B6E6E, rgb(11 110 110) or hsb(180 90% 43%)"

Finite = Annotated[float, Field(allow_inf_nan=False, ge=-1e4, le=1e4)]


class Color(BaseModel):
    """One exact color: its space, three components as CSS Color 4 defines them, and alpha 0 to 1.

    sRGB and display-p3 components run from 0 to 1; saturation, lightness, whiteness and value of HSL, HWB and HSV
    from 0 to 1; L of lab() and lch() from 0 to 100 (D50), of OKLab and OKLCH from 0 to 1; hues in degrees.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    space: Space = "srgb"
    components: tuple[Finite, Finite, Finite]
    alpha: Annotated[float, Field(ge=0.0, le=1.0)] = 1.0

    @model_validator(mode="after")
    def _convertible(self) -> Self:
        if not np.isfinite(srgb_of(self)).all():
            raise ValueError("a color whose sRGB value cannot be computed")
        return self

    @classmethod
    def of_bytes(cls, rgb8: Bytes | tuple[int, int, int]) -> "Color":
        """The opaque sRGB color of three 8-bit levels."""
        r, g, b = (int(level) / 255.0 for level in rgb8)
        return cls(components=(r, g, b))


def _css(color: Color) -> ColorAll:
    return ColorAll(color.space, list(color.components), color.alpha)


@remembered(4096)
def _srgb(color: Color) -> tuple[float, float, float]:
    if color.space == "srgb":
        return color.components
    if color.space == "hsv":
        r, g, b = hsv_to_srgb(color.components)
        return float(r), float(g), float(b)
    r, g, b = _css(color).convert("srgb").coords(nans=False)
    return float(r), float(g), float(b)


def srgb_of(color: Color) -> Floats:
    """The gamma-encoded sRGB value, shape (3,), unclipped: outside 0 to 1 where sRGB does not hold the color."""
    return floats(_srgb(color))


def beyond_srgb(color: Color) -> bool:
    """Whether sRGB does not hold a color.

    Decimals cut in writing may leave a color of the gamut's edge a hair outside: it is still the same 8-bit value.
    """
    srgb = srgb_of(color)
    return bool(np.abs(srgb - np.clip(srgb, 0.0, 1.0)).max() > _HALF_A_LEVEL)


@remembered(4096)
def _rgb8(color: Color) -> tuple[int, int, int]:
    srgb = srgb_of(color)
    if beyond_srgb(color):
        _, chroma, hue = srgb_to_oklch(srgb)
        srgb = nearest_bytes(solve(srgb_to_linear(srgb) @ WEIGHTS, chroma, hue)) / 255.0
    r, g, b = to_bytes(srgb)
    return int(r), int(g), int(b)


def rgb8_of(color: Color) -> Bytes:
    """The 8-bit sRGB value, shape (3,), that is published for a color: exact for every hex value.

    A color that sRGB does not hold keeps its hue and luminance and gives up chroma.
    """
    return np.array(_rgb8(color), dtype=np.uint8)


def as_bytes(colors: Sequence[Color]) -> Bytes:
    """8-bit values of colors, (n, 3)."""
    return np.array([rgb8_of(color) for color in colors], dtype=np.uint8).reshape(-1, 3)


@remembered(4096)
def _oklch(color: Color) -> tuple[float, float, float]:
    light, chroma, hue = srgb_to_oklch(srgb_of(color)).tolist()
    return light, chroma, hue


def oklch_of(color: Color) -> Floats:
    """Exact OKLCH, shape (3,), hue in degrees."""
    return floats(_oklch(color))


@remembered(4096)
def lightness_of(color: Color) -> float:
    """The L* of a color as published."""
    return float(lightness(relative_luminance(rgb8_of(color))))


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
_PRINT = re.compile(rf"\bC{_INKS}M{_INKS}Y{_INKS}K[\s=:]{{0,3}}\d|\b(?:device-)?cmyk\b|{_BOOK}", re.I)
"""Amounts of four inks, and numbers of a printed color book with the letters of its paper."""
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
        raise DomainError(f"That is too long for one color. For example: {EXAMPLE}.", "text", "unreadable")
    if is_print(wanted):
        raise DomainError(
            "Print colors depend on paper, ink and profile, so they are not guessed. "
            f"Give the value for screens, for example {EXAMPLE}.",
            "text",
            "print",
        )
    color = _hsb(wanted) or _css_color(f"#{wanted}" if _BARE_HEX.match(wanted) else wanted)
    if color is None:
        raise DomainError(f"“{wanted}” is not a color Heimat can read. For example: {EXAMPLE}.", "text", "unreadable")
    return reasonable(color, "text")


def is_print(text: str) -> bool:
    """Whether a text holds amounts of ink or a number of a printed book."""
    return _PRINT.search(text) is not None


def reasonable(color: Color, field: str) -> Color:
    """The color itself. Raises DomainError where it is stronger than any that can be seen, or brighter than white."""
    light, chroma, _ = _oklch(color)
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
        numbers[0] = min(max(numbers[0], 0.0), _LIGHTEST[space])
        numbers[1] = max(numbers[1], 0.0) if space in _POLAR else numbers[1]
    if space in _UNIT_SPACES:
        numbers = [min(max(number, 0.0), 1.0) for number in numbers]
    elif space in {"hsl", "hwb", "hsv"}:
        numbers = [around(numbers[0]), *(min(max(number, 0.0), 1.0) for number in numbers[1:])]
    alpha = min(max(float(css.alpha(nans=False)), 0.0), 1.0)
    try:
        return Color.model_validate({"space": space, "components": numbers, "alpha": alpha})
    except ValueError:
        return None


def _hex(digits: str) -> Color:
    """Hex digits, 3, 4, 6 or 8 of them, as CSS Color 4 reads them."""
    if len(digits) < 6:
        digits = "".join(digit * 2 for digit in digits)
    r, g, b, *alpha = (level / 255.0 for level in bytes.fromhex(digits))
    return Color(components=(r, g, b), alpha=alpha[0] if alpha else 1.0)


def _trim(value: float, places: int) -> str:
    text = f"{value:.{places}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


def hex_of(rgb8: Bytes) -> str:
    """`#RRGGBB`, upper case, of one 8-bit color, shape (3,)."""
    return "#" + bytes(np.asarray(rgb8, dtype=np.uint8)).hex().upper()


def bytes_of(text: str) -> Bytes:
    """The 8-bit color, shape (3,), that `hex_of` wrote."""
    return np.frombuffer(bytes.fromhex(text[1:]), dtype=np.uint8)


def hexes_of(rgb8: Bytes) -> list[str]:
    """`#RRGGBB` of each of n 8-bit colors, shape (n, 3)."""
    digits = np.ascontiguousarray(rgb8, dtype=np.uint8).tobytes().hex().upper()
    return ["#" + digits[at : at + 6] for at in range(0, len(digits), 6)]


_PLACES: dict[str, tuple[int, int, int]] = {
    "hsl": (2, 2, 2),
    "hwb": (2, 2, 2),
    "hsb": (2, 2, 2),
    "lab": (4, 4, 4),
    "lch": (4, 4, 4),
    "oklab": (5, 5, 5),
    "oklch": (5, 5, 3),
    "display-p3": (5, 5, 5),
}
"""Decimals that bring every 8-bit color back to itself when it is read again."""
_IN_PERCENT = frozenset({"hsl", "hwb", "hsb"})


@remembered(4096)
def format(color: Color, notation: Notation) -> str:
    """Write a color in a notation, with as many decimals as bring its 8-bit value back.

    hex, rgb, hsl, hwb and hsb write the 8-bit sRGB value; the others the exact color. `name` gives the CSS name, or
    an empty text where there is none. Raises ValueError for another notation.
    """
    if notation not in NOTATIONS:
        raise ValueError(f"notation is one of {', '.join(NOTATIONS)}, not {notation}")
    rgb8 = rgb8_of(color)
    if notation == "hex":
        return hex_of(rgb8) + ("" if color.alpha == 1.0 else f"{round(color.alpha * 255):02X}")
    if notation == "name":
        return _name(rgb8) if color.alpha == 1.0 else ""
    tail = "" if color.alpha == 1.0 else f" / {_trim(color.alpha, 4)}"
    if notation == "rgb":
        return f"rgb({rgb8[0]} {rgb8[1]} {rgb8[2]}{tail})"
    numbers = _components(color, rgb8, notation)
    if notation in _IN_PERCENT:
        numbers = [numbers[0], numbers[1] * 100.0, numbers[2] * 100.0]
    parts = [_trim(number, places) for number, places in zip(numbers, _PLACES[notation], strict=True)]
    if notation in _IN_PERCENT:
        parts[1:] = [part + "%" for part in parts[1:]]
    inner = " ".join(parts) + tail
    return f"color(display-p3 {inner})" if notation == "display-p3" else f"{notation}({inner})"


def _components(color: Color, rgb8: Bytes, notation: str) -> list[float]:
    space = "hsv" if notation == "hsb" else notation
    exact = color if notation not in _IN_PERCENT else Color.of_bytes(rgb8)
    css = _css(exact).convert(space)
    return [float(number) for number in css.coords(nans=False)]


def _name(rgb8: Bytes) -> str:
    text = _css(Color.of_bytes(rgb8)).to_string(names=True)
    return "" if text.startswith(("#", "rgb")) else str(text)
