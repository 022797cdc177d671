"""Bringing tables up can be broken off anywhere and begun again, and only one process does it at a time."""

import threading
from collections.abc import Iterator

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import Engine, event, text

from heimat.demo.load import load_demo
from heimat.local.mariadb import LocalMariaDB
from heimat.service.gallery import ensure_shipped
from heimat.store.engine import make_engine
from heimat.store.migrate import alone, migrate
from heimat.store.tables import metadata


class BrokenOffError(Exception):
    """The process ends here."""


@pytest.fixture
def empty(database: LocalMariaDB) -> Iterator[Engine]:
    """A database of its own without any tables."""
    address, _, name = database.url.rpartition("/")
    own = f"{name}_broken_off"
    maker = make_engine(database.url)
    with maker.begin() as connection:
        connection.execute(text("SET FOREIGN_KEY_CHECKS = 0"))
        connection.execute(text(f"CREATE OR REPLACE DATABASE `{own}`"))
    engine = make_engine(f"{address}/{own}")
    yield engine
    engine.dispose()
    maker.dispose()


def finished(engine: Engine, statements: int) -> bool:
    """Whether a process comes to the end that may run so many statements."""
    left = statements

    def after(*_: object) -> None:
        nonlocal left
        left -= 1
        if left < 0:
            raise BrokenOffError

    event.listen(engine, "after_cursor_execute", after)
    try:
        migrate(engine)
    except BrokenOffError:
        return False
    finally:
        event.remove(engine, "after_cursor_execute", after)
        # What was not committed is gone with the process.
        engine.dispose()
    return True


def test_a_process_killed_after_any_statement_leaves_what_the_next_one_can_bring_up(
    empty: Engine,
) -> None:
    """After each statement in turn, from no tables to all of them; each time the next start finds what is there."""
    statements = 0
    while not finished(empty, statements):
        statements += 1
    assert statements > 10
    with empty.connect() as connection:
        assert (
            compare_metadata(
                MigrationContext.configure(connection, opts={"compare_type": True}), metadata
            )
            == []
        )
    assert load_demo(empty)
    ensure_shipped(empty)


def test_two_processes_bring_a_database_up_one_after_the_other(empty: Engine) -> None:
    inside, most, waited = 0, 0, []
    lock = threading.Lock()

    def start() -> None:
        nonlocal inside, most
        with alone(empty, lambda: waited.append(True)):
            with lock:
                inside += 1
                most = max(most, inside)
            migrate(empty)
            load_demo(empty)
            with lock:
                inside -= 1

    threads = [threading.Thread(target=start) for _ in range(4)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert most == 1
    with empty.connect() as connection:
        assert connection.execute(text("SELECT COUNT(*) FROM person")).scalar_one() == 4
