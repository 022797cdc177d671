"""Which of a person's changes can be taken back, and what would stand in the way."""

from collections.abc import Iterable
from dataclasses import dataclass

from heimat.store.revisions import RevisionRow

DEPTH = 200
"""How many of a person's last revisions are looked at."""


@dataclass(frozen=True)
class Stacks:
    """A person's changes that can be undone and undos that can be redone, the next one last."""

    undo: list[RevisionRow]
    redo: list[RevisionRow]


def stacks(mine: Iterable[RevisionRow]) -> Stacks:
    """Replay one person's revisions, oldest first."""
    undo: list[RevisionRow] = []
    redo: list[RevisionRow] = []
    for row in mine:
        if row.kind == "edit":
            undo.append(row)
            redo.clear()
        elif row.kind == "open":
            continue
        elif row.kind == "undo":
            undo = [other for other in undo if other.id != row.undoes_id]
            redo.append(row)
        else:
            redo = [other for other in redo if other.id != row.undoes_id]
            undo.append(row)
    return Stacks(undo, redo)


def still_in_force(later: Iterable[RevisionRow]) -> list[RevisionRow]:
    """Of revisions in order, those that none of the others takes back."""
    active: dict[int, RevisionRow] = {}
    for row in later:
        if row.undoes_id in active:
            del active[row.undoes_id]
        else:
            active[row.id] = row
    return list(active.values())
