"""One exact color, in the space in which it was given; and what it is in sRGB, in 8 bits, in OKLCH."""

from collections.abc import Sequence
from typing import Annotated, Literal, Self

import numpy as np
from coloraide.everything import ColorAll
from pydantic import BaseModel, ConfigDict, Field, model_validator

from heimat.core.color.arrays import Bytes, Floats, floats, to_bytes
from heimat.core.color.contrast import WEIGHTS, relative_luminance
from heimat.core.color.gamut import solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import hsv_to_srgb, lightness, srgb_to_linear, srgb_to_oklch
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
        """The opaque sRGB color of three 8-bit levels, (3,)."""
        r, g, b = (int(level) / 255.0 for level in rgb8)
        return cls(components=(r, g, b))


def css_of(color: Color) -> ColorAll:
    """The color as the general library has it, by which single colors are converted."""
    return ColorAll(color.space, list(color.components), color.alpha)


@remembered(4096)
def _srgb(color: Color) -> tuple[float, float, float]:
    if color.space == "srgb":
        return color.components
    if color.space == "hsv":
        r, g, b = hsv_to_srgb(color.components)
        return float(r), float(g), float(b)
    r, g, b = css_of(color).convert("srgb").coords(nans=False)
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
