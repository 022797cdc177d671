"""Findings as the page shows them, and the ways to settle them."""

from datetime import date

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000, distance_text, distance_words
from heimat.core.color.contrast import cut
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.exceptions import AcceptedException
from heimat.core.document.order import in_order
from heimat.core.document.pairings import Use
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import Moving
from heimat.core.document.words import listed
from heimat.core.edits import UserEdit, apply_all
from heimat.core.legibility.findings import (
    Finding,
    FindingKind,
    count_open,
    findings,
    mend_all,
    moving_order,
    standing_exceptions,
)
from heimat.core.legibility.repairs import Repair, is_held
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.view.eyes import TYPICAL, Eyes, SwatchView
from heimat.view.look import Look


class FindingView(TypedDict):
    """One thing to settle. `as_seen` shows the two colors under the vision that merges them.

    Those of the same `cause` are told together; `lapsed` says what became of an exception that was made of it.
    `settled_by_steps` says whether repairs by steps are looked for: then none means that none was found; `held` says
    what of it is held against repairs.
    """

    id: str
    kind: FindingKind
    theme: str | None
    sentence: str
    detail: str
    select: str
    colors: list[SwatchView]
    as_seen: list[str] | None
    as_seen_by: str | None
    use: Use | None
    cause: str
    lapsed: str
    settled_by_steps: bool
    held: str


class ExceptionView(TypedDict):
    """A finding that someone accepted. `state` is `in force`, `lapsed` or `settled`; `became` says why, if not."""

    id: str
    finding: str
    sentence: str
    colors: list[str]
    reason: str
    evidence: str
    person: str
    on: str
    until: str | None
    state: str
    became: str


class RepairView(SwatchView):
    """One way to settle a finding: words for the button, what else it does, and the edits that do it."""

    words: str
    consequence: str
    edits: list[UserEdit]


class RepairsView(TypedDict):
    """The ways to settle a finding."""

    finding: str
    repairs: list[RepairView]


_BY_DISTANCE: tuple[FindingKind, ...] = ("told_apart", "kept")
"""Kinds whose repairs are measured by a distance between colors; those of the others by a ratio."""


def findings_part(look: Look) -> list[FindingView]:
    """All findings that are to settle, of every theme, in order of weight; those of one cause behind its first."""
    found = findings(look.resolved, repairs=False)
    exceptions = standing_exceptions(look.resolved, found, date.today())
    shown = [each for each in found if each.id not in exceptions.in_force]
    first = {each.cause or each.id: place for place, each in reversed(list(enumerate(shown)))}
    shown.sort(key=lambda each: first[each.cause or each.id])
    colors = np.array([each.colors for each in shown], dtype=np.uint8).reshape(-1, 3)
    swatches = look.eyes.swatches(colors)
    pairs = zip(swatches[::2], swatches[1::2], strict=True)
    return [
        _finding(look, each, list(pair), exceptions.lapsed.get(each.id))
        for each, pair in zip(shown, pairs, strict=True)
    ]


def _held_words(resolved: Resolved, finding: Finding) -> str:
    held = [
        resolved.system.tokens[token].name for token in finding.tokens if is_held(resolved, token)
    ]
    return (
        f"{listed(held)} {'is' if len(held) == 1 else 'are'} held against repairs." if held else ""
    )


def exceptions_part(look: Look) -> list[ExceptionView]:
    """All accepted exceptions, in order, with what has become of them."""
    return exception_views(look.resolved, date.today())


def exception_views(resolved: Resolved, today: date) -> list[ExceptionView]:
    """The accepted exceptions of a document, in order, with what has become of them by a day."""
    found = findings(resolved, repairs=False)
    exceptions = standing_exceptions(resolved, found, today)
    became = {each.id: ("in force", "") for each in exceptions.in_force.values()}
    became |= {each.id: ("lapsed", words) for each, words in exceptions.lapsed.values()}
    became |= {each.id: ("settled", "it is found no more") for each in exceptions.settled}
    return [_exception(each, *became[each.id]) for each in in_order(resolved.system.exceptions)]


def repairs_part(look: Look) -> list[RepairsView]:
    """The ways to settle each finding: they take most of the time, and nobody asks for them during a drag."""
    return [
        {
            "finding": finding.id,
            "repairs": [
                _repair(repair, look.eyes, finding.kind in _BY_DISTANCE or repair.kind == "apart")
                for repair in finding.repairs
            ],
        }
        for finding in findings(look.resolved)
    ]


def _exception(each: AcceptedException, state: str, words: str) -> ExceptionView:
    return {
        "id": each.id,
        "finding": each.finding,
        "sentence": each.sentence,
        "colors": list(each.colors),
        "reason": each.reason,
        "evidence": each.evidence,
        "person": each.person,
        "on": each.on.isoformat(),
        "until": each.until.isoformat() if each.until else None,
        "state": state,
        "became": words,
    }


def _finding(
    look: Look,
    finding: Finding,
    colors: list[SwatchView],
    lapsed: tuple[AcceptedException, str] | None,
) -> FindingView:
    merged = Eyes(finding.vision.vision, finding.vision.at_severity) if finding.vision else None
    return {
        "id": finding.id,
        "kind": finding.kind,
        "theme": finding.theme,
        "sentence": finding.sentence,
        "detail": finding.detail,
        "select": finding.select,
        "colors": colors,
        "as_seen": merged.hexes(np.array(finding.colors, dtype=np.uint8)) if merged else None,
        "as_seen_by": merged.vision if merged else None,
        "use": finding.use,
        "cause": finding.cause or finding.id,
        "lapsed": f"{lapsed[0].person} accepted this on {lapsed[0].on}; {lapsed[1]}."
        if lapsed
        else "",
        "settled_by_steps": finding.kind in ("pairing", "told_apart", "kept"),
        "held": _held_words(look.resolved, finding),
    }


def _repair(repair: Repair, eyes: Eyes, told_apart: bool) -> RepairView:
    reaches = distance_words(repair.reaches) if told_apart else cut(repair.reaches)
    parts = [f"mends {repair.mends}"] if repair.mends else []
    if repair.breaks is not None:
        parts.append(f"breaks {repair.breaks}" if repair.breaks else "breaks none")
    if repair.worsens:
        parts.append(f"worsens {repair.worsens}")
    return {
        **eyes.swatch(repair.rgb8),
        "words": repair.words if repair.kind == "telling" else f"{repair.words}: {reaches}",
        "consequence": ", ".join(parts),
        "edits": list(repair.edits),
    }


class MovingView(SwatchView):
    """A token that repairs of what is open could move: how readily, and in how many pairings it takes part."""

    token: str
    name: str
    moving: Moving
    pairings: int


class MendingView(TypedDict):
    """What can be mended without breaking anything: a sentence for each, and the edits that do all of it.

    `moved` says how far all of it moves colors; nothing where nothing is done. `order` is what may move for what is
    open, what gives way first.
    """

    done: list[str]
    moved: str
    edits: list[UserEdit]
    left: int
    order: list[MovingView]


def mending_plan(system: ColorSystem) -> MendingView:
    """What mending all would do."""
    resolved = resolve(system)
    today = date.today()
    done = mend_all(resolved, today)
    edits: list[UserEdit] = [edit for _, repair in done for edit in repair.edits]
    after = apply_all(system, edits).system if edits else system
    return {
        "done": [f"{repair.words}: {finding.sentence}" for finding, repair in done],
        "moved": _moved_words(resolved, resolve(after)),
        "edits": edits,
        "left": count_open(resolve(after), today),
        "order": _order(resolved, today),
    }


def _moved_words(before: Resolved, after: Resolved) -> str:
    """How far the colors of tokens move in all themes together, and which moves farthest."""
    names, ends = [], []
    for key, theme in before.themes.items():
        there = after.themes[key].tokens
        for token, color in theme.tokens.items():
            if token in there and there[token].rgb8.tolist() != color.rgb8.tolist():
                names.append(f"{before.system.tokens[token].name} in {theme.theme.name}")
                ends.append((color.rgb8, there[token].rgb8))
    if not ends:
        return ""
    labs = srgb_to_lab(from_bytes(np.array(ends)))
    far = ciede2000(labs[:, 0], labs[:, 1])
    count = "1 color moves" if len(far) == 1 else f"{len(far)} colors move"
    farthest = f"{names[int(far.argmax())]}, by {distance_text(float(far.max()))}"
    return f"{count} by {distance_text(float(far.sum()))} together; the farthest is {farthest}."


def _order(resolved: Resolved, today: date) -> list[MovingView]:
    found = findings(resolved, repairs=False)
    accepted = standing_exceptions(resolved, found, today).in_force
    in_first_theme = next(iter(resolved.themes.values())).tokens if resolved.themes else {}
    return [
        {
            **TYPICAL.swatch(in_first_theme[token].rgb8),
            "token": token,
            "name": resolved.system.tokens[token].name,
            "moving": resolved.system.tokens[token].moving,
            "pairings": uses,
        }
        for token, uses in moving_order(
            resolved, [each for each in found if each.id not in accepted]
        )
    ]
