"""How good what Heimat proposes is: palettes and themes for 60 brands, and what it claims to be safe.

The rules are not asked: what is proposed is made as the page makes it, and judged by what came of it.
"""

from collections import Counter

import numpy as np

from heimat.core.color.color_text import parse
from heimat.core.document.themes import Scheme, Wanted
from heimat.core.edits import apply
from heimat.core.edits.source_edits import AimSource
from heimat.core.filling.start import start_system
from heimat.core.filling.turning import with_turned
from heimat.core.legibility.findings import finding_ids
from heimat.core.legibility.selected import aim_of, find
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.demo.demo_systems import brinemark
from heimat.view.safe_ranges import safe_ranges_view
from tools.bench.timing import note
from tools.sheets import palettes
from tools.sheets.brands import brands

_KINDS: tuple[tuple[Scheme, Wanted], ...] = (("dark", "usual"), ("light", "more"), ("dark", "more"))
_VALUES = 5000
_INSIDE = 18
"""Random values that are tried inside each safe range."""


def run() -> None:
    """Print a line for each figure: palettes, themes, safe ranges."""
    for what, figure, aim in palettes.counted(list(palettes.sheets())):
        note(what, figure, aim)
    found = _theme_findings()
    told = ", ".join(f"{kind} {count}" for kind, count in found.most_common()) or "none"
    note(f"findings in {len(brands())} starts and three themes proposed for each", told, "none")
    tried, flipped = _safe_values(_VALUES)
    note("values inside a safe range that flip a finding", f"{flipped} of {tried}", "0")


def _theme_findings() -> Counter[str]:
    """The kinds of findings in starts of all brands, with a theme of every kind."""
    found: Counter[str] = Counter()
    for brand in brands():
        system = start_system("quality", [("brand", parse(brand))])
        day = next(iter(resolve(system).themes.values()))
        for scheme, contrast in _KINDS:
            name = f"{scheme}-{contrast}"
            proposal = propose_theme(resolve(system), day, name, name, scheme, contrast)
            system = apply(system, proposal.edit)
        found.update(each.split(":")[0] for each in finding_ids(resolve(system)))
    return found


def _safe_values(wanted: int) -> tuple[int, int]:
    """Of random values inside the safe ranges of hues that were moved at random: how many, and how many flip."""
    rng = np.random.default_rng(17)
    base, tried, flipped = brinemark(), 0, 0
    given = [hue.id for hue in base.hues.values() if hue.source.kind == "given"]
    while tried < wanted:
        hue = str(rng.choice(given))
        light, chroma, turn = _aim(resolve(base), hue)
        light = float(np.clip(light + rng.normal(0.0, 8.0), 10.0, 95.0))
        chroma = max(0.02, chroma + float(rng.normal(0.0, 0.03)))
        turn = (turn + float(rng.normal(0.0, 12.0))) % 360.0
        system = apply(base, AimSource(hue=hue, lightness=light, chroma=chroma, angle=turn))
        now, at = (
            resolve(system),
            dict(zip(("lightness", "chroma", "angle"), _aim(resolve(system), hue), strict=True)),
        )
        open_now, safe = finding_ids(now), safe_ranges_view(system, f"hue:{hue}")
        for name, view in (
            ("lightness", safe["lightness"]),
            ("chroma", safe["chroma"]),
            ("angle", safe["hue"]),
        ):
            if view is None or view["high"] <= view["low"]:
                continue
            for value in rng.uniform(view["low"], view["high"], _INSIDE):
                moved = {**at, name: float(value) % 360.0 if name == "angle" else float(value)}
                edit = AimSource(
                    hue=hue,
                    lightness=moved["lightness"],
                    chroma=moved["chroma"],
                    angle=moved["angle"],
                )
                kept = with_turned(now, resolve(apply(system, edit)))
                tried += 1
                flipped += finding_ids(kept) != open_now
    return tried, flipped


def _aim(resolved: Resolved, hue: str) -> tuple[float, float, float]:
    selected = find(resolved, None, f"hue:{hue}")
    assert selected is not None
    return aim_of(selected)
