"""`./heimat bench`: measure all, or `core`, `scales`, `tokens`, `quality`, `sources`, `served`, `reliability` alone."""

import sys
import tempfile
from pathlib import Path

from tools.bench import core, quality, reliability, scales, served, sources, tokens

wanted = sys.argv[1:] or ["core", "scales", "tokens", "quality", "sources", "served", "reliability"]
for name, quick in (("core", core), ("scales", scales), ("tokens", tokens), ("quality", quality)):
    if name in wanted:
        quick.run()
for name, part in (("sources", sources), ("served", served), ("reliability", reliability)):
    if name in wanted:
        with tempfile.TemporaryDirectory(prefix="heimat-bench-") as folder:
            part.run(Path(folder))
