"""From palettes to colors, in one theme.

In the first theme a category has its color as it was chosen. In all others it keeps it as far as the theme's ground
allows it; where that takes more contrast, it moves to the nearest color that has it, hue kept. What runs from little to
much begins nearest the ground of the theme.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from heimat.core.charts.diverging import Arms, class_places
from heimat.core.charts.ramp import Ramp, Way, lights, ramp
from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import ratio
from heimat.core.color.notation import rgb8_of
from heimat.core.color.passing import nearest_passing
from heimat.core.color.rounding import nearest_bytes
from heimat.core.document.order import in_order
from heimat.core.document.palettes import Categorical, Diverging, Palette, PaletteValue, Sequential
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import TokenAlias
from heimat.core.resolve.hues import ResolvedHue
from heimat.core.resolve.theme import ResolvedTheme
from heimat.core.resolve.token_colors import end_color

SAMPLES = 65
"""Colors by which a continuous palette is drawn; an odd number has one in the middle."""
_WHITE = np.array([255, 255, 255], dtype=np.uint8)
_DARK_GROUND = 50.0
"""L* of a ground below which palettes run from dark to light."""
_MIDDLES = (95.0, 20.0)
_ENDS = (35.0, 68.0)
_REMEMBERED = 512


@dataclass(frozen=True)
class ResolvedPalette:
    """A palette in a theme: the 8-bit colors (n, 3) of its categories, classes or samples, and its ground (3,).

    `moved` says which categories (n,) had to leave their color for the theme's ground. A ramp, or the arms, are what
    it was made by.
    """

    palette: Palette
    ground8: Bytes
    rgb8: Bytes
    moved: tuple[bool, ...] = ()
    ramp: Ramp | None = None
    arms: Arms | None = None


def resolve_palettes(
    system: ColorSystem, hues: Mapping[str, ResolvedHue], theme: ResolvedTheme | None
) -> list[ResolvedPalette]:
    """All palettes of a document in a theme, in order; on white where there is no theme."""
    first = next(iter(in_order(system.themes)), None)
    base = theme is None or first is None or theme.theme.id == first.id
    return [_resolved(hues, theme, palette, base=base) for palette in in_order(system.palettes)]


def _resolved(
    hues: Mapping[str, ResolvedHue], theme: ResolvedTheme | None, palette: Palette, *, base: bool
) -> ResolvedPalette:
    ground8 = theme.tokens[palette.ground].rgb8 if theme and palette.ground in theme.tokens else _WHITE
    dark = float(lights(ground8[None])[0]) < _DARK_GROUND
    make = palette.make
    if isinstance(make, Categorical):
        here = theme.theme.id if theme else ""
        own8 = np.array(
            [
                rgb8_of(each.shades[here]) if here in each.shades else value_rgb8(hues, theme, each.value)
                for each in make.colors
            ],
            dtype=np.uint8,
        )
        rgb8 = own8 if base else on_ground(own8, ground8, make.contrast)
        moved = tuple(bool(each) for each in (rgb8 != own8).any(axis=-1))
        return ResolvedPalette(palette, ground8, rgb8, moved)
    count = make.classes or SAMPLES
    if isinstance(make, Sequential):
        sources8 = np.array([value_rgb8(hues, theme, each) for each in make.sources], dtype=np.uint8)
        ends = (make.darkest, make.lightest) if dark else (make.lightest, make.darkest)
        made = _ramp(sources8.tobytes(), ends, count)
        rgb8 = made.rgb8[::-1] if make.reversed else made.rgb8
        return ResolvedPalette(palette, ground8, rgb8, ramp=made)
    arms = arms_of(hues, theme, make, dark=dark)
    rgb8 = _arm_colors(arms, count)
    return ResolvedPalette(palette, ground8, rgb8[::-1] if make.reversed else rgb8, arms=arms)


def design_of(
    hues: Mapping[str, ResolvedHue], theme: ResolvedTheme | None, palette: Palette, count: int
) -> Floats | None:
    """The colors (count, 3), sRGB 0 to 1, of a palette over numbers as it is designed; None of one by category."""
    make = palette.make
    if isinstance(make, Categorical):
        return None
    ground8 = theme.tokens[palette.ground].rgb8 if theme and palette.ground in theme.tokens else _WHITE
    dark = float(lights(ground8[None])[0]) < _DARK_GROUND
    if isinstance(make, Sequential):
        sources8 = np.array([value_rgb8(hues, theme, each) for each in make.sources], dtype=np.uint8)
        ends = (make.darkest, make.lightest) if dark else (make.lightest, make.darkest)
        found = _ramp(sources8.tobytes(), ends, count).srgb
    else:
        found = arms_of(hues, theme, make, dark=dark).at(class_places(count))
    return found[::-1] if make.reversed else found


def arms_of(hues: Mapping[str, ResolvedHue], theme: ResolvedTheme | None, make: Diverging, *, dark: bool) -> Arms:
    """The arms of a diverging palette on a light or on a dark ground."""
    low8, high8 = (value_rgb8(hues, theme, each) for each in (make.low, make.high))
    return Arms.between(low8, high8, _MIDDLES[dark], _ENDS[dark])


def value_rgb8(hues: Mapping[str, ResolvedHue], theme: ResolvedTheme | None, value: PaletteValue) -> Bytes:
    """The published color (3,) of a value in a theme."""
    if isinstance(value, TokenAlias):
        return theme.tokens[value.token].rgb8 if theme else _WHITE
    return end_color(hues, value).rgb8


def on_ground(own8: Bytes, ground8: Bytes, contrast: float) -> Bytes:
    """Colors (n, 3), those that lack contrast on a ground in the nearest color that has it, where there is one."""
    short = ratio(own8, ground8) < contrast
    if not short.any():
        return own8
    found = own8.copy()
    found[short] = _nearest(own8[short].tobytes(), ground8.tobytes(), contrast)
    return found


@lru_cache(_REMEMBERED)
def _nearest(levels: bytes, ground: bytes, contrast: float) -> Bytes:
    own8 = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    grounds = np.broadcast_to(np.frombuffer(ground, dtype=np.uint8), own8.shape)
    colors, away = nearest_passing(own8, grounds, np.full(len(own8), contrast))
    return np.where(np.isfinite(away)[:, None], colors, own8).astype(np.uint8)


@lru_cache(_REMEMBERED)
def _ramp(levels: bytes, ends: tuple[float, float], count: int) -> Ramp:
    return ramp(Way.through(np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3), ends), count)


@lru_cache(_REMEMBERED)
def _arm_colors(arms: Arms, count: int) -> Bytes:
    return nearest_bytes(arms.at(class_places(count)))
