"""Pairs of told-apart sets that come too close under some vision."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from heimat.core.color.ciede2000 import distance_text, distance_words
from heimat.core.color.told_apart import PairDistance, VisionDistance, distances
from heimat.core.document.keys import token_key
from heimat.core.document.words import listed
from heimat.core.legibility.findings.finding import GRAIN_OF_DISTANCE, Case, Finding, Kind
from heimat.core.legibility.findings.move import Counted, Move, compared
from heimat.core.legibility.repairs import Repair, repair_told_apart
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme, ToldApartResult


@dataclass(slots=True, eq=False)
class _Case(Case):
    resolved: Resolved
    theme: ResolvedTheme
    result: ToldApartResult
    pair: PairDistance

    @property
    def id(self) -> str:
        told = self.result.told_apart
        return f"told-apart:{self.theme.theme.id}:{told.id}:{told.tokens[self.pair.one]}:{told.tokens[self.pair.other]}"

    @property
    def open(self) -> bool:
        return self.pair.least < self.result.told_apart.threshold

    @property
    def grain(self) -> float:
        """By how much a level of 8 bits changes it."""
        return GRAIN_OF_DISTANCE

    @property
    def slack(self) -> float:
        """By which share of its threshold it is farther apart than that."""
        return _slack(self.pair, self.result.told_apart.threshold)

    def say(self) -> Finding:
        told, pair, theme = self.result.told_apart, self.pair, self.theme
        ids = (told.tokens[pair.one], told.tokens[pair.other])
        one, other = (self.resolved.system.tokens[token].name for token in ids)
        worst = pair.worst
        whom = "" if pair.typical < told.threshold else f" for {worst.vision} vision"
        where = f"; below {told.threshold:g} {_interval(worst)}" if worst.below else ""
        apart = f"{distance_words(pair.typical)} for typical vision, {distance_text(worst.least)} for {worst.vision}"
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{one} and {other} look alike{whom}.",
            detail=f"{apart}{where}. The set asks for {told.threshold:g} at every severity.",
            select=token_key(ids[0]),
            colors=(theme.tokens[ids[0]].rgb8, theme.tokens[ids[1]].rgb8),
            theme=theme.theme.id,
            vision=worst,
            tokens=ids,
            cause=f"told-apart:{told.id}:{ids[0]}:{ids[1]}",
        )

    def repairs(self) -> list[Repair]:
        return repair_told_apart(self.resolved, self.theme, self.result, self.pair)


def _interval(distance: VisionDistance) -> str:
    return listed([_run_words(low, high) for low, high in distance.below])


def _run_words(low: float, high: float) -> str:
    if low == high:
        return f"at severity {low:g}"
    return f"from severity {low:g} {'up' if high == 1.0 else f'to {high:g}'}"


def _measure(resolved: Resolved) -> Iterable[_Case]:
    """Theme by theme and set by set, every pair that comes too close, the closest first."""
    for theme in resolved.themes.values():
        for result in theme.told_apart:
            close = [pair for pair in result.pairs if pair.least < result.told_apart.threshold]
            for pair in sorted(close, key=lambda pair: pair.least):
                yield _Case(resolved, theme, result, pair)


def _clear(resolved: Resolved) -> Iterable[_Case]:
    """Every pair that is told apart."""
    for theme in resolved.themes.values():
        for result in theme.told_apart:
            for pair in result.pairs:
                if pair.least >= result.told_apart.threshold:
                    yield _Case(resolved, theme, result, pair)


def _moved(move: Move) -> Counted:
    found = Counted()
    for theme, moved in move.themes:
        for result in theme.told_apart:
            told = result.told_apart
            if moved.isdisjoint(told.tokens):
                continue
            colors = [
                move.rgb8 if token in moved else theme.tokens[token].rgb8 for token in told.tokens
            ]
            pairs = distances(np.array(colors, dtype=np.uint8), told.threshold)
            before, after = (
                _too_close(result.pairs, told.threshold),
                _too_close(pairs, told.threshold),
            )
            found = found.plus(compared(before, after))
    return found


def _too_close(pairs: Iterable[PairDistance], threshold: float) -> dict[str, float | None]:
    return {
        f"{pair.one}:{pair.other}": _slack(pair, threshold)
        for pair in pairs
        if pair.least < threshold
    }


def _slack(pair: PairDistance, threshold: float) -> float:
    return pair.least / threshold - 1.0


KIND = Kind("told_apart", _measure, _moved, clear=_clear)
