"""`./heimat bench`: measure all of it, or `core`, `sources` or `served` alone."""

import sys
import tempfile
from pathlib import Path

from tools.bench import core, served, sources

wanted = sys.argv[1:] or ["core", "sources", "served"]
if "core" in wanted:
    core.run()
for name, part in (("sources", sources), ("served", served)):
    if name in wanted:
        with tempfile.TemporaryDirectory(prefix="heimat-bench-") as folder:
            part.run(Path(folder))
