"""Bringing a database up to the tables of this program, by one process at a time."""

import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, Engine, func, select

MIGRATIONS = Path(__file__).parent / "migrations"
_TRY_SECONDS = 1
_SAY_AFTER_SECONDS = 2.0


class NewerDatabaseError(RuntimeError):
    """A database whose tables a newer program has made."""

    def __init__(self, form: str) -> None:
        super().__init__(
            f"The tables of this database are of form {form}, made by a newer Heimat. Nothing was changed. Start that"
            " one, or give this one a database of its own."
        )


def config_for(connection: Connection | None = None) -> Config:
    """Alembic's configuration, without a file of its own."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["connection"] = connection
    return config


def migrate(engine: Engine) -> None:
    """Run every migration that has not run yet.

    Every statement can run again: MariaDB keeps each change of a table at once, so that a process that is killed leaves
    some done and the migration not told as done. Raises NewerDatabaseError.
    """
    with engine.begin() as connection:
        config = config_for(connection)
        known = {each.revision for each in ScriptDirectory.from_config(config).walk_revisions()}
        for there in MigrationContext.configure(connection).get_current_heads():
            if there not in known:
                raise NewerDatabaseError(there)
        command.upgrade(config, "head")


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
