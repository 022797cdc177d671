"""The served application: previews over HTTP, and dragging in Chromium."""

import gzip
import threading
import time
from pathlib import Path

import httpx2 as httpx
import orjson
from selenium.webdriver import Chrome

from heimat.local.install import WEB
from heimat.service.opening import add_document
from heimat.store.engine import make_engine
from tools.bench.core import large_system
from tools.bench.timing import Timing, note, report
from tools.browser import browser
from tools.running import RunningHeimat, temporary_database

DRAGS = 150
LOOKING = {"select": "", "vision": "typical"}


def _drag(address: str, slug: str, hue: str, into: list[float], sizes: list[int]) -> None:
    """One person dragging: the next request leaves when the last has answered."""
    with httpx.Client(base_url=address, headers={"Accept-Encoding": "gzip"}) as client:
        for place in range(DRAGS):
            edit = {"type": "aim_source", "hue": hue, "lightness": 30.0 + place * 0.2, "chroma": 0.1, "angle": 200.0}
            body = {"base": 1, "edits": [edit], "view": {**LOOKING, "select": f"hue:{hue}"}}
            start = time.perf_counter()
            answer = client.post(f"/api/systems/{slug}/preview", json=body)
            into.append((time.perf_counter() - start) * 1000.0)
            answer.raise_for_status()
            sizes.append(int(answer.headers["content-length"]))


def _previews(address: str, slug: str, hues: list[str], people: int) -> tuple[Timing, int]:
    times: list[float] = []
    sizes: list[int] = []
    threads = [
        threading.Thread(target=_drag, args=(address, slug, hues[place], times, sizes)) for place in range(people)
    ]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return Timing(times[5 * people :]), max(sizes)


# From the pointer's move until the changed sheet is painted: the observer sees the change, the next animation frame
# begins before its paint, and a message posted there arrives behind it.
_DRAG_IN_PAGE = """
const [moves, done] = [arguments[0], arguments[arguments.length - 1]];
const slider = document.querySelector("[role=slider][aria-label='Lightness']");
const sheet = document.querySelector("[data-testid=scales]");
const box = slider.getBoundingClientRect();
const at = place => ({pointerId: 1, button: 0, buttons: 1, bubbles: true, clientY: box.top + 10,
                      clientX: box.left + box.width * (0.1 + 0.8 * place / moves)});
const painted = () => new Promise(resolve => requestAnimationFrame(() => {
  const channel = new MessageChannel();
  channel.port1.onmessage = resolve;
  channel.port2.postMessage(0);
}));
slider.setPointerCapture = () => {};
(async () => {
  const times = [];
  slider.dispatchEvent(new PointerEvent('pointerdown', at(0)));
  for (let place = 1; place <= moves; place++) {
    const changed = new Promise(resolve => {
      const observer = new MutationObserver(() => { observer.disconnect(); resolve(); });
      observer.observe(sheet, {subtree: true, attributes: true, attributeFilter: ['data-hex', 'style']});
    });
    const start = performance.now();
    slider.dispatchEvent(new PointerEvent('pointermove', at(place)));
    await changed;
    await painted();
    times.push(performance.now() - start);
  }
  slider.dispatchEvent(new PointerEvent('pointerup', at(moves)));
  return times;
})().then(done, error => done(String(error)));
"""


def _drag_in_chromium(driver: Chrome, address: str, slug: str, hue: str) -> Timing:
    driver.set_script_timeout(120)
    driver.get(f"{address}/systems/{slug}/scales?at=hue:{hue}")
    end = time.monotonic() + 15
    ready = "return document.querySelectorAll('[role=slider]').length === 3"
    while not driver.execute_script(ready):
        if time.monotonic() > end:
            raise RuntimeError("the sheet does not appear")
        time.sleep(0.05)
    times = driver.execute_async_script(_DRAG_IN_PAGE, 80)
    if isinstance(times, str):
        raise RuntimeError(times)
    return Timing(times[5:])


def _script_size() -> int:
    return sum(len(gzip.compress(file.read_bytes(), 9)) for file in (WEB / "dist" / "assets").glob("*.js"))


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
        engine.dispose()
        hues = list(system.hues)
        for people, aim in ((1, "p95 40 ms"), (2, "p95 60 ms")):
            timing, size = _previews(heimat.address, slug, hues, people)
            report(f"preview over HTTP, {people} dragging", timing, aim)
        note("preview, compressed", f"{size / 1000:.1f} kB", "50 kB")
        with browser() as driver:
            timing = _drag_in_chromium(driver, heimat.address, slug, hues[0])
            report("in Chromium: pointer's move to all steps repainted", timing, "p95 100 ms")
        note("first load: script, compressed", f"{_script_size() / 1000:.0f} kB", "350 kB")
        stored = orjson.dumps(system.model_dump(mode="json"))
        note("a document as JSON", f"{len(stored) / 1000:.1f} kB", "none stated")
    finally:
        heimat.stop()
        database.stop()
