"""What the reading line and the set as text show, before anything is changed."""

from dataclasses import replace
from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.difference import distance_text
from heimat.core.color.notation import Notation, as_bytes, rgb8_of
from heimat.core.color.overlay import on_white
from heimat.core.color.reading import Reading, ReadLine
from heimat.core.document.free_names import FreeNames, plain_part
from heimat.core.document.hues import HueKind
from heimat.core.document.system import ColorSystem
from heimat.core.edits import UserEdit
from heimat.core.proposals.set_as_text import Plan, Row
from heimat.core.proposals.sorting import Fit, Repeat, fits, guess_kind, repeats, replacing
from heimat.core.resolve.hues import ResolvedHue
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.sources.conventions import Status
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import ExactColor, color_text, exact_color
from heimat.view.sources.near import RepeatView

_EMPTY = ColorSystem(name="empty")


class ReplacedView(SwatchView):
    """The hue whose value a line would replace, as it is now, and how it was matched."""

    hue: str
    name: str
    by: Literal["name", "order"]


class FitView(TypedDict):
    """The step at which an existing color would be pinned, and what is generated there."""

    hue: str
    hue_name: str
    step: str
    label: str
    generated: SwatchView
    distance: str


class ReadLineView(TypedDict):
    """What was understood of a line: a color, or the reason why not; `remark` says where it is not the one written."""

    number: int
    text: str
    name: str
    color: ExactColor | None
    swatch: SwatchView | None
    value: str
    remark: str
    kind: HueKind
    status: Status | None
    problem: str | None
    repeat: RepeatView | None
    replaces: ReplacedView | None
    fit: FitView | None


class ReadingView(TypedDict):
    """What a text was taken for, its lines, and how many more colors there were than are told.

    `stopped` says where reading stopped, if it did not come to the end.
    """

    kind: str
    lines: list[ReadLineView]
    more: int
    stopped: str


class PlanRowView(TypedDict):
    """What a line of a set's text comes to."""

    what: Literal["unchanged", "changed", "renamed", "sorted", "moved", "added", "removed", "not read"]
    name: str
    before: SwatchView | None
    after: SwatchView | None
    words: str


class SetPlanView(TypedDict):
    """What reading a set's text back would do, and the edits that do it."""

    rows: list[PlanRowView]
    edits: list[UserEdit]


def reading_view(reading: Reading, beside: Resolved | None, notation: Notation, eyes: Eyes) -> ReadingView:
    """A reading beside a set: kinds guessed, repetitions, what each line would replace, and which step it fits."""
    resolved = beside or resolve(_EMPTY)
    # A hue is solid: what is translucent is taken as it looks on white.
    told = [replace(line, color=on_white(line.color)) if line.color else line for line in reading.lines]
    read = [line for line in told if line.color is not None]
    rgb8 = as_bytes([line.color for line in read if line.color is not None])
    swatches = iter(eyes.swatches(rgb8))
    repeated = iter(repeats(rgb8, resolved))
    replaced = iter(replacing([line.name for line in read], resolved.hue_list))
    fitted = iter(fits(rgb8, resolved))
    first = not resolved.hues
    free = FreeNames(resolved.system)
    lines: list[ReadLineView] = []
    for line, written in zip(told, reading.lines, strict=True):
        view = _unread(line)
        if line.color is not None:
            kind, status = guess_kind(f"{line.group} {line.name}", line.color, first=first)
            first = False
            match, fit, repeat = next(replaced), next(fitted), next(repeated)
            view = {
                **view,
                "name": free.take(line.name, "") if plain_part(line.name) else "",
                "color": exact_color(line.color),
                "swatch": next(swatches),
                "value": color_text(line.color, notation),
                "remark": f"{_written(written)} as it looks on white" if line.color is not written.color else "",
                "kind": kind,
                "status": status,
                "repeat": _repeat(repeat, resolved, read) if repeat else None,
                "replaces": _replaced(match[0], match[1] == "name", eyes) if match else None,
                "fit": _fit(fit, resolved, eyes) if fit else None,
            }
        lines.append(view)
    return {"kind": reading.kind, "lines": lines, "more": reading.more, "stopped": reading.stopped}


def _written(line: ReadLine) -> str:
    return color_text(line.color, "hex") if line.color else ""


def _unread(line: ReadLine) -> ReadLineView:
    return {
        "number": line.number,
        "text": line.text,
        "name": line.name,
        "color": None,
        "swatch": None,
        "value": "",
        "remark": "",
        "kind": "accent",
        "status": None,
        "problem": line.problem,
        "repeat": None,
        "replaces": None,
        "fit": None,
    }


def _repeat(repeat: Repeat, resolved: Resolved, read: list[ReadLine]) -> RepeatView:
    if repeat.hue is not None:
        what = resolved.system.hues[repeat.hue].name
    else:
        earlier = read[repeat.line or 0]
        what = earlier.name or f"line {earlier.number}"
    same = repeat.distance == 0.0
    words = f"the same as {what}" if same else f"hardly different from {what}"
    return {"words": words, "distance": distance_text(repeat.distance), "same": same}


def _replaced(hue: ResolvedHue, named: bool, eyes: Eyes) -> ReplacedView:
    own = hue.scale.source8
    return {**eyes.swatch(own), "hue": hue.id, "name": hue.name, "by": "name" if named else "order"}


def _fit(fit: Fit, resolved: Resolved, eyes: Eyes) -> FitView:
    return {
        "hue": fit.hue,
        "hue_name": resolved.system.hues[fit.hue].name,
        "step": fit.step,
        "label": fit.label,
        "generated": eyes.swatch(np.asarray(fit.generated)),
        "distance": distance_text(fit.distance),
    }


def plan_view(plan: Plan, eyes: Eyes) -> SetPlanView:
    """A plan, as shown."""
    return {"rows": [_row(row, eyes) for row in plan.rows], "edits": plan.edits}


def _row(row: Row, eyes: Eyes) -> PlanRowView:
    return {
        "what": row.what,
        "name": row.name,
        "before": eyes.swatch(rgb8_of(row.before)) if row.before else None,
        "after": eyes.swatch(rgb8_of(row.after)) if row.after else None,
        "words": row.words,
    }
