"""Sheets of what Heimat proposes for 60 brands, to be looked at, and what can be counted on them."""

from pathlib import Path

from tools.bench.timing import note
from tools.sheets import fillings, palettes


def run(folder: Path) -> None:
    """Draw all sheets into a folder, which is not committed, and print what is counted on them."""
    folder.mkdir(exist_ok=True)
    (folder / "fillings.html").write_text(fillings.page())
    every = list(palettes.sheets())
    palettes.write(folder, every)
    for what, figure, aim in palettes.counted(every):
        note(what, figure, aim)
