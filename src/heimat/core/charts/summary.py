"""What lists say of a table: its columns, without their cells."""

from dataclasses import asdict, dataclass
from typing import Any

import numpy as np

from heimat.core.charts.columns import Column, ColumnKind, Table, finite
from heimat.core.charts.suitability import PaletteKind, kind_for

_MOST_NAMED = 40


@dataclass(frozen=True)
class ColumnSummary:
    """A column: its kind, its words if there are few, how far its numbers reach, and the palettes that suit it."""

    name: str
    kind: ColumnKind
    words: tuple[str, ...]
    low: float | None
    high: float | None
    suits: PaletteKind | None
    why: str


@dataclass(frozen=True)
class Summary:
    """How many rows a table has, its columns, and what was passed over in reading it."""

    rows: int
    columns: tuple[ColumnSummary, ...]
    notes: tuple[str, ...]

    def plain(self) -> dict[str, Any]:
        """The summary as plain data."""
        return asdict(self)

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "Summary":
        """The summary out of plain data. Raises KeyError and TypeError for what is none."""
        columns = tuple(
            ColumnSummary(**{**each, "words": tuple(each["words"])}) for each in data["columns"]
        )
        return cls(data["rows"], columns, tuple(data["notes"]))


def summary_of(table: Table) -> Summary:
    """What lists say of a table."""
    return Summary(table.rows, tuple(_column(column) for column in table.columns), table.notes)


def _column(column: Column) -> ColumnSummary:
    numbers = finite(column.numbers) if column.kind == "number" else np.empty(0)
    suits, why = kind_for(column) or (None, "")
    words = tuple(column.categories[:_MOST_NAMED]) if column.kind == "word" else ()
    low, high = (float(numbers.min()), float(numbers.max())) if len(numbers) else (None, None)
    return ColumnSummary(column.name, column.kind, words, low, high, suits, why)
