"""Pairings that fall short of what their use needs."""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property

from heimat.core.color.contrast import cut, ratio_of_luminances
from heimat.core.document.keys import token_key
from heimat.core.document.pairings import USE_WORDS
from heimat.core.document.words import value_in_words
from heimat.core.legibility.findings.finding import GRAIN_OF_CONTRAST, Case, Finding, Kind
from heimat.core.legibility.findings.move import Counted, Move, compared
from heimat.core.legibility.repairs import NearestColors, Repair, repair_pairing
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme


class _Every:
    """All pairings that are measured in a document: the nearest passing colors of those that fail are found at once."""

    def __init__(self, resolved: Resolved) -> None:
        self.resolved = resolved
        self.failing: list[tuple[ResolvedTheme, PairingResult]] = []

    @cached_property
    def nearest(self) -> NearestColors:
        return NearestColors(self.failing)


@dataclass(slots=True, eq=False)
class _Case(Case):
    theme: ResolvedTheme
    result: PairingResult
    every: _Every

    @property
    def id(self) -> str:
        return _id(self.theme, self.result)

    @property
    def open(self) -> bool:
        return self.result.holds is False

    @property
    def grain(self) -> float:
        """By how much a level of 8 bits changes it."""
        return GRAIN_OF_CONTRAST

    @property
    def slack(self) -> float:
        """The logarithm of what it reads by what it needs."""
        result = self.result
        return _slack(min(result.ratio, result.wide or math.inf), result.needed or 1.0)

    def say(self) -> Finding:
        result, theme, system = self.result, self.theme, self.every.resolved.system
        ids = (result.pairing.foreground, result.pairing.ground)
        foreground, ground = (system.tokens[token].name for token in ids)
        use = USE_WORDS[result.pairing.use]
        ends = [value_in_words(system, theme.tokens[token].end) for token in ids]
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{foreground} on {ground} reads {_reads(result)}; {use} needs {result.needed:g}.",
            detail=f"{foreground} is {ends[0]}, {ground} is {ends[1]}, in {theme.theme.name}.",
            select=token_key(ids[0]),
            colors=(theme.tokens[ids[0]].rgb8, theme.tokens[ids[1]].rgb8),
            theme=theme.theme.id,
            use=result.pairing.use,
            tokens=ids,
            cause=f"pairing:{ids[0]}:{result.pairing.use}",
        )

    def repairs(self) -> list[Repair]:
        return repair_pairing(self.every.resolved, self.theme, self.result, self.every.nearest)


def _slack(ratio: float, needed: float) -> float:
    return math.log(ratio / needed)


def _id(theme: ResolvedTheme, result: PairingResult) -> str:
    return f"{KIND.name}:{theme.theme.id}:{result.pairing.id}"


def _reads(result: PairingResult) -> str:
    """The ratio; where display-p3 alone falls short, both."""
    if result.wide is None or result.ratio < (result.needed or 0.0):
        return cut(result.ratio)
    return f"{cut(result.ratio)}, but {cut(result.wide)} in display-p3"


def _measure(resolved: Resolved) -> Iterable[_Case]:
    """Every pairing of every theme that falls short, the worst first."""
    every = _Every(resolved)
    every.failing += [
        (theme, result)
        for theme in resolved.themes.values()
        for result in theme.pairings
        if result.holds is False
    ]
    every.failing.sort(key=lambda found: found[1].ratio / (found[1].needed or 1.0))
    return [_Case(theme, result, every) for theme, result in every.failing]


def _clear(resolved: Resolved) -> Iterable[_Case]:
    """Every pairing of every theme that holds."""
    every = _Every(resolved)
    for theme in resolved.themes.values():
        for result in theme.pairings:
            if result.needed and result.holds:
                yield _Case(theme, result, every)


def _moved(move: Move) -> Counted | None:
    """Measured from luminances alone; None where something translucent or beyond sRGB stands against what moves."""
    found = Counted()
    for theme, moved in move.themes:
        lights = move.ground.lights[theme.theme.id]
        for result in _meeting(move, theme, moved):
            ends = (result.pairing.foreground, result.pairing.ground)
            others = [theme.tokens[token] for token in ends if token not in moved]
            if any(color.alpha < 1.0 or color.p3 is not None for color in others):
                return None
            if result.needed is None:
                continue
            one, other = (move.light if token in moved else lights[token] for token in ends)
            reads = float(ratio_of_luminances(one, other))
            key, needed = _id(theme, result), result.needed
            had = min(result.ratio, result.wide or math.inf)
            before = {key: _slack(had, needed)} if key in move.ground.before else {}
            after = {key: _slack(reads, needed)} if reads < needed else {}
            found = found.plus(compared(before, after))
    return found


def _meeting(move: Move, theme: ResolvedTheme, moved: set[str]) -> Sequence[PairingResult]:
    of_token = move.ground.pairings[theme.theme.id]
    return list(
        {result.pairing.id: result for token in moved for result in of_token[token]}.values()
    )


KIND = Kind("pairing", _measure, _moved, clear=_clear)
