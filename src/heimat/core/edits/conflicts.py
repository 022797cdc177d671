"""When two changes meet."""

from collections.abc import Iterable

from heimat.core.edits.base import Path


def _overlap(one: Path, other: Path) -> bool:
    shared = min(len(one), len(other))
    return one[:shared] == other[:shared]


def meeting(writes: Iterable[Path], touched: Iterable[Path]) -> Path | None:
    """A place that is written by one change and touched by another, or None. A place holds all below it."""
    targets = list(touched)
    for written in writes:
        for other in targets:
            if _overlap(written, other):
                return max(written, other, key=len)
    return None


def conflict(
    writes: Iterable[Path],
    reads: Iterable[Path],
    other_writes: Iterable[Path],
    other_reads: Iterable[Path],
) -> Path | None:
    """The place at which two changes conflict: what one writes meets what the other reads or writes."""
    mine, theirs = list(writes), list(other_writes)
    return meeting(mine, [*theirs, *other_reads]) or meeting(theirs, list(reads))
