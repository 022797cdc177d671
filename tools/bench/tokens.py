"""Tokens: resolving many in many themes, renaming, proposing a theme, filling a set."""

import coloraide

from heimat.core import memory
from heimat.core.color.exact_color import Color
from heimat.core.document.order import keys
from heimat.core.document.pairings import Pairing
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import StepAlias, Token, TokenAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import AddHues
from heimat.core.edits.ladder_edits import SetLadder
from heimat.core.edits.source_edits import given
from heimat.core.edits.token_name_edits import RenameTokens
from heimat.core.filling.fill import addition
from heimat.core.filling.sets import SETS
from heimat.core.filling.starter import DAY, with_starter
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.checked_pairings import check_pairings
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.demo.demo_systems import brinemark
from tools.bench.timing import measure, report

_TOKENS, _PAIRINGS = 200, 300


def large() -> ColorSystem:
    """The demo's system with 12 hues of 11 steps, 200 tokens, 4 themes and 300 pairings."""
    system = apply_all(
        brinemark(),
        [
            AddHues(
                hues=[
                    {"id": f"more{at}", "color": color}
                    for at, color in enumerate(("#7A3E9D", "#C2185B", "#00838F"))
                ]
            ),
            SetLadder(ladder="long"),
        ],
    ).system
    resolved = resolve(system)
    bridge = propose_theme(
        resolved, resolved.themes["night"], "bridge", "bridge", "dark", "more"
    ).edit
    system = apply_all(system, [bridge]).system
    hues, tokens = sorted(system.hues), dict(system.tokens)
    orders = keys(_TOKENS, max(token.order for token in tokens.values()))
    for at in range(_TOKENS - len(tokens)):
        hue = hues[at % len(hues)]
        ladder = system.hues[hue].ladder or system.ladder
        value = (
            TokenAlias(token="text-plain")
            if at % 5 == 0
            else StepAlias(hue=hue, step=ladder.steps[at % 9].id)
        )
        tokens[f"t{at}"] = Token(
            id=f"t{at}", order=orders[at], name=f"more.{at}", values={DAY: value, "night": value}
        )
    pairings = dict(system.pairings)
    ids = sorted(tokens)
    places = keys(_PAIRINGS, max(pairing.order for pairing in pairings.values()))
    for at in range(_PAIRINGS - len(pairings)):
        key = f"pair{at}"
        pairings[key] = Pairing(
            id=key,
            order=places[at],
            foreground=ids[at % len(ids)],
            ground="surface-card",
            use="body",
        )
    return system.model_copy(update={"tokens": tokens, "pairings": pairings})


def _dragged(system: ColorSystem, level: int) -> ColorSystem:
    """The system with its brand a level further: what a drag asks for."""
    source, _ = given(Color.of_bytes((11, 110, level % 256)), None)
    hue = system.hues["tidewater"].model_copy(update={"source": source})
    return system.model_copy(update={"hues": {**system.hues, hue.id: hue}})


def run() -> None:
    """Measure and print."""
    system = large()
    level = 0

    def drag() -> Resolved:
        nonlocal level
        level += 1
        return resolve(_dragged(system, level))

    def anew() -> Resolved:
        memory.clear()
        return resolve(system)

    themes, pairings = len(system.themes), len(system.pairings)
    print(
        f"{len(system.hues)} hues, {len(system.tokens)} tokens, {themes} themes, {pairings} pairings"
    )
    one = measure(drag, 40)
    report("resolved while a hue is dragged", one, "30 ms")
    report("resolved with nothing remembered", measure(anew, 20), "none stated")
    shown = resolve(system)
    pairings_of = list(system.pairings.values())
    ours = measure(
        lambda: [check_pairings(pairings_of, each.tokens) for each in shown.themes.values()], 20
    )
    library = measure(lambda: _by_library(shown), 3)
    report("all pairings measured", ours, "none stated")
    report(
        "the same by a general library",
        library,
        "",
        f"{library.median / ours.median:.0f} times as long",
    )
    names = {key: f"renamed.{token.name}" for key, token in system.tokens.items()}
    report(
        "200 tokens renamed and checked",
        measure(lambda: apply(system, RenameTokens(names=names)), 20),
        "50 ms",
    )
    resolved = resolve(system)
    report(
        "a theme proposed for 200 tokens",
        measure(
            lambda: propose_theme(resolved, resolved.themes[DAY], "x", "x", "dark", "usual"), 10
        ),
        "500 ms",
    )
    bare = system.model_copy(update={"tokens": {}, "pairings": {}, "told_apart": {}, "themes": {}})
    report(
        "a first theme with the product set", measure(lambda: with_starter(bare), 10), "none stated"
    )
    started = resolve(with_starter(bare))
    report(
        "the dashboard set added to it",
        measure(lambda: addition(started, SETS["dashboard"]), 10),
        "none stated",
    )


def _by_library(resolved: Resolved) -> float:
    """The contrast of every pairing in every theme, one by one, by a general color library."""
    total = 0.0
    for theme in resolved.themes.values():
        for result in theme.pairings:
            one, other = (
                coloraide.Color("srgb", [level / 255 for level in theme.tokens[key].rgb8.tolist()])
                for key in (result.pairing.foreground, result.pairing.ground)
            )
            total += one.contrast(other, method="wcag21")
    return total
