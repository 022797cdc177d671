"""The core alone, beside `coloraide` color by color."""

import numpy as np
from coloraide.everything import ColorAll

from heimat.core.color.contrast import ratio
from heimat.core.color.difference import ciede2000
from heimat.core.color.notation import Color
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.hues import GivenSource, Hue
from heimat.core.document.order import keys
from heimat.core.document.system import ColorSystem
from heimat.core.hues.scaling import MEMORY
from heimat.core.legibility.findings import findings
from heimat.core.proposals.start import start_system
from heimat.core.proposals.starter import with_starter
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.ladder import LONG
from tools.bench.timing import measure, report

HUES = 12


def large_system(hues: int = HUES) -> ColorSystem:
    """A system of so many hues on the long ladder of 11, with the starter's tokens."""
    rng = np.random.default_rng(1)
    base = start_system("Bench", [("", Color.of_bytes(tuple(rng.integers(0, 256, 3)))) for _ in range(hues - 5)])
    on_long = {key: hue.model_copy(update={"ladder": None}) for key, hue in base.hues.items()}
    return with_starter(base.model_copy(update={"ladder": LONG, "hues": on_long, "tokens": {}}))


def many_hues(count: int) -> ColorSystem:
    """A system of so many hues and no tokens."""
    rng = np.random.default_rng(2)
    made = {}
    for place, order in enumerate(keys(count)):
        color = Color.of_bytes(tuple(rng.integers(0, 256, 3)))
        made[f"h{place}"] = Hue(
            id=f"h{place}", order=order, name=f"h{place}", kind="accent", source=GivenSource(color=color)
        )
    return ColorSystem(name="Many", hues=made)


def _afresh(system: ColorSystem) -> None:
    """Resolve as a new process would: with nothing remembered."""
    MEMORY.clear()
    resolve(system)


def run() -> None:
    """Measure and print."""
    system = large_system()
    resolved = resolve(system)
    count = len(resolved.steps.rgb8)
    what = f"resolve: {HUES} hues × 11 steps, contrasts, told apart"
    report(what, measure(lambda: _afresh(system), 60), "20 ms")
    report("the same, with the scales remembered", measure(lambda: resolve(system), 60), "none stated")
    report("findings with all repairs, on top", measure(lambda: findings(resolved), 30), "none stated")
    many = many_hues(200)
    report("resolve: 200 hues × 9 steps", measure(lambda: _afresh(many), 10), "none stated")

    rgb8 = resolved.steps.rgb8
    ours = measure(lambda: ratio(rgb8[:, None], rgb8[None, :]), 60)
    theirs_colors = [ColorAll("srgb", [int(level) / 255 for level in color]) for color in rgb8]
    theirs = measure(lambda: [one.contrast(other) for one in theirs_colors for other in theirs_colors], 1)
    times = f"coloraide {theirs.median:.0f} ms, {theirs.median / ours.median:.0f} times as long"
    report(f"contrast matrix of {count} colors", ours, "100 times as fast as coloraide", times)

    labs = srgb_to_lab(rgb8 / 255.0)
    ours = measure(lambda: ciede2000(labs[:, None], labs[None, :]), 20)
    some = theirs_colors[:30]
    theirs = measure(lambda: [one.delta_e(other, method="2000") for one in some for other in some], 1)
    scaled = theirs.median * (count / len(some)) ** 2
    times = f"coloraide {scaled:.0f} ms (from {len(some)} colors), {scaled / ours.median:.0f} times as long"
    report(f"CIEDE2000 of all pairs of {count} colors", ours, "none stated", times)
