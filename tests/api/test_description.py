"""The API's description, and the client that is generated from it."""

import os
import re
import subprocess
from pathlib import Path

from heimat.cli import openapi
from heimat.local.install import ROOT, VENV, WEB, node_environment


def test_the_generated_client_is_up_to_date(tmp_path: Path) -> None:
    description = tmp_path / "openapi.json"
    description.write_text(openapi())
    command = [str(VENV / "bin" / "node"), "tools/client/make.mjs", str(description), str(tmp_path)]
    subprocess.run(
        command, cwd=WEB, env={**os.environ, **node_environment()}, check=True, capture_output=True
    )
    for name in ("schema.generated.ts", "constants.generated.ts"):
        kept = WEB / "src" / "api" / name
        assert (tmp_path / name).read_text() == kept.read_text(), (
            "the client drifted: run npm run client in web/"
        )


def test_no_file_names_a_package_registry() -> None:
    for name in (
        "web/package-lock.json",
        "requirements.lock",
        "requirements-check.lock",
        "pyproject.toml",
    ):
        assert not re.search(
            r"https?://(?!opencollective|github|tidelift|paypal)", (ROOT / name).read_text()
        ), name
