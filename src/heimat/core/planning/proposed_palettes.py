"""Palettes proposed from a system: generated like its brand, and fitted to the grounds of all its themes."""

from contextlib import suppress
from dataclasses import dataclass, replace

import numpy as np

from heimat.core.charts.apart import SERIES_APART
from heimat.core.charts.bounds import GRAPHIC, KeptHues
from heimat.core.charts.categorical import FoundColors, Wish, for_ground
from heimat.core.charts.character import Character, generate_like, spreads
from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.document.ids import new_id
from heimat.core.document.palettes import Categorical, PaletteColor
from heimat.core.document.tokens import LiteralColor
from heimat.core.errors import DomainError
from heimat.core.legibility.findings.palettes.statuses import statuses_in
from heimat.core.resolve.resolved import Resolved
from heimat.core.values.palette_colors import on_ground

REACHES = (0.0, 0.25, 0.5, 0.75, 1.0)
"""From like the brand to as far apart as can be; each is tried, so that its price is known before it is chosen."""
_WEAKER, _STRONGER = 0.7, 1.15
"""How much weaker than its weakest and stronger than its strongest color a palette may get on another ground."""

_PALER = 0.04
"""OKLCH chroma by which it may be weaker there than the system's own colors let it be."""


@dataclass(frozen=True)
class PaletteWish:
    """What is asked for: how many colors, which stay as they are, how far from the brand, and on which ground."""

    count: int
    kept: tuple[PaletteColor, ...] = ()
    ground: str | None = None
    reach: float = 0.0
    contrast: float = GRAPHIC
    seed: int = 1


def character_of(resolved: Resolved) -> Character:
    """What the system's own colors are like: its brand and accent hues, or all but status, or all."""
    for kinds in (("brand", "accent"), ("brand", "accent", "neutral"), ("status",)):
        found = [hue.scale.source8 for hue in resolved.hue_list if hue.hue.kind in kinds]
        if found:
            return Character.of(np.array(found, dtype=np.uint8))
    return Character.of(np.empty((0, 3), dtype=np.uint8))


def wish_of(resolved: Resolved, asked: PaletteWish) -> Wish:
    """The search that a wish asks for, in the first theme."""
    around = resolved.around()
    held8 = [around.rgb8(each.value) for each in asked.kept]
    bounds = character_of(resolved).bounds(
        _levels(around.ground8(asked.ground)),
        asked.contrast,
        asked.reach,
        _statuses(resolved, next(iter(resolved.themes), "")),
    )
    return Wish(asked.count, bounds, tuple(map(_levels, held8)), asked.seed, spreads(asked.reach))


def found_within(resolved: Resolved, asked: PaletteWish) -> FoundColors:
    """The colors of a wish, or those of a position nearer to the brand where these are farther apart: they fit too."""
    character = character_of(resolved)
    best = generate_like(character, wish_of(resolved, asked), asked.reach)
    for reach in (each for each in REACHES if each < asked.reach):
        # A position nearer to the brand may leave no colors at all, where this one does.
        with suppress(DomainError):
            wish = wish_of(resolved, replace(asked, reach=reach))
            best = max(best, generate_like(character, wish, reach), key=lambda each: each.apart)
    return best


def generated(resolved: Resolved, asked: PaletteWish) -> tuple[Categorical, FoundColors]:
    """A categorical palette, fitted to the ground of every theme, and what the search found in the first.

    Its threshold is the lesser of 15 and what was reached. Raises DomainError as the search does.
    """
    made = found_within(resolved, asked)
    colors = [
        *asked.kept,
        *(
            PaletteColor(id=new_id(), value=LiteralColor(color=Color.of_bytes(rgb8)))
            for rgb8 in made.rgb8[len(asked.kept) :]
        ),
    ]
    make = Categorical(colors=tuple(colors), contrast=asked.contrast, reach=asked.reach)
    fitted, reached = fit(resolved, make, asked.ground, made, len(asked.kept))
    threshold = int(min(SERIES_APART, made.apart, reached) * 10.0) / 10.0
    return fitted.model_copy(update={"threshold": threshold}), made


def fit(
    resolved: Resolved, make: Categorical, ground: str | None, found: FoundColors, kept: int
) -> tuple[Categorical, float]:
    """The palette of the colors found (n, 3) with shades for themes whose grounds ask for them; the least distance.

    The first `kept` keep the shades that they have, or move no farther than contrast asks for: what is held is the
    same in every palette.
    """
    least = float("inf")
    character, reach = character_of(resolved), make.reach or 0.0
    colors, rgb8 = list(make.colors), found.rgb8
    lch = srgb_to_oklch(from_bytes(rgb8))
    hues = tuple(float(hue) for hue in lch[:, 2])
    strong = (_WEAKER * float(lch[:, 1].min()), _STRONGER * float(lch[:, 1].max()))
    for theme in list(resolved.themes)[1:]:
        under = resolved.around(theme).ground8(ground)
        there = character.bounds(_levels(under), make.contrast, reach, _statuses(resolved, theme))
        weakest = max(strong[0], there.chroma[0] - _PALER)
        bounds = KeptHues(
            there.ground,
            there.contrast,
            there.lightness,
            (weakest, strong[1]),
            there.olive,
            there.taken,
            hues=hues,
        )
        begun = rgb8.copy()
        begun[:kept] = on_ground(rgb8[:kept], under, make.contrast)
        for place, color in enumerate(colors[:kept]):
            if theme in color.shades:
                begun[place] = rgb8_of(color.shades[theme])
        if bool(bounds.holds(begun).all()) and (begun == rgb8).all():
            continue
        made = for_ground(begun, bounds, kept, found.families)
        least = min(least, made.apart)
        colors = [
            each.model_copy(update={"shades": {**each.shades, theme: Color.of_bytes(shade)}})
            for each, shade in zip(colors, made.rgb8, strict=True)
        ]
    return make.model_copy(update={"colors": tuple(colors)}), least


def _statuses(resolved: Resolved, theme: str) -> tuple[tuple[int, int, int], ...]:
    """The colors that say a status in a theme: no series should be taken for one."""
    return tuple(map(_levels, statuses_in(resolved, theme)[1]))


def _levels(rgb8: Bytes) -> tuple[int, int, int]:
    red, green, blue = (int(level) for level in rgb8)
    return red, green, blue
