"""Writing colors in the notations that people use, with as many decimals as bring the 8-bit value back."""

from typing import Literal, get_args

from heimat.core.color.arrays import Bytes
from heimat.core.color.exact_color import Color, css_of, rgb8_of
from heimat.core.color.hex_notation import hex_of, hex_with_alpha
from heimat.core.memory import remembered

Notation = Literal[
    "hex", "rgb", "hsl", "hwb", "hsb", "lab", "lch", "oklab", "oklch", "display-p3", "name"
]
NOTATIONS: tuple[Notation, ...] = get_args(Notation)


def _trim(value: float, places: int) -> str:
    text = f"{value:.{places}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


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
        return hex_with_alpha(hex_of(rgb8), color.alpha)
    if notation == "name":
        return _name(rgb8) if color.alpha == 1.0 else ""
    tail = "" if color.alpha == 1.0 else f" / {_trim(color.alpha, 4)}"
    if notation == "rgb":
        return f"rgb({rgb8[0]} {rgb8[1]} {rgb8[2]}{tail})"
    numbers = _components(color, rgb8, notation)
    if notation in _IN_PERCENT:
        numbers = [numbers[0], numbers[1] * 100.0, numbers[2] * 100.0]
    parts = [
        _trim(number, places) for number, places in zip(numbers, _PLACES[notation], strict=True)
    ]
    if notation in _IN_PERCENT:
        parts[1:] = [part + "%" for part in parts[1:]]
    inner = " ".join(parts) + tail
    return f"color(display-p3 {inner})" if notation == "display-p3" else f"{notation}({inner})"


def _components(color: Color, rgb8: Bytes, notation: str) -> list[float]:
    space = "hsv" if notation == "hsb" else notation
    exact = color if notation not in _IN_PERCENT else Color.of_bytes(rgb8)
    css = css_of(exact).convert(space)
    return [float(number) for number in css.coords(nans=False)]


def _name(rgb8: Bytes) -> str:
    text = css_of(Color.of_bytes(rgb8)).to_string(names=True)
    return "" if text.startswith(("#", "rgb")) else str(text)
