"""How much one reading may take: one limit of time and one of rows, for every reader."""

import time

SECONDS = 8.0
MOST_ROWS = 100_000
"""Rows, tokens, elements or declarations of one text that are looked into."""
_LOOK_EVERY = 16
"""Rows between two looks at the clock."""


class Allowance:
    """What is left of one reading's time and rows. Once one of them is spent, `stopped` says which, and where."""

    def __init__(self, seconds: float = SECONDS, rows: int = MOST_ROWS) -> None:
        self._seconds = seconds
        self._end = time.monotonic() + seconds
        self._most = rows
        self._rows = 0
        self.stopped = ""

    def row(self, line: int) -> bool:
        """Take one more row, which stands on a line of the text. False where reading stops before it."""
        self._rows += 1
        if self._rows > self._most:
            self.stop(line, f"{self._most:,} rows were read")
        elif self._rows % _LOOK_EVERY == 0:
            self.in_time(line)
        return not self.stopped

    def in_time(self, line: int) -> bool:
        """Whether there is time left to go on at a line of the text."""
        if time.monotonic() > self._end:
            self.stop(line, f"{self._seconds:.0f} seconds of reading are over")
        return not self.stopped

    def stop(self, line: int, reason: str) -> None:
        """Stop at a line of the text, for a reason; only the first one counts."""
        if not self.stopped:
            self.stopped = f"Stopped before line {line:,}: {reason}. Give the rest on its own."
