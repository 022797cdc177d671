"""Palettes that are proposed: what they would be, how far apart, and what each bound costs."""

from dataclasses import replace

import numpy as np
from typing_extensions import TypedDict

from heimat.core.charts.categorical import FoundColors, Wish
from heimat.core.charts.character import Price, prices, spreads
from heimat.core.charts.diverging import Partner, partners
from heimat.core.charts.families import Families
from heimat.core.charts.suitability import PaletteKind, suitability
from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.exact_color import Color
from heimat.core.color.gamut import solve
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.naming import spoken_name, spoken_names
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import luminance_of
from heimat.core.document.palettes import Categorical, PaletteValue
from heimat.core.document.system import ColorSystem
from heimat.core.planning.proposed_palettes import (
    REACHES,
    PaletteWish,
    found_within,
    generated,
    wish_of,
)
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.view.eyes import TYPICAL, SwatchView
from heimat.view.figures import ExactColor, exact_color

_END_LIGHT = 45.0
_MOST_PARTNERS = 6
_APART_PARTNERS = 20.0


class ProposedPaletteView(TypedDict):
    """A palette as it would be: how it is made, its colors with names, and the least distance, in words.

    `spread` says what gave way where the bounds leave no set that spreads over the families of color.
    """

    make: Categorical
    colors: list[SwatchView]
    names: list[str]
    apart: str
    spread: str


class ReachView(TypedDict):
    """A position between like the brand and as far apart as can be: its colors, and the distance they reach."""

    reach: float
    colors: list[str]
    apart: str


class PriceView(TypedDict):
    """What would be reached without one of the bounds."""

    bound: str
    apart: str


class PricesView(TypedDict):
    """Every position with its distance, and the bounds by what they cost, the dearest first.

    `lightness` and `chroma` are the bounds in OKLab at the position that is asked for.
    """

    reaches: list[ReachView]
    bounds: list[PriceView]
    apart: str
    lightness: tuple[float, float]
    chroma: tuple[float, float]


class EndPartnerView(TypedDict):
    """A hue for the other end of a diverging palette; `exact` as an edit takes it."""

    hex: str
    exact: ExactColor
    name: str
    apart: str


class SuitabilityView(TypedDict):
    """A set of colors, and what it suits."""

    swatches: list[SwatchView]
    suits: list["SuitsView"]


class SuitsView(TypedDict):
    """Whether a set suits a kind of palette, and why."""

    kind: PaletteKind
    suits: bool
    why: str


def proposed_palette(system: ColorSystem, asked: PaletteWish) -> ProposedPaletteView:
    """The palette that a wish leads to. Raises DomainError where the bounds leave too few colors."""
    make, made = generated(resolve(system), asked)
    return {
        "make": make,
        "colors": TYPICAL.swatches(made.rgb8),
        "names": spoken_names(made.rgb8),
        "apart": distance_text(made.apart),
        "spread": _spread_words(asked, made),
    }


def _spread_words(asked: PaletteWish, made: FoundColors) -> str:
    if not spreads(asked.reach) or made.families == Families(asked.count):
        return ""
    if made.families is None:
        return "The bounds leave no set that spreads over the families of color: names and hues come close."
    return "The bounds leave no set with a color term for each: two of one term are a dark and a light one."


def priced(system: ColorSystem, asked: PaletteWish) -> PricesView:
    """What each position and each bound costs. Raises DomainError as the search does."""
    resolved = resolve(system)
    reaches: list[ReachView] = []
    for reach in REACHES:
        made = found_within(resolved, replace(asked, reach=reach))
        colors = [hex_of(color) for color in made.rgb8]
        reaches.append({"reach": reach, "colors": colors, "apart": distance_text(made.apart)})
    wish: Wish = wish_of(resolved, asked)
    found: list[Price] = prices(wish)
    return {
        "reaches": reaches,
        "bounds": [{"bound": each.name, "apart": distance_text(each.apart)} for each in found],
        "apart": distance_text(found_within(resolved, asked).apart),
        "lightness": wish.bounds.lightness,
        "chroma": wish.bounds.chroma,
    }


def partner_views(resolved: Resolved, low: PaletteValue) -> list[EndPartnerView]:
    """Colors for the other end of a diverging palette: far apart for every vision, and unlike each other."""
    low8 = resolved.around().rgb8(low)
    chosen: list[Partner] = []
    for each in partners(low8, _END_LIGHT):
        if all(
            abs((each.hue - other.hue + 180.0) % 360.0 - 180.0) >= _APART_PARTNERS
            for other in chosen
        ):
            chosen.append(each)
        if len(chosen) == _MOST_PARTNERS:
            break
    hues = np.array([each.hue for each in chosen])
    chromas = np.array([each.chroma for each in chosen])
    rgb8 = nearest_bytes(solve(luminance_of(np.float64(_END_LIGHT)), chromas, hues))
    colors = [Color.of_bytes(each) for each in rgb8]
    return [
        {
            "hex": hex_of(each8),
            "exact": exact_color(color),
            "name": spoken_name(color),
            "apart": distance_text(each.apart),
        }
        for each8, color, each in zip(rgb8, colors, chosen, strict=True)
    ]


def suitability_view(rgb8: Bytes) -> SuitabilityView:
    """What colors suit as a palette."""
    suits: list[SuitsView] = [
        {"kind": each.kind, "suits": each.suits, "why": each.why} for each in suitability(rgb8)
    ]
    return {"swatches": TYPICAL.swatches(rgb8), "suits": suits}
