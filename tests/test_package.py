"""Heimat as a Python package: a wheel that holds all that it is served from."""

import shutil
import subprocess
import zipfile
from pathlib import Path

import pytest

from heimat.local.install import PYTHON, ROOT
from tools import notices


@pytest.fixture
def source(tmp_path: Path) -> Path:
    """A copy of what a wheel is built from."""
    copied = tmp_path / "source"
    shutil.copytree(
        ROOT / "src", copied / "src", ignore=shutil.ignore_patterns("__pycache__", "*.egg-info")
    )
    for name in ("pyproject.toml", "README.md", "LICENSE"):
        shutil.copy(ROOT / name, copied)
    return copied


def built(source: Path, where: Path) -> subprocess.CompletedProcess[str]:
    command = [
        str(PYTHON),
        "-m",
        "pip",
        "wheel",
        "-q",
        "--no-deps",
        "--no-index",
        "--no-build-isolation",
        ".",
    ]
    return subprocess.run([*command, "-w", str(where)], cwd=source, capture_output=True, text=True)


def test_a_wheel_holds_all_that_it_is_served_from_and_is_the_same_twice(
    source: Path, tmp_path: Path
) -> None:
    wheels = []
    for where in (tmp_path / "one", tmp_path / "other"):
        done = built(source, where)
        assert done.returncode == 0, done.stderr
        wheels += where.glob("heimat-*.whl")
        shutil.rmtree(source / "build", ignore_errors=True)
    assert wheels[0].read_bytes() == wheels[1].read_bytes()
    with zipfile.ZipFile(wheels[0]) as held:
        names = set(held.namelist())
        page = held.read("heimat/page/index.html").decode()
        notices = held.read("heimat/page/third-party.txt").decode()
        (told,) = [
            held.read(name).decode() for name in names if name.endswith(".dist-info/METADATA")
        ]
    here = {
        f"heimat/{file.relative_to(ROOT / 'src' / 'heimat')}"
        for file in (ROOT / "src" / "heimat").rglob("*.py")
    }
    assert here <= names
    assert "heimat/demo/pictures/harbor.png" in names
    scripts = [part.split('"')[0] for part in page.split('src="/')[1:]]
    assert scripts
    assert {f"heimat/page/{script}" for script in scripts} <= names
    assert sum(name.endswith(".woff2") for name in names) > 0
    assert "SIL OPEN FONT LICENSE" in notices
    assert "License-Expression: MIT" in told


def test_a_wheel_without_the_page_is_not_built(source: Path, tmp_path: Path) -> None:
    (source / "src" / "heimat" / "page" / "index.html").unlink()
    done = built(source, tmp_path / "wheels")
    assert done.returncode != 0
    assert "The page is not built yet" in done.stdout + done.stderr
    assert not list((tmp_path / "wheels").glob("*.whl"))


def test_every_package_that_ships_is_named_with_its_license() -> None:
    """Made again from both lock files, the notices are what lies there; `python -m tools.notices` writes them."""
    for path, content in notices.made().items():
        assert path.read_text() == content, f"{path.name} is older than the lock files"
    shipped = notices.of_the_page()
    assert {"react", "@chakra-ui/react"} <= {each.name for each in shipped}
    assert all(each.license and each.text for each in shipped)
    assert all(each.license for each in notices.of_the_server())
