"""Safe ranges: how far a quantity can move before a finding comes or goes in any theme, and which one does."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property

from heimat.core.errors import DomainError
from heimat.core.legibility.findings import PALETTE_IDS, Finding, finding_ids, findings, slacks
from heimat.core.legibility.findings.finding import Slack
from heimat.core.resolve.resolved import Resolved

ResolvedAt = Callable[[float], Resolved]
"""What a document comes to where a quantity is moved to a value, with what goes along; else it raises DomainError."""
_HALVINGS = 2
_MOST_STEPS = 100
"""Trials on the way to an end, however far it is: a color that no eye can see has ends far away."""
_PARTS = 16
_PROBES = (-3.0, -1.0, 1.0, 3.0)
"""Steps away from the present value at which it is looked at what moves at all."""
_AT_THE_EDGE = "Something stands so near its threshold here that one level of 8 bits decides."
WAVERS = 0.25
"""L* by which what is published may miss an aim."""


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
    beside: Sequence[Resolved] = (),
) -> SafeRange:
    """The safe range of a quantity between two ends; `now` is what there is, `moved` what comes of another value.

    `beside` is what comes where what is published is a little lighter or darker: if a hue changes its label there, and
    a finding comes or goes, no value is safe.

    It is walked outward in steps. Where a finding has less slack than it gains or loses in a step, it may come and go
    within one: there, and at the end, a step is looked at in sixteenths, about a level of 8 bits each, and the one that
    flips is halved twice. Where something moves within its grain, one level decides: nothing there is safe.
    """
    probes = [value + far * step for far in _PROBES if ends[0] <= value + far * step <= ends[1]]
    walk = _Walk(now, moved, value, probes)
    for there in beside:
        if walk.leaps(there):
            edge = SafeEnd(value, walk.flips(there))
            return SafeRange(edge, edge)
    return SafeRange(*(walk.toward(end, step) for end in ends))


@dataclass(frozen=True)
class _Trial:
    """What is found at a value: the ids of findings, and the slack of what is measured; None where it cannot be.

    `places` are the positions at which hues stand in their scales.
    """

    ids: frozenset[str] | None
    slacks: dict[str, Slack]
    places: tuple[int | None, ...] = ()


class _Walk:
    def __init__(
        self, now: Resolved, moved: ResolvedAt, value: float, probes: Sequence[float]
    ) -> None:
        self._begun = now
        self._moved = moved
        self._value = value
        self._now = _found(now)
        # Rounding may give a slack twice along the way: what moves at all is seen farther off.
        self._moving = frozenset(
            key
            for there in map(self._tried, probes)
            for key, slack in there.slacks.items()
            if slack != self._now.slacks.get(key)
        )

    def toward(self, end: float, step: float) -> SafeEnd:
        safe, before, here = self._value, self._now, self._now
        way = 1.0 if end > safe else -1.0
        step = max(step, abs(end - safe) / _MOST_STEPS)
        while (end - safe) * way > 1e-9:
            beyond = safe + way * min(step, abs(end - safe))
            there = self._tried(beyond)
            close = _near(before, here, there)
            if not self._safe(there, self._now) or close:
                # Palettes are looked at more closely only where something of them may come or go.
                moving = (there.ids or frozenset()) ^ (self._now.ids or frozenset()) | close
                moving |= self._wavering(there, self._now)
                palettes = any(key.startswith(PALETTE_IDS) for key in moving)
                for part in range(1, _PARTS + 1):
                    at = safe + (beyond - safe) * part / _PARTS
                    if not self._same(at, palettes=palettes):
                        part_of = (beyond - safe) / _PARTS
                        flips = self._flips(at, part_of, end)
                        near = self._between(at - part_of, at, part_of, palettes=palettes)
                        return SafeEnd(near, flips)
            safe, before, here = beyond, here, there
        return SafeEnd(safe, ())

    def _between(self, safe: float, beyond: float, part: float, *, palettes: bool) -> float:
        for _ in range(_HALVINGS):
            middle = (safe + beyond) / 2.0
            if self._same(middle, palettes=palettes):
                safe = middle
            else:
                beyond = middle
        # Around an end findings may come and go with single levels: it keeps a part away, two from another label.
        leaps = self._tried(beyond).places != self._now.places
        back = min(abs(part) * (2.0 if leaps else 1.0), abs(safe - self._value))
        return safe - back if safe > self._value else safe + back

    def _tried(self, value: float, *, palettes: bool = True) -> _Trial:
        try:
            return _found(self._moved(value), palettes=palettes)
        except DomainError:
            return _Trial(None, {})

    def _same(self, value: float, *, palettes: bool) -> bool:
        there = self._tried(value, palettes=palettes)
        return self._safe(there, self._now if palettes else self._plain)

    def _safe(self, there: _Trial, now: _Trial) -> bool:
        return there.ids == now.ids and not self._wavering(there, now)

    def _wavering(self, there: _Trial, now: _Trial) -> frozenset[str]:
        """The findings that a level of 8 bits may let come and go: those that move, and are within their grain."""
        return frozenset(
            key
            for key, slack in there.slacks.items()
            if abs(slack.by) < slack.grain and (key in self._moving or slack != now.slacks.get(key))
        )

    @cached_property
    def _plain(self) -> _Trial:
        """What is found now, without palettes."""
        return _found(self._begun, palettes=False)

    @cached_property
    def _said_now(self) -> dict[str, Finding]:
        """What is found now, by its ids."""
        return {finding.id: finding for finding in findings(self._begun, repairs=False)}

    def leaps(self, there: Resolved) -> bool:
        """Whether a hue takes another label in a document, and a finding comes or goes with it."""
        found = _found(there)
        return found.places != self._now.places and found.ids != self._now.ids

    def _flips(self, value: float, part: float, end: float) -> tuple[str, ...]:
        """What comes and goes at a value, or in the parts of a step beyond it, up to the end."""
        for more in range(_PARTS):
            at = value + more * part
            if (end - at) * part < 0.0:
                break
            try:
                found = self.flips(self._moved(at))
            except DomainError as refused:
                return (f"It can go no further: {refused.message}",)
            if found:
                return found
        return (_AT_THE_EDGE,)

    def flips(self, changed: Resolved) -> tuple[str, ...]:
        """What comes and goes in a document, in sentences."""
        if finding_ids(changed) == self._now.ids:
            return ()
        before = self._said_now
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


def _found(resolved: Resolved, *, palettes: bool = True) -> _Trial:
    return _Trial(
        finding_ids(resolved, palettes=palettes),
        slacks(resolved, palettes=palettes),
        tuple(hue.scale.anchor for hue in resolved.hue_list),
    )


def _near(before: _Trial, here: _Trial, there: _Trial) -> frozenset[str]:
    """The findings that may come and go between two trials: with less slack than they change by in a step there."""
    found = set()
    for key, slack in here.slacks.items():
        by, after = slack.by, there.slacks.get(key, slack).by
        change = max(abs(after - by), abs(by - before.slacks.get(key, slack).by))
        if change > 0.0 and min(abs(by), abs(after)) < change + slack.grain:
            found.add(key)
    return frozenset(found)
