"""Safe ranges: how far a quantity can move before a finding comes or goes in any theme, and which one does."""

from collections.abc import Callable
from dataclasses import dataclass

from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.errors import DomainError
from heimat.core.legibility.findings import finding_ids, findings
from heimat.core.resolve.resolved import resolve

Make = Callable[[float], EditBase]
"""The edit that moves a quantity to a value."""
_HALVINGS = 6
_MOST_STEPS = 100
"""Trials on the way to an end, however far it is: a color that no eye can see has ends far away."""


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
    system: ColorSystem,
    make: Make,
    value: float,
    ends: tuple[float, float],
    step: float,
) -> SafeRange:
    """The safe range of a quantity that is moved by the edits that `make` gives, between two ends.

    It is walked outward in steps, then halved six times: a finding that comes and goes within one step is missed.
    """
    walk = _Walk(system, make, value)
    return SafeRange(*(walk.toward(end, step) for end in ends))


class _Walk:
    def __init__(self, system: ColorSystem, make: Make, value: float) -> None:
        self._system = system
        self._make = make
        self._value = value
        self._now = finding_ids(resolve(system))

    def toward(self, end: float, step: float) -> SafeEnd:
        safe = self._value
        way = 1.0 if end > safe else -1.0
        step = max(step, abs(end - safe) / _MOST_STEPS)
        while (end - safe) * way > 1e-9:
            beyond = safe + way * min(step, abs(end - safe))
            if not self._same(beyond):
                return self._between(safe, beyond)
            safe = beyond
        return SafeEnd(safe, ())

    def _between(self, safe: float, beyond: float) -> SafeEnd:
        for _ in range(_HALVINGS):
            middle = (safe + beyond) / 2.0
            if self._same(middle):
                safe = middle
            else:
                beyond = middle
        return SafeEnd(safe, self._flips(beyond))

    def _changed(self, value: float) -> ColorSystem | None:
        try:
            return self._make(value).change(self._system)
        except DomainError:
            return None

    def _same(self, value: float) -> bool:
        changed = self._changed(value)
        return changed is not None and finding_ids(resolve(changed)) == self._now

    def _flips(self, value: float) -> tuple[str, ...]:
        changed = self._changed(value)
        if changed is None:
            return ("It can go no further.",)
        before = {finding.id: finding for finding in findings(resolve(self._system), repairs=False)}
        after = {finding.id: finding for finding in findings(resolve(changed), repairs=False)}
        come = [finding.sentence for key, finding in after.items() if key not in before]
        gone = [f"settled: {finding.sentence}" for key, finding in before.items() if key not in after]
        return tuple(come + gone)
