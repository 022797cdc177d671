"""The server's own commands: `python -m heimat.cli serve | openapi`."""

import os

# Before NumPy is loaded: on arrays this small, more threads only wait for one another.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

import argparse
import gc
import json
import socket
import sys
from pathlib import Path

import uvicorn
from sqlalchemy import create_engine
from sqlalchemy.exc import SQLAlchemyError

from heimat.api.app import create_app
from heimat.api.guard import HOSTS, hosts_of
from heimat.demo.load import load_demo
from heimat.service.gallery import ensure_shipped
from heimat.service.people import ensure_somebody
from heimat.service.workers import COUNT, Workers
from heimat.store.engine import EXAMPLE, UnreadableAddressError, make_engine
from heimat.store.migrate import alone, migrate

DATABASE_URL = "HEIMAT_DATABASE_URL"
_SWITCH_SECONDS = 0.0005
"""How long one thread may hold the interpreter: an answer that is ready waits for it several times on its way out."""
_COLLECT_AFTER = 20_000
"""Objects made before Python looks for cycles, instead of 700: an answer is some thousand dictionaries, in no cycle."""


def serve(host: str, port: int, workers: int, *, demo: bool) -> int:
    """Migrate the database of `HEIMAT_DATABASE_URL`, load the demo where asked, and serve until told to end."""
    url = os.environ.get(DATABASE_URL)
    if not url:
        print(f"Set {DATABASE_URL}, for example {EXAMPLE}", file=sys.stderr)
        return 2
    try:
        engine = make_engine(url)
        _prepare(url, demo=demo)
    except UnreadableAddressError as error:
        print(f"{DATABASE_URL}: {error}", file=sys.stderr)
        return 2
    except SQLAlchemyError as error:
        print(f"The database does not answer as it should: {error.__cause__ or error}", file=sys.stderr)
        return 1
    hosts = hosts_of(os.environ.get(HOSTS, "")) | {host.lower()}
    costly = Workers(workers)
    app = create_app(engine, hosts, costly)
    config = uvicorn.Config(app, host=host, port=port, log_level="warning", access_log=False)
    _ready_for_drags()
    costly.start()
    _AnnouncingServer(config, costly).run()
    return 0


def _prepare(url: str, *, demo: bool) -> None:
    """Bring a database to where it can be worked with, while no other process does."""
    engine = make_engine(url, patient=True)
    with alone(engine, lambda: print("Waiting for another process that brings the tables up to date", flush=True)):
        print("Bringing the tables up to date", flush=True)
        migrate(engine)
        if demo and load_demo(engine):
            print("Loading the demo’s systems: Brinemark and Merrow Light", flush=True)
        ensure_somebody(engine)
        ensure_shipped(engine)
    engine.dispose()


def _ready_for_drags() -> None:
    """Let no thread wait long for another, nor a drag for the collector of cycles.

    Going through all that the libraries have made takes it a tenth of a second; that is there for good, and set aside.
    """
    sys.setswitchinterval(_SWITCH_SECONDS)
    gc.collect()
    gc.freeze()
    gc.set_threshold(_COLLECT_AFTER, 10, 10)


class _AnnouncingServer(uvicorn.Server):
    """A server that says its address once it listens, and not before; and that ends its workers with itself."""

    def __init__(self, config: uvicorn.Config, workers: Workers) -> None:
        super().__init__(config)
        self._workers = workers

    async def shutdown(self, sockets: list[socket.socket] | None = None) -> None:
        await super().shutdown(sockets)
        # Here, because the signal that ends it is sent once more afterwards, and then nothing else runs.
        self._workers.close()

    async def startup(self, sockets: list[socket.socket] | None = None) -> None:
        await super().startup(sockets)
        if self.started:
            print(f"Heimat is at http://{self.config.host}:{self.config.port}", flush=True)


def openapi() -> str:
    """The API's own description, as JSON, the same each time. No database is needed."""
    app = create_app(create_engine("mysql+pymysql://", pool_pre_ping=False))
    return json.dumps(app.openapi(), indent=1, sort_keys=True) + "\n"


def main() -> int:
    """Run a command."""
    parser = argparse.ArgumentParser(prog="heimat.cli")
    commands = parser.add_subparsers(dest="command", required=True)
    serving = commands.add_parser("serve")
    serving.add_argument("--host", default="127.0.0.1")
    serving.add_argument("--port", type=int, default=8000)
    serving.add_argument("--workers", type=int, default=COUNT, help="processes for what takes long, beside this one")
    serving.add_argument("--demo", action="store_true")
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
