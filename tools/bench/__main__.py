"""`./heimat bench`: measure all of it, or `core`, `scales`, `quality`, `sources`, `served` or `reliability` alone."""

import sys
import tempfile
from pathlib import Path

from tools.bench import core, quality, reliability, scales, served, sources

wanted = sys.argv[1:] or ["core", "scales", "quality", "sources", "served", "reliability"]
for name, quick in (("core", core), ("scales", scales), ("quality", quality)):
    if name in wanted:
        quick.run()
for name, part in (("sources", sources), ("served", served), ("reliability", reliability)):
    if name in wanted:
        with tempfile.TemporaryDirectory(prefix="heimat-bench-") as folder:
            part.run(Path(folder))
