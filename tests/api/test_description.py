"""The API's description, and the client that is generated from it."""

import re
import subprocess
from pathlib import Path

from heimat.cli import openapi
from heimat.local.install import ROOT, WEB, find_program


def test_the_generated_client_is_up_to_date(tmp_path: Path) -> None:
    description = tmp_path / "openapi.json"
    description.write_text(openapi())
    fresh = tmp_path / "schema.ts"
    command = [find_program("npx") or "npx", "--no-install", "openapi-typescript", str(description), "-o", str(fresh)]
    subprocess.run(command, cwd=WEB, check=True, capture_output=True)
    kept = WEB / "src" / "api" / "schema.generated.ts"
    assert fresh.read_text() == kept.read_text(), "the client drifted: run npm run client in web/"


def test_no_file_names_a_package_registry() -> None:
    for name in ("web/package-lock.json", "requirements.lock", "requirements.in"):
        assert not re.search(r"https?://(?!opencollective|github|tidelift|paypal)", (ROOT / name).read_text()), name
