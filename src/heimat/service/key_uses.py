"""When keys were used last: noted in memory, and written a few seconds later for all of them together."""

import threading
from datetime import datetime

from sqlalchemy import Engine
from sqlalchemy.exc import DBAPIError
from sqlalchemy.exc import TimeoutError as PoolTimeout

from heimat.store import feed_key_rows

WRITE_SECONDS = 3.0
"""How long a use may stay unwritten: what a killed process has noted since is lost."""


class KeyUses:
    """The uses of the keys of one database, by one process."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self._noted: dict[int, tuple[datetime, str]] = {}
        self._lock = threading.Lock()
        self._timer: threading.Timer | None = None

    def note(self, key_id: int, at: datetime, version: str) -> None:
        """Note that a key was used for a version."""
        with self._lock:
            self._noted[key_id] = (at, version)
            if self._timer is None:
                self._timer = threading.Timer(WRITE_SECONDS, self.write)
                self._timer.daemon = True
                self._timer.start()

    def write(self) -> None:
        """Write what was noted. While the database is away it is noted still."""
        with self._lock:
            noted, self._noted = self._noted, {}
            if self._timer is not None:
                self._timer.cancel()
            self._timer = None
        if not noted:
            return
        try:
            with self._engine.begin() as connection:
                feed_key_rows.note_uses(connection, noted)
        except (DBAPIError, PoolTimeout):
            with self._lock:
                self._noted = {**noted, **self._noted}
