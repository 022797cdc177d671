"""Transactions: tried again where the database had to choose between two, and one order of locks.

Whoever holds several rows takes them in this order: an alternative, then its system. Whatever is added below them
(revisions, releases) is added while the alternative is held.
"""

import random
import time
from collections.abc import Callable
from typing import TypeVar

from sqlalchemy import Connection, Engine
from sqlalchemy.exc import IntegrityError, OperationalError

from heimat.service.failures import Busy
from heimat.store.engine import is_deadlock, is_duplicate, is_lock_wait

TRIES = 5
_FIRST_PAUSE = 0.01
Made = TypeVar("Made")


def in_transaction(engine: Engine, work: Callable[[Connection], Made]) -> Made:
    """Do some work in one transaction; again from its start where it met another's and was given up, or where another
    has made the same first: work that creates something asks for it before.

    Raises Busy where others hold what it needs for too long, and whatever the work raises.
    """
    for attempt in range(TRIES):
        try:
            with engine.begin() as connection:
                return work(connection)
        except IntegrityError as error:
            # Another has made the same in the same moment: what is asked first finds it now.
            if not is_duplicate(error) or attempt + 1 == TRIES:
                raise
        except OperationalError as error:
            if is_lock_wait(error) or (is_deadlock(error) and attempt + 1 == TRIES):
                raise Busy from error
            if not is_deadlock(error):
                raise
        time.sleep(random.uniform(0.5, 1.0) * _FIRST_PAUSE * 2**attempt)
    raise Busy
