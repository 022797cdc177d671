"""Which tests reach a line of the core, and how long each takes: all tests that need no server are run once for it."""

import subprocess
import sys
from collections import defaultdict
from collections.abc import Iterable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path
from xml.etree import ElementTree

from coverage import CoverageData

from heimat.local.install import ROOT
from heimat.local.saying import Trouble

FOLDERS = ("core", "formats", "view")
_CONFIG = """
[run]
dynamic_context = test_function
include = src/heimat/core/*
parallel = true
data_file = {folder}/reached
"""
_PROCESSES = 2


@dataclass(frozen=True)
class Reach:
    """For every file of the core and every line, the tests that reach it; and the seconds of every test, by its name
    (`tests.core.test_x.test_y`), all examples of it together."""

    tests: dict[str, dict[int, set[str]]]
    seconds: dict[str, float]

    def of(self, file: str, line: int) -> list[str]:
        """The tests that reach a line, the quickest first; of what is read with its file, those that reach the file."""
        lines = self.tests.get(file, {})
        reaching = lines.get(line) or set().union(*lines.values())
        return sorted(
            reaching,
            key=lambda name: (self.seconds.get(name, 0.0), name),
        )


def reach(folder: Path) -> Reach:
    """Run the tests and look. `folder` is for what is written meanwhile. Raises Trouble where they fail."""
    config = folder / "coverage.ini"
    config.write_text(_CONFIG.format(folder=folder))
    files = [file for name in FOLDERS for file in sorted((ROOT / "tests" / name).glob("test_*.py"))]
    with ThreadPoolExecutor(_PROCESSES) as two:
        list(two.map(lambda at: _run(files[at::_PROCESSES], at, config, folder), range(_PROCESSES)))
    found: dict[str, dict[int, set[str]]] = defaultdict(lambda: defaultdict(set))
    for path in folder.glob("reached.*"):
        data = CoverageData(str(path))
        data.read()
        for file in data.measured_files():
            lines = found[str(Path(file).relative_to(ROOT))]
            for line, contexts in data.contexts_by_lineno(file).items():
                lines[line] |= {each for each in contexts if each}
    return Reach(
        {file: dict(lines) for file, lines in found.items()}, _seconds(folder.glob("times.*.xml"))
    )


def _run(files: list[Path], at: int, config: Path, folder: Path) -> None:
    command = [sys.executable, "-m", "coverage", "run", f"--rcfile={config}", "-m", "pytest", "-q"]
    command += [
        "-p",
        "no:cacheprovider",
        f"--junitxml={folder / f'times.{at}.xml'}",
        *map(str, files),
    ]
    done = subprocess.run(command, cwd=ROOT, capture_output=True, text=True)
    if done.returncode != 0:
        raise Trouble(f"The tests fail without any fault:\n{done.stdout[-3000:]}")


def _seconds(reports: Iterable[Path]) -> dict[str, float]:
    found: dict[str, float] = defaultdict(float)
    for report in reports:
        for case in ElementTree.parse(report).iter("testcase"):
            name = case.get("name", "").partition("[")[0]
            found[f"{case.get('classname')}.{name}"] += float(case.get("time", 0))
    return dict(found)
