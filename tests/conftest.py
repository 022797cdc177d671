"""Fixtures: a MariaDB of the tests' own in a temporary folder, and fresh databases on it."""

from collections.abc import Iterator

import pytest
from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from heimat.api.app import create_app
from heimat.demo.load import load_demo
from heimat.local.mariadb import LocalMariaDB
from heimat.service.gallery import ensure_shipped
from heimat.store.engine import make_engine
from heimat.store.migrate import migrate
from heimat.store.tables import metadata
from tools.running import temporary_database


@pytest.fixture(scope="session")
def database(tmp_path_factory: pytest.TempPathFactory) -> Iterator[LocalMariaDB]:
    """The server, shared by all tests."""
    server = temporary_database(tmp_path_factory.mktemp("mariadb"))
    yield server
    server.stop()


@pytest.fixture(scope="session")
def migrated(database: LocalMariaDB) -> Iterator[Engine]:
    engine = make_engine(database.url)
    migrate(engine)
    yield engine
    engine.dispose()


@pytest.fixture
def engine(migrated: Engine) -> Engine:
    """An engine on tables that hold the demo's data and nothing else."""
    with migrated.begin() as connection:
        connection.execute(text("SET FOREIGN_KEY_CHECKS = 0"))
        for table in metadata.tables.values():
            connection.execute(table.delete())
        connection.execute(text("SET FOREIGN_KEY_CHECKS = 1"))
    load_demo(migrated)
    ensure_shipped(migrated)
    return migrated


@pytest.fixture
def client(engine: Engine) -> TestClient:
    """A client that acts as the demo's designer."""
    return TestClient(create_app(engine))


@pytest.fixture
def other(engine: Engine) -> TestClient:
    """A client that acts as the demo's data designer, from another process's point of view."""
    second = TestClient(create_app(engine))
    second.put("/api/me", json={"person": "tomke"}).raise_for_status()
    return second
