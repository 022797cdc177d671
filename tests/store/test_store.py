"""The store: tables as the migrations make them, and what survives."""

from collections.abc import Iterator

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import Engine, text

from heimat.core.document.upgrades import read_document
from heimat.demo.demo_systems import brinemark
from heimat.local.mariadb import LocalMariaDB
from heimat.service.undo import Stacks, still_in_force
from heimat.store.engine import make_engine
from heimat.store.migrate import migrate
from heimat.store.revision_rows import RevisionRow
from heimat.store.stored_json import pack, unpack
from heimat.store.tables import metadata


@pytest.fixture(scope="module")
def durable(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Engine]:
    """Tables as the migrations make them, on a server as it runs for people."""
    server = LocalMariaDB(tmp_path_factory.mktemp("durable"))
    server.start()
    engine = make_engine(server.url)
    migrate(engine)
    yield engine
    engine.dispose()
    server.stop()


def test_migrations_make_the_tables_that_the_program_knows(durable: Engine) -> None:
    with durable.connect() as connection:
        context = MigrationContext.configure(connection, opts={"compare_type": True})
        assert compare_metadata(context, metadata) == []


def test_everything_is_utf8mb4_with_the_collation_stated(durable: Engine) -> None:
    with durable.connect() as connection:
        database = connection.execute(
            text(
                "SELECT default_collation_name FROM information_schema.schemata WHERE schema_name = DATABASE()"
            )
        ).scalar_one()
        columns = connection.execute(
            text(
                "SELECT DISTINCT collation_name FROM information_schema.columns"
                " WHERE table_schema = DATABASE() AND collation_name IS NOT NULL AND table_name <> 'alembic_version'"
            )
        ).scalars()
        assert database == "utf8mb4_bin"
        assert set(columns) == {"utf8mb4_bin"}
        assert connection.execute(text("SELECT @@innodb_flush_log_at_trx_commit")).scalar_one() == 1


def test_a_document_is_stored_small_and_whole() -> None:
    document = brinemark().model_dump(mode="json")
    blob = pack(document)
    assert read_document(unpack(blob)) == brinemark()
    assert len(blob) < 40_000


def test_a_document_from_a_newer_program_is_refused() -> None:
    document = brinemark().model_dump(mode="json") | {"schema": 99}
    with pytest.raises(ValueError, match="schema 99"):
        read_document(document)


def row(number: int, kind: str = "edit", undoes: int | None = None) -> RevisionRow:
    return RevisionRow(number, number, "ines", "Ines Vahl", None, kind, undoes, f"e{number}")  # type: ignore[arg-type]


def test_stacks_and_what_is_still_in_force() -> None:
    rows = [row(1), row(2), row(3, "undo", 2), row(4, "undo", 1), row(5, "redo", 4)]
    found = Stacks(rows)
    assert [each.id for each in found.undo] == [5]
    assert [each.id for each in found.redo] == [3]
    assert [each.id for each in still_in_force(rows)] == [5]
    assert [each.id for each in still_in_force([*rows, row(6, "redo", 3)])] == [5, 6]
    assert Stacks([*rows, row(6)]).redo == []
