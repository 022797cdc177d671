"""Under load: feeds beside the stack's floor, eight people at once, and memory after large pictures."""

import gzip
import io
import os
import socket
import subprocess
import tarfile
import threading
import time
from pathlib import Path

import httpx2 as httpx
import numpy as np
from PIL import Image

from heimat.local.install import PYTHON, ROOT
from heimat.local.mariadb import free_port
from tools.bench.load import NOT_THERE, Load, load
from tools.bench.served import PARTS
from tools.bench.timing import Timing, measure, note, report
from tools.running import RunningHeimat, temporary_database

PEOPLE = 8
EDITS = 25
PAUSE = 0.8
PICTURES = 20
ACTING = ("ines", "tomke", "oke", "maren")
HUES = ("tidewater", "buoy", "gorse", "heather", "kelp", "flare", "lamp", "sound")


def run(scratch: Path) -> None:
    """Measure all of it on a Heimat of its own."""
    database = temporary_database(scratch / "reliability")
    heimat = RunningHeimat(database)
    try:
        heimat.start()
        _feeds(heimat)
        _people(heimat)
        _memory(heimat)
        _tables(heimat)
        _hostile(heimat)
    finally:
        heimat.stop()
        database.stop()


def _feeds(heimat: RunningHeimat) -> None:
    with httpx.Client(base_url=heimat.address) as client:
        client.post(
            "/api/systems/brinemark/releases", json={"revision": 1, "version": "1.0.0"}
        ).raise_for_status()
        plain = {"Accept-Encoding": "identity"}
        file = client.get("/feeds/brinemark/1.0.0/tokens.css", headers=plain).raise_for_status()
    floor = _floor(len(file.content))
    _told("the stack's floor, the same bytes", floor, floor)
    _told("feed, a version's file", load(heimat.port, "/feeds/brinemark/1.0.0/tokens.css"), floor)
    _told("feed, the latest", load(heimat.port, "/feeds/brinemark/latest/tokens.css"), floor)
    _told("feed, a range", load(heimat.port, "/feeds/brinemark/1/tokens.css"), floor)
    brotli = "Accept-Encoding: gzip, br\r\n"
    _told(
        "feed, the latest, brotli",
        load(heimat.port, "/feeds/brinemark/latest/tokens.css", headers=brotli),
        floor,
    )
    known = f"If-None-Match: {file.headers['etag']}\r\n"
    _told(
        "feed, the latest, still so (304)",
        load(heimat.port, "/feeds/brinemark/latest/tokens.css", headers=known),
        floor,
    )
    for what, path in (
        ("a file", "brinemark/1.0.0/none.css"),
        ("a system", "nobody/latest/tokens.css"),
    ):
        _told(
            f"feed, {what} that is not there",
            load(heimat.port, f"/feeds/{path}", statuses=NOT_THERE),
            floor,
        )
    with httpx.Client(base_url=heimat.address) as client:
        made = client.post(
            "/api/systems/brinemark/feed/keys", json={"name": "ticket page"}
        ).raise_for_status()
        client.put("/api/systems/brinemark/feed", json={"keyed": True}).raise_for_status()
    bearing = f"Authorization: Bearer {made.json()['key']}\r\n"
    _told(
        "feed that asks for a key, a version",
        load(heimat.port, "/feeds/brinemark/1.0.0/tokens.css", headers=bearing),
        floor,
    )
    _told(
        "feed that asks for a key, a range",
        load(heimat.port, "/feeds/brinemark/1/tokens.css", headers=bearing),
        floor,
    )


def _told(what: str, found: Load, floor: Load) -> None:
    p99 = found.times[int(len(found.times) * 0.99)]
    figures = f"{found.rate:.0f} a second, p99 {p99:.1f} ms, ×{found.rate / floor.rate:.2f}"
    note(what, figures, "none" if found is floor else "1,500 a second, p99 50 ms")


def _floor(size: int) -> Load:
    port = free_port()
    environment = {**os.environ, "PYTHONPATH": f"{ROOT / 'src'}{os.pathsep}{ROOT}"}
    server = subprocess.Popen(
        [str(PYTHON), "-m", "tools.bench.floor", str(port), str(size)], env=environment
    )
    try:
        end = time.monotonic() + 20.0
        while time.monotonic() < end:
            try:
                socket.create_connection(("127.0.0.1", port), timeout=1.0).close()
                break
            except OSError:
                time.sleep(0.05)
        return load(port, "/tokens.css")
    finally:
        server.terminate()
        server.wait()


def _people(heimat: RunningHeimat) -> None:
    """One person and eight, each of whom waits for nothing but the last answer; and eight who look at what they do."""
    for count, pause in ((1, 0.0), (PEOPLE, PAUSE), (PEOPLE, 0.0)):
        edits: list[float] = []
        previews: list[float] = []
        threads = [
            threading.Thread(target=_work, args=(heimat.address, place, pause, edits, previews))
            for place in range(count)
        ]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        who = (
            "one person"
            if count == 1
            else f"{count} people" + (", a change a second" if pause else ", no pause")
        )
        report(f"an edit, {who}", Timing(edits), "p95 300 ms")
        report(f"a preview, {who}", Timing(previews), "p95 120 ms")


def _work(
    address: str, place: int, pause: float, edits: list[float], previews: list[float]
) -> None:
    """One person: two previews, then an edit, again and again, each sent when the last has answered."""
    with httpx.Client(base_url=address, timeout=30.0) as client:
        client.put("/api/me", json={"person": ACTING[place % len(ACTING)]}).raise_for_status()
        base = client.get("/api/systems/brinemark/head").json()["revision"]
        view = {"parts": PARTS, "select": f"hue:{HUES[place]}"}
        for turn in range(EDITS):
            edit = {
                "type": "set_source",
                "hue": HUES[place],
                "color": f"#{40 + place:02x}{turn * 5:02x}77",
            }
            for into, path in ((previews, "preview"), (previews, "preview"), (edits, "edits")):
                begun = time.perf_counter()
                answer = client.post(
                    f"/api/systems/brinemark/{path}",
                    json={"base": base, "edits": [edit], "view": view},
                )
                into.append((time.perf_counter() - begun) * 1000.0)
                answer.raise_for_status()
            base = answer.json()["head"]["revision"]
            time.sleep(pause)


def _memory(heimat: RunningHeimat) -> None:
    before = _held(heimat.pid)
    peak = 0
    stop = threading.Event()

    def watch() -> None:
        nonlocal peak
        while not stop.wait(0.05):
            peak = max(peak, _held(heimat.pid))

    watching = threading.Thread(target=watch)
    watching.start()
    random = np.random.default_rng(7)
    with httpx.Client(base_url=heimat.address, timeout=60.0) as client:
        for _ in range(PICTURES):
            small = Image.fromarray(random.integers(0, 255, (60, 80, 3), dtype=np.uint8))
            content = io.BytesIO()
            small.resize((7200, 5400)).save(content, "JPEG", quality=60)
            sent = client.post(
                "/api/systems/brinemark/pictures", content=content.getvalue()
            ).raise_for_status()
            client.post(
                f"/api/systems/brinemark/pictures/{sent.json()['id']}/main-colors", json={}
            ).raise_for_status()
    time.sleep(2.0)
    stop.set()
    watching.join()
    mega = 1 << 20
    figures = f"{before / mega:.0f}, {peak / mega:.0f} and {_held(heimat.pid) / mega:.0f} MB"
    note(
        f"memory before, at the peak of and after {PICTURES} pictures of 39 MP",
        figures,
        "given back",
    )


def _held(pid: int) -> int:
    """Bytes that a process and all it has started hold for themselves alone, shared pages in their share."""
    found = 0
    for one in _family(pid):
        try:
            for line in Path(f"/proc/{one}/smaps_rollup").read_text().splitlines():
                if line.startswith(("Pss_Anon:", "Pss_Shmem:")):
                    found += int(line.split()[1]) * 1024
        except OSError:
            continue
    return found


def _family(pid: int) -> list[int]:
    children: dict[int, list[int]] = {}
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit():
            try:
                parent = int((entry / "stat").read_text().rpartition(")")[2].split()[1])
            except (OSError, IndexError):
                continue
            children.setdefault(parent, []).append(int(entry.name))
    family, left = [], [pid]
    while left:
        one = left.pop()
        family.append(one)
        left += children.get(one, [])
    return family


def _tables(heimat: RunningHeimat) -> None:
    """The list of many tables, in a process that has read none of them."""
    with httpx.Client(base_url=heimat.address, timeout=60) as client:
        for number in range(20):
            rows = "\n".join(f"{number},{place},{place % 7}" for place in range(20_000))
            content = f"table,at,value\n{rows}".encode()
            client.post(
                "/api/systems/brinemark/data", params={"name": f"t{number}"}, content=content
            ).raise_for_status()
        listed = measure(lambda: client.get("/api/systems/brinemark/data").raise_for_status(), 20)
    report("the list of 21 tables", listed, "50 ms")


def _hostile(heimat: RunningHeimat) -> None:
    """How long somebody's safe ranges take beside two archives that are made to hold whoever reads them."""
    entry = tarfile.TarInfo("x")
    entry.type, entry.size = tarfile.GNUTYPE_LONGNAME, 700_000_000
    packed = gzip.compress(entry.tobuf(tarfile.GNU_FORMAT) + bytes(entry.size), 1)
    select = {"select": "hue:tidewater"}

    def hold() -> None:
        with httpx.Client(base_url=heimat.address, timeout=120) as client:
            client.post("/api/imports/read", files=[("files", ("x.tgz", packed))])

    with httpx.Client(base_url=heimat.address, timeout=120) as client:
        threads = [threading.Thread(target=hold) for _ in range(2)]
        for thread in threads:
            thread.start()
        begun = time.perf_counter()
        client.get("/api/systems/brinemark/safe-ranges", params=select).raise_for_status()
        took = (time.perf_counter() - begun) * 1000.0
        for thread in threads:
            thread.join()
    note("safe ranges beside two hostile archives", f"{took:.0f} ms", "5 s")
