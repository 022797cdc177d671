"""Timing, and how it is printed."""

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass


@dataclass(frozen=True)
class Timing:
    """Milliseconds of several runs."""

    runs: list[float]

    @property
    def median(self) -> float:
        """The middle one."""
        return statistics.median(self.runs)

    @property
    def p95(self) -> float:
        """The one that 95 % stay within."""
        return sorted(self.runs)[max(int(len(self.runs) * 0.95 + 0.5) - 1, 0)]


def measure(work: Callable[[], object], runs: int) -> Timing:
    """Run some work a few times unmeasured, then `runs` times measured."""
    for _ in range(min(runs, 5)):
        work()
    found: list[float] = []
    for _ in range(runs):
        start = time.perf_counter()
        work()
        found.append((time.perf_counter() - start) * 1000.0)
    return Timing(found)


def report(what: str, timing: Timing, aim: str, more: str = "") -> None:
    """Print one line."""
    figures = f"median {timing.median:8.2f} ms   p95 {timing.p95:8.2f} ms"
    print(f"{what:<58} {figures}   aim: {aim}{'   ' + more if more else ''}", flush=True)


def note(what: str, figure: str, aim: str) -> None:
    """Print one line that is no time."""
    print(f"{what:<58} {figure:<38}   aim: {aim}", flush=True)
