"""Static checks: linters, formats, types and the contract of imports, in both languages."""

import subprocess
from pathlib import Path

from heimat.local.install import ROOT, WEB, find_program
from heimat.local.saying import say


def static_checks(programs: Path, environment: dict[str, str]) -> list[str]:
    """Run them all, one after another; those that failed, after what they printed has been shown.

    `programs` is the folder that holds the Python ones.
    """
    npx = find_program("npx") or "npx"
    python = ["src", "tests", "tools", "heimat"]
    checks: list[tuple[str, list[str], Path]] = [
        ("linting Python", [str(programs / "ruff"), "check", *python], ROOT),
        ("Python’s format", [str(programs / "ruff"), "format", "--check", *python], ROOT),
        ("Python’s types", [str(programs / "mypy")], ROOT),
        ("the contract of imports", [str(programs / "lint-imports"), "--no-cache"], ROOT),
        ("linting TypeScript", [npx, "--no-install", "biome", "check", "--error-on-warnings", "."], WEB),
        ("TypeScript’s types", [npx, "--no-install", "tsc", "--noEmit"], WEB),
    ]
    return [words for words, command, folder in checks if not _passes(words, command, folder, environment)]


def _passes(words: str, command: list[str], folder: Path, environment: dict[str, str]) -> bool:
    done = subprocess.run(
        command, cwd=folder, env=environment, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True
    )
    if done.returncode != 0:
        say(f"Failed: {words}\n{done.stdout}")
    return done.returncode == 0
