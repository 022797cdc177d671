"""A whole Heimat on this machine, for tests, measurements and pictures: a MariaDB and a server process of its own."""

import os
import subprocess
import time
import urllib.request
from pathlib import Path
from urllib.error import URLError

from heimat.local.install import PYTHON, ROOT
from heimat.local.mariadb import LocalMariaDB, free_port

_READY_SECONDS = 60.0


class RunningHeimat:
    """The application, served by a process of its own, with the demo's data."""

    def __init__(self, database: LocalMariaDB, workers: int = 1) -> None:
        self._database = database
        self._workers = workers
        self._port = free_port()
        self._process: subprocess.Popen[bytes] | None = None

    @property
    def address(self) -> str:
        """Where the page is."""
        return f"http://127.0.0.1:{self._port}"

    @property
    def port(self) -> int:
        """The port on 127.0.0.1."""
        return self._port

    @property
    def pid(self) -> int:
        """The id of the server's process. Raises RuntimeError where there is none."""
        if self._process is None:
            raise RuntimeError("the server has not been started")
        return self._process.pid

    def start(self) -> None:
        """Start the server's process and wait until it answers."""
        environment = {
            **os.environ,
            "PYTHONPATH": str(ROOT / "src"),
            "HEIMAT_DATABASE_URL": self._database.url,
            # No guide as PDF: that takes seconds with every release.
            "HEIMAT_GUIDE_PDF": "off",
        }
        command = [str(PYTHON), "-m", "heimat.cli", "serve", "--port", str(self._port), "--demo"]
        command += ["--workers", str(self._workers)]
        self._process = subprocess.Popen(command, env=environment, stdout=subprocess.DEVNULL)
        end = time.monotonic() + _READY_SECONDS
        while time.monotonic() < end:
            if self._process.poll() is not None:
                raise RuntimeError("the server ended at once")
            try:
                urllib.request.urlopen(f"{self.address}/api/me", timeout=5).close()
                return
            except (URLError, ConnectionError, TimeoutError):
                time.sleep(0.05)
        raise RuntimeError("the server does not answer")

    def kill(self) -> None:
        """End the process at once, as a failing machine would."""
        if self._process is not None:
            self._process.kill()
            self._process.wait()
            self._process = None

    def stop(self) -> None:
        """End the process in order."""
        if self._process is not None:
            self._process.terminate()
            try:
                self._process.wait(15)
            except subprocess.TimeoutExpired:
                self.kill()
            self._process = None


def temporary_database(folder: Path) -> LocalMariaDB:
    """A database server on a fresh folder, started."""
    database = LocalMariaDB(folder)
    database.start()
    return database
