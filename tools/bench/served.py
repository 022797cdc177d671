"""The served application: previews over HTTP, and dragging in Chromium."""

import gzip
import threading
import time
from collections.abc import Sequence
from pathlib import Path
from statistics import median

import httpx2 as httpx
import orjson
from selenium.webdriver import Chrome

from heimat.core.edits import apply
from heimat.core.edits.ladder_edits import SetLadder
from heimat.core.scales.shaping import ShapedLadder, ShapedStep
from heimat.local.install import PAGE
from heimat.service.opening import add_document
from heimat.store.engine import make_engine
from tools.bench import tokens
from tools.bench.core import large_system
from tools.bench.timing import Timing, note, report
from tools.browser import browser
from tools.running import RunningHeimat, temporary_database

DRAGS = 150
PARTS = ["head", "slip", "hues", "scales", "ladder", "promises", "ground", "tokens"]
"""What the page asks for during a drag in Scales, with the specimen open."""


def _drag(
    address: str,
    slug: str,
    hue: str,
    parts: Sequence[str],
    into: list[float],
    sizes: list[tuple[int, int]],
) -> None:
    """One person dragging: the next request leaves when the last has answered."""
    with httpx.Client(base_url=address, headers={"Accept-Encoding": "gzip"}) as client:
        for place in range(DRAGS):
            edit = {
                "type": "aim_source",
                "hue": hue,
                "lightness": 30.0 + place * 0.2,
                "chroma": 0.1,
                "angle": 200.0,
            }
            body = {"base": 1, "edits": [edit], "view": {"parts": parts, "select": f"hue:{hue}"}}
            start = time.perf_counter()
            answer = client.post(f"/api/systems/{slug}/preview", json=body)
            into.append((time.perf_counter() - start) * 1000.0)
            answer.raise_for_status()
            sizes.append((int(answer.headers["content-length"]), len(answer.content)))


def previews(
    address: str, slug: str, hues: Sequence[str], people: int, parts: Sequence[str] = PARTS
) -> tuple[Timing, tuple[int, int]]:
    """How long each preview takes in ms while some people drag a hue each, and the largest answer, packed and raw."""
    times: list[float] = []
    sizes: list[tuple[int, int]] = []
    threads = [
        threading.Thread(target=_drag, args=(address, slug, hues[place], parts, times, sizes))
        for place in range(people)
    ]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return Timing(times[5 * people :]), max(sizes)


_WAITS = """
const painted = () => new Promise(resolve => requestAnimationFrame(() => {
  const channel = new MessageChannel();
  channel.port1.onmessage = resolve;
  channel.port2.postMessage(0);
}));
const pause = ms => new Promise(resolve => setTimeout(resolve, ms));
"""
# From the pointer's move until the changed sheet is painted: the observer sees the change, the next animation frame
# begins before its paint, and a message posted there arrives behind it. Meanwhile the browser tells of every frame in
# which script ran for 50 ms or longer.
_DRAG_IN_PAGE = (
    _WAITS
    + """
const [handle, room, across, wide, moves, watched, done] = arguments;
const held = document.querySelector(handle);
const sheet = document.querySelector(watched);
const box = document.querySelector(room).getBoundingClientRect();
const own = held.getBoundingClientRect();
const middle = (own.top + own.height / 2 - box.top) / box.height;
// Within what its neighbors leave, where that is little: back and forth.
const along = place => wide ? 0.1 + 0.8 * place / moves : middle + 0.012 * (place % 4 - 1.5);
const at = place => ({pointerId: 1, button: 0, buttons: 1, bubbles: true,
                      clientY: box.top + box.height * (across ? 0.5 : along(place)),
                      clientX: box.left + box.width * (across ? along(place) : 0.5)});
const long = [];
new PerformanceObserver(list => list.getEntries().forEach(entry => long.push(entry.duration)))
  .observe({entryTypes: ["longtask"]});
held.setPointerCapture = () => {};
(async () => {
  const times = [];
  performance.clearResourceTimings();
  held.dispatchEvent(new PointerEvent('pointerdown', at(0)));
  await painted();
  for (let place = 1; place <= moves; place++) {
    const changed = new Promise(resolve => {
      const observer = new MutationObserver(() => { observer.disconnect(); resolve(); });
      observer.observe(sheet, {subtree: true, attributes: true, attributeFilter: ['data-hex', 'style']});
    });
    const start = performance.now();
    held.dispatchEvent(new PointerEvent('pointermove', at(place)));
    await changed;
    await painted();
    times.push(performance.now() - start);
  }
  held.dispatchEvent(new PointerEvent('pointerup', at(moves)));
  const asked = performance.getEntriesByType("resource").filter(each => each.name.endsWith("/preview"));
  return [times, long, asked.map(each => each.duration)];
})().then(done, error => done(String(error)));
"""
)
_SHEET = "[data-sheet]"
RAMP = "[role=slider][aria-label='Lightness']"
_BOARD = "[data-testid=specimen-sheet]"
_HUE = "[aria-label^='Hue: shape']"
_HANDLE = "[data-curve=hue] [data-at='0.5']"
_RUNG = "[data-testid=ladder-plot] [role=slider]:nth-of-type(5)"


def drag_in_chromium(
    driver: Chrome,
    page: str,
    handle: str,
    room: str,
    *,
    across: bool,
    wide: bool = True,
    opened_by: str = "body",
    sheet: str = _SHEET,
    colored: str = f"{_SHEET} [data-hex]",
) -> tuple[Timing, list[float]]:
    """How long from each move of the pointer on a handle until the sheet is painted, and the long frames, in ms."""
    driver.set_script_timeout(120)
    driver.get(page)
    end = time.monotonic() + 15
    while not driver.execute_script(
        "const it = document.querySelector(arguments[0]); it?.click(); return it", opened_by
    ):
        time.sleep(0.05)
    there = "return [...arguments].every(css => document.querySelector(css) !== null)"
    while not driver.execute_script(there, handle, room, colored):
        if time.monotonic() > end:
            raise RuntimeError("what is to be dragged does not appear")
        time.sleep(0.05)
    found = driver.execute_async_script(_DRAG_IN_PAGE, handle, room, across, wide, 80, sheet)
    if isinstance(found, str):
        raise RuntimeError(found)
    times, long, asked = found
    note(
        "of the next figure, a preview as the page waits for it", f"{median(asked):.1f} ms", "none"
    )
    return Timing(times[5:]), long


def _choose_board(driver: Chrome) -> None:
    """Let the specimen be the operations board, as this browser's person would have chosen it."""
    driver.execute_script(
        "localStorage.setItem('heimat', JSON.stringify({state: {screen: 'board', specimen: false}, version: 0}))"
    )


# From the key until the newly selected cell is painted; the page is the one that was dragged on.
_WALK_IN_PAGE = (
    _WAITS
    + """
const [moves, done] = arguments;
(async () => {
  const times = [];
  document.querySelector("[data-testid=scales] [data-key]").click();
  await pause(400);
  for (let place = 0; place < moves; place++) {
    const here = document.querySelector("[data-testid=scales] [aria-selected=true]");
    here.focus();
    const key = place % 16 < 8 ? "ArrowRight" : "ArrowLeft";
    const start = performance.now();
    here.dispatchEvent(new KeyboardEvent("keydown", {key, code: key, bubbles: true}));
    while (document.querySelector("[data-testid=scales] [aria-selected=true]") === here) await painted();
    await painted();
    times.push(performance.now() - start);
    await pause(60);
  }
  return times;
})().then(done, error => done(String(error)));
"""
)


def _walk_in_chromium(driver: Chrome) -> Timing:
    found = driver.execute_async_script(_WALK_IN_PAGE, 64)
    if isinstance(found, str):
        raise RuntimeError(found)
    return Timing(found[4:])


# From a click on a step until the slip tells of it; then what is selected is walked on from.
_SELECT_IN_PAGE = (
    _WAITS
    + """
const [moves, done] = arguments;
(async () => {
  const times = [];
  const cells = [...document.querySelectorAll("[data-testid=scales] [data-key]")];
  const told = () => document.querySelector("[data-testid=slip-name]")?.textContent;
  for (let place = 0; place < moves; place++) {
    const cell = cells[((place + 1) * 37) % cells.length];
    const before = told();
    const start = performance.now();
    cell.dispatchEvent(new MouseEvent("click", {bubbles: true}));
    while (told() === before) await painted();
    times.push(performance.now() - start);
    await pause(500);
  }
  return times;
})().then(done, error => done(String(error)));
"""
)


def _select_in_chromium(driver: Chrome) -> Timing:
    found = driver.execute_async_script(_SELECT_IN_PAGE, 24)
    if isinstance(found, str):
        raise RuntimeError(found)
    return Timing(found[2:])


# Every frame of a scroll over the whole matrix, there and back, and how long each took.
_SCROLL_IN_PAGE = (
    _WAITS
    + """
const [moves, done] = arguments;
(async () => {
  const matrix = document.querySelector("[data-testid=matrix]");
  const [wide, high] = [matrix.scrollWidth - matrix.clientWidth, matrix.scrollHeight - matrix.clientHeight];
  const times = [];
  let last = await new Promise(requestAnimationFrame);
  for (let place = 1; place <= moves; place++) {
    const share = 1 - Math.abs(1 - 2 * place / moves);
    matrix.scrollTo(wide * share, high * share);
    const now = await new Promise(requestAnimationFrame);
    times.push(now - last);
    last = now;
  }
  return times;
})().then(done, error => done(String(error)));
"""
)


def _scroll_in_chromium(driver: Chrome, page: str) -> Timing:
    driver.get(page)
    driver.execute_script(
        "const matrix = {rows: 'steps', columns: 'steps', order: 'luminance'};"
        "localStorage.setItem('heimat', JSON.stringify({state: {specimen: false, matrix}, version: 0}))"
    )
    driver.get(page)
    end = time.monotonic() + 15
    while not driver.execute_script("return document.querySelectorAll('[data-cell]').length > 200"):
        if time.monotonic() > end:
            raise RuntimeError("the matrix does not appear")
        time.sleep(0.05)
    found = driver.execute_async_script(_SCROLL_IN_PAGE, 120)
    if isinstance(found, str):
        raise RuntimeError(found)
    return Timing(found[5:])


def _load_in_chromium(driver: Chrome, page: str) -> float:
    """Milliseconds from asking for a page until its last step is there, of the second time."""
    for _ in range(2):
        driver.get("about:blank")
        driver.get(page)
        end = time.monotonic() + 15
        while not driver.execute_script(
            "return document.querySelector('[data-testid=scales] [data-hex]') !== null"
        ):
            if time.monotonic() > end:
                raise RuntimeError("the sheet does not appear")
            time.sleep(0.01)
        took = float(driver.execute_script("return performance.now()"))
    return took


def _first_scripts(driver: Chrome, page: str) -> list[Path]:
    """The scripts that a browser fetches until a page is there."""
    driver.get("about:blank")
    driver.get(page)
    end = time.monotonic() + 15
    while not driver.execute_script("return document.querySelector('[data-testid=slip]') !== null"):
        if time.monotonic() > end:
            raise RuntimeError("the page does not appear")
        time.sleep(0.05)
    names = driver.execute_script(
        "return performance.getEntriesByType('resource').map(entry => entry.name)"
    )
    return [PAGE / "assets" / name.rpartition("/")[2] for name in names if name.endswith(".js")]


def _compressed(files: list[Path]) -> int:
    return sum(len(gzip.compress(file.read_bytes(), 9)) for file in files)


def _ladder(count: int) -> ShapedLadder:
    """An even ladder of so many steps."""
    lights = [97.0 - 89.0 * place / (count - 1) for place in range(count)]
    return ShapedLadder(
        steps=tuple(
            ShapedStep(label=f"{at + 1}", lightness=light) for at, light in enumerate(lights)
        )
    )


def run(folder: Path) -> None:
    """Measure and print."""
    database = temporary_database(folder)
    heimat = RunningHeimat(database)
    try:
        heimat.start()
        system = large_system()
        engine = make_engine(database.url)
        with engine.begin() as connection:
            slug = add_document(connection, system, "ines")
        hues = list(system.hues)
        for people, aim in ((1, "p95 40 ms"), (2, "p95 60 ms")):
            timing, size = previews(heimat.address, slug, hues, people)
            report(f"preview over HTTP, {people} dragging", timing, aim)
        note(
            "preview, compressed and raw",
            f"{size[0] / 1000:.1f} and {size[1] / 1000:.1f} kB",
            "50 kB",
        )
        many = large_system(49)
        with engine.begin() as connection:
            wide_slug = add_document(connection, many, "ines")
        full = apply(large_system(29), SetLadder(ladder=_ladder(24)))
        with engine.begin() as connection:
            full_slug = add_document(connection, full, "ines")
        themed = tokens.large()
        with engine.begin() as connection:
            themed_slug = add_document(connection, themed, "ines")
        engine.dispose()
        timing, size = previews(heimat.address, wide_slug, list(many.hues), 1)
        report("preview of 49 hues × 11 steps", timing, "none stated")
        note(
            "its size, compressed and raw",
            f"{size[0] / 1000:.1f} and {size[1] / 1000:.1f} kB",
            "none stated",
        )
        with browser() as driver:
            at = f"{heimat.address}/systems/{slug}/scales?at=hue:{hues[0]}"
            timing, _ = drag_in_chromium(driver, at, RAMP, RAMP, across=True)
            report("in Chromium: pointer's move to all steps repainted", timing, "p95 100 ms")
            report(
                "in Chromium: arrow key to the next step painted",
                _walk_in_chromium(driver),
                "p95 50 ms",
            )
            report(
                "in Chromium: a click on a step to the slip", _select_in_chromium(driver), "60 ms"
            )
            room = "[data-curve=hue] svg"
            _choose_board(driver)
            timing, _ = drag_in_chromium(
                driver,
                f"{heimat.address}/systems/{themed_slug}/tokens?show=specimen&at=hue:{next(iter(themed.hues))}",
                RAMP,
                RAMP,
                across=True,
                sheet=_BOARD,
                colored=_BOARD,
            )
            report("in Chromium: the operations board, 200 tokens, 4 themes", timing, "p95 100 ms")
            timing, long = drag_in_chromium(
                driver, f"{at}&area=curves", _HANDLE, room, across=False, opened_by=_HUE
            )
            report("in Chromium: a curve's handle of 12 scales", timing, "p95 100 ms")
            note(
                "frames with over 50 ms of script",
                f"{len(long)} of 80, longest {max(long, default=0):.0f} ms",
                "none",
            )
            plot = "[data-testid=ladder-plot]"
            timing, _ = drag_in_chromium(
                driver, f"{at}&area=ladder", _RUNG, plot, across=False, wide=False
            )
            report("in Chromium: a handle of the ladder of 12 scales", timing, "p95 100 ms")
            full_at = f"{heimat.address}/systems/{full_slug}/scales?at=hue:{next(iter(full.hues))}"
            timing, _ = drag_in_chromium(driver, full_at, RAMP, RAMP, across=True)
            report("in Chromium: a drag of 29 hues × 24 steps", timing, "p95 150 ms")
            note(
                "in Chromium: 29 hues × 24 steps loaded",
                f"{_load_in_chromium(driver, full_at):.0f} ms",
                "1 s",
            )
            matrix_at = f"{heimat.address}/systems/{slug}/legibility?area=matrix"
            report(
                "in Chromium: frames of the matrix of 132 by 132",
                _scroll_in_chromium(driver, matrix_at),
                "50 ms",
            )
            scripts = _first_scripts(driver, f"{heimat.address}/systems/{slug}/sources")
            note(
                "first page: script, compressed", f"{_compressed(scripts) / 1000:.0f} kB", "200 kB"
            )
        largest = max((PAGE / "assets").glob("*.js"), key=lambda file: file.stat().st_size)
        note("largest chunk, raw", f"{largest.stat().st_size / 1000:.0f} kB", "500 kB")
        stored = orjson.dumps(system.model_dump(mode="json"))
        note("a document as JSON", f"{len(stored) / 1000:.1f} kB", "none stated")
    finally:
        heimat.stop()
        database.stop()
