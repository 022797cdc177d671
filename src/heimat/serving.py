"""Serving: one process that answers, or several that share a port; each has others beside it for what takes long."""

import gc
import os
import socket
import sys
import threading

import uvicorn
from fastapi import FastAPI
from uvicorn.supervisors import Multiprocess

from heimat.api.app import create_app
from heimat.api.guard import HOSTS, hosts_of
from heimat.store.engine import DATABASE_URL, make_engine

GUIDE_PDF = "HEIMAT_GUIDE_PDF"
"""Where this is `off`, releases hold no guide as PDF."""
_READY_SECONDS = 30.0
_SWITCH_SECONDS = 0.0005
"""How long one thread may hold the interpreter: an answer that is ready waits for it several times on its way out."""
_COLLECT_AFTER = 20_000
"""Objects made before Python looks for cycles, instead of 700: an answer is some thousand dictionaries, in no cycle."""


def application() -> FastAPI:
    """The application for the database and the names that the environment says."""
    hosts, printed = hosts_of(os.environ.get(HOSTS, "")), os.environ.get(GUIDE_PDF) != "off"
    app = create_app(make_engine(os.environ[DATABASE_URL]), hosts, printed=printed)
    _ready_for_drags()
    return app


def serve(host: str, port: int, workers: int) -> None:
    """Answer at a port with so many processes until told to end; say the address once they listen."""
    os.environ[HOSTS] = f"{os.environ.get(HOSTS, '')},{host}"
    config = uvicorn.Config(
        f"{__name__}:{application.__name__}",
        factory=True,
        host=host,
        port=port,
        workers=workers,
        log_level="warning",
        access_log=False,
    )
    if workers == 1:
        _AnnouncingServer(config).run()
    else:
        _AnnouncingServers(config, sockets=[config.bind_socket()]).run()


def _ready_for_drags() -> None:
    """Let no thread wait long for another, nor a drag for the collector of cycles.

    Going through all that the libraries have made takes it a tenth of a second; that is there for good, and set aside.
    """
    sys.setswitchinterval(_SWITCH_SECONDS)
    gc.collect()
    gc.freeze()
    gc.set_threshold(_COLLECT_AFTER, 10, 10)


def _announce(config: uvicorn.Config) -> None:
    print(f"Heimat is at http://{config.host}:{config.port}", flush=True)


class _AnnouncingServer(uvicorn.Server):
    """A server that says its address once it listens, and not before."""

    async def startup(self, sockets: list[socket.socket] | None = None) -> None:
        await super().startup(sockets)
        if self.started:
            _announce(self.config)


class _AnnouncingServers(Multiprocess):
    """Several, of which one that ends by itself is started again."""

    def init_processes(self) -> None:
        super().init_processes()
        threading.Thread(target=self._when_ready, daemon=True).start()

    def _when_ready(self) -> None:
        if all(
            process.wait_until_ready(_READY_SECONDS, self.should_exit)
            for process in list(self.processes)
        ):
            _announce(self.config)
