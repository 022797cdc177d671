"""Findings on palettes: series too close, colors short of contrast or taken for a status, too much at once."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import get_args

import numpy as np
from numpy.typing import NDArray

from heimat.core.charts.apart import apart, differences, seen8
from heimat.core.charts.diverging import LEAST_ENDS, ends_apart
from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.contrast import cut, ratio
from heimat.core.color.difference import TOLD_APART, ciede2000, distance_text, distance_words
from heimat.core.color.naming import spoken_name
from heimat.core.color.notation import Color, hex_of
from heimat.core.color.passing import nearest_passing
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklch
from heimat.core.color.told_apart import PairDistance, distances
from heimat.core.document.keys import palette_key
from heimat.core.document.palettes import Categorical, PaletteValue
from heimat.core.document.tokens import LiteralColor, StepAlias, Token, TokenAlias
from heimat.core.edits.palettes import SetPalette
from heimat.core.legibility.findings.finding import Finding, in_theme
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.palettes import ResolvedPalette, on_ground
from heimat.core.resolve.resolved import Resolved
from heimat.core.sources.conventions import Status

MOST_HELD = 8
"""Categories that a reader can hold in mind at once, by convention; more are looked up in the legend every time."""
LEAST_NEIGHBORS = 4.0
"""CIEDE2000 between neighboring classes below which they can hardly be told on a map."""
MOST_TURN = 15.0
"""Degrees of hue by which a category may move between themes and still be called by the same word."""
_COLORED = 0.03
_REMEMBERED = 1024
STATUSES = tuple(f"status.{status}" for status in get_args(Status))
"""The purposes of tokens that say a status by their own color."""


@dataclass(frozen=True)
class _At:
    """A palette in a theme, of a document."""

    resolved: Resolved
    theme: str
    shown: ResolvedPalette

    def id(self, kind: str, *more: str) -> str:
        return ":".join((f"palette-{kind}", self.theme, self.shown.palette.id, *more))

    def name(self, place: int) -> str:
        """What a color of a categorical palette is called: palette, number, and what it stands for."""
        make = self.shown.palette.make
        category = make.colors[place].category if isinstance(make, Categorical) else ""
        return f"{self.shown.palette.name} {place + 1}{f' ({category})' if category else ''}"

    @property
    def where(self) -> str:
        theme = self.resolved.themes.get(self.theme)
        return in_theme(len(self.resolved.themes), theme.theme.name) if theme else ""

    def finding(self, key: str, sentence: str, detail: str, colors: tuple[Bytes, Bytes]) -> Finding:
        return Finding(
            id=key,
            kind="palette",
            sentence=sentence,
            detail=detail + self.where,
            select=palette_key(self.shown.palette.id),
            colors=colors,
            theme=self.theme or None,
            use="part",
            cause=f"{key.split(':')[0]}:{self.shown.palette.id}:{key.split(':', 3)[-1]}",
        )


def _every(resolved: Resolved) -> Iterator[_At]:
    for theme, palettes in resolved.palettes.items():
        for shown in palettes:
            yield _At(resolved, theme, shown)


def palette_ids(resolved: Resolved) -> set[str]:
    """The ids of the findings on palettes, in every theme."""
    return {each.id for each in palette_findings(resolved, repairs=False)}


def palette_rooms(resolved: Resolved) -> dict[str, float]:
    """By the id of each measured finding, how much room there is before it comes: below 0 it is open."""
    found: dict[str, float] = {}
    for at in _every(resolved):
        make = at.shown.palette.make
        if not isinstance(make, Categorical):
            continue
        for pair in _pairs(at.shown, make):
            found[_close_id(at, make, pair)] = pair.least() / max(make.threshold, 1e-9) - 1.0
        for place, reached in enumerate(ratio(at.shown.rgb8, at.shown.ground8)):
            found[at.id("contrast", make.colors[place].id)] = math.log(float(reached) / make.contrast)
    return found


def palette_findings(resolved: Resolved, *, repairs: bool) -> list[Finding]:
    """The findings on palettes in every theme; each of those on single colors with steps that would settle it."""
    found: list[Finding] = []
    for at in _every(resolved):
        make = at.shown.palette.make
        if isinstance(make, Categorical):
            found += _on_categories(at, make, repairs)
        else:
            found += _on_classes(at)
    return found


def _on_categories(at: _At, make: Categorical, repairs: bool) -> list[Finding]:
    placed = [*_too_close(at, make), *_short(at, make), *_like_a_status(at, make), *_turned(at, make)]
    found = [replace(finding, repairs=_repairs(at, make, places)) if repairs else finding for finding, places in placed]
    return found + _too_many(at, make)


def _pairs(shown: ResolvedPalette, make: Categorical) -> tuple[PairDistance, ...]:
    return distances(shown.rgb8, make.threshold)


def _close_id(at: _At, make: Categorical, pair: PairDistance) -> str:
    return at.id("close", make.colors[pair.one].id, make.colors[pair.other].id)


Placed = tuple[Finding, Sequence[int]]
"""A finding, and the places of the colors one of which would have to move."""


def _too_close(at: _At, make: Categorical) -> Iterator[Placed]:
    rgb8 = at.shown.rgb8
    for pair in sorted(_pairs(at.shown, make), key=lambda pair: pair.least()):
        if pair.least() >= make.threshold:
            continue
        worst = pair.worst
        who = "" if pair.typical < make.threshold else f" for {worst.vision} vision"
        sentence = f"{at.name(pair.one)} and {at.name(pair.other)} look alike{who}."
        said = f"{distance_words(pair.typical)} for typical vision, {distance_text(worst.least)} for {worst.vision}"
        detail = (
            f"{said}. The palette asks for {make.threshold:g}. A direct label, a dash or a marker’s shape helps too."
        )
        finding = at.finding(_close_id(at, make, pair), sentence, detail, (rgb8[pair.one], rgb8[pair.other]))
        yield replace(finding, vision=worst), (pair.other, pair.one)


def _short(at: _At, make: Categorical) -> Iterator[Placed]:
    for place, reached in enumerate(ratio(at.shown.rgb8, at.shown.ground8)):
        if reached < make.contrast:
            sentence = f"{at.name(place)} on its ground reads {cut(float(reached))}; a graphic needs {make.contrast:g}."
            detail = f"It is {hex_of(at.shown.rgb8[place])} on {hex_of(at.shown.ground8)}. An outline would do too."
            key = at.id("contrast", make.colors[place].id)
            yield at.finding(key, sentence, detail, (at.shown.rgb8[place], at.shown.ground8)), (place,)


def _like_a_status(at: _At, make: Categorical) -> Iterator[Placed]:
    """Colors that could be taken for a status, where they are not meant to be it."""
    theme = at.resolved.themes.get(at.theme)
    statuses, status8 = _statuses(at)
    if theme is None or not statuses:
        return
    found = _nearest_statuses(at.shown.rgb8.tobytes(), status8.tobytes())
    for place, (color, (nearest, far)) in enumerate(zip(make.colors, found, strict=True)):
        token = statuses[nearest]
        if far >= TOLD_APART or _means(color.value, token.id, theme.tokens[token.id].hue):
            continue
        sentence = f"{at.name(place)} could be taken for {token.name}."
        detail = f"{distance_words(far)} apart; {TOLD_APART:g} keeps a series from saying it."
        key = at.id("status", color.id)
        yield at.finding(key, sentence, detail, (at.shown.rgb8[place], status8[nearest])), (place,)


def _means(value: PaletteValue, token: str, hue: str | None) -> bool:
    """Whether a color stands on the status itself: then it is meant."""
    if isinstance(value, TokenAlias):
        return value.token == token
    return not isinstance(value, LiteralColor) and value.hue == hue


def _turned(at: _At, make: Categorical) -> Iterator[Placed]:
    """Categories whose hue is another than in the first theme."""
    first = next(iter(at.resolved.palettes.values()))
    own = next((each for each in first if each.palette.id == at.shown.palette.id), at.shown)
    if own is at.shown:
        return
    for place, turn in _turns(own.rgb8.tobytes(), at.shown.rgb8.tobytes()):
        sentence = f"{at.name(place)} is another color here: its hue turns by {turn:.0f}°."
        detail = f"Up to {MOST_TURN:g}° a category keeps its color word from theme to theme."
        key = at.id("turned", make.colors[place].id)
        yield at.finding(key, sentence, detail, (own.rgb8[place], at.shown.rgb8[place])), (place,)


def _too_many(at: _At, make: Categorical) -> list[Finding]:
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


def _on_classes(at: _At) -> Iterator[Finding]:
    shown, make = at.shown, at.shown.palette.make
    if isinstance(make, Categorical):
        return
    ends = ends_apart(shown.rgb8) if shown.arms is not None else LEAST_ENDS
    if ends < LEAST_ENDS:
        apart_words = distance_words(ends)
        sentence = f"The ends of {shown.palette.name} are {apart_words} apart; {LEAST_ENDS:g} is asked for."
        detail = "Under one kind of vision both sides look alike. Choose another end: partners are offered."
        yield at.finding(at.id("ends"), sentence, detail, (shown.rgb8[0], shown.rgb8[-1]))
    if make.classes is None:
        return
    place, step = _nearest_neighbors(shown.rgb8.tobytes())
    if step < LEAST_NEIGHBORS:
        sentence = f"Classes {place + 1} and {place + 2} of {shown.palette.name} can hardly be told apart."
        said = f"{distance_words(step)} under the vision that brings them nearest"
        detail = f"{said}; {LEAST_NEIGHBORS:g} is asked for. Fewer classes, or ends farther apart, help."
        yield at.finding(at.id("neighbors"), sentence, detail, (shown.rgb8[place], shown.rgb8[place + 1]))


# While one thing is dragged most palettes stay as they are: what was found of the very same colors is remembered.


@lru_cache(_REMEMBERED)
def _nearest_neighbors(levels: bytes) -> tuple[int, float]:
    """The place of the class that is nearest to the next one, and how far that is under any vision."""
    views = seen8(_colors(levels))
    steps = differences(views[:, :-1], views[:, 1:]).min(axis=0)
    place = int(np.argmin(steps))
    return place, float(steps[place])


@lru_cache(_REMEMBERED)
def _nearest_statuses(levels: bytes, statuses: bytes) -> tuple[tuple[int, float], ...]:
    """For each color the nearest of some statuses, and how far it is for typical vision."""
    ours, theirs = (srgb_to_lab(from_bytes(_colors(each))) for each in (levels, statuses))
    far = ciede2000(ours[:, None], theirs[None])
    return tuple((int(place), float(far[color, place])) for color, place in enumerate(far.argmin(axis=1)))


@lru_cache(_REMEMBERED)
def _turns(before: bytes, now: bytes) -> tuple[tuple[int, float], ...]:
    """The places of colors whose hue turns too far between two themes, and by how much."""
    was, here = (srgb_to_oklch(from_bytes(_colors(each))) for each in (before, now))
    turns = np.abs(turn_between(was[:, 2], here[:, 2]))
    colored = np.minimum(was[:, 1], here[:, 1]) >= _COLORED
    return tuple((int(place), float(turns[place])) for place in np.flatnonzero(colored & (turns > MOST_TURN)))


@lru_cache(_REMEMBERED)
def _spoken(levels: bytes) -> tuple[str, ...]:
    return tuple(spoken_name(Color.of_bytes(color)) for color in _colors(levels))


def _colors(levels: bytes) -> Bytes:
    return np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)


def _repairs(at: _At, make: Categorical, places: Sequence[int]) -> list[Repair]:
    """The nearest step of the system that stands apart from all others, and the nearest color of contrast enough."""
    found: list[Repair] = []
    for place in places:
        if make.colors[place].held:
            continue
        found += _nearest_step(at, make, place)
        if ratio(at.shown.rgb8[place], at.shown.ground8) < make.contrast:
            found += _nearest_color(at, make, place)
    return found


def _nearest_step(at: _At, make: Categorical, place: int) -> list[Repair]:
    hues = [hue for hue in at.resolved.hue_list if hue.source.alpha == 1.0]
    steps = [(hue, step) for hue in hues for step in range(len(hue.steps))]
    if not steps:
        return []
    rgb8 = np.concatenate([hue.rgb8 for hue in hues])
    room, good = _room(at, make, place, rgb8)
    if not good.any():
        return []
    # What stands apart in every theme goes before what does so in this one alone.
    everywhere = good.copy()
    for other in _every(at.resolved):
        if other.shown.palette.id == at.shown.palette.id and other.theme != at.theme:
            everywhere &= _room(other, make, place, rgb8)[1]
    good = everywhere if everywhere.any() else good
    away = ciede2000(srgb_to_lab(from_bytes(rgb8)), srgb_to_lab(from_bytes(at.shown.rgb8[place])))
    best = int(np.argmin(np.where(good, away, np.inf)))
    hue, step = steps[best]
    value = StepAlias(hue=hue.id, step=hue.steps[step].id)
    words = f"Let {at.name(place)} be {hue.step_name(step)}"
    return [_repair(at, make, place, value, rgb8[best], words, float(room[best]), float(away[best]))]


def _room(at: _At, make: Categorical, place: int, rgb8: Bytes) -> tuple[Floats, NDArray[np.bool_]]:
    """How far colors (n, 3) would be from all others of a palette in a theme, and whether they would do there."""
    first = at.theme == next(iter(at.resolved.palettes))
    here8 = rgb8 if first else on_ground(rgb8, at.shown.ground8, make.contrast)
    others = np.delete(at.shown.rgb8, place, axis=0)
    room = apart(seen8(here8), seen8(others)).min(axis=1) if len(others) else np.full(len(rgb8), np.inf)
    good = (room >= make.threshold) & (ratio(here8, at.shown.ground8) >= make.contrast)
    return room, good & _off_status(here8, _statuses(at)[1])


def _statuses(at: _At) -> tuple[list[Token], Bytes]:
    """The tokens that say a status by their own color, and these colors (n, 3) in the theme."""
    theme = at.resolved.themes.get(at.theme)
    tokens = [token for token in at.resolved.system.tokens.values() if token.purpose in STATUSES and theme is not None]
    rgb8 = [theme.tokens[token.id].rgb8 for token in tokens] if theme else []
    return tokens, np.array(rgb8, dtype=np.uint8).reshape(-1, 3)


def _off_status(rgb8: Bytes, status8: Bytes) -> NDArray[np.bool_]:
    far = ciede2000(srgb_to_lab(from_bytes(rgb8))[:, None], srgb_to_lab(from_bytes(status8))[None])
    return np.asarray((far >= TOLD_APART).all(axis=1))


def _nearest_color(at: _At, make: Categorical, place: int) -> list[Repair]:
    colors, away = nearest_passing(at.shown.rgb8[place][None], at.shown.ground8[None], np.array([make.contrast]))
    if not np.isfinite(away[0]):
        return []
    words = f"Let {at.name(place)} be {hex_of(colors[0])}, {away[0]:.1f} away"
    reached = float(ratio(colors[0], at.shown.ground8))
    value = LiteralColor(color=Color.of_bytes(colors[0]))
    return [_repair(at, make, place, value, colors[0], words, reached, float(away[0]))]


def _repair(
    at: _At, make: Categorical, place: int, value: PaletteValue, rgb8: Bytes, words: str, reaches: float, away: float
) -> Repair:
    color = make.colors[place].model_copy(update={"value": value, "shades": {}})
    colors = (*make.colors[:place], color, *make.colors[place + 1 :])
    edit = SetPalette(palette=at.shown.palette.id, make=make.model_copy(update={"colors": colors}))
    return Repair((edit,), "step", rgb8, words, reaches, away)
