"""From the colors that a palette stands on to its own, on a ground.

In the first theme a category has its color as it was chosen. In all others it keeps it as far as the theme's ground
allows it; where that takes more contrast, it moves to the nearest color that has it, hue kept. What runs from little to
much begins nearest the ground of the theme.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from heimat.core.charts.diverging import Arms, class_places
from heimat.core.charts.ramp import Ramp, Way, lights, ramp
from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.passing import nearest_passing
from heimat.core.color.rounding import nearest_bytes
from heimat.core.document.palettes import Categorical, Diverging, PaletteMethod, Sequential
from heimat.core.memory import remembered

SAMPLES = 65
"""Colors by which a continuous palette is drawn; an odd number has one in the middle."""
_DARK_GROUND = 50.0
"""L* of a ground below which palettes run from dark to light."""
_MIDDLES = (95.0, 20.0)
ENDS = (35.0, 68.0)
"""L* of the ends of what runs in two directions, on a light and on a dark ground."""
_REMEMBERED = 512


@dataclass(frozen=True)
class PaletteColors:
    """The 8-bit colors (n, 3) of a palette's categories, classes or samples.

    `moved` says which categories (n,) had to leave their color for the theme's ground. A ramp, or the arms, are what
    it was made by.
    """

    rgb8: Bytes
    moved: tuple[bool, ...] = ()
    ramp: Ramp | None = None
    arms: Arms | None = None


def palette_colors(
    make: PaletteMethod, values8: Bytes, ground8: Bytes, theme: str, *, base: bool
) -> PaletteColors:
    """The colors of a palette from those that it stands on (n, 3), in order, in a theme; `base` is the first one."""
    if isinstance(make, Categorical):
        return _categories(make, values8, ground8, theme, base=base)
    count = make.classes or SAMPLES
    if isinstance(make, Sequential):
        made = _ramp_of(make, values8, ground8, count)
        return PaletteColors(made.rgb8[::-1] if make.reversed else made.rgb8, ramp=made)
    arms = _arms_of(make, values8, ground8)
    rgb8 = _arm_colors(arms, count)
    if make.exact and count > 1:
        rgb8 = np.concatenate([values8[:1], rgb8[1:-1], values8[1:]])
    return PaletteColors(rgb8[::-1] if make.reversed else rgb8, arms=arms)


def designed_colors(
    make: Sequential | Diverging, values8: Bytes, ground8: Bytes, count: int
) -> Floats:
    """The colors (count, 3), sRGB 0 to 1, of a palette over numbers as it is designed, before it is rounded."""
    if isinstance(make, Sequential):
        found = _ramp_of(make, values8, ground8, count).srgb
    else:
        found = _arms_of(make, values8, ground8).at(class_places(count))
    return found[::-1] if make.reversed else found


def _categories(
    make: Categorical, values8: Bytes, ground8: Bytes, theme: str, *, base: bool
) -> PaletteColors:
    own8 = values8.copy()
    for place, color in enumerate(make.colors):
        if theme in color.shades:
            own8[place] = rgb8_of(color.shades[theme])
    rgb8 = own8 if base else on_ground(own8, ground8, make.contrast)
    return PaletteColors(rgb8, tuple(bool(each) for each in (rgb8 != own8).any(axis=-1)))


def is_dark(ground8: Bytes) -> bool:
    """Whether palettes run from dark to light on a ground (3,)."""
    return float(lights(ground8[None])[0]) < _DARK_GROUND


def _ramp_of(make: Sequential, values8: Bytes, ground8: Bytes, count: int) -> Ramp:
    made = values8.tobytes(), (make.lightest, make.darkest), make.places, count
    return _turned(*made) if is_dark(ground8) else _ramp(*made)


def _arms_of(make: Diverging, values8: Bytes, ground8: Bytes) -> Arms:
    dark = is_dark(ground8)
    low8, high8 = values8
    return (
        Arms.to(low8, high8, _MIDDLES[dark])
        if make.exact
        else Arms.between(low8, high8, _MIDDLES[dark], ENDS[dark])
    )


def on_ground(own8: Bytes, ground8: Bytes, contrast: float) -> Bytes:
    """Colors (n, 3), those that lack contrast on a ground in the nearest color that has it, where there is one."""
    short = ratio(own8, ground8) < contrast
    if not short.any():
        return own8
    found = own8.copy()
    found[short] = _nearest(own8[short].tobytes(), ground8.tobytes(), contrast)
    return found


@remembered(_REMEMBERED)
def _nearest(levels: bytes, ground: bytes, contrast: float) -> Bytes:
    own8 = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    grounds = np.broadcast_to(np.frombuffer(ground, dtype=np.uint8), own8.shape)
    colors, away = nearest_passing(own8, grounds, np.full(len(own8), contrast))
    return np.where(np.isfinite(away)[:, None], colors, own8).astype(np.uint8)


@remembered(_REMEMBERED)
def _ramp(
    levels: bytes, ends: tuple[float, float], places: Sequence[float | None], count: int
) -> Ramp:
    return ramp(
        Way.through(np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3), ends, places), count
    )


@remembered(_REMEMBERED)
def _turned(
    levels: bytes, ends: tuple[float, float], places: Sequence[float | None], count: int
) -> Ramp:
    """What runs from dark to light is what runs from light to dark, turned: it is found once for both."""
    return _ramp(levels, ends, places, count).turned()


@remembered(_REMEMBERED)
def _arm_colors(arms: Arms, count: int) -> Bytes:
    return nearest_bytes(arms.at(class_places(count)))
