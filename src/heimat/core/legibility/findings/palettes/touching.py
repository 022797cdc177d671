"""Neighbors in stacked bars and areas with too little contrast between them, where nothing parts them."""

from collections.abc import Iterator

from heimat.core.charts.bounds import GRAPHIC
from heimat.core.color.contrast import cut, ratio
from heimat.core.document.palettes import Telling
from heimat.core.legibility.findings.finding import GRAIN_OF_CONTRAST
from heimat.core.legibility.findings.palettes.color_repairs import telling_repairs
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words

_PARTED_BY: tuple[Telling, ...] = ("gap", "outline")
"""What parts areas that touch (WCAG 2.2, 1.4.11)."""
_DETAIL = f"What touches needs {GRAPHIC:g}, or something that parts it, to be seen as two by who sees no color."


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """The two colors that touch with the least contrast between them."""
    rgb8, make = site.shown.rgb8, site.categories
    if make is None or len(rgb8) < 2 or not set(make.told_by).isdisjoint(_PARTED_BY):
        return
    between = ratio(rgb8[:-1], rgb8[1:])
    place = int(between.argmin())
    least = float(between[place])

    def words() -> Words:
        return (
            f"{site.name(place)} and {site.name(place + 1)} touch, with {cut(least)} between them.",
            _DETAIL,
        )

    yield PaletteCase(
        site,
        site.id("touch"),
        (rgb8[place], rgb8[place + 1]),
        words,
        lambda: telling_repairs(site, make, _PARTED_BY),
        told=least < GRAPHIC,
        clear=least / GRAPHIC - 1.0,
        by_level=GRAIN_OF_CONTRAST,
    )
