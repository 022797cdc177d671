"""Palettes as strips: their colors with names that can be said, and what is to be said of the whole."""

from collections.abc import Mapping

import numpy as np
from typing_extensions import TypedDict

from heimat.core.charts.apart import nearest_pair
from heimat.core.charts.diverging import GOOD_ENDS, ends_apart
from heimat.core.charts.ramp import lights
from heimat.core.charts.suitability import PaletteKind
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.contrast import AA_TEXT, cut, label_on, ratio
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.naming import spoken_names
from heimat.core.document.keys import palette_key
from heimat.core.document.palettes import (
    Categorical,
    OtherRole,
    PaletteMethod,
    Sequential,
    values_of,
)
from heimat.core.document.tokens import Token
from heimat.core.document.words import value_in_words
from heimat.core.legibility.findings.palettes.unequal_arms import MOST_UNEQUAL
from heimat.core.planning.binding import bound_to
from heimat.core.resolve.resolved_palettes import ResolvedPalette
from heimat.view.eyes import SwatchView
from heimat.view.look import Look


class PaletteColorView(SwatchView):
    """A color of a palette: its key, a name that can be said, what it stands for, its contrast on the ground.

    `moved` says that this theme's ground has moved it; `label_holds` that its ink reads on it as body text.
    """

    key: str
    id: str
    name: str
    category: str
    held: bool
    moved: bool
    contrast: str
    label_holds: bool


class OtherColorView(SwatchView):
    """What is drawn beside a palette's colors: what for, what it is in words, whether it is the palette's own."""

    role: OtherRole
    words: str
    own: bool
    contrast: str


class ThroughView(SwatchView):
    """A color that a palette over numbers goes through: in words, and where, in percent from light to dark."""

    words: str
    at: float


class PaletteView(TypedDict):
    """A palette in the theme that is shown, how it is made, and what is to be said of it, each a sentence.

    `bound` are the names of the tokens that stand on it.
    """

    id: str
    name: str
    kind: PaletteKind
    words: str
    ground: str | None
    ground_hex: str
    ground_seen: str
    ground_ink: str
    column: str
    note: str
    view: str
    others: list[OtherColorView]
    through: list[ThroughView]
    bound: list[str]
    colors: list[PaletteColorView]
    continuous: bool
    facts: list[str]
    make: PaletteMethod


def palettes_part(look: Look) -> list[PaletteView]:
    """All palettes, in order."""
    bound = bound_to(look.system)
    return [
        _view(look, shown, bound)
        for shown in look.resolved.palettes[look.theme.theme.id if look.theme else ""]
    ]


def _view(look: Look, shown: ResolvedPalette, bound: Mapping[str, list[Token]]) -> PaletteView:
    palette, make = shown.palette, shown.palette.make
    ground = look.eyes.swatch(shown.ground8)
    return {
        "id": palette.id,
        "name": palette.name,
        "kind": make.kind,
        "words": _words(make),
        "ground": palette.ground,
        "ground_hex": ground["hex"],
        "ground_seen": ground["seen"],
        "ground_ink": ground["ink"],
        "column": palette.column,
        "note": palette.note,
        "view": palette.view,
        "others": _others(look, shown),
        "through": _through(look, shown),
        "bound": [token.name for token in bound.get(palette.id, ())],
        "colors": _colors(look, shown),
        "continuous": not isinstance(make, Categorical) and make.classes is None,
        "facts": _facts(shown),
        "make": make,
    }


def _colors(look: Look, shown: ResolvedPalette) -> list[PaletteColorView]:
    palette, make = shown.palette, shown.palette.make
    contrasts = ratio(shown.rgb8, shown.ground8)
    labels = label_on(shown.rgb8)[1]
    found: list[PaletteColorView] = []
    names = spoken_names(shown.rgb8)
    for place, swatch in enumerate(look.eyes.swatches(shown.rgb8)):
        own = make.colors[place] if isinstance(make, Categorical) else None
        key = own.id if own else str(place + 1)
        found.append(
            {
                **swatch,
                "key": palette_key(palette.id, key),
                "id": key,
                "name": names[place],
                "category": own.category if own else "",
                "held": own.held if own else False,
                "moved": bool(shown.moved and shown.moved[place]),
                "contrast": cut(float(contrasts[place])),
                "label_holds": bool(labels[place] >= AA_TEXT),
            }
        )
    return found


def _others(look: Look, shown: ResolvedPalette) -> list[OtherColorView]:
    found: list[OtherColorView] = []
    if not shown.others:
        return found
    rgb8 = np.array(list(shown.others.values()))
    swatches, contrasts = look.eyes.swatches(rgb8), ratio(rgb8, shown.ground8)
    for role, swatch, contrast in zip(shown.others, swatches, contrasts, strict=True):
        own = shown.palette.others.get(role)
        found.append(
            {
                **swatch,
                "role": role,
                "words": value_in_words(look.system, own) if own else "as its token",
                "own": own is not None,
                "contrast": cut(float(contrast)),
            }
        )
    return found


def _through(look: Look, shown: ResolvedPalette) -> list[ThroughView]:
    make = shown.palette.make
    if isinstance(make, Categorical):
        return []
    found: list[ThroughView] = []
    light = lights(shown.values8)
    swatches = look.eyes.swatches(shown.values8)
    for place, (swatch, value) in enumerate(zip(swatches, values_of(make), strict=True)):
        at = 1.0 if place else 0.0
        if isinstance(make, Sequential):
            said = make.places[place] if make.places else None
            own = (make.lightest - float(light[place])) / (make.lightest - make.darkest)
            at = said if said is not None else min(max(own, 0.0), 1.0)
        found.append(
            {**swatch, "words": value_in_words(look.system, value), "at": round(at * 100.0)}
        )
    return found


def _words(make: PaletteMethod) -> str:
    if isinstance(make, Categorical):
        return f"{len(make.colors)}, told apart"
    classes = "continuous" if make.classes is None else f"{make.classes} classes"
    if isinstance(make, Sequential):
        return f"sequential, {classes}"
    return f"diverging, {classes}"


def _facts(shown: ResolvedPalette) -> list[str]:
    make, rgb8 = shown.palette.make, shown.rgb8
    if isinstance(make, Categorical):
        least = float(ratio(rgb8, shown.ground8).min())
        on_ground = f"{cut(least)} or more on {hex_of(shown.ground8)}"
        if len(rgb8) < 2:
            return [on_ground]
        near, one, other = nearest_pair(rgb8)
        pair = f"nearest pair {distance_text(near)}, {one + 1} and {other + 1}, any vision"
        light = np.sort(lights(rgb8))
        gray = f"in gray the nearest two are {np.diff(light).min():.0f} L* apart"
        return [pair, on_ground, gray]
    light = lights(rgb8)
    if shown.ramp is not None:
        even = f"steps vary by {shown.ramp.spread:.1%}, for {shown.ramp.worst_vision} by {shown.ramp.worst:.0%}"
        given_up = (
            [f"{1.0 - shown.ramp.share:.0%} of the chroma given up for that"]
            if shown.ramp.share < 1.0
            else []
        )
        return [f"{light[0]:.0f} to {light[-1]:.0f} L*", even, *given_up]
    ends = ends_apart(rgb8)
    good = "" if ends >= GOOD_ENDS else f"; {GOOD_ENDS:g} would be better"
    unequal = abs(float(light[0] - light[-1]))
    equal = f"arms {'equal within' if unequal <= MOST_UNEQUAL else 'unequal by'} {unequal:.1f} L*"
    return [equal, f"ends {distance_text(ends)} apart for every vision{good}"]
