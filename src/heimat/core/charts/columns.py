"""Data in columns: numbers, days, or words."""

from collections import Counter
from dataclasses import dataclass
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Floats

ColumnKind = Literal["number", "day", "word"]


@dataclass(frozen=True)
class Column:
    """A column: words as they came (n), and the numbers (n,) that they are, or days since 1970; NaN where none is."""

    name: str
    kind: ColumnKind
    words: tuple[str, ...]
    numbers: Floats

    @property
    def categories(self) -> list[str]:
        """The different words, the most frequent first, of equally frequent ones the first in the data."""
        return [word for word, _ in Counter(word for word in self.words if word).most_common()]


@dataclass(frozen=True)
class Table:
    """Columns of equal length, and what was passed over while they were read, in sentences."""

    columns: tuple[Column, ...]
    notes: tuple[str, ...] = ()

    @property
    def rows(self) -> int:
        """How many rows there are."""
        return len(self.columns[0].words) if self.columns else 0

    def column(self, name: str) -> Column | None:
        """The column of a name."""
        return next((each for each in self.columns if each.name == name), None)

    def of_kind(self, kind: ColumnKind) -> list[Column]:
        """The columns of a kind, in order."""
        return [each for each in self.columns if each.kind == kind]


def finite(numbers: Floats) -> Floats:
    """The numbers (m,) that are there, of n."""
    return np.asarray(numbers[np.isfinite(numbers)])
