"""A data folder is one launcher's at a time; what a killed one has left running on it is found and ended."""

import fcntl
import os
import signal
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from heimat.local.saying import Trouble, say

FOLDER = "HEIMAT_FOLDER"
"""Says to a process, and so to whoever looks for it, on which data folder it works."""
LOCK = "launcher.lock"
"""The file that says who holds a folder."""
_END_SECONDS = 30.0
_KILL_SECONDS = 5.0


@contextmanager
def held(folder: Path) -> Iterator[None]:
    """Hold a data folder. Raises Trouble where another launcher does.

    The kernel lets go of it with the process, however that ends.
    """
    folder.mkdir(parents=True, exist_ok=True)
    with (folder / LOCK).open("a+") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as error:
            lock.seek(0)
            raise Trouble(
                f"Another Heimat (process {lock.read().strip() or 'unknown'}) is running on {folder}. "
                "Stop it first, or give this one a folder of its own with --data."
            ) from error
        lock.truncate(0)
        lock.write(str(os.getpid()))
        lock.flush()
        yield


def end_left_behind(folder: Path) -> None:
    """End the server and the database that a launcher which was killed has left on a folder, in order, or by force.

    Raises Trouble, with what to do, where they do not end.
    """
    # The application first: it uses the database.
    for what, marks in (("application", _environment_of), ("database server", _command_of)):
        left = [pid for pid in _own_processes() if marks(pid, folder.resolve())]
        if left:
            say(
                f"Ending the {what} that an earlier launcher has left running (process {', '.join(map(str, left))})"
            )
            _end(left)


def _end(pids: list[int]) -> None:
    for number, seconds in ((signal.SIGTERM, _END_SECONDS), (signal.SIGKILL, _KILL_SECONDS)):
        for pid in pids:
            _signal(pid, number)
        end = time.monotonic() + seconds
        while any(_alive(pid) for pid in pids) and time.monotonic() < end:
            time.sleep(0.05)
        if not any(_alive(pid) for pid in pids):
            return
    raise Trouble(
        f"Process {', '.join(str(pid) for pid in pids if _alive(pid))} does not end. End it with kill -9."
    )


def _signal(pid: int, number: int) -> None:
    try:
        os.kill(pid, number)
    except ProcessLookupError:
        return
    except PermissionError as error:
        raise Trouble(f"Process {pid} is somebody else\u2019s. Ask them to end it.") from error


def _alive(pid: int) -> bool:
    try:
        # A zombie has ended; its parent has not looked yet.
        return Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[0] != "Z"
    except (OSError, IndexError):
        return False


def _own_processes() -> list[int]:
    return [
        int(entry.name)
        for entry in Path("/proc").iterdir()
        if entry.name.isdigit() and int(entry.name) != os.getpid()
    ]


def _environment_of(pid: int, folder: Path) -> bool:
    return f"{FOLDER}={folder}".encode() in _read(pid, "environ").split(b"\0")


def _command_of(pid: int, folder: Path) -> bool:
    return f"--datadir={folder / 'mariadb'}".encode() in _read(pid, "cmdline").split(b"\0")


def _read(pid: int, what: str) -> bytes:
    try:
        return Path(f"/proc/{pid}/{what}").read_bytes()
    except OSError:
        return b""
