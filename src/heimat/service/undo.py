"""Which of a person's changes can be taken back, and what would stand in the way."""

import threading
from collections.abc import Iterable

from cachetools import LRUCache
from sqlalchemy import Connection

from heimat.store import revision_rows
from heimat.store.revision_rows import RevisionRow

_REMEMBERED = 256


class Stacks:
    """One person's changes in an alternative that can be undone, and undos that can be redone, the next one last.

    They reach back to the first change there is.
    """

    def __init__(self, mine: Iterable[RevisionRow] = ()) -> None:
        """Replay a person's revisions, oldest first."""
        self.undo: list[RevisionRow] = []
        self.redo: list[RevisionRow] = []
        self.number = 0
        for row in mine:
            self.take(row)

    def take(self, row: RevisionRow) -> None:
        """Go on with the next revision; what was replayed already is passed over."""
        if row.number <= self.number:
            return
        self.number = row.number
        if row.kind == "edit":
            self.undo.append(row)
            self.redo.clear()
        elif row.kind == "undo":
            _drop(self.undo, row.undoes_id)
            self.redo.append(row)
        elif row.kind == "redo":
            _drop(self.redo, row.undoes_id)
            self.undo.append(row)
        elif row.kind == "pass":
            _drop(self.undo, row.undoes_id)
            _drop(self.redo, row.undoes_id)


def _drop(stack: list[RevisionRow], revision_id: int | None) -> None:
    if stack and stack[-1].id == revision_id:
        stack.pop()
    else:
        stack[:] = [row for row in stack if row.id != revision_id]


class UndoMemory:
    """The stacks of those at work. Revisions are only ever added, so what came since the last look is replayed."""

    def __init__(self) -> None:
        self._kept: LRUCache[tuple[int, str], Stacks] = LRUCache(_REMEMBERED)
        self._lock = threading.Lock()

    def tops(
        self, connection: Connection, alternative_id: int, person_id: str
    ) -> tuple[RevisionRow | None, RevisionRow | None]:
        """What a person can undo and redo next."""
        with self._lock:
            known = self._kept.get((alternative_id, person_id))
            number = known.number if known else 0
        rows = revision_rows.history(connection, alternative_id, after=number, person_id=person_id)
        with self._lock:
            # Another may have gone on with the same rows: what was replayed is passed over.
            stacks = known or self._kept.get((alternative_id, person_id)) or Stacks()
            for row in rows:
                stacks.take(row)
            self._kept[alternative_id, person_id] = stacks
            return (
                stacks.undo[-1] if stacks.undo else None,
                stacks.redo[-1] if stacks.redo else None,
            )


def still_in_force(later: Iterable[RevisionRow]) -> list[RevisionRow]:
    """Of revisions in order, those that none of the others takes back, and that change more than how order is kept."""
    active: dict[int, RevisionRow] = {}
    for row in later:
        if row.kind in ("tidy", "pass"):
            continue
        if row.undoes_id in active:
            del active[row.undoes_id]
        else:
            active[row.id] = row
    return list(active.values())
