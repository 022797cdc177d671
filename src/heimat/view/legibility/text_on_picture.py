"""Text on a picture as the page shows it."""

from dataclasses import replace

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import cut
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.order import in_order
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.text import Behind, Box, behind, best_colors, best_place, least_scrim
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme
from heimat.view.eyes import Eyes, SwatchView

_MOST_BEST = 3
_SCRIMS = {"black": (0, 0, 0), "white": (255, 255, 255)}


class BehindView(TypedDict):
    """What is behind the block at a width of the page: shares in percent, cut so that none is flattered."""

    width: float
    rectangle: list[int]
    short: str
    below: list[str]
    worst: str


class BestView(SwatchView):
    """A token that would do better there, and the share that falls short with it."""

    name: str
    short: str


class ScrimView(TypedDict):
    """The least scrim of a color that does it: its alpha, or none."""

    color: str
    alpha: float | None


class TextOnPictureView(TypedDict):
    """A block of text on a picture: where it is, what is behind it, what would help, and a sentence."""

    color: SwatchView
    across: float
    down: float
    behind: list[BehindView]
    best: list[BestView]
    scrims: list[ScrimView]
    sentence: str


def text_on_picture(
    pixels: Pixels,
    resolved: Resolved,
    theme: ResolvedTheme | None,
    box: Box,
    text8: Bytes,
    level: float,
    share: float | None,
    find: bool,
    eyes: Eyes,
) -> TextOnPictureView:
    """All about a block; with `find` at the best place for it, and with a `share` what would help."""
    if find:
        across, down = best_place(pixels, box, text8, level)
        box = replace(box, across=across, down=down)
    found = behind(pixels, box, text8, level)
    worst = max(found, key=lambda each: each.short)
    return {
        "color": eyes.swatch(text8),
        "across": box.across,
        "down": box.down,
        "behind": [_behind(each) for each in found],
        "best": _best(pixels, resolved, theme, box, level, eyes)
        if theme and share is not None
        else [],
        "scrims": [] if share is None else _scrims(pixels, box, text8, level, share),
        "sentence": _sentence(text8, level, worst, len(found)),
    }


def _scrims(pixels: Pixels, box: Box, text8: Bytes, level: float, share: float) -> list[ScrimView]:
    return [
        {
            "color": name,
            "alpha": least_scrim(pixels, box, text8, level, np.array(scrim, dtype=np.uint8), share),
        }
        for name, scrim in _SCRIMS.items()
    ]


def _behind(each: Behind) -> BehindView:
    return {
        "width": each.box_width,
        "rectangle": list(each.rectangle),
        "short": percent(each.short),
        "below": [percent(share) for share in each.below],
        "worst": cut(each.worst),
    }


def percent(share: float) -> str:
    """A share in percent, with one decimal; what is there at all never reads 0, what is not all never 100."""
    if 0.0 < share < 0.001:
        return "under 0.1"
    return f"{min(share * 100.0, 99.9) if share < 1.0 else 100.0:.1f}"


def _best(
    pixels: Pixels, resolved: Resolved, theme: ResolvedTheme, box: Box, level: float, eyes: Eyes
) -> list[BestView]:
    texts = {
        each.foreground
        for each in resolved.system.pairings.values()
        if each.use in ("body", "large")
    }
    tokens = [
        token
        for token in in_order(resolved.system.tokens)
        if token.id in texts and theme.tokens[token.id].alpha == 1.0
    ]
    if not tokens:
        return []
    colors = np.array([theme.tokens[token.id].rgb8 for token in tokens], dtype=np.uint8)
    shares = best_colors(pixels, box, colors, level)
    order = np.argsort(shares, kind="stable")[:_MOST_BEST].tolist()
    swatches = eyes.swatches(colors[order])
    return [
        {**swatch, "name": tokens[place].name, "short": percent(float(shares[place]))}
        for swatch, place in zip(swatches, order, strict=True)
    ]


def _sentence(text8: Bytes, level: float, worst: Behind, widths: int) -> str:
    where = f" at {worst.box_width:g} px" if widths > 1 else ""
    if worst.short == 0.0:
        return f"{hex_of(text8)} reaches {level:g} on every pixel behind it; the lowest is {cut(worst.worst)}{where}."
    return (
        f"{percent(worst.short)} % of the area behind it falls short of {level:g}{where}; "
        f"the lowest is {cut(worst.worst)}."
    )
