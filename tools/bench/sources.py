"""Sources: pictures, stylesheets, status colors and the gallery, some beside a general library."""

import io
import subprocess
import sys
import threading
import time
import urllib.request
from pathlib import Path

import numpy as np
import tinycss2
from coloraide.everything import ColorAll
from PIL import Image

from heimat.core.color.exact_color import Color
from heimat.core.pictures.decoding import decode
from heimat.core.pictures.main_colors import Wanted, main_colors
from heimat.core.pictures.sampling import sample
from heimat.core.sources.mixing import mixed
from heimat.core.sources.status import Brand, propose
from heimat.formats.read import read_css
from heimat.service.gallery import Gallery, ensure_shipped, new_set
from heimat.store.engine import make_engine
from heimat.store.gallery_rows import add_sets
from heimat.store.migrate import migrate
from tools.bench.timing import Timing, measure, note, report
from tools.running import RunningHeimat, temporary_database

WIDTH, HEIGHT = 4000, 3000
SETS = 10_000


def photo() -> bytes:
    """A JPEG of 12 million pixels: soft bands with grain, and a small red field."""
    rng = np.random.default_rng(1)
    down = np.linspace(0.0, 1.0, HEIGHT)[:, None, None]
    across = np.linspace(0.0, 1.0, WIDTH)[None, :, None]
    base = (
        np.array([150.0, 170.0, 180.0]) * (0.5 + 0.5 * down)
        + np.array([40.0, -10.0, -30.0]) * across
    )
    base[1800:1840, 2000:2040] = (200, 50, 31)
    grain = rng.normal(0.0, 6.0, (HEIGHT, WIDTH, 1))
    into = io.BytesIO()
    Image.fromarray(np.clip(base + grain, 0, 255).astype(np.uint8)).save(into, "JPEG", quality=90)
    return into.getvalue()


def stylesheet(size: int) -> str:
    """A stylesheet of about so many bytes, with two different colors in every rule."""
    rng = np.random.default_rng(2)
    rules, length = [], 0
    while length < size:
        r, g, b, hexadecimal = (
            int(level) for level in (*rng.integers(0, 256, 3), rng.integers(0, 1 << 24))
        )
        rule = f".c{len(rules)} {{ color: #{hexadecimal:06x}; background: rgb({r} {g} {b} / .5); padding: 4px 8px }}\n"
        rules.append(rule)
        length += len(rule)
    return "".join(rules)


def run(folder: Path) -> None:
    """Measure and print."""
    content = photo()
    report(
        "12 million pixels: decoded", measure(lambda: decode(content), 5), "part of the 1 s below"
    )
    pixels = decode(content)
    report(
        "12 million pixels: main colors, decoded first",
        measure(lambda: main_colors(decode(content), Wanted()), 5),
        "1 s",
    )
    report(
        "a color taken again, radius 40",
        measure(lambda: sample(pixels, 2000, 1500, 40), 50),
        "30 ms",
    )
    note(
        "peak memory of a process that does only this",
        f"{_peak_memory(content, folder):.0f} MB",
        "600 MB",
    )

    brand = Brand.of(np.array([[11, 110, 110]], dtype=np.uint8))
    report("status colors proposed", measure(lambda: propose(brand), 10), "300 ms")

    text = stylesheet(1_000_000)
    ours = measure(lambda: read_css.read(text), 5)
    theirs = measure(lambda: tinycss2.parse_stylesheet(text), 1)
    report(
        "a stylesheet of 1 MB read",
        ours,
        "1 s",
        f"tinycss2 parses it in {theirs.median:.0f} ms and reads no color",
    )

    one, other = np.array([11, 110, 110]), np.array([223, 90, 51])
    ours = measure(lambda: mixed(one, other, 9, "oklch"), 50)
    ends = [ColorAll("srgb", [int(level) / 255 for level in color]) for color in (one, other)]
    theirs = measure(
        lambda: [
            ColorAll.interpolate(ends, space="oklch")(place / 10).convert("srgb").fit()
            for place in range(1, 10)
        ],
        20,
    )
    report("nine colors between two", ours, "none stated", f"coloraide {theirs.median:.2f} ms")
    _served(folder, content)


def _peak_memory(content: bytes, folder: Path) -> float:
    """The most memory, in MB, of a fresh process that finds the main colors of a picture."""
    picture = folder / "photo.jpg"
    picture.write_bytes(content)
    code = (
        "import sys; from pathlib import Path;"
        "from heimat.core.pictures.decoding import decode;"
        "from heimat.core.pictures.main_colors import Wanted, main_colors;"
        "main_colors(decode(Path(sys.argv[1]).read_bytes()), Wanted());"
        "print(next(line.split()[1] for line in open('/proc/self/status') if line.startswith('VmHWM')))"
    )
    done = subprocess.run(
        [sys.executable, "-c", code, str(picture)], capture_output=True, text=True, check=True
    )
    return int(done.stdout) / 1000.0


def _served(folder: Path, picture: bytes) -> None:
    database = temporary_database(folder)
    heimat = RunningHeimat(database)
    engine = make_engine(database.url)
    try:
        migrate(engine)
        ensure_shipped(engine)
        rng = np.random.default_rng(3)
        drawn = rng.integers(0, 256, (SETS, 5, 3))
        sets = [
            new_set(
                f"Set {place}",
                "made to measure",
                [("", Color.of_bytes(tuple(each))) for each in drawn[place]],
                None,
            )
            for place in range(SETS)
        ]
        with engine.begin() as connection:
            add_sets(connection, sets)
        gallery = Gallery(engine)
        colors = [f"#{int(level):06x}" for level in rng.integers(0, 1 << 24, 40)]
        times: list[float] = []
        for color in colors:
            start = time.perf_counter()
            gallery.search(color)
            times.append((time.perf_counter() - start) * 1000.0)
        report(f"sets like a color, among {SETS}", Timing(times[3:]), "50 ms")
        report(
            f"sets by two words, among {SETS}",
            measure(lambda: gallery.search("made measure"), 20),
            "none stated",
        )
        heimat.start()
        _over_http(heimat.address, picture)
    finally:
        engine.dispose()
        heimat.stop()
        database.stop()


def _over_http(address: str, picture: bytes) -> None:
    at = f"{address}/api/systems/brinemark"
    start = time.perf_counter()
    answer = urllib.request.urlopen(
        urllib.request.Request(f"{at}/pictures?name=photo.jpg", picture)
    ).read()
    note(
        "over HTTP: a photo sent, read and kept",
        f"{(time.perf_counter() - start) * 1000:.0f} ms",
        "none stated",
    )
    number = int(answer.split(b'"id":')[1].split(b",")[0])
    start = time.perf_counter()
    body = urllib.request.Request(
        f"{at}/pictures/{number}/main-colors", b"{}", {"Content-Type": "application/json"}
    )
    urllib.request.urlopen(body).read()
    note("over HTTP: its main colors", f"{(time.perf_counter() - start) * 1000:.0f} ms", "1 s")
    sampled = measure(
        lambda: urllib.request.urlopen(
            f"{at}/pictures/{number}/sample?x=2020&y=1820&radius=20"
        ).read(),
        40,
    )
    report("over HTTP: a color taken again", sampled, "30 ms")

    large = stylesheet(4_900_000).encode()
    reading = urllib.request.Request(
        f"{address}/api/reading?name=old.css", large, {"Content-Type": "text/plain"}
    )
    working = threading.Thread(target=lambda: urllib.request.urlopen(reading).read())
    waits: list[float] = []
    working.start()
    while working.is_alive():
        start = time.perf_counter()
        urllib.request.urlopen(f"{at}/head").read()
        waits.append((time.perf_counter() - start) * 1000.0)
    report("another request while 5 MB are read", Timing(waits), "no stall")
