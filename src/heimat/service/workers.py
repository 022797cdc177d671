"""Work that takes long is done in processes beside the one that answers, which has one interpreter for all.

What is given and what comes back is pickled; a function that is given stands at the top of its module. What is given
is pickled where it is given: what cannot be is told to whoever gave it, and harms nobody else's work. Whoever is too
slow is ended with its process, and so is what nobody waits for any more.
"""

import atexit
import multiprocessing
import os
import pickle
import threading
from collections.abc import Callable
from concurrent.futures import CancelledError
from concurrent.futures import TimeoutError as FutureTimeout
from functools import lru_cache
from typing import Any, TypeVar

from pebble import ProcessExpired, ProcessFuture, ProcessPool

from heimat.service.errors import Busy, TooSlow

COUNT = 2
"""Processes for costly work, where nothing else is said."""
SECONDS = 20.0
"""How long a piece of work may take."""
MOST_WAITING = 24
"""Pieces of work that are under way or wait at once; more are refused with a word."""
_NICE = 5
_TASKS = 24
"""Pieces of work after which a process ends and gives back what it has taken."""
_PRELOADED = ["heimat.api.app", "heimat.core.pictures.main_colors"]
Made = TypeVar("Made")


class Workers:
    """Some processes, started when they are first needed."""

    def __init__(self, count: int = COUNT) -> None:
        """Up to `count` processes at once."""
        self._count = count
        self._pool: ProcessPool | None = None
        self._lock = threading.Lock()
        self._waiting = 0

    def start(self) -> None:
        """Start the processes before anybody waits for them."""
        self.begin(_behind)

    def run(self, work: Callable[..., Made], *given: Any, seconds: float = SECONDS) -> Made:
        """Do some work elsewhere and wait for what it gives, or for what it raises.

        Raises Busy where too much waits already, and TooSlow after `seconds` of work.
        """
        return self.result(self.begin(work, *given, seconds=seconds))

    def begin(self, work: Callable[..., Made], *given: Any, seconds: float = SECONDS) -> ProcessFuture[Any]:
        """Begin some work. Cancelling the future ends the process that does it."""
        sent = pickle.dumps((work, given), pickle.HIGHEST_PROTOCOL)
        with self._lock:
            if self._waiting >= MOST_WAITING:
                raise Busy
            if self._pool is None or not self._pool.active:
                self._pool = self._started()
            future = self._pool.schedule(_unpacked, args=(sent,), timeout=seconds)
            self._waiting += 1
        future.add_done_callback(self._done)
        return future

    @staticmethod
    def result(future: ProcessFuture[Any]) -> Any:
        """What some work gives, once it has. Raises TooSlow, Busy where its process was ended, and what it raises."""
        try:
            return future.result()
        except FutureTimeout as error:
            raise TooSlow from error
        except (ProcessExpired, CancelledError) as error:
            raise Busy from error

    def close(self) -> None:
        """End all processes, whatever they do."""
        with self._lock:
            pool, self._pool = self._pool, None
        if pool is not None:
            pool.stop()  # type: ignore[no-untyped-call]
            pool.join()

    def _done(self, _: object) -> None:
        with self._lock:
            self._waiting -= 1

    def _started(self) -> ProcessPool:
        # Forked from a process that has imported everything and runs no threads: soon there, and safe.
        context = multiprocessing.get_context("forkserver")
        context.set_forkserver_preload(_PRELOADED)
        atexit.register(self.close)
        return ProcessPool(self._count, _TASKS, initializer=_behind, context=context)


def _unpacked(sent: bytes) -> Any:
    work, given = pickle.loads(sent)
    return work(*given)


def _behind() -> None:
    """Let the process that answers go first."""
    os.setpriority(os.PRIO_PROCESS, 0, _NICE)


@lru_cache(1)
def shared_workers() -> Workers:
    """Those of this process."""
    return Workers()
