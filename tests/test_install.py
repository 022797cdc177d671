"""Installing what is missing: nothing where nothing is, and words where something cannot be had."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

from heimat.local import install
from heimat.local.mariadb import LocalMariaDB
from heimat.local.saying import Trouble


def test_a_failing_command_tells_what_it_printed():
    command = [sys.executable, "-c", "print('the last words'); raise SystemExit(3)"]
    with pytest.raises(Trouble) as trouble:
        install.run(command, "It could not be done.")
    assert str(trouble.value) == "It could not be done.\nthe last words"


def test_nothing_is_installed_where_nothing_is_missing(monkeypatch):
    monkeypatch.setattr(install, "run", lambda *_: pytest.fail("something was run"))
    install.install_packages(install.DATABASE_PACKAGES | install.BROWSER_PACKAGES)
    install.install_libraries(install.LIBRARY_PACKAGES)
    install.install_python()
    install.install_web(checks=True)


def test_without_a_package_manager_the_missing_are_named(monkeypatch):
    monkeypatch.setattr(install, "find_program", lambda _: None)
    with pytest.raises(
        Trouble,
        match=r"no apt-get to install them: mariadb-client, mariadb-client-core, mariadb-server-core",
    ):
        install.install_packages(install.DATABASE_PACKAGES)


def test_packages_are_installed_as_root_or_through_sudo(monkeypatch):
    ran: list[list[str]] = []
    monkeypatch.setattr(install, "run", lambda command, _: ran.append(command))
    monkeypatch.setattr(install, "find_program", lambda name: f"/usr/bin/{name}")
    monkeypatch.setattr(os, "geteuid", lambda: 1000)
    install.install_debian(["chromium"])
    assert [command[0] for command in ran] == ["sudo", "sudo"]
    assert ran[1][-1] == "chromium"
    ran.clear()
    monkeypatch.setattr(os, "geteuid", lambda: 0)
    install.install_debian(["chromium"])
    assert ran[0] == ["/usr/bin/apt-get", "update", "-q"]


def test_a_server_that_cannot_start_shows_its_log(tmp_path: Path):
    """The folder is there, but what is in it is no database."""
    (tmp_path / "mariadb" / "mysql").mkdir(parents=True)
    (tmp_path / "mariadb" / "ibdata1").write_bytes(b"not a table space")
    with pytest.raises(Trouble, match=r"ended at once. Its log says"):
        LocalMariaDB(tmp_path).start()


def test_the_password_is_for_its_owner_alone(tmp_path: Path):
    server = LocalMariaDB(tmp_path)
    url = server.url
    file = tmp_path / "password"
    assert file.read_text() in url
    assert file.stat().st_mode & 0o777 == 0o600
    assert LocalMariaDB(tmp_path, server.port).url == url
    assert "127.0.0.1" in url


def test_the_launcher_runs_on_the_standard_library_alone():
    """Before anything is installed, there is nothing else."""
    code = "import sys; sys.path.insert(0, 'src'); import heimat.local.launcher; print(sorted(sys.modules))"
    done = subprocess.run(
        [sys.executable, "-S", "-I", "-c", code], cwd=install.ROOT, capture_output=True, text=True
    )
    assert done.returncode == 0, done.stderr
    assert "numpy" not in done.stdout
