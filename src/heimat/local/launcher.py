"""The launcher's commands."""

import argparse
import os
import shutil
import signal
import socket
import subprocess
import sys
from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from types import FrameType

from heimat.local.install import (
    BROWSER_PACKAGES,
    DATABASE_PACKAGES,
    PYTHON,
    ROOT,
    VENV,
    build_web,
    install_packages,
    install_python,
    install_web,
)
from heimat.local.mariadb import LocalMariaDB
from heimat.local.saying import Trouble, complain, say
from heimat.local.static import static_checks

_END_SECONDS = 15.0


def main() -> int:
    """Run the command that was asked for; say why where it cannot be."""
    parser = _parser()
    given, rest = parser.parse_known_args()
    if rest and given.command not in ("test", "bench"):
        parser.error(f"unknown: {' '.join(rest)}")
    signal.signal(signal.SIGTERM, _end)
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
    demo = commands.add_parser("demo", help="install what is missing, start everything with the demo’s data")
    demo.add_argument("--port", type=int, default=8000, help="the page’s port on 127.0.0.1 (8000)")
    demo.add_argument("--data", type=Path, default=ROOT / ".data", help="the folder of the database (.data)")
    demo.add_argument("--reset", action="store_true", help="throw the demo’s data away first")
    demo.set_defaults(run=_demo)
    serve = commands.add_parser("serve", help="serve for the MariaDB server of HEIMAT_DATABASE_URL")
    serve.add_argument("--host", default="127.0.0.1")
    serve.add_argument("--port", type=int, default=8000)
    serve.set_defaults(run=_serve)
    test = commands.add_parser("test", help="linters, type checks, contracts and tests; -k and paths go to pytest")
    test.set_defaults(run=_test)
    bench = commands.add_parser("bench", help="measure")
    bench.set_defaults(run=_bench)
    shots = commands.add_parser("shots", help="make the pictures in docs/screenshots again")
    shots.set_defaults(run=_shots)
    return parser


def _environment(**more: str) -> dict[str, str]:
    return {**os.environ, "PYTHONPATH": f"{ROOT / 'src'}{os.pathsep}{ROOT}", "PYTHONUNBUFFERED": "1", **more}


def _install(*, checks: bool = False, database: bool = True) -> None:
    wanted = (DATABASE_PACKAGES if database else {}) | (BROWSER_PACKAGES if checks else {})
    install_packages(wanted)
    install_python(checks=checks)
    install_web()
    build_web()


def _refuse_taken(port: int) -> None:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError as error:
            raise Trouble(f"Port {port} is taken ({error.strerror}). Choose another with --port.") from error


def _demo(given: argparse.Namespace, _: Sequence[str]) -> int:
    _refuse_taken(given.port)
    _install()
    database = LocalMariaDB(given.data)
    if given.reset and given.data.exists():
        database.refuse_if_running()
        _reset(given.data)
    try:
        say(f"Starting MariaDB on {given.data}")
        database.start()
        environment = _environment(HEIMAT_DATABASE_URL=database.url)
        return _run_server(["--port", str(given.port), "--demo"], environment, database)
    finally:
        database.stop()
        say("Ended")


def _reset(folder: Path) -> None:
    """Throw a demo's data away, but only a folder that a demo has made."""
    if any(folder.iterdir()) and not (folder / "mariadb").is_dir():
        raise Trouble(f"{folder} does not look like a folder of the demo, so it is left alone.")
    say(f"Throwing away what is in {folder}")
    shutil.rmtree(folder)


def _serve(given: argparse.Namespace, _: Sequence[str]) -> int:
    _install(database=False)
    return _run_server(["--host", given.host, "--port", str(given.port)], _environment(), None)


def _run_server(options: list[str], environment: dict[str, str], database: LocalMariaDB | None) -> int:
    """Run the server until it ends or the launcher is told to."""
    command = [str(PYTHON), "-m", "heimat.cli", "serve", *options]
    server = subprocess.Popen(command, cwd=ROOT, env=environment, start_new_session=True)
    try:
        while True:
            try:
                return server.wait(1.0)
            except subprocess.TimeoutExpired:
                if database is not None and not database.running():
                    complain("The database server has ended; the page will say so. Stop with Ctrl-C and start again.")
                    return server.wait()
    finally:
        if server.poll() is None:
            server.terminate()
            try:
                server.wait(_END_SECONDS)
            except subprocess.TimeoutExpired:
                server.kill()
                server.wait()


def _step(words: str, command: list[str]) -> bool:
    say(words)
    return subprocess.run(command, cwd=ROOT, env=_environment()).returncode == 0


def _test(_: argparse.Namespace, rest: Sequence[str]) -> int:
    """Run the tests in two processes, each with a database of its own, and the static checks beside them."""
    _install(checks=True)
    with ThreadPoolExecutor(1) as beside:
        checking = beside.submit(static_checks, VENV / "bin", _environment())
        tests = [str(PYTHON), "-m", "pytest", "-n", "2", "--dist", "worksteal", *rest]
        failed = [] if _step("Running the tests, and the static checks beside them", tests) else ["the tests"]
        failed += checking.result()
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
