"""`./heimat bench`: measure all, or some parts alone by their names; `sheets` draws what is proposed for 60 brands."""

import sys
import tempfile
from pathlib import Path

from tools import sheets
from tools.bench import (
    charts,
    charts_in_page,
    core,
    legibility,
    quality,
    releases,
    reliability,
    scales,
    served,
    sources,
    tokens,
)

QUICK = {
    "core": core,
    "scales": scales,
    "tokens": tokens,
    "legibility": legibility,
    "charts": charts,
    "releases": releases,
    "quality": quality,
}
LONG = {"charts": charts_in_page, "sources": sources, "served": served, "reliability": reliability}

wanted = sys.argv[1:] or [*QUICK, *LONG]
for name, quick in QUICK.items():
    if name in wanted:
        quick.run()
if "sheets" in sys.argv[1:]:
    sheets.run(Path("sheets"))
for name, part in LONG.items():
    if name in wanted:
        with tempfile.TemporaryDirectory(prefix="heimat-bench-") as folder:
            part.run(Path(folder))
