"""Palettes with more categories than a reader holds in mind."""

from collections.abc import Iterator

from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words

MOST_HELD = 8
"""Categories that a reader can hold in mind at once, by convention; more are looked up in the legend every time."""


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """The count of categories: in the first theme, as it is the same in all."""
    make, rgb8 = site.categories, site.shown.rgb8
    if make is None or not site.is_first:
        return
    count = len(make.colors)

    def words() -> Words:
        sentence = (
            f"{site.shown.palette.name} has {count} categories; readers hold about {MOST_HELD}."
        )
        return sentence, "Gather the small ones in one called other, or label every mark directly."

    if count > MOST_HELD:
        yield PaletteCase(site, site.id("many"), (rgb8[0], rgb8[-1]), words)
