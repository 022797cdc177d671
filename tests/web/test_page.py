"""The page's own tests, which run without a browser or a server: started here and reported one by one."""

import json
import os
import subprocess
from pathlib import Path

import pytest

from heimat.local.install import WEB, node_environment


def test_the_page_in_parts(tmp_path: Path, subtests: pytest.Subtests) -> None:
    report = tmp_path / "report.json"
    command = [str(WEB / "node_modules" / ".bin" / "vitest"), "run", "--reporter=json"]
    ended = subprocess.run(
        [*command, f"--outputFile={report}"],
        cwd=WEB,
        env={**os.environ, **node_environment()},
        capture_output=True,
        text=True,
    )
    assert report.is_file(), ended.stderr
    found = json.loads(report.read_text())
    assert {Path(file["name"]).name for file in found["testResults"]} == {
        file.name for file in (WEB / "tests").rglob("*.test.ts*")
    }
    for file in found["testResults"]:
        with subtests.test(file=Path(file["name"]).name):
            # A file that cannot be read at all holds no tests that could fail.
            assert file["status"] == "passed", file.get("message")
        for case in file["assertionResults"]:
            with subtests.test(name=case["fullName"]):
                assert case["status"] == "passed", "\n".join(case["failureMessages"])
    assert found["success"]
    assert ended.returncode == 0
