"""Charts in Chromium: a brand hue dragged with eight charts on screen, and over many rows."""

import json
from pathlib import Path

from heimat.demo.load import load_demo
from heimat.demo.sailings import SAILINGS
from heimat.service.datasets import Datasets
from heimat.service.documents import Documents
from heimat.service.opening import add_document
from heimat.store.engine import make_engine
from tools.bench.charts import with_eight_palettes
from tools.bench.served import RAMP, drag_in_chromium, previews
from tools.bench.timing import note, report
from tools.browser import browser
from tools.running import RunningHeimat, temporary_database

_SHOWN = {
    "screen": "parts",
    "specimen": True,
    "drawn": {"shape": "stacked", "third": "areas", "map": "tiles", "beside": "fares"},
}
_PARTS = [
    "head",
    "slip",
    "palettes",
    "palette_detail",
    "findings",
    "palette_grounds",
    "stops",
    "specimen",
]
"""What the page asks for during a drag in Charts."""
_CHARTS = "[data-testid=drawn] svg"
_TIMES = 7
"""How many times the season is repeated for many rows."""


def run(folder: Path) -> None:
    """Measure and print."""
    database = temporary_database(folder)
    heimat = RunningHeimat(database)
    try:
        heimat.start()
        engine = make_engine(database.url)
        load_demo(engine)
        head, _, body = SAILINGS.read_bytes().partition(b"\n")
        kept = Datasets(engine, Documents(engine)).keep(
            "brinemark", head + b"\n" + body * _TIMES, "many", "ines"
        )
        with engine.begin() as connection:
            eight = add_document(connection, with_eight_palettes(), "ines")
        engine.dispose()
        # The first drag is that of a server that has just begun.
        previews(heimat.address, eight, ["gorse"], 1, _PARTS)
        for hues, aim in (("tidewater",), "p95 40 ms"), (("buoy", "heather"), "p95 60 ms"):
            timing, _ = previews(heimat.address, eight, hues, len(hues), _PARTS)
            report(f"preview over HTTP with eight palettes, {len(hues)} dragging", timing, aim)
        page = f"{heimat.address}/systems/brinemark/charts?at=hue:tidewater"
        with browser() as driver:
            for words, dataset in (("", None), (f", {_TIMES} seasons of rows", kept.id)):
                driver.get(heimat.address)
                shown = {**_SHOWN, "dataset": dataset}
                driver.execute_script(
                    "localStorage.setItem('heimat', arguments[0])",
                    json.dumps({"state": shown, "version": 0}),
                )
                timing, long = drag_in_chromium(
                    driver,
                    page,
                    RAMP,
                    RAMP,
                    across=True,
                    sheet="[data-testid=drawn]",
                    colored=_CHARTS,
                )
                charts = driver.execute_script(
                    'return document.querySelectorAll("[data-testid=drawn] svg, [data-place=chart]").length'
                )
                report(
                    f"in Chromium: a brand hue with {charts} charts on screen{words}",
                    timing,
                    "p95 100 ms",
                )
                told = f"{len(long)} of 80, longest {max(long, default=0):.0f} ms"
                note(f"frames with over 50 ms of script{words}", told, "none")
    finally:
        heimat.stop()
        database.stop()
