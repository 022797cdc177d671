"""Safe ranges: how far a quantity can move before a finding comes or goes in any theme, and which one does."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

from heimat.core.errors import DomainError
from heimat.core.legibility.findings import PALETTE_IDS, Finding, finding_ids, findings, slacks
from heimat.core.resolve.resolved import Resolved

ResolvedAt = Callable[[float], Resolved]
"""What a document comes to where a quantity is moved to a value, with what goes along; else it raises DomainError."""
_HALVINGS = 2
_MOST_STEPS = 100
"""Trials on the way to an end, however far it is: a color that no eye can see has ends far away."""


_PARTS = 16
_LITTLE = 0.01
"""Slack, as a share, within which 8 bits alone may let a finding come and go."""


@dataclass(frozen=True)
class SafeEnd:
    """One end of a safe range: where it is, and a sentence on what comes or goes beyond; none at the control's end."""

    at: float
    flips: tuple[str, ...]


@dataclass(frozen=True)
class SafeRange:
    """The interval around a value in which the same findings are open."""

    low: SafeEnd
    high: SafeEnd


def safe_range(
    now: Resolved,
    moved: ResolvedAt,
    value: float,
    ends: tuple[float, float],
    step: float,
) -> SafeRange:
    """The safe range of a quantity between two ends; `now` is what there is, `moved` what comes of another value.

    It is walked outward in steps. Where a finding has less slack than it gains or loses in a step, it may come and go
    within one: there, and at the end, a step is looked at in sixteenths, about a level of 8 bits
    each, and the one that flips is halved twice.
    """
    walk = _Walk(now, moved, value)
    return SafeRange(*(walk.toward(end, step) for end in ends))


@dataclass(frozen=True)
class _Trial:
    """What is found at a value: the ids of findings, and the slack of what is measured; None where it cannot be."""

    ids: frozenset[str] | None
    slacks: dict[str, float]


class _Walk:
    def __init__(self, now: Resolved, moved: ResolvedAt, value: float) -> None:
        self._begun = now
        self._moved = moved
        self._value = value
        self._now = self._found(now)

    def toward(self, end: float, step: float) -> SafeEnd:
        safe, before, here = self._value, self._now, self._now
        way = 1.0 if end > safe else -1.0
        step = max(step, abs(end - safe) / _MOST_STEPS)
        while (end - safe) * way > 1e-9:
            beyond = safe + way * min(step, abs(end - safe))
            there = self._tried(beyond)
            close = _near(before, here, there)
            if there.ids != self._now.ids or close:
                # Palettes are looked at more closely only where something of them may come or go.
                moving = (there.ids or frozenset()) ^ (self._now.ids or frozenset()) | close
                palettes = any(key.startswith(PALETTE_IDS) for key in moving)
                for part in range(1, _PARTS + 1):
                    at = safe + (beyond - safe) * part / _PARTS
                    if not self._same(at, palettes=palettes):
                        return self._between(at - (beyond - safe) / _PARTS, at, palettes=palettes)
            safe, before, here = beyond, here, there
        return SafeEnd(safe, ())

    def _between(self, safe: float, beyond: float, *, palettes: bool) -> SafeEnd:
        for _ in range(_HALVINGS):
            middle = (safe + beyond) / 2.0
            if self._same(middle, palettes=palettes):
                safe = middle
            else:
                beyond = middle
        return SafeEnd(safe, self._flips(beyond))

    def _changed(self, value: float) -> Resolved | None:
        try:
            return self._moved(value)
        except DomainError:
            return None

    def _tried(self, value: float) -> _Trial:
        changed = self._changed(value)
        return _Trial(None, {}) if changed is None else self._found(changed)

    def _found(self, resolved: Resolved) -> _Trial:
        return _Trial(finding_ids(resolved), slacks(resolved))

    def _same(self, value: float, *, palettes: bool) -> bool:
        changed = self._changed(value)
        if changed is None:
            return False
        here = self._now if palettes else self._plain
        return finding_ids(changed, palettes=palettes) == here.ids

    @cached_property
    def _plain(self) -> _Trial:
        """What is found now, without palettes."""
        return _Trial(finding_ids(self._begun, palettes=False), {})

    def _flips(self, value: float) -> tuple[str, ...]:
        try:
            changed = self._moved(value)
        except DomainError as refused:
            return (f"It can go no further: {refused.message}",)
        before = {finding.id: finding for finding in findings(self._begun, repairs=False)}
        after = {finding.id: finding for finding in findings(changed, repairs=False)}
        come = [self._said(finding) for key, finding in after.items() if key not in before]
        gone = [
            f"settled: {self._said(finding)}" for key, finding in before.items() if key not in after
        ]
        return tuple(come + gone)

    def _said(self, finding: Finding) -> str:
        """A finding's sentence, with its theme where there are several."""
        theme = self._begun.system.themes.get(finding.theme or "")
        if theme is None or len(self._begun.system.themes) == 1:
            return finding.sentence
        return f"{finding.sentence.removesuffix('.')}, in {theme.name}."


def _near(before: _Trial, here: _Trial, there: _Trial) -> frozenset[str]:
    """The findings that may come and go between two trials: with less slack than they change by in a step there."""
    found = set()
    for key, slack in here.slacks.items():
        after = there.slacks.get(key, slack)
        change = max(abs(after - slack), abs(slack - before.slacks.get(key, slack)))
        if change > 0.0 and min(abs(slack), abs(after)) < change + _LITTLE:
            found.add(key)
    return frozenset(found)
