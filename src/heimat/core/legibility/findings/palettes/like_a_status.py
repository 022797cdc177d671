"""Categories that could be taken for a status, where they are not meant to be it."""

from collections.abc import Iterator

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import TOLD_APART, distance_words
from heimat.core.document.palettes import Categorical, PaletteValue
from heimat.core.document.tokens import LiteralColor, Token, TokenAlias
from heimat.core.legibility.findings.palettes.color_repairs import color_repairs
from heimat.core.legibility.findings.palettes.palette_site import PaletteCase, PaletteSite, Words
from heimat.core.legibility.findings.palettes.statuses import nearest_statuses, statuses_at


def measure(site: PaletteSite) -> Iterator[PaletteCase]:
    """Every color that is too near to a token of a status."""
    make, theme = site.categories, site.resolved.themes.get(site.theme)
    statuses, status8 = statuses_at(site)
    if make is None or theme is None or not statuses:
        return
    found = nearest_statuses(site.shown.rgb8.tobytes(), status8.tobytes())
    for place, (color, (nearest, far)) in enumerate(zip(make.colors, found, strict=True)):
        token = statuses[nearest]
        if not _means(color.value, token.id, theme.tokens[token.id].hue):
            yield _case(site, make, place, token, status8[nearest], far)


def _case(
    site: PaletteSite, make: Categorical, place: int, token: Token, status8: Bytes, far: float
) -> PaletteCase:
    def words() -> Words:
        detail = f"{distance_words(far)} apart; {TOLD_APART:g} keeps a series from saying it."
        return f"{site.name(place)} could be taken for {token.name}.", detail

    key, colors = site.id("status", make.colors[place].id), (site.shown.rgb8[place], status8)
    return PaletteCase(
        site,
        key,
        colors,
        words,
        lambda: color_repairs(site, make, (place,)),
        told=far < TOLD_APART,
        clear=far / TOLD_APART - 1.0,
    )


def _means(value: PaletteValue, token: str, hue: str | None) -> bool:
    """Whether a color stands on the status itself: then it is meant."""
    if isinstance(value, TokenAlias):
        return value.token == token
    return not isinstance(value, LiteralColor) and value.hue == hue
