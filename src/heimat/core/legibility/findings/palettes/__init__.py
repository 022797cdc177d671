"""Findings on palettes: on their colors, on what is drawn beside them, and on palettes that are seen at once.

A kind of them is one file that measures a palette in a theme, and one line here.
"""

from collections.abc import Iterable, Iterator
from dataclasses import replace

from heimat.core.charts.apart import see_soon
from heimat.core.color.arrays import Bytes
from heimat.core.document.palettes import all_values
from heimat.core.document.tokens import PaletteAlias, TokenAlias
from heimat.core.legibility.findings.finding import Kind
from heimat.core.legibility.findings.move import Counted, Ground, Move, compared
from heimat.core.legibility.findings.palettes import (
    alike_ends,
    beside,
    highlighted,
    like_a_status,
    near_neighbors,
    same_word,
    short_of_contrast,
    together,
    too_close,
    too_many,
    touching,
    turned_hue,
    unequal_arms,
)
from heimat.core.legibility.findings.palettes.palette_site import (
    PaletteCase,
    PaletteMeasure,
    every_site,
)
from heimat.core.legibility.findings.palettes.statuses import STATUSES
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import roles_of

MEASURES: tuple[PaletteMeasure, ...] = (
    too_close.measure,
    short_of_contrast.measure,
    touching.measure,
    like_a_status.measure,
    turned_hue.measure,
    too_many.measure,
    same_word.measure,
    alike_ends.measure,
    unequal_arms.measure,
    near_neighbors.measure,
    beside.measure,
    highlighted.measure,
)
"""What is measured of every palette in every theme, in the order in which it is told."""
MOST_REPAIRED = 100
"""Findings on palettes after which no further one gets repairs: each looks at every step in every theme."""


def _measure(resolved: Resolved) -> Iterable[PaletteCase]:
    see_soon(_seen_of(resolved))
    for site in every_site(resolved):
        for measure in MEASURES:
            yield from measure(site)
    yield from together.measure(resolved)


def _seen_of(resolved: Resolved) -> Iterator[Bytes]:
    """The sets of colors that findings look at through several eyes."""
    for site in every_site(resolved):
        shown, make = site.shown, site.shown.palette.make
        if site.categories is not None:
            yield from (shown.rgb8, beside.compared(site)[1])
        elif make.kind != "categorical" and make.classes is not None:
            yield shown.rgb8
        if shown.arms is not None:
            yield shown.rgb8[[0, -1]]


def _moved(move: Move) -> Counted | None:
    """Palettes are measured anew where something that they stand on moves; None where checked tokens stand on them."""
    resolved, under = move.ground.resolved, move.ground.once(_under_palettes)
    repainted = {}
    for theme, moved in move.themes:
        if not moved & under:
            continue
        if move.ground.once(_bound_are_checked):
            return None
        colors = {
            token: replace(theme.tokens[token], rgb8=move.rgb8, end=move.value) for token in moved
        }
        repainted[theme.theme.id] = replace(theme, tokens={**theme.tokens, **colors}, bound={})
    if not repainted:
        return Counted()
    before = move.ground.once(_before)
    after = _slacks(replace(resolved, themes={**resolved.themes, **repainted}))
    return compared(before, after)


def _before(ground: Ground) -> dict[str, float | None]:
    """The findings on palettes before any move, with their slack."""
    return _slacks(ground.resolved)


def _slacks(resolved: Resolved) -> dict[str, float | None]:
    return {case.id: case.slack for case in _measure(resolved) if case.open}


def _bound_are_checked(ground: Ground) -> bool:
    """Whether a token that stands on a palette is in a pairing or in a told-apart set."""
    resolved, system = ground.resolved, ground.resolved.system
    named = {token for each in system.pairings.values() for token in (each.foreground, each.ground)}
    named |= {token for told in system.told_apart.values() for token in told.tokens}
    theme = resolved.theme()
    return theme is not None and any(
        isinstance(theme.tokens[token].end, PaletteAlias)
        for token in named
        if token in theme.tokens
    )


def _under_palettes(ground: Ground) -> set[str]:
    """The tokens that palettes stand on or are drawn on, and those that none of their colors may be taken for."""
    system = ground.resolved.system
    if not system.palettes:
        return set()
    values = [value for palette in system.palettes.values() for value in all_values(palette)]
    grounds = {palette.ground for palette in system.palettes.values() if palette.ground}
    statuses = {token.id for token in system.tokens.values() if token.purpose in STATUSES}
    named = {value.token for value in values if isinstance(value, TokenAlias)}
    return grounds | statuses | set(roles_of(system.tokens).values()) | named


KIND = Kind("palette", _measure, _moved, MOST_REPAIRED)
