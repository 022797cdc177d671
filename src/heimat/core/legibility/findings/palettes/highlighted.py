"""What is highlighted in a palette by category: short of contrast, or like what is muted."""

from collections.abc import Iterator

from heimat.core.charts.bounds import GRAPHIC
from heimat.core.color.ciede2000 import TOLD_APART
from heimat.core.color.contrast import cut, ratio
from heimat.core.legibility.findings.finding import GRAIN_OF_CONTRAST
from heimat.core.legibility.findings.palettes.beside import nearest, nearest_words
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """The highlighted color on the ground, and beside the muted one."""
    shown = site.shown
    lit, muted = shown.others.get("highlighted"), shown.others.get("muted")
    if lit is None or site.categories is None:
        return
    what = f"What is highlighted in {shown.palette.name}"
    reads = float(ratio(lit, shown.ground8))
    words = f"{what} reads {cut(reads)} on its ground; it needs {GRAPHIC:g}.", ""
    yield PaletteCase(
        site,
        site.id("other", "highlighted"),
        (lit, shown.ground8),
        lambda: words,
        told=reads < GRAPHIC,
        clear=reads / GRAPHIC - 1.0,
        by_level=GRAIN_OF_CONTRAST,
    )
    if muted is None:
        return
    far = nearest(lit.tobytes(), muted.tobytes())[0][1]
    alike = (
        f"{what} looks like what is muted.",
        f"{nearest_words(far)}; {TOLD_APART:g} is asked for.",
    )
    yield PaletteCase(
        site,
        site.id("other", "lit-muted"),
        (lit, muted),
        lambda: alike,
        told=far < TOLD_APART,
        clear=far / TOLD_APART - 1.0,
    )
