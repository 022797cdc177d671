"""Static checks: linters, formats, types and the contract of imports, in both languages."""

import subprocess
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from heimat.local.install import ROOT, WEB
from heimat.local.saying import say


def static_checks(programs: Path, environment: dict[str, str]) -> list[str]:
    """Run them all, two at a time; those that failed, after what they printed has been shown.

    `programs` is the folder that holds the Python ones; in the `environment` Node is found.
    """
    node = WEB / "node_modules" / ".bin"
    python = ["src", "tests", "tools", "heimat"]
    checks: list[tuple[str, list[str], Path]] = [
        ("linting Python", [str(programs / "ruff"), "check", *python], ROOT),
        ("Python’s format", [str(programs / "ruff"), "format", "--check", *python], ROOT),
        ("Python’s types", [str(programs / "mypy")], ROOT),
        ("the contract of imports", [str(programs / "lint-imports"), "--no-cache"], ROOT),
        ("linting TypeScript", [str(node / "biome"), "check", "--error-on-warnings", "."], WEB),
        ("TypeScript’s types", [str(node / "tsc"), "--noEmit"], WEB),
    ]
    with ThreadPoolExecutor(2) as two:
        passed = two.map(lambda check: _passes(*check, environment=environment), checks)
        return [words for (words, _, _), well in zip(checks, passed, strict=True) if not well]


def _passes(words: str, command: list[str], folder: Path, *, environment: dict[str, str]) -> bool:
    done = subprocess.run(
        command,
        cwd=folder,
        env=environment,
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
    )
    if done.returncode != 0:
        say(f"Failed: {words}\n{done.stdout}")
    return done.returncode == 0
