"""The palettes by category that Heimat proposes for 60 brands: six and ten colors, by day and by night.

Each is drawn as bars, lines and points beside its strip, and measured by what was asked of it.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from html import escape
from pathlib import Path

import numpy as np

from heimat.core.charts.apart import nearest_pair
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.color_text import parse
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.color.terms import TERMS, measured, terms
from heimat.core.document.palettes import PaletteColor
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import HueAlias
from heimat.core.edits import apply
from heimat.core.edits.palette_edits import AddPalette
from heimat.core.filling.fill import by_purpose
from heimat.core.filling.start import start_system
from heimat.core.legibility.findings import finding_ids
from heimat.core.planning.proposed_palettes import PaletteWish, character_of, generated
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.resolved import resolve
from tools.sheets.brands import brands

COUNTS = (6, 10)
_OLIVE = (88.0, 128.0, 0.70)
"""From and to which OKLCH hue, below which OKLab lightness a reader counts olives and khakis."""
_CHROMA = 0.05
"""How far from the range of the brand's chroma a made color may be."""
_SIXTH = 60.0
_AIMS = {(6, "light"): "15.7", (6, "dark"): "15.4", (10, "light"): "10.2", (10, "dark"): "9.7"}
"""95 % of the median that was reached before colors spread over the families."""


@dataclass(frozen=True)
class Sheet:
    """A palette in a theme: the brand, how many colors, their values (n, 3) with the brand's first, least distance.

    `off` says what was asked of it and is not so, a word for each.
    """

    brand: str
    count: int
    theme: str
    ground: str
    rgb8: Bytes
    apart: float
    off: tuple[str, ...]


def sheets() -> Iterator[Sheet]:
    """Every palette in every theme, made as the page makes it: the brand held, all else as it is at first."""
    for brand in brands():
        system = by_day_and_night(brand)
        resolved = resolve(system)
        kept = (PaletteColor(id="brand", value=HueAlias(hue=next(iter(system.hues))), held=True),)
        card = by_purpose(system)["surface.card"]
        chroma = character_of(resolved).chroma
        for count in COUNTS:
            make, _ = generated(resolved, PaletteWish(count, kept, card))
            after = resolve(
                apply(system, AddPalette(id="sheet", name="sheet", make=make, ground=card))
            )
            found = finding_ids(after)
            for theme, (shown,) in after.palettes.items():
                own = [each for each in found if f":{theme}:sheet" in each]
                off = (
                    *_off(shown.rgb8, count, chroma),
                    *sorted(each.split(":")[0] for each in own),
                )
                scheme = after.themes[theme].theme.scheme
                ground, apart = hex_of(shown.ground8), nearest_pair(shown.rgb8)[0]
                yield Sheet(brand, count, scheme, ground, shown.rgb8, apart, off)


def by_day_and_night(brand: str) -> ColorSystem:
    """A system as it starts from a brand color, with the dark theme that is proposed for it."""
    system = start_system("sheet", [("brand", parse(brand))])
    resolved = resolve(system)
    day = next(iter(resolved.themes.values()))
    proposal = propose_theme(resolved, day, "night", "night", "dark", "usual")
    return apply(system, proposal.edit)


def _off(rgb8: Bytes, count: int, chroma: tuple[float, float]) -> Iterator[str]:
    """What is not as it was asked for, of colors (n, 3) whose first is held."""
    lch = srgb_to_oklch(from_bytes(rgb8))
    made = lch[1:]
    low, high, below = _OLIVE
    olive = (made[:, 2] > low) & (made[:, 2] < high) & (made[:, 0] < below)
    if bool(olive.any()):
        yield "olive"
    called = terms(*measured(rgb8))
    if count <= 6 and len(set(called.tolist())) < count:
        yield "one term twice"
    if max(np.bincount(called, minlength=len(TERMS))) > 2:
        yield "one term thrice"
    if _fullest(made[:, 2]) > max(2, count // 3):
        yield "crowded sixth"
    weak, strong = chroma[0] - _CHROMA, chroma[1] + _CHROMA
    if bool(((made[:, 1] < weak) | (made[:, 1] > strong)).any()):
        yield "chroma unlike the brand"


def _fullest(hues: Floats) -> int:
    return int(((hues[None] - hues[:, None]) % 360.0 <= _SIXTH).sum(axis=1).max())


def counted(every: list[Sheet]) -> list[tuple[str, str, str]]:
    """What is counted over all sheets: what, the figure, and its aim."""
    lines = []
    for count in COUNTS:
        for theme in ("light", "dark"):
            some = [each for each in every if (each.count, each.theme) == (count, theme)]
            apart = [each.apart for each in some]
            name = f"{count} colors, {len(some)} brands, {theme}"
            figure = f"median {np.median(apart):.1f}, least {min(apart):.1f}"
            lines.append((f"{name}: nearest pair", figure, _AIMS[count, theme]))
            words = sorted({word for each in some for word in each.off})
            said = ", ".join(f"{word} {sum(word in each.off for each in some)}" for word in words)
            lines.append((f"{name}: off", said or "nothing", "the brand's own alone"))
    return lines


def write(folder: Path, every: list[Sheet]) -> None:
    """One page for each count and theme."""
    for count in COUNTS:
        for theme in ("light", "dark"):
            some = [each for each in every if (each.count, each.theme) == (count, theme)]
            ink = "#000000" if theme == "light" else "#FFFFFF"
            body = "".join(map(_drawn, some))
            style = f"background:{some[0].ground};color:{ink}"
            text = f'<!doctype html><meta charset=utf-8>{_STYLE}<body style="{style}">{body}</body>'
            (folder / f"palettes-{count}-{theme}.html").write_text(text)


def _drawn(sheet: Sheet) -> str:
    colors = [hex_of(each) for each in sheet.rgb8]
    wide = 80 / len(colors)
    marks = []
    for place, color in enumerate(colors):
        high = 25 + 11 * place % 29
        marks.append(
            f'<rect x="{place * wide:.1f}" y="{60 - high}" width="{wide - 2:.1f}" height="{high}" fill="{color}"/>'
        )
        heights = [
            (step * 18 + 90, 6 + place * 52 / len(colors) + 7 * (place + step * 3) % 9)
            for step in range(5)
        ]
        line = " ".join(f"{across},{down:.1f}" for across, down in heights)
        marks.append(f'<polyline fill="none" stroke="{color}" stroke-width="2" points="{line}"/>')
        for dot in range(4):
            across, down = 180 + (place * 37 + dot * 23) % 58, 5 + (place * 17 + dot * 29) % 52
            marks.append(f'<circle r="3" cx="{across}" cy="{down}" fill="{color}"/>')
        strip = 240 / len(colors)
        marks.append(
            f'<rect x="{place * strip:.1f}" y="64" width="{strip + 0.3:.1f}" height="16" fill="{color}"/>'
        )
    said = escape(f"{sheet.brand} {sheet.apart:.1f} {', '.join(sheet.off)}")
    return f'<div>{said}<svg width="240" height="82">{"".join(marks)}</svg></div>'


_STYLE = """<style>body{margin:0;padding:10px;font:11px sans-serif;display:grid;grid-template-columns:repeat(5,1fr);
gap:10px 18px} svg{display:block}</style>"""
