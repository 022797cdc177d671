"""Bringing a database up to the tables of this program, by one process at a time."""

import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Connection, Engine, func, select

MIGRATIONS = Path(__file__).parent / "migrations"
_TRY_SECONDS = 1
_SAY_AFTER_SECONDS = 2.0


def config_for(connection: Connection | None = None) -> Config:
    """Alembic's configuration, without a file of its own."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["connection"] = connection
    return config


def migrate(engine: Engine) -> None:
    """Run every migration that has not run yet.

    Every statement can run again: MariaDB keeps each change of a table at once, so that a process that is killed leaves
    some done and the migration not told as done.
    """
    with engine.begin() as connection:
        command.upgrade(config_for(connection), "head")


@contextmanager
def alone(engine: Engine, waiting: Callable[[], None]) -> Iterator[None]:
    """Do inside what only one process at a time may do with a database; others wait, and `waiting` is called once."""
    with engine.connect() as connection:
        # Locks by name are the server's, not the database's.
        name = f"heimat {connection.execute(select(func.database())).scalar_one()}"[:64]
        begun, told = time.monotonic(), False
        while not connection.execute(select(func.get_lock(name, _TRY_SECONDS))).scalar_one():
            if not told and time.monotonic() - begun > _SAY_AFTER_SECONDS:
                waiting()
                told = True
        try:
            yield
        finally:
            connection.execute(select(func.release_lock(name)))
