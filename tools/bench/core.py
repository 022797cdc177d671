"""The core alone, beside `coloraide` color by color."""

import numpy as np
from coloraide.everything import ColorAll

from heimat.core import memory
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.hues import GivenSource, Hue
from heimat.core.document.order import behind, in_order, keys
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import StepAlias, Token
from heimat.core.edits import apply_all
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.filling.start import start_system
from heimat.core.filling.starter import DAY, with_starter
from heimat.core.legibility.findings import findings
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.ladder import LONG, MOST_STEPS, Ladder, LadderStep
from tools.bench.timing import measure, report

HUES = 12


def large_system(hues: int = HUES) -> ColorSystem:
    """A system of so many hues on the long ladder of 11, with the starter's tokens."""
    rng = np.random.default_rng(1)
    base = start_system(
        "Bench", [("", Color.of_bytes(tuple(rng.integers(0, 256, 3)))) for _ in range(hues - 5)]
    )
    on_long = {key: hue.model_copy(update={"ladder": None}) for key, hue in base.hues.items()}
    return with_starter(
        base.model_copy(
            update={"ladder": LONG, "hues": on_long, "tokens": {}, "pairings": {}, "told_apart": {}}
        )
    )


def many_hues(count: int) -> ColorSystem:
    """A system of so many hues and no tokens."""
    rng = np.random.default_rng(2)
    made = {}
    for place, order in enumerate(keys(count)):
        color = Color.of_bytes(tuple(rng.integers(0, 256, 3)))
        made[f"h{place}"] = Hue(
            id=f"h{place}",
            order=order,
            name=f"h{place}",
            kind="accent",
            source=GivenSource(color=color),
        )
    return ColorSystem(name="Many", hues=made)


def widest() -> ColorSystem:
    """As many steps as a system can have: 200 hues of 24."""
    last = MOST_STEPS - 1
    steps = tuple(
        LadderStep(id=f"s{place}", label=f"{place}", lightness=round(97.0 - 89.0 * place / last, 3))
        for place in range(MOST_STEPS)
    )
    return many_hues(200).model_copy(update={"ladder": Ladder(name="own", steps=steps)})


def many_tokens(count: int) -> ColorSystem:
    """A system with so many tokens, each on a step, and one that was just added."""
    system = large_system()
    hues = in_order(system.hues)
    tokens = dict(system.tokens)
    for place, order in enumerate(behind(tokens, count - len(tokens))):
        hue = hues[place % len(hues)]
        value = StepAlias(hue=hue.id, step=system.ladder.steps[place % 11].id)
        key = f"t{place}"
        tokens[key] = Token(id=key, order=order, name=f"bulk.t{place}", values={DAY: value})
    return system.model_copy(update={"tokens": tokens})


def _whole(system: ColorSystem) -> None:
    """Everything that follows from a document, promises included."""
    resolve(system).promises  # noqa: B018 - found when asked for


def _afresh(system: ColorSystem) -> None:
    """Resolve as a new process would: with nothing remembered."""
    memory.clear()
    _whole(system)


def run() -> None:
    """Measure and print."""
    system = large_system()
    resolved = resolve(system)
    count = len(resolved.steps.rgb8)
    what = f"resolve: {HUES} hues × 11 steps, contrasts, told apart"
    report(what, measure(lambda: _afresh(system), 60), "5 ms")
    report(
        "the same, with the scales remembered", measure(lambda: _whole(system), 60), "none stated"
    )
    report(
        "findings with all repairs, on top", measure(lambda: findings(resolved), 30), "none stated"
    )
    many = many_hues(200)
    report("resolve: 200 hues × 9 steps", measure(lambda: _afresh(many), 10), "none stated")
    most = widest()
    report("resolve: 200 hues × 24 steps", measure(lambda: _afresh(most), 3), "1 s")
    full = many_tokens(2000)
    renamed = apply_all(full, [RenameToken(token="t7", name="bulk.other")])
    report(
        "undo under 2,000 tokens",
        measure(lambda: apply_all(renamed.system, [renamed.inverse]), 10),
        "50 ms",
    )

    rgb8 = resolved.steps.rgb8
    ours = measure(lambda: ratio(rgb8[:, None], rgb8[None, :]), 60)
    theirs_colors = [ColorAll("srgb", [int(level) / 255 for level in color]) for color in rgb8]
    theirs = measure(
        lambda: [one.contrast(other) for one in theirs_colors for other in theirs_colors], 1
    )
    times = f"coloraide {theirs.median:.0f} ms, {theirs.median / ours.median:.0f} times as long"
    report(f"contrast matrix of {count} colors", ours, "100 times as fast as coloraide", times)

    labs = srgb_to_lab(rgb8 / 255.0)
    ours = measure(lambda: ciede2000(labs[:, None], labs[None, :]), 20)
    some = theirs_colors[:30]
    theirs = measure(
        lambda: [one.delta_e(other, method="2000") for one in some for other in some], 1
    )
    scaled = theirs.median * (count / len(some)) ** 2
    times = f"coloraide {scaled:.0f} ms (from {len(some)} colors), {scaled / ours.median:.0f} times as long"
    report(f"CIEDE2000 of all pairs of {count} colors", ours, "none stated", times)
