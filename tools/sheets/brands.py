"""60 brand colors: around the circle at four strengths, and those that are hard."""

from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.solved import solved

_AROUND = (
    (50, 0.16, range(0, 360, 18)),
    (60, 0.10, range(9, 360, 36)),
    (38, 0.12, range(0, 360, 45)),
    (72, 0.13, range(20, 360, 60)),
)
"""L*, OKLCH chroma and hues."""
_HARD = (
    *("#F5E10A", "#39FF14", "#00FFFF", "#FF00FF", "#FF0000", "#0000FF"),
    *("#0A0F14", "#1B1033", "#F4F1EA", "#777777", "#BFC4C8"),
    *("#DF5A33", "#0B6E6E", "#4B2E1E", "#2F3B2A", "#7A1F2B"),
)
"""Lemon, neon and primaries; nearly black, nearly white, gray; orange, teal, brown, dark green, wine."""


def brands() -> list[str]:
    """The colors as hex."""
    around = [
        hex_of(rgb8_of(solved(light, chroma, float(angle))))
        for light, chroma, angles in _AROUND
        for angle in angles
    ]
    return [*around, *_HARD]
