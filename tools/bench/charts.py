"""What Charts computes: searches against what a minute of searching reached, ramps, arms, charts of many rows."""

import coloraide
import numpy as np

from heimat.core.charts.bounds import Bounds
from heimat.core.charts.categorical import Wish, generate
from heimat.core.charts.character import Character, generate_like
from heimat.core.charts.diverging import GOOD_ENDS, LEAST_ENDS, partners
from heimat.core.charts.ramp import UNEVEN, Way, ramp
from heimat.core.color.arrays import Bytes, to_bytes
from heimat.core.color.exact_color import Color
from heimat.core.color.gamut import solve
from heimat.core.color.spaces import luminance_of, oklch_to_srgb
from heimat.core.document.order import behind
from heimat.core.document.palettes import Palette, Sequential
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import HueAlias
from heimat.core.edits import apply
from heimat.core.edits.source_edits import SetSource
from heimat.core.legibility.findings import finding_ids
from heimat.core.planning.proposed_palettes import character_of
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.demo.sailings import SAILINGS
from heimat.formats.read.read_table import read_table
from heimat.view.charts.drawn import charts_view
from tools.bench.timing import measure, note, report

_WHITE, _DARK, _TIDEWATER = (255, 255, 255), (11, 18, 18), (11, 110, 110)
_LIVELY = {"lightness": (0.45, 1.0), "chroma": (0.06, 0.5)}
_COUNTS = (6, 8, 10, 12)
_BEST = (
    ("on white, any color", Bounds(_WHITE), (), (27.1, 23.4, 18.9, 17.0)),
    ("on white, tidewater held", Bounds(_WHITE), (_TIDEWATER,), (23.8, 19.9, 16.2, 15.1)),
    ("on white, lively", Bounds(_WHITE, **_LIVELY), (), (21.6, 17.1, 14.1, 12.6)),
    (
        "on white, lively, tidewater held",
        Bounds(_WHITE, **_LIVELY),
        (_TIDEWATER,),
        (17.7, 14.1, 13.0, 12.2),
    ),
    ("on #0B1212, lively", Bounds(_DARK, **_LIVELY), (), (25.7, 21.8, 17.9, 16.1)),
)
"""What longer searches found over every severity, for each count."""
_SHARE = 0.95


def _quality() -> None:
    for words, bounds, held, best in _BEST:
        for count, found in zip(_COUNTS, best, strict=True):
            made = generate(Wish(count, bounds, held))
            note(
                f"{count} colors {words}",
                f"{made.apart:5.1f}, {made.apart / found:6.1%} of {found}",
                f"{_SHARE:.0%}",
            )
    character = character_of(resolve(brinemark()))
    for count in _COUNTS:
        made = generate_like(
            character, Wish(count, character.bounds(_WHITE, 3.0, 0.0), (_TIDEWATER,)), 0.0
        )
        note(f"{count} colors like the brand, the demo's", f"{made.apart:5.1f}", "none stated")
    reached = []
    for number in range(40):
        light, chroma = (0.35, 0.55, 0.75, 0.15)[number % 4], (0.05, 0.12, 0.24)[number % 3]
        brand = to_bytes(oklch_to_srgb(np.array([light, chroma, number * 9.0])).clip(0.0, 1.0))
        own = Character.of(brand[None])
        held = tuple(int(level) for level in brand)
        wish = Wish(6, own.bounds(_WHITE, 3.0, 0.0), (held,))  # type: ignore[arg-type]
        reached.append(generate_like(own, wish, 0.0).apart)
    middle, least = np.median(reached), min(reached)
    note(
        "6 colors like the brand, 40 brands",
        f"median {middle:.1f}, least {least:.1f}",
        "none stated",
    )


def _hue(hue: float, chroma: float) -> Bytes:
    return to_bytes(solve(luminance_of(np.float64(50.0)), np.float64(chroma), np.float64(hue)))


def _ramps() -> None:
    found = [
        ramp(Way.through(_hue(hue, chroma)[None], (96.0, 14.0)))
        for hue in range(360)
        for chroma in (0.05, 0.12, 0.25)
    ]
    off = max(float(np.abs(each.rgb8 - each.srgb * 255.0).max()) for each in found)
    note(
        "sequential of 1,080 hues: spread, typical vision",
        f"{max(each.spread for each in found):.4f}",
        "0.02",
    )
    note("the same under any deficiency", f"{max(each.worst for each in found):.4f}", f"{UNEVEN}")
    note(
        "least share of the chroma that it took",
        f"{min(each.share for each in found):.2f}",
        "none stated",
    )
    note("levels off the design after rounding", f"{off:.3f}", "1")
    note("distinct values of 256, at least", f"{min(each.most for each in found)}", "none stated")
    best = [partners(_hue(hue, 0.12), 45.0)[0].apart for hue in range(0, 360, 3)]
    good = sum(each >= GOOD_ENDS for each in best)
    note(
        "diverging, ends apart with the best partner",
        f"least {min(best):.1f}, {good} of 120 at 30",
        f"{LEAST_ENDS}",
    )


def with_eight_palettes() -> ColorSystem:
    """The demo's system with eight palettes."""
    system = brinemark()
    for number, hue in enumerate(("buoy", "gorse", "heather", "sound")):
        order = behind(system.palettes)[0]
        make = Sequential(sources=(HueAlias(hue=hue),), classes=9)
        palette = Palette(
            id=hue, order=order, name=f"{hue} {number}", make=make, ground="surface-card"
        )
        system = system.model_copy(update={"palettes": {**system.palettes, hue: palette}})
    return system


def _library_pairs(rgb8: Bytes) -> None:
    colors = [coloraide.Color("srgb", (each / 255.0).tolist()) for each in rgb8]
    for place, one in enumerate(colors):
        for other in colors[:place]:
            for vision in ("protan", "deutan", "tritan"):
                one.filter(vision).delta_e(other.filter(vision), method="2000")
            one.delta_e(other, method="2000")


def run() -> None:
    """Measure and print."""
    _quality()
    _ramps()
    for count, aim in ((6, "400 ms"), (12, "1 s")):
        wish = Wish(count, Bounds(_WHITE), (_TIDEWATER,))
        report(
            f"{count} categorical colors",
            measure(lambda wish=wish: generate.__wrapped__(wish), 5),
            aim,
        )
    made = generate(Wish(12, Bounds(_WHITE)))
    report(
        "all pairs of 12 by a general library, once",
        measure(lambda: _library_pairs(made.rgb8), 2),
        "",
    )
    tidewater = np.array([_TIDEWATER], dtype=np.uint8)
    report(
        "a sequential palette of 256",
        measure(lambda: ramp(Way.through(tidewater, (96.0, 14.0))), 20),
        "20 ms",
    )
    system, turn = with_eight_palettes(), [0]

    def dragged() -> None:
        turn[0] += 1
        color = Color.of_bytes((11, 70 + turn[0] % 90, 110))
        moved = apply(system, SetSource(hue="tidewater", color=color))
        finding_ids(resolve(moved))

    report("a hue dragged under eight palettes, three themes", measure(dragged, 20), "none stated")
    content = SAILINGS.read_bytes()
    head, _, body = content.partition(b"\n")
    many = head + b"\n" + body * 7
    table = read_table(many)
    resolved = resolve(brinemark())
    report(f"{table.rows:,} rows read", measure(lambda: read_table(many), 3), "none stated")
    report(
        "and gathered for charts",
        measure(lambda: charts_view(resolved, table, "routes", None), 5),
        "none stated",
    )
