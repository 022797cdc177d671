"""The store: tables as the migrations make them, and what survives."""

import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import orjson
import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import Engine, text

from heimat.core.document.upgrades import read_document
from heimat.demo.systems import brinemark
from heimat.local.mariadb import LocalMariaDB
from heimat.service.undo import Stacks, still_in_force
from heimat.store.engine import make_engine
from heimat.store.migrate import migrate
from heimat.store.packing import pack, unpack
from heimat.store.revisions import RevisionRow
from heimat.store.tables import metadata
from tools.running import RunningHeimat


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
            text("SELECT default_collation_name FROM information_schema.schemata WHERE schema_name = DATABASE()")
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


def post(heimat: RunningHeimat, path: str, body: dict) -> dict:
    request = urllib.request.Request(
        heimat.address + path, orjson.dumps(body), {"Content-Type": "application/json"}, method="POST"
    )
    with urllib.request.urlopen(request, timeout=20) as answer:
        return orjson.loads(answer.read())


def rename(base: int, name: str) -> dict:
    return {"base": base, "edits": [{"type": "rename_hue", "hue": "kelp", "name": name}]}


def test_what_was_acknowledged_survives_the_death_of_both_servers(tmp_path: Path) -> None:
    database = LocalMariaDB(tmp_path / "data")
    database.start()
    heimat = RunningHeimat(database)
    try:
        heimat.start()
        for number in range(1, 6):
            kept = post(heimat, "/api/systems/brinemark/edits", rename(number, f"k{number}"))
            assert kept["head"]["revision"] == number + 1
        heimat.kill()
        heimat.start()
        assert post(heimat, "/api/systems/brinemark/edits", rename(6, "k6"))["head"]["revision"] == 7
        heimat.kill()
        database.kill()
        database.start()
        heimat.start()
        view = post(heimat, "/api/systems/brinemark/preview", {"base": 7, "edits": [], "view": {"parts": ["hues"]}})
        assert next(hue["name"] for hue in view["hues"] if hue["id"] == "kelp") == "k6"
        assert post(heimat, "/api/systems/brinemark/undo", {})["head"]["revision"] == 8
    finally:
        heimat.stop()
        database.stop()


def test_the_database_may_go_away_and_come_back(tmp_path: Path) -> None:
    database = LocalMariaDB(tmp_path / "data")
    database.start()
    heimat = RunningHeimat(database)
    try:
        heimat.start()
        database.stop()
        with pytest.raises(urllib.error.HTTPError) as refused:
            post(heimat, "/api/systems/brinemark/edits", rename(1, "weed"))
        assert refused.value.code == 503
        assert refused.value.headers["content-type"] == "application/problem+json"
        assert refused.value.headers["retry-after"] == "2"
        database.start()
        assert post(heimat, "/api/systems/brinemark/edits", rename(1, "weed"))["head"]["revision"] == 2
    finally:
        heimat.stop()
        database.stop()


def test_serving_without_a_database_says_what_to_do(tmp_path: Path) -> None:
    command = [sys.executable, "-m", "heimat.cli", "serve", "--port", "1"]
    environment = {"PYTHONPATH": str(Path(__file__).parents[2] / "src")}
    done = subprocess.run(command, env=environment, capture_output=True, text=True, cwd=tmp_path)
    assert done.returncode == 2
    assert "HEIMAT_DATABASE_URL" in done.stderr
