"""What else a repair would change: how many findings go with it, how many come, how many that stay get worse.

A repair that gives one token an opaque color touches few things: each kind of finding measures these alone. All others
(several edits, derived values, translucent or display-p3 colors) are done on the document, which is then resolved and
measured whole.
"""

from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.legibility.findings import kinds
from heimat.core.legibility.findings.move import Counted, Ground, Move
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved


class Consequences:
    """The consequences of repairs on one document, whose findings are known by their ids."""

    def __init__(self, resolved: Resolved, before: frozenset[str]) -> None:
        self._ground = Ground(resolved, before)

    def of(self, repair: Repair) -> Counted | None:
        """What a repair mends and breaks; None where it is no single opaque color of a token."""
        if len(repair.edits) != 1 or not isinstance(repair.edits[0], SetTokenValue):
            return None
        move = Move.of(self._ground, repair.edits[0])
        if move is None:
            return None
        found = Counted()
        for kind in kinds.KINDS:
            counted = kind.moved(move) if kind.moved else None
            if counted is None:
                return None
            found = found.plus(counted)
        return found
