"""Fixtures: a MariaDB of the tests' own, with the demo's data fresh for every test; and how examples are chosen.

What only some tests need is imported where they get it: a test of the core is to begin at once.
"""

import os
import tempfile
from collections.abc import Iterator
from pathlib import Path
from typing import TYPE_CHECKING

import pytest
from hypothesis import settings

from heimat.local.mariadb import LocalMariaDB
from tests.examples import LONG

if TYPE_CHECKING:
    from sqlalchemy import Engine
    from starlette.testclient import TestClient

    from tests.template import Template

# The same examples every time, so that a change is judged and not chance; `--hypothesis-profile explore` looks for
# new ones, and for many more of them.
settings.register_profile("same", derandomize=True, deadline=None, database=None)
settings.register_profile("explore", deadline=None, max_examples=2000)
settings.load_profile("same")


def pytest_addoption(parser: pytest.Parser) -> None:
    parser.addoption(
        "--long", action="store_true", help="all examples and tries, which takes many minutes"
    )


def pytest_configure(config: pytest.Config) -> None:
    if config.getoption("--long"):
        os.environ[LONG] = "1"


def pytest_terminal_summary(terminalreporter: pytest.TerminalReporter) -> None:
    """With `--long`, how it went in one line, also where nothing failed."""
    if terminalreporter.config.getoption("--long"):
        passed, failed, errors = (
            len(terminalreporter.stats.get(each, ())) for each in ("passed", "failed", "error")
        )
        terminalreporter.write_line(f"{passed} passed, {failed + errors} failed")


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    """Leave out, without `--long`, what takes minutes: it is not told as skipped each time."""
    if config.getoption("--long"):
        return
    minutes = [item for item in items if item.get_closest_marker("kills")]
    if minutes:
        items[:] = [item for item in items if item not in minutes]
        config.hook.pytest_deselected(items=minutes)


@pytest.fixture
def long(request: pytest.FixtureRequest) -> bool:
    """Whether there is time for many tries instead of a few."""
    return bool(request.config.getoption("--long"))


_MEMORY = Path("/dev/shm")


@pytest.fixture(scope="session")
def database() -> Iterator[LocalMariaDB]:
    """The server that the tests of this process share. Only tests of durability need their own, on a disk."""
    where = _MEMORY if _MEMORY.is_dir() else None
    with tempfile.TemporaryDirectory(
        prefix="heimat-tests-", dir=where, ignore_cleanup_errors=True
    ) as folder:
        server = LocalMariaDB(Path(folder), durable=False)
        server.start()
        try:
            yield server
        finally:
            server.stop()


@pytest.fixture(scope="session")
def migrated(database: LocalMariaDB) -> Iterator["Engine"]:
    from heimat.store.engine import make_engine
    from heimat.store.migrate import migrate

    engine = make_engine(database.url)
    migrate(engine)
    yield engine
    engine.dispose()


@pytest.fixture(scope="session")
def template(migrated: "Engine") -> "Template":
    from heimat.demo.load import load_demo
    from heimat.service.gallery import ensure_shipped
    from tests.template import Template

    load_demo(migrated)
    ensure_shipped(migrated)
    return Template(migrated)


@pytest.fixture
def engine(migrated: "Engine", template: "Template") -> "Engine":
    """An engine on tables that hold the demo's data and nothing else."""
    template.restore()
    return migrated


@pytest.fixture
def client(engine: "Engine") -> "TestClient":
    """A client that acts as the demo's designer."""
    from tests.api.asking import client_of

    return client_of(engine)


@pytest.fixture
def other(engine: "Engine") -> "TestClient":
    """A client that acts as the demo's data designer, from another process's point of view."""
    from tests.api.asking import client_of

    second = client_of(engine)
    second.put("/api/me", json={"person": "tomke"}).raise_for_status()
    return second
