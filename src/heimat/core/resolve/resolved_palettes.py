"""From palettes to colors, in one theme."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from heimat.core.charts.diverging import Arms
from heimat.core.charts.ramp import Ramp
from heimat.core.color.arrays import Bytes, Floats
from heimat.core.document.palettes import (
    OTHER_ROLES,
    Categorical,
    OtherRole,
    Palette,
    PaletteValue,
    values_of,
)
from heimat.core.document.tokens import PaletteAlias, Token, TokenAlias
from heimat.core.resolve.end_colors import end_rgb8
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.values.palette_colors import designed_colors, palette_colors

WHITE = np.array([255, 255, 255], dtype=np.uint8)
DISCRETE = 9
"""Colors that a continuous palette has where it is used by classes after all."""


@dataclass(frozen=True)
class ResolvedPalette:
    """A palette in a theme: the 8-bit colors (n, 3) of its categories, classes or samples, and its ground (3,).

    `values8` (n, 3) are what it stands on, `moved` says which categories (n,) had to leave their color for the theme's
    ground. A ramp, or the arms, are what it was made by. `others` are its colors (3,) for what has none of them.
    """

    palette: Palette
    ground8: Bytes
    values8: Bytes
    rgb8: Bytes
    moved: tuple[bool, ...]
    ramp: Ramp | None
    arms: Arms | None
    others: Mapping[OtherRole, Bytes]


@dataclass(frozen=True)
class ThemeContext:
    """What palettes stand on in a theme: hues, the published colors (3,) of tokens, the tokens of other roles.

    `base` says that the theme is the first, or that there is none.
    """

    hues: Mapping[str, ResolvedHue]
    tokens: Mapping[str, Bytes]
    roles: Mapping[OtherRole, str]
    theme: str = ""
    base: bool = True

    def rgb8(self, value: PaletteValue) -> Bytes:
        """The published color (3,) of a value."""
        if isinstance(value, TokenAlias):
            return self.tokens.get(value.token, WHITE)
        return end_rgb8(self.hues, value)

    def ground8(self, ground: str | None) -> Bytes:
        """The color (3,) of a ground; white where there is none."""
        return self.tokens.get(ground or "", WHITE)


def roles_of(tokens: Mapping[str, Token]) -> dict[OtherRole, str]:
    """The ids of the tokens whose purposes are what palettes leave without a color."""
    found: dict[OtherRole, str] = {}
    for token in tokens.values():
        for role in OTHER_ROLES:
            if token.purpose == f"chart.{role}" and not token.place:
                found.setdefault(role, token.id)
    return found


def resolve_palette(
    palette: Palette, around: ThemeContext, known: ResolvedPalette | None = None
) -> ResolvedPalette:
    """The colors of a palette in a theme; where they are known, what is beside them is found."""
    if known is not None:
        return replace(known, others=_others(palette, around))
    ground8, make = around.ground8(palette.ground), palette.make
    values8 = np.array([around.rgb8(each) for each in values_of(make)], dtype=np.uint8)
    made = palette_colors(make, values8, ground8, around.theme, base=around.base)
    return ResolvedPalette(
        palette,
        ground8,
        values8,
        made.rgb8,
        made.moved,
        made.ramp,
        made.arms,
        _others(palette, around),
    )


def _others(palette: Palette, around: ThemeContext) -> dict[OtherRole, Bytes]:
    """The colors beside those of a palette: its own, else those of the tokens of these purposes."""
    found: dict[OtherRole, Bytes] = {}
    for role in OTHER_ROLES:
        own = palette.others.get(role)
        # What is left over is quiet where nothing else is said.
        token = around.roles.get(role) or (around.roles.get("muted") if role == "other" else None)
        if own is not None:
            found[role] = around.rgb8(own)
        elif token is not None and token in around.tokens:
            found[role] = around.tokens[token]
    return found


def design_of(shown: ResolvedPalette, count: int) -> Floats | None:
    """The colors (count, 3), sRGB 0 to 1, of a palette over numbers as it is designed; None of one by category."""
    make = shown.palette.make
    return (
        None
        if isinstance(make, Categorical)
        else designed_colors(make, shown.values8, shown.ground8, count)
    )


def class_colors(shown: ResolvedPalette) -> Bytes:
    """The colors (n, 3) of a palette where it is used by classes, as it is or after all."""
    make = shown.palette.make
    if isinstance(make, Categorical) or make.classes is not None:
        return shown.rgb8
    return shown.rgb8[:: (len(shown.rgb8) - 1) // (DISCRETE - 1)]


def color_of(shown: ResolvedPalette, alias: PaletteAlias) -> Bytes:
    """The color (3,) that a token takes of a palette: a category's, or the nearest one to its place along it.

    Raises ValueError for a category that the palette does not have, which no sound document asks for.
    """
    make = shown.palette.make
    if isinstance(make, Categorical):
        return shown.rgb8[[color.id for color in make.colors].index(alias.color or "")]
    return shown.rgb8[round(alias.along * (len(shown.rgb8) - 1))]
