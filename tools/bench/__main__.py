"""`./heimat bench`: measure all of it, or `core` or `served` alone."""

import sys
import tempfile
from pathlib import Path

from tools.bench import core, served

wanted = sys.argv[1:] or ["core", "served"]
if "core" in wanted:
    core.run()
if "served" in wanted:
    with tempfile.TemporaryDirectory(prefix="heimat-bench-") as folder:
        served.run(Path(folder))
