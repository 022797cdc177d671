"""Systems of difference constraints: numbers that keep at least some distances from one another.

Such a system can be kept exactly if no cycle of its constraints asks for more than nothing (longest paths: Bellman
1958, Floyd 1962). Each number then has a range of its own, and any value in that leaves room for all others.
"""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Floats

_SLACK = 1e-12
_ROUNDS = 200


@dataclass
class Differences:
    """n numbers x, and what each pair keeps: x[i] - x[j] >= least[i, j], minus infinity where nothing is asked.

    Row and column n stand for 0: least[i, n] is the least value of x[i], -least[n, i] the largest.
    """

    least: Floats

    @classmethod
    def of(cls, count: int) -> "Differences":
        """Numbers of which nothing is asked yet."""
        return cls(np.full((count + 1, count + 1), -np.inf))

    def copy(self) -> "Differences":
        """The same, to ask more of."""
        return Differences(self.least.copy())

    def keep(self, larger: int, smaller: int, distance: float) -> None:
        """Ask that one number is larger than another by at least a distance."""
        self.least[larger, smaller] = max(self.least[larger, smaller], distance)

    def above(self, place: int, value: float) -> None:
        """Ask that a number is at least a value."""
        self.keep(place, len(self.least) - 1, value)

    def below(self, place: int, value: float) -> None:
        """Ask that a number is at most a value."""
        self.keep(len(self.least) - 1, place, -value)

    def closed(self) -> Floats | None:
        """All that follows from what is asked, pair by pair, (n, n); None where it cannot be kept."""
        found = self.least.copy()
        np.fill_diagonal(found, np.maximum(np.diag(found), 0.0))
        for via in range(len(found)):
            np.maximum(found, found[:, via, None] + found[via], out=found)
        return None if (np.diag(found) > _SLACK).any() else found

    def near(self, wanted: Floats) -> Floats | None:
        """Numbers (n,) that keep everything and are near to wanted ones; None where none do."""
        closed = self.closed()
        if closed is None:
            return None
        x = np.append(wanted, 0.0)
        for _ in range(_ROUNDS):
            # What falls short is shared by both sides, so that no number pays for all.
            short = np.maximum(closed - (x[:, None] - x), 0.0)
            if short.max() < _SLACK:
                break
            x[:-1] += (0.5 * (short.max(axis=1) - short.max(axis=0)))[:-1]
        for place in range(len(wanted)):
            low, high = closed[place, -1], -closed[-1, place]
            x[place] = min(max(x[place], low), high)
            # Once a number is settled, what follows from it holds for all others.
            closed[:, -1] = np.maximum(closed[:, -1], closed[:, place] + x[place])
            closed[-1] = np.maximum(closed[-1], closed[place] - x[place])
        return x[:-1]
