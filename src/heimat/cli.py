"""The server's own commands, and the check that a build runs: `heimat serve | openapi | check`.

Each command imports what it needs when it is given: a check is not to wait for a server, nor a wrong address for all of
its answers' shapes.
"""

import os

# Before NumPy is loaded: on arrays this small, more threads only wait for one another.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

import argparse
import json
import sys
from pathlib import Path


def serve(host: str, port: int, workers: int, *, demo: str | None) -> int:
    """Migrate the database of `HEIMAT_DATABASE_URL`, load the demo where asked, and serve until told to end."""
    from sqlalchemy.exc import SQLAlchemyError

    from heimat.store.engine import DATABASE_URL, EXAMPLE, UnreadableAddressError
    from heimat.store.migrate import NewerDatabaseError

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
        print(
            f"The database does not answer as it should: {error.__cause__ or error}",
            file=sys.stderr,
        )
        return 1
    from heimat import serving

    serving.serve(host, port, workers)
    return 0


def _prepare(url: str, *, demo: str | None) -> None:
    """Bring a database to where it can be worked with, while no other process does."""
    from heimat.store.engine import make_engine
    from heimat.store.migrate import alone, migrate

    engine = make_engine(url, patient=True)
    from heimat.demo.load import load_demo
    from heimat.service.gallery import ensure_shipped
    from heimat.service.people import ensure_somebody

    with alone(
        engine,
        lambda: print("Waiting for another process that brings the tables up to date", flush=True),
    ):
        print("Bringing the tables up to date", flush=True)
        migrate(engine)
        if demo and load_demo(engine, released=demo == "released"):
            print("Loading the demo’s systems", flush=True)
        ensure_somebody(engine)
        ensure_shipped(engine)
    engine.dispose()


def openapi() -> str:
    """The API's own description, as JSON, the same each time. No database is needed."""
    from sqlalchemy import create_engine

    from heimat.api.app import create_app

    app = create_app(create_engine("mysql+pymysql://", pool_pre_ping=False))
    return json.dumps(app.openapi(), indent=1, sort_keys=True) + "\n"


def main() -> int:
    """Run a command."""
    if sys.argv[1:2] == ["check"]:
        from heimat.formats.checkers import check

        return check.main(sys.argv[2:])
    parser = argparse.ArgumentParser(prog="heimat.cli")
    commands = parser.add_subparsers(dest="command", required=True)
    answering = commands.add_parser("serve")
    answering.add_argument("--host", default="127.0.0.1")
    answering.add_argument("--port", type=int, default=8000)
    answering.add_argument("--workers", type=int, default=1, help="processes that answer")
    answering.add_argument(
        "--demo",
        nargs="?",
        const="drafted",
        choices=("drafted", "released"),
        help="the made-up customer",
    )
    commands.add_parser(
        "check", help="files against a release: heimat check --from ADDRESS PATH...", add_help=False
    )
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
