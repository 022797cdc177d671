"""Scales: every method, twelve scales with measures and promises, growth, and a ladder solved for a promise."""

import numpy as np

from heimat.core import memory
from heimat.core.color.exact_color import Color
from heimat.core.document.system import ColorSystem
from heimat.core.planning.solved_promises import solve_promise
from heimat.core.resolve.resolved_hues import resolve_hues
from heimat.core.resolve.steps import promises_of, steps_of
from heimat.core.scales.curves import Curves
from heimat.core.scales.generate import ScaleRequest, generate
from heimat.core.scales.handles import Handle
from heimat.core.scales.ladder import LONG
from heimat.core.scales.measures import measure as measured
from heimat.core.scales.methods import METHODS, Method
from heimat.view.safe_ranges import safe_ranges_view
from tools.bench.core import large_system
from tools.bench.timing import measure, report

HANDLES = Curves(
    lightness=(Handle(at=-0.5, value=0.55), Handle(at=0.5, value=0.45)),
    chroma=(Handle(at=-0.5, value=0.8), Handle(at=0.5, value=1.1)),
    hue=(Handle(at=-0.5, value=4.0), Handle(at=0.5, value=-6.0)),
)


def _requests(count: int, method: Method) -> list[ScaleRequest]:
    rng = np.random.default_rng(4)
    colors = [Color.of_bytes(tuple(rng.integers(0, 256, 3))) for _ in range(count)]
    return [ScaleRequest(color, LONG.lightness(), method=method) for color in colors]


def _all_of(system: ColorSystem) -> None:
    """Scales, measures and promises of a system, nothing remembered."""
    memory.clear()
    hues = resolve_hues(system)
    measured([hue.scale for hue in hues], [set()] * len(hues))
    promises_of(system.ladder, steps_of(system.ladder, hues))


def run() -> None:
    """Measure and print."""
    for name in METHODS:
        one = _requests(1, Method(name=name))
        report(f"one scale of 11 by {name}", measure(lambda one=one: generate(one), 50), "2 ms")
    system = large_system()
    report("12 scales with measures and promises", measure(lambda: _all_of(system), 40), "15 ms")
    drawn = system.model_copy(update={"curves": HANDLES})
    report("the same with handles on all curves", measure(lambda: _all_of(drawn), 40), "15 ms")
    wide = system.model_copy(
        update={
            "hues": {key: hue.model_copy(update={"wide": True}) for key, hue in system.hues.items()}
        }
    )
    report(
        "the same with display-p3 twins of all", measure(lambda: _all_of(wide), 40), "none stated"
    )
    key = f"hue:{next(iter(system.hues))}"
    report(
        "safe ranges of a hue, three quantities",
        measure(lambda: safe_ranges_view(system, key), 5),
        "1 s",
    )
    twelve, many = _requests(12, Method()), _requests(200, Method())
    small, large = measure(lambda: generate(twelve), 30), measure(lambda: generate(many), 10)
    growth = f"{large.median / small.median:.1f} times as long for 16.7 times as many"
    report("200 scales generated", large, "linear from 12", growth)

    def solve(aim: float) -> None:
        memory.clear()
        solve_promise(system, 6, aim)

    report("a promise solved for 12 scales", measure(lambda: solve(4.9), 10), "200 ms")
    report("one that cannot be kept", measure(lambda: solve(15.0), 5), "200 ms")
