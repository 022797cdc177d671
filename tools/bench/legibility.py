"""What Legibility computes: the matrix, all pairings, repairs, text on a picture."""

from datetime import date

import coloraide
import numpy as np

from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.exact_color import Color
from heimat.core.color.passing import nearest_passing
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.color.told_apart import seen_labs
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import LiteralColor
from heimat.core.edits import apply_all
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.legibility.findings import findings, mend_all
from heimat.core.legibility.matrix import ratios
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.text import Box, behind, best_place, least_scrim, short_map
from heimat.core.resolve.checked_pairings import check_pairings
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from tools.bench import tokens
from tools.bench.timing import measure, report

_TODAY = date(2026, 1, 1)
_COLORS = 132
_SOME = 12
"""Colors that the general library is asked for: all pairs of all would take it minutes."""


def _matrix(rgb8: np.ndarray) -> None:
    ratios(rgb8, rgb8)
    one, other = np.triu_indices(len(rgb8), k=1)
    labs = seen_labs(rgb8)[:, -1]
    ciede2000(labs[:, one], labs[:, other])
    own = srgb_to_lab(rgb8 / 255.0)
    ciede2000(own[one], own[other])


def _by_library(rgb8: np.ndarray) -> None:
    colors = [coloraide.Color("srgb", (each / 255.0).tolist()) for each in rgb8]
    for one in colors:
        for other in colors:
            one.contrast(other, method="wcag21")
            for vision in ("protan", "deutan", "tritan"):
                one.filter(vision).delta_e(other.filter(vision), method="2000")
            one.delta_e(other, method="2000")


def _broken() -> ColorSystem:
    """The demo's system with about 100 findings: texts, links and surfaces of any color."""
    rng, system = np.random.default_rng(1), brinemark()
    edits = [
        SetTokenValue(
            token=key,
            theme="day",
            value=LiteralColor(color=Color.of_bytes(rng.integers(60, 200, 3))),
        )
        for key in sorted(system.tokens)
        if key.startswith(("text", "surface", "link"))
    ]
    return apply_all(system, edits).system


def run() -> None:
    """Measure and print."""
    rng = np.random.default_rng(5)
    rgb8 = rng.integers(0, 256, (_COLORS, 3), dtype=np.uint8)
    ours = measure(lambda: _matrix(rgb8), 10)
    report("matrix of 132 by 132, four visions, CIEDE2000", ours, "60 ms")
    library = measure(lambda: _by_library(rgb8[:_SOME]), 2)
    times = library.median * (_COLORS / _SOME) ** 2 / ours.median
    report(
        f"the same of {_SOME} by {_SOME} by a general library",
        library,
        "",
        f"{times:.0f} times as long for all",
    )
    large = resolve(tokens.large())
    pairings = list(large.system.pairings.values())
    checked = measure(
        lambda: [check_pairings(pairings, each.tokens) for each in large.themes.values()], 20
    )
    report(f"{len(pairings)} pairings in {len(large.themes)} themes", checked, "5 ms")
    originals, grounds = (rng.integers(0, 256, (100, 3), dtype=np.uint8) for _ in range(2))
    report(
        "nearest passing colors of 100",
        measure(lambda: nearest_passing(originals, grounds, 4.5), 10),
        "none stated",
    )
    broken = resolve(_broken())
    many = findings(broken)
    repairs = sum(len(each.repairs) for each in many)
    report(
        f"{len(many)} findings with {repairs} repairs",
        measure(lambda: findings(broken), 5),
        "300 ms",
    )
    demo = resolve(brinemark())
    count = sum(len(each.repairs) for each in findings(demo))
    report(
        f"the demo's findings with {count} repairs",
        measure(lambda: findings(demo), 5),
        "none stated",
    )
    report("all of the demo mended", measure(lambda: mend_all(demo, _TODAY), 3), "none stated")
    picture = Pixels(rng.integers(0, 256, (3000, 4000, 3), dtype=np.uint8), None, "image/png")
    box, white = (
        Box(420.0, 90.0, 520.0, (1280.0, 768.0, 390.0), 0.3, 0.6),
        np.full(3, 255, dtype=np.uint8),
    )
    black = np.zeros(3, dtype=np.uint8)
    report(
        "text moved on 12 megapixels", measure(lambda: behind(picture, box, white, 4.5), 5), "60 ms"
    )
    report("its best place", measure(lambda: best_place(picture, box, white, 4.5), 3), "1 s")
    report(
        "its least scrim",
        measure(lambda: least_scrim(picture, box, white, 4.5, black, 0.0), 3),
        "none stated",
    )
    report(
        "where it could not stand",
        measure(lambda: short_map(picture, white, 4.5), 3),
        "none stated",
    )
