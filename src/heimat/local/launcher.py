"""The launcher's commands."""

import argparse
import os
import shutil
import signal
import socket
import subprocess
import sys
import time
from collections.abc import Iterator, Sequence
from contextlib import ExitStack, contextmanager
from pathlib import Path
from types import FrameType

from heimat.local.folder import FOLDER, LOCK, end_left_behind, held
from heimat.local.install import (
    BROWSER_PACKAGES,
    DATABASE_PACKAGES,
    LIBRARY_PACKAGES,
    PYTHON,
    ROOT,
    VENV,
    build_web,
    install_libraries,
    install_packages,
    install_python,
    install_web,
    node_environment,
)
from heimat.local.mariadb import LocalMariaDB
from heimat.local.saying import Trouble, complain, say
from heimat.local.site import site
from heimat.local.static import static_checks

_END_SECONDS = 15.0
_FIRST_PAUSE, _LONGEST_PAUSE = 1.0, 60.0
"""Seconds between tries to start a database server that has ended: each pause is twice the one before."""


def main() -> int:
    """Run the command that was asked for; say why where it cannot be."""
    parser = _parser()
    given, rest = parser.parse_known_args()
    if rest and given.command not in ("test", "bench"):
        parser.error(f"unknown: {' '.join(rest)}")
    for ending in (signal.SIGTERM, signal.SIGHUP):
        signal.signal(ending, _end)
    try:
        return int(given.run(given, rest))
    except Trouble as trouble:
        complain(str(trouble))
        return 1
    except KeyboardInterrupt:
        return 130


def _end(_: int, __: FrameType | None) -> None:
    raise KeyboardInterrupt


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="./heimat", description="Color systems, from a brand hue to published tokens."
    )
    commands = parser.add_subparsers(dest="command", required=True)
    demo = commands.add_parser(
        "demo", help="install what is missing, start everything with the demo’s data"
    )
    demo.add_argument("--port", type=int, default=8000, help="the page’s port on 127.0.0.1 (8000)")
    demo.add_argument(
        "--data", type=Path, default=ROOT / ".data", help="the folder of the database (.data)"
    )
    demo.add_argument("--reset", action="store_true", help="throw the demo’s data away first")
    demo.set_defaults(run=_demo)
    serve = commands.add_parser("serve", help="serve for the MariaDB server of HEIMAT_DATABASE_URL")
    serve.add_argument("--host", default="127.0.0.1")
    serve.add_argument("--port", type=int, default=8000)
    serve.add_argument("--workers", type=int, default=1, help="processes that answer (1)")
    serve.set_defaults(run=_serve)
    test = commands.add_parser(
        "test",
        help="linters, types, contracts and tests; -k and paths go to pytest; --mutants tries faults",
    )
    test.set_defaults(run=_test)
    bench = commands.add_parser("bench", help="measure")
    bench.set_defaults(run=_bench)
    shots = commands.add_parser("shots", help="make the pictures in docs/screenshots again")
    shots.set_defaults(run=_shots)
    return parser


def _environment(**more: str) -> dict[str, str]:
    return {
        **os.environ,
        "PYTHONPATH": f"{ROOT / 'src'}{os.pathsep}{ROOT}",
        "PYTHONUNBUFFERED": "1",
        **more,
    }


def _install(*, checks: bool = False, database: bool = True) -> None:
    wanted = (DATABASE_PACKAGES if database else {}) | (BROWSER_PACKAGES if checks else {})
    install_packages(wanted)
    install_libraries(LIBRARY_PACKAGES)
    install_python(checks=checks)
    install_web(checks=checks)
    build_web()


def _refuse_taken(port: int) -> None:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError as error:
            raise Trouble(
                f"Port {port} is taken ({error.strerror}). Choose another with --port."
            ) from error


def _demo(given: argparse.Namespace, _: Sequence[str]) -> int:
    _refuse_foreign(given.data)
    with held(given.data):
        # What was left behind may hold the port.
        end_left_behind(given.data)
        _refuse_taken(given.port)
        _install()
        if given.reset:
            _reset(given.data)
        database = LocalMariaDB(given.data)
        try:
            say(f"Starting MariaDB on {given.data}")
            database.start()
            environment = _environment(
                **{"HEIMAT_DATABASE_URL": database.url, FOLDER: str(given.data.resolve())}
            )
            with _beside(given.port):
                return _run_server(
                    ["--port", str(given.port), "--demo", "released"], environment, database
                )
        finally:
            database.stop()
            say("Ended")


@contextmanager
def _beside(port: int) -> Iterator[None]:
    """The ferry line's own site, on the port after Heimat's; where that is taken, on any free one."""
    heimat = f"http://127.0.0.1:{port}"
    with ExitStack() as stack:
        try:
            address = stack.enter_context(site(heimat, port + 1))
        except (OSError, OverflowError):
            address = stack.enter_context(site(heimat))
        say(f"The made-up ferry line’s site, which takes its colors from the feed, is at {address}")
        yield


def _refuse_foreign(folder: Path) -> None:
    """Raise Trouble for a folder that a demo has not made."""
    if (
        folder.exists()
        and any(folder.iterdir())
        and not (folder / LOCK).is_file()
        and not (folder / "mariadb").is_dir()
    ):
        raise Trouble(f"{folder} does not look like a folder of the demo, so it is left alone.")


def _reset(folder: Path) -> None:
    """Throw a demo's data away."""
    say(f"Throwing away what is in {folder}")
    for entry in folder.iterdir():
        if entry.is_dir():
            shutil.rmtree(entry)
        elif entry.name != LOCK:
            entry.unlink()


def _serve(given: argparse.Namespace, _: Sequence[str]) -> int:
    _install(database=False)
    options = ["--host", given.host, "--port", str(given.port), "--workers", str(given.workers)]
    return _run_server(options, _environment(), None)


def _run_server(
    options: list[str], environment: dict[str, str], database: LocalMariaDB | None
) -> int:
    """Run the server until it ends or the launcher is told to."""
    command = [str(PYTHON), "-m", "heimat.cli", "serve", *options]
    server = subprocess.Popen(command, cwd=ROOT, env=environment, start_new_session=True)
    again = _Again(database) if database else None
    try:
        while True:
            try:
                ended = server.wait(1.0)
            except subprocess.TimeoutExpired:
                if again is not None:
                    again.look()
                continue
            complain(
                f"The application has ended by itself: {_reason(ended)}. What it said last stands above."
            )
            return ended if ended > 0 else 1
    finally:
        if server.poll() is None:
            server.terminate()
            try:
                server.wait(_END_SECONDS)
            except subprocess.TimeoutExpired:
                server.kill()
                server.wait()


class _Again:
    """Starts a database server that has ended again, with growing pauses: a disk that was full may have room soon."""

    def __init__(self, database: LocalMariaDB) -> None:
        self._database = database
        self._pause = 0.0
        self._next = 0.0

    def look(self) -> None:
        """Start it where it has ended, unless it was tried a moment ago."""
        if self._database.running() or time.monotonic() < self._next:
            return
        if not self._pause:
            complain("The database server has ended by itself. It is started again.")
        try:
            self._database.start()
        except Trouble as trouble:
            self._pause = min(max(2 * self._pause, _FIRST_PAUSE), _LONGEST_PAUSE)
            self._next = time.monotonic() + self._pause
            complain(
                f"{trouble}\nIt is tried again in {self._pause:.0f} seconds. Make room, or mend what it says."
            )
            return
        self._pause = 0.0
        say("The database server is back")


def _reason(code: int) -> str:
    if code >= 0:
        return f"code {code}"
    return f"signal {signal.Signals(-code).name}" + (
        ", as when memory runs out" if code == -signal.SIGKILL else ""
    )


def _step(words: str, command: list[str]) -> bool:
    say(words)
    return subprocess.run(command, cwd=ROOT, env=_environment()).returncode == 0


def _test(_: argparse.Namespace, rest: Sequence[str]) -> int:
    """Run the static checks, then the tests in two processes, each with a database of its own."""
    _install(checks=True)
    if "--mutants" in rest:
        others = [each for each in rest if each != "--mutants"]
        return (
            0
            if _step(
                "Trying small faults in the core", [str(PYTHON), "-m", "tools.mutants", *others]
            )
            else 1
        )
    say("Running the static checks")
    failed = static_checks(VENV / "bin", _environment(**node_environment()))
    tests = [str(PYTHON), "-m", "pytest", "-n", "2", "--dist", "worksteal", *rest]
    failed += [] if _step("Running the tests", tests) else ["the tests"]
    for words in failed:
        complain(f"failed: {words}")
    return 1 if failed else 0


def _bench(_: argparse.Namespace, rest: Sequence[str]) -> int:
    _install(checks=True)
    return 0 if _step("Measuring", [str(PYTHON), "-m", "tools.bench", *rest]) else 1


def _shots(_: argparse.Namespace, __: Sequence[str]) -> int:
    _install(checks=True)
    return 0 if _step("Taking pictures", [str(PYTHON), "-m", "tools.shots"]) else 1


if __name__ == "__main__":
    sys.exit(main())
