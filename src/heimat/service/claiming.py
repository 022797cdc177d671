"""Claims of this process: what one process alone does, and another takes over where that one has died."""

import threading
import time
import uuid
from collections.abc import Callable, Iterator
from concurrent.futures import Future
from concurrent.futures import TimeoutError as FutureTimeout
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

from sqlalchemy import Connection, Engine
from sqlalchemy.exc import DBAPIError
from sqlalchemy.exc import TimeoutError as PoolTimeout

from heimat.service.clock import now
from heimat.service.transactions import in_transaction
from heimat.store import claim_rows

SECONDS = 60.0
"""How long a claim holds that is not renewed: as long as nobody takes over what a killed process has begun."""
_RENEW_SECONDS = 20.0
_LOOK_SECONDS = 0.05


@dataclass
class Claim:
    """A claim of this process; `other` is who holds it instead, empty where that is nobody by name."""

    engine: Engine
    of: str
    holder: str
    other: str | None

    def wait(self, future: "Future[Any]", left: threading.Event | None = None) -> None:
        """Wait for some work and renew the claim meanwhile; where it was lost, or nobody waits, the work is ended."""
        renewed = time.monotonic()
        while not _done(future):
            if left is not None and left.is_set():
                future.cancel()
            elif time.monotonic() - renewed > _RENEW_SECONDS:
                renewed = time.monotonic()
                if not self._renewed():
                    future.cancel()

    def _renewed(self) -> bool:
        try:
            return in_transaction(
                self.engine,
                lambda connection: claim_rows.renew(
                    connection, self.of, self.holder, now(), SECONDS
                ),
            )
        except (DBAPIError, PoolTimeout):
            # While the database is away nobody else can take over.
            return True


def _done(future: "Future[Any]") -> bool:
    try:
        future.exception(_LOOK_SECONDS)
    except FutureTimeout:
        return future.done()
    except BaseException:
        return True
    return True


@contextmanager
def held(engine: Engine, of: str, person_id: str | None = None) -> Iterator[Claim]:
    """Hold a claim inside, if nobody else holds it."""
    holder = uuid.uuid4().hex

    def work(connection: Connection) -> str | None:
        if claim_rows.take(connection, of, holder, now(), SECONDS, person_id):
            return None
        return claim_rows.holder_of(connection, of) or ""

    claim = Claim(engine, of, holder, in_transaction(engine, work))
    try:
        yield claim
    finally:
        if claim.other is None:
            _quietly(
                lambda: in_transaction(
                    engine, lambda connection: claim_rows.leave(connection, of, holder)
                )
            )


def _quietly(work: Callable[[], object]) -> None:
    """Do what may fail without harm: a claim that is not left runs out."""
    try:
        work()
    except (DBAPIError, PoolTimeout):
        return
