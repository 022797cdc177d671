"""Work that takes long is done in processes beside the one that answers, which has one interpreter for all.

What is given and what comes back is pickled; a function that is given stands at the top of its module. What is given
is pickled where it is given: what cannot be is told to whoever gave it, and harms nobody else's work. Whoever is too
slow, or takes too much memory, is ended with its process, and so is what nobody waits for any more.

Each kind of work has a lane with a process of its own, so that none waits for another kind: hostile files hold up
neither a release nor how far a color may move.
"""

import atexit
import math
import multiprocessing
import os
import pickle
import resource
import signal
import threading
import time
from collections.abc import Callable
from concurrent.futures import CancelledError
from concurrent.futures import TimeoutError as FutureTimeout
from functools import lru_cache
from typing import Any, TypeVar

from pebble import ProcessExpired, ProcessFuture, ProcessPool

from heimat.service.failures import Busy, TooLarge, TooSlow

SECONDS = 20.0
"""Of processor time: how long a piece of work may take."""
CLOCK = 5.0
"""How many times as long it may take by the clock, on a machine that is busy with other things."""
READING_BYTES = 1_200_000_000
"""Of memory, beyond what a process has when it starts."""
MAKING_BYTES = 2_400_000_000
MOST_WAITING = 24
"""Pieces of work that are under way or wait at once in a lane; more are refused with a word."""
TASKS = 100
"""Pieces of work after which a process ends and gives back what it has taken."""
_NICE = 5
_PRELOADED = ["heimat.api.app", "heimat.core.pictures.main_colors"]
Made = TypeVar("Made")


class Lane:
    """A process for one kind of work, started when it is first needed."""

    def __init__(self, memory: int = READING_BYTES) -> None:
        """A lane whose process may take so many bytes of `memory` beyond what it starts with."""
        self._memory = memory
        self._pool: ProcessPool | None = None
        self._lock = threading.Lock()
        self._waiting = 0

    def start(self) -> None:
        """Start the process before anybody waits for it."""
        self.begin(_nothing)

    def run(self, work: Callable[..., Made], *given: Any, seconds: float = SECONDS) -> Made:
        """Do some work elsewhere and wait for what it gives, or for what it raises.

        Raises Busy where too much waits already, TooSlow after `seconds` of processor time or five times as many by
        the clock, and TooLarge where it needs more memory than there is for it.
        """
        return self.result(self.begin(work, *given, seconds=seconds), seconds)

    def begin(
        self, work: Callable[..., Made], *given: Any, seconds: float = SECONDS
    ) -> ProcessFuture[bytes]:
        """Begin some work. Cancelling the future ends the process that does it; `result` tells what it gives."""
        sent = pickle.dumps((work, given, seconds), pickle.HIGHEST_PROTOCOL)
        with self._lock:
            if self._waiting >= MOST_WAITING:
                raise Busy
            if self._pool is None or not self._pool.active:
                self._pool = self._started()
            future = self._pool.schedule(_unpacked, args=(sent,), timeout=seconds * CLOCK)
            self._waiting += 1
        future.add_done_callback(self._done)
        return future

    @staticmethod
    def result(future: ProcessFuture[bytes], seconds: float = SECONDS) -> Any:
        """What some work gives, once it has. Raises TooSlow, TooLarge, Busy where its process was ended, and what it
        raises."""
        try:
            return pickle.loads(future.result())
        except FutureTimeout as error:
            raise TooSlow(seconds * CLOCK, clock=True) from error
        except MemoryError as error:
            raise TooLarge from error
        except ProcessExpired as error:
            if error.exitcode == -signal.SIGXCPU:
                raise TooSlow(seconds) from error
            raise Busy from error
        except CancelledError as error:
            raise Busy from error

    def close(self) -> None:
        """End the process, whatever it does."""
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
        return ProcessPool(1, TASKS, initializer=_behind, initargs=(self._memory,), context=context)


class Workers:
    """The lanes: reading what is sent, making releases, asking what costs much, and setting guides on pages."""

    def __init__(self) -> None:
        self.reading = Lane()
        self.making = Lane(MAKING_BYTES)
        self.asking = Lane()
        self.printing = Lane(MAKING_BYTES)
        atexit.register(self.close)

    def start(self) -> None:
        """Start the processes that somebody will soon wait for."""
        for lane in (self.reading, self.making, self.asking):
            lane.start()

    def close(self) -> None:
        """End all processes, whatever they do."""
        for lane in (self.reading, self.making, self.asking, self.printing):
            lane.close()


def _unpacked(sent: bytes) -> bytes:
    work, given, seconds = pickle.loads(sent)
    _allow(seconds)
    # Pickled here, so that what is too large to be sent back is told like any other error.
    return pickle.dumps(work(*given), pickle.HIGHEST_PROTOCOL)


def _allow(seconds: float) -> None:
    """Let the process take so many seconds of processor time more; then the system ends it, whatever it does."""
    limit = math.ceil(time.process_time() + seconds)
    resource.setrlimit(resource.RLIMIT_CPU, (limit, resource.getrlimit(resource.RLIMIT_CPU)[1]))


def _behind(memory: int) -> None:
    """Let the process that answers go first, and take no more memory than there is for it."""
    os.setpriority(os.PRIO_PROCESS, 0, _NICE)
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    with open("/proc/self/statm") as told:
        taken = int(told.read().split()[0]) * resource.getpagesize()
    resource.setrlimit(resource.RLIMIT_AS, (taken + memory, resource.RLIM_INFINITY))


def _nothing() -> None:
    """What a process does to be there."""


@lru_cache(1)
def shared_workers() -> Workers:
    """Those of this process."""
    return Workers()
