"""Heimat as a Python package: a wheel that holds all that it is served from."""

import shutil
import subprocess
import zipfile
from pathlib import Path

from heimat.local.install import PYTHON, ROOT


def test_a_wheel_holds_the_page_the_migrations_and_the_pictures(tmp_path: Path) -> None:
    source = tmp_path / "source"
    shutil.copytree(ROOT / "src", source / "src", ignore=shutil.ignore_patterns("__pycache__", "*.egg-info"))
    for name in ("pyproject.toml", "README.md", "LICENSE"):
        shutil.copy(ROOT / name, source)
    command = [str(PYTHON), "-m", "pip", "wheel", "-q", "--no-deps", "--no-index", "--no-build-isolation", "."]
    done = subprocess.run([*command, "-w", str(tmp_path)], cwd=source, capture_output=True, text=True)
    assert done.returncode == 0, done.stderr
    (wheel,) = tmp_path.glob("heimat-*.whl")
    with zipfile.ZipFile(wheel) as held:
        names = set(held.namelist())
        page = held.read("heimat/page/index.html").decode()
    here = {f"heimat/{file.relative_to(ROOT / 'src' / 'heimat')}" for file in (ROOT / "src" / "heimat").rglob("*.py")}
    assert here <= names
    assert "heimat/demo/pictures/harbor.png" in names
    scripts = [part.split('"')[0] for part in page.split('src="/')[1:]]
    assert scripts
    assert {f"heimat/page/{script}" for script in scripts} <= names
    assert sum(name.endswith(".woff2") for name in names) > 0
