"""Trying a fault: in a copy of the house, against the tests that reach its line, until one of them sees it."""

import os
import shutil
import subprocess
import sys
from pathlib import Path

from heimat.local.install import ROOT
from tools.mutants.drawing import Mutant

_PARTS = ("src/heimat", "tests", "tools", "docs", "web/src/api", "web/public")
_FILES = ("pyproject.toml", "README.md", "heimat", "requirements.lock", "requirements-check.lock")
ASKED_SECONDS = 60.0
"""How long the tests that are asked may take together without a fault; the quickest are asked first."""
_LIMIT_SECONDS = 240.0
"""What takes longer has no end any more: the fault is seen."""


def copied(folder: Path) -> Path:
    """A copy of the house, but for the page, to put faults into."""
    for part in _PARTS:
        shutil.copytree(
            ROOT / part, folder / part, ignore=shutil.ignore_patterns("page", "__pycache__")
        )
    for name in _FILES:
        shutil.copy(ROOT / name, folder / name)
    return folder


def asked(tests: list[str], seconds: dict[str, float]) -> list[str]:
    """Of the tests that reach a line, the quickest first, those that are asked; at least one."""
    chosen: list[str] = []
    total = 0.0
    for name in tests:
        total += seconds.get(name, 0.0)
        if chosen and total > ASKED_SECONDS:
            break
        chosen.append(name)
    return chosen


def is_seen(mutant: Mutant, tests: list[str], house: Path) -> bool:
    """Whether one of the tests fails with the fault, put into a copy of the house and taken out again."""
    file = house / mutant.file
    before = file.read_text()
    file.write_text(mutant.text())
    environment = {
        **os.environ,
        "PYTHONPATH": f"{house / 'src'}{os.pathsep}{house}",
        "PYTHONDONTWRITEBYTECODE": "1",
    }
    command = [
        sys.executable,
        "-m",
        "pytest",
        "-x",
        "-q",
        "-p",
        "no:cacheprovider",
        *map(_address, tests),
    ]
    try:
        done = subprocess.run(
            command, cwd=house, env=environment, capture_output=True, timeout=_LIMIT_SECONDS
        )
        return done.returncode != 0
    except subprocess.TimeoutExpired:
        return True
    finally:
        file.write_text(before)


def _address(test: str) -> str:
    module, _, name = test.rpartition(".")
    return f"{module.replace('.', '/')}.py::{name}"
