"""Precedence: while somebody drags, what can wait gives way within its process, which has one interpreter for all."""

import threading
from collections.abc import Iterator
from contextlib import contextmanager

MOST_SECONDS = 0.1
"""How long a piece of work gives way at most, so that it comes to an end though people drag all the time."""


class Precedence:
    """Answers that a hand waits for go before answers that are only asked for once it rests."""

    def __init__(self) -> None:
        self._ahead = 0
        self._free = threading.Condition()

    @contextmanager
    def first(self) -> Iterator[None]:
        """Do inside what goes first; several may at once."""
        with self._free:
            self._ahead += 1
        try:
            yield
        finally:
            with self._free:
                self._ahead -= 1
                self._free.notify_all()

    def give_way(self) -> None:
        """Between two pieces of work that can wait: until nothing goes first, or for a tenth of a second."""
        with self._free:
            self._free.wait_for(lambda: self._ahead == 0, MOST_SECONDS)
