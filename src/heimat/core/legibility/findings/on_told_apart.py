"""Findings on told-apart sets: pairs that come too close under some vision."""

from collections.abc import Iterable, Iterator

from heimat.core.color.ciede2000 import distance_text, distance_words
from heimat.core.color.told_apart import PairDistance, VisionDistance
from heimat.core.document.keys import token_key
from heimat.core.document.pairings import ToldApartSet
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.repairs import repair_told_apart
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme, ToldApartResult

_Close = tuple[ResolvedTheme, ToldApartResult, PairDistance]


def _close(resolved: Resolved) -> Iterator[_Close]:
    """Theme by theme and set by set, the pairs that come too close, the closest first."""
    for theme in resolved.themes.values():
        for result in theme.told_apart:
            for pair in sorted(result.pairs, key=lambda pair: pair.least):
                if pair.least < result.told_apart.threshold:
                    yield theme, result, pair


def close_ids(theme: ResolvedTheme, told: ToldApartSet, pairs: Iterable[PairDistance]) -> set[str]:
    """The ids of the findings on a set whose pairs are so far apart in a theme."""
    return {_id(theme, told, pair) for pair in pairs if pair.least < told.threshold}


def _id(theme: ResolvedTheme, told: ToldApartSet, pair: PairDistance) -> str:
    return f"told-apart:{theme.theme.id}:{told.id}:{told.tokens[pair.one]}:{told.tokens[pair.other]}"


def told_apart_ids(resolved: Resolved) -> set[str]:
    """The ids of the findings on told-apart sets, in every theme."""
    return {
        _id(theme, result.told_apart, pair)
        for theme in resolved.themes.values()
        for result in theme.told_apart
        for pair in result.pairs
        if pair.least < result.told_apart.threshold
    }


def told_apart_rooms(resolved: Resolved) -> dict[str, float]:
    """By which share of its threshold each pair of a set is farther apart than that: below 0 it comes too close."""
    return {
        _id(theme, result.told_apart, pair): pair.least / result.told_apart.threshold - 1.0
        for theme in resolved.themes.values()
        for result in theme.told_apart
        for pair in result.pairs
    }


def told_apart_findings(resolved: Resolved, *, repairs: bool) -> list[Finding]:
    """The findings on told-apart sets, in every theme."""
    return [_finding(resolved, *close, repairs) for close in _close(resolved)]


def _finding(
    resolved: Resolved, theme: ResolvedTheme, result: ToldApartResult, pair: PairDistance, repairs: bool
) -> Finding:
    told = result.told_apart
    ids = (told.tokens[pair.one], told.tokens[pair.other])
    one, other = (resolved.system.tokens[token].name for token in ids)
    worst = pair.worst
    if pair.typical < told.threshold:
        sentence = f"{one} and {other} look alike."
    else:
        sentence = f"{one} and {other} look alike for {worst.vision} vision."
    where = f"; below {told.threshold:g} {_interval(worst)}" if worst.below else ""
    apart = f"{distance_words(pair.typical)} for typical vision, {distance_text(worst.least)} for {worst.vision}"
    wanted = f"The set asks for {told.threshold:g} at every severity."
    return Finding(
        id=_id(theme, result.told_apart, pair),
        kind="told_apart",
        sentence=sentence,
        detail=f"{apart}{where}. {wanted}",
        select=token_key(ids[0]),
        colors=(theme.tokens[ids[0]].rgb8, theme.tokens[ids[1]].rgb8),
        theme=theme.theme.id,
        vision=worst,
        tokens=ids,
        cause=f"told-apart:{told.id}:{ids[0]}:{ids[1]}",
        repairs=repair_told_apart(resolved, theme, result, pair) if repairs else [],
    )


def _interval(distance: VisionDistance) -> str:
    low, high = distance.below or (0.0, 1.0)
    if high == 1.0:
        return f"from severity {low:g} up"
    return f"at severity {low:g}" if low == high else f"from severity {low:g} to {high:g}"
