"""The server's own commands, and the check that a build runs: `heimat serve | openapi | check`."""

import os

# Before NumPy is loaded: on arrays this small, more threads only wait for one another.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

import argparse
import json
import sys
from pathlib import Path

from sqlalchemy import create_engine
from sqlalchemy.exc import SQLAlchemyError

from heimat import serving
from heimat.api.app import create_app
from heimat.demo.load import load_demo
from heimat.formats.checkers import check
from heimat.service.gallery import ensure_shipped
from heimat.service.people import ensure_somebody
from heimat.serving import DATABASE_URL
from heimat.store.engine import EXAMPLE, UnreadableAddressError, make_engine
from heimat.store.migrate import NewerDatabaseError, alone, migrate


def serve(host: str, port: int, workers: int, *, demo: str | None) -> int:
    """Migrate the database of `HEIMAT_DATABASE_URL`, load the demo where asked, and serve until told to end."""
    url = os.environ.get(DATABASE_URL)
    if not url:
        print(f"Set {DATABASE_URL}, for example {EXAMPLE}", file=sys.stderr)
        return 2
    try:
        _prepare(url, demo=demo)
    except UnreadableAddressError as error:
        print(f"{DATABASE_URL}: {error}", file=sys.stderr)
        return 2
    except NewerDatabaseError as error:
        print(str(error), file=sys.stderr)
        return 2
    except SQLAlchemyError as error:
        print(f"The database does not answer as it should: {error.__cause__ or error}", file=sys.stderr)
        return 1
    serving.serve(host, port, workers)
    return 0


def _prepare(url: str, *, demo: str | None) -> None:
    """Bring a database to where it can be worked with, while no other process does."""
    engine = make_engine(url, patient=True)
    with alone(engine, lambda: print("Waiting for another process that brings the tables up to date", flush=True)):
        print("Bringing the tables up to date", flush=True)
        migrate(engine)
        if demo and load_demo(engine, released=demo == "released"):
            print("Loading the demo’s systems", flush=True)
        ensure_somebody(engine)
        ensure_shipped(engine)
    engine.dispose()


def openapi() -> str:
    """The API's own description, as JSON, the same each time. No database is needed."""
    app = create_app(create_engine("mysql+pymysql://", pool_pre_ping=False))
    return json.dumps(app.openapi(), indent=1, sort_keys=True) + "\n"


def main() -> int:
    """Run a command."""
    if sys.argv[1:2] == ["check"]:
        return check.main(sys.argv[2:])
    parser = argparse.ArgumentParser(prog="heimat.cli")
    commands = parser.add_subparsers(dest="command", required=True)
    answering = commands.add_parser("serve")
    answering.add_argument("--host", default="127.0.0.1")
    answering.add_argument("--port", type=int, default=8000)
    answering.add_argument("--workers", type=int, default=1, help="processes that answer")
    answering.add_argument(
        "--demo", nargs="?", const="drafted", choices=("drafted", "released"), help="the made-up customer"
    )
    commands.add_parser("check", help="files against a release: heimat check --from ADDRESS PATH...", add_help=False)
    describing = commands.add_parser("openapi")
    describing.add_argument("file", type=Path)
    given = parser.parse_args()
    if given.command == "openapi":
        given.file.parent.mkdir(parents=True, exist_ok=True)
        given.file.write_text(openapi())
        return 0
    return serve(given.host, given.port, given.workers, demo=given.demo)


if __name__ == "__main__":
    sys.exit(main())
