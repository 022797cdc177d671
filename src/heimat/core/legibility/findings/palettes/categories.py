"""Findings on palettes by category: too close, short of contrast, taken for a status, turned, touching, too many."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, distance_text, distance_words
from heimat.core.color.contrast import cut, ratio
from heimat.core.color.naming import spoken_names
from heimat.core.color.notation import hex_of
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.document.palettes import GRAPHIC, Categorical, PaletteValue, Telling
from heimat.core.document.tokens import LiteralColor, TokenAlias
from heimat.core.document.words import counted
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.palettes.at import REMEMBERED, At, colors_of
from heimat.core.legibility.findings.palettes.color_repairs import color_repairs, telling_repairs
from heimat.core.legibility.findings.palettes.statuses import nearest_statuses, statuses_at
from heimat.core.legibility.repairs import Repair

MOST_PAIRS = 12
"""Pairs of a palette that are told one by one, the nearest first; of what has more, the whole is to be made anew."""
MOST_HELD = 8
"""Categories that a reader can hold in mind at once, by convention; more are looked up in the legend every time."""
MOST_TURN = 15.0
"""Degrees of hue by which a category may move between themes and still be called by the same word."""
_COLORED = 0.03
_APART_BY: tuple[Telling, ...] = ("label", "dash", "marker")
"""What tells categories apart where their colors do not (WCAG 2.2, 1.4.1 asks for one such way)."""
_PARTED_BY: tuple[Telling, ...] = ("gap", "outline")
"""What parts areas that touch (WCAG 2.2, 1.4.11)."""


@dataclass(frozen=True)
class _Placed:
    """A finding, the places of the colors one of which would have to move, and what else would settle it."""

    finding: Finding
    places: Sequence[int] = ()
    ways: Sequence[Telling] = ()


def on_categories(at: At, make: Categorical, repairs: bool) -> list[Finding]:
    """What is to be said of a palette by category in a theme; with repairs, if they are wanted."""
    placed = [
        *_too_close(at, make),
        *_short(at, make),
        *_touching(at, make),
        *_like_a_status(at, make),
        *_turned(at, make),
    ]
    found = [replace(each.finding, repairs=_repairs(at, make, each)) if repairs else each.finding for each in placed]
    return found + _too_many(at, make)


def _repairs(at: At, make: Categorical, placed: _Placed) -> list[Repair]:
    return [*color_repairs(at, make, placed.places), *telling_repairs(at, make, placed.ways)]


def close_pairs(at: At, make: Categorical) -> Iterator[tuple[str, PairDistance]]:
    """The pairs of a palette's colors whose distance is asked for, each with the id of what would be found of it."""
    return ((_close_id(at, make, pair), pair) for pair in _pairs(at, make))


def _pairs(at: At, make: Categorical) -> Sequence[PairDistance]:
    return distances(at.shown.rgb8, make.asked) if set(make.told_by).isdisjoint(_APART_BY) else ()


def _close_id(at: At, make: Categorical, pair: PairDistance) -> str:
    return at.id("close", make.colors[pair.one].id, make.colors[pair.other].id)


def contrasts(at: At, make: Categorical) -> Iterator[tuple[str, int, float]]:
    """By the id of what would be found of it, the place of each color and its contrast with the ground."""
    if "outline" in make.told_by:
        return
    for place, reached in enumerate(ratio(at.shown.rgb8, at.shown.ground8)):
        yield at.id("contrast", make.colors[place].id), place, float(reached)


def _too_close(at: At, make: Categorical) -> Iterator[_Placed]:
    rgb8 = at.shown.rgb8
    small = ", as its marks are small" if make.marks == "small" else ""
    close = sorted((pair for pair in _pairs(at, make) if pair.least < make.asked), key=lambda pair: pair.least)
    more = len(close) - MOST_PAIRS
    for number, pair in enumerate(close[:MOST_PAIRS], start=1):
        worst = pair.worst
        who = "" if pair.typical < make.asked else f" for {worst.vision} vision"
        sentence = f"{at.name(pair.one)} and {at.name(pair.other)} look alike{who}."
        said = f"{distance_words(pair.typical)} for typical vision, {distance_text(worst.least)} for {worst.vision}"
        detail = f"{said}. The palette asks for {make.asked:g}{small}."
        if more > 0 and number == MOST_PAIRS:
            detail += f" {counted(more, 'more pair')} of it {'is' if more == 1 else 'are'} too close."
        key = _close_id(at, make, pair)
        finding = at.finding(key, sentence, detail, (rgb8[pair.one], rgb8[pair.other]))
        yield _Placed(replace(finding, vision=worst), (pair.other, pair.one), _APART_BY)


def _short(at: At, make: Categorical) -> Iterator[_Placed]:
    for key, place, reached in contrasts(at, make):
        if reached < make.contrast:
            sentence = f"{at.name(place)} on its ground reads {cut(reached)}; a graphic needs {make.contrast:g}."
            detail = f"It is {hex_of(at.shown.rgb8[place])} on {hex_of(at.shown.ground8)}."
            finding = at.finding(key, sentence, detail, (at.shown.rgb8[place], at.shown.ground8))
            yield _Placed(finding, (place,), ("outline",))


def _touching(at: At, make: Categorical) -> Iterator[_Placed]:
    """The two colors that touch in stacked bars and areas with the least contrast between them."""
    rgb8 = at.shown.rgb8
    if len(rgb8) < 2 or not set(make.told_by).isdisjoint(_PARTED_BY):
        return
    between = ratio(rgb8[:-1], rgb8[1:])
    place = int(between.argmin())
    if between[place] < GRAPHIC:
        reads = cut(float(between[place]))
        sentence = f"{at.name(place)} and {at.name(place + 1)} touch, with {reads} between them."
        detail = f"What touches needs {GRAPHIC:g}, or something that parts it, to be seen as two by who sees no color."
        finding = at.finding(at.id("touch"), sentence, detail, (rgb8[place], rgb8[place + 1]))
        yield _Placed(finding, (), _PARTED_BY)


def _like_a_status(at: At, make: Categorical) -> Iterator[_Placed]:
    """Colors that could be taken for a status, where they are not meant to be it."""
    theme = at.resolved.themes.get(at.theme)
    statuses, status8 = statuses_at(at)
    if theme is None or not statuses:
        return
    found = nearest_statuses(at.shown.rgb8.tobytes(), status8.tobytes())
    for place, (color, (nearest, far)) in enumerate(zip(make.colors, found, strict=True)):
        token = statuses[nearest]
        if far >= TOLD_APART or _means(color.value, token.id, theme.tokens[token.id].hue):
            continue
        sentence = f"{at.name(place)} could be taken for {token.name}."
        detail = f"{distance_words(far)} apart; {TOLD_APART:g} keeps a series from saying it."
        key = at.id("status", color.id)
        yield _Placed(at.finding(key, sentence, detail, (at.shown.rgb8[place], status8[nearest])), (place,))


def _means(value: PaletteValue, token: str, hue: str | None) -> bool:
    """Whether a color stands on the status itself: then it is meant."""
    if isinstance(value, TokenAlias):
        return value.token == token
    return not isinstance(value, LiteralColor) and value.hue == hue


def _turned(at: At, make: Categorical) -> Iterator[_Placed]:
    """Categories whose hue is another than in the first theme."""
    first = next(iter(at.resolved.palettes.values()))
    own = next((each for each in first if each.palette.id == at.shown.palette.id), at.shown)
    if own is at.shown:
        return
    for place, turn in _turns(own.rgb8.tobytes(), at.shown.rgb8.tobytes()):
        sentence = f"{at.name(place)} is another color here: its hue turns by {turn:.0f}°."
        detail = f"Up to {MOST_TURN:g}° a category keeps its color word from theme to theme."
        key = at.id("turned", make.colors[place].id)
        yield _Placed(at.finding(key, sentence, detail, (own.rgb8[place], at.shown.rgb8[place])), (place,))


def _too_many(at: At, make: Categorical) -> list[Finding]:
    found = []
    rgb8, count = at.shown.rgb8, len(make.colors)
    first = at.theme == next(iter(at.resolved.palettes))
    if count > MOST_HELD and first:
        sentence = f"{at.shown.palette.name} has {count} categories; readers hold about {MOST_HELD}."
        detail = "Gather the small ones in one called other, or label every mark directly."
        found.append(at.finding(at.id("many"), sentence, detail, (rgb8[0], rgb8[-1])))
    words = _spoken(rgb8.tobytes()) if first else ()
    for place, word in enumerate(words):
        before = words.index(word)
        if before < place:
            sentence = f"{at.name(before)} and {at.name(place)} would both be called {word}."
            detail = "Who speaks of the chart cannot name them apart."
            key = at.id("word", make.colors[before].id, make.colors[place].id)
            found.append(at.finding(key, sentence, detail, (rgb8[before], rgb8[place])))
    return found


# While one thing is dragged most palettes stay as they are: what was found of the very same colors is remembered.


@lru_cache(REMEMBERED)
def _turns(before: bytes, now: bytes) -> tuple[tuple[int, float], ...]:
    """The places of colors whose hue turns too far between two themes, and by how much."""
    was, here = (srgb_to_oklch(from_bytes(colors_of(each))) for each in (before, now))
    turns = np.abs(turn_between(was[:, 2], here[:, 2]))
    colored = np.minimum(was[:, 1], here[:, 1]) >= _COLORED
    return tuple((int(place), float(turns[place])) for place in np.flatnonzero(colored & (turns > MOST_TURN)))


@lru_cache(REMEMBERED)
def _spoken(levels: bytes) -> tuple[str, ...]:
    return tuple(spoken_names(colors_of(levels)))
