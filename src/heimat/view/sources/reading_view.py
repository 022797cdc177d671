"""What the reading line and the set as text show, before anything is changed."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.color_lines import Reading, ReadLine
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import as_bytes, beyond_srgb, rgb8_of
from heimat.core.color.notation import Notation
from heimat.core.color.overlay import on_white
from heimat.core.color.spaces import lightness
from heimat.core.document.free_names import FreeNames, FreeTokenNames, plain_part
from heimat.core.document.hues import HueKind
from heimat.core.document.names import css_name
from heimat.core.document.system import ColorSystem
from heimat.core.edits import UserEdit
from heimat.core.importing.given_scales import edits_for, given_scales
from heimat.core.planning.set_changes import Plan, Row, What
from heimat.core.planning.sorting import Fit, Repeat, fits, guess_kind, repeats, replacing
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.resolve.resolved_hues import ResolvedHue
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


class OverlayChoice(TypedDict):
    """A translucent color as it was written: kept so, it becomes a token of a free name."""

    color: ExactColor
    text: str
    name: str


class ReadLineView(TypedDict):
    """What was understood of a line: a color, or the reason why not; `remark` says where it is not the one written.

    `place` is where it stands in its file, `uses` how often it does, `lightness` its L* 0 to 100. A translucent color
    is told as it looks on white; `overlay` is what it can be kept as instead.
    """

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
    overlay: OverlayChoice | None
    place: str
    uses: int
    lightness: float


class ReadStepView(SwatchView):
    """A step of a scale that was read."""

    label: str


class ReadScaleView(TypedDict):
    """A scale that was given as lines: its steps from light to dark, the label of its hue's own color, the places of
    its lines, and what adds it."""

    name: str
    kind: HueKind
    status: Status | None
    own: str
    steps: list[ReadStepView]
    lines: list[int]
    edits: list[UserEdit]


class ReadingView(TypedDict):
    """What a text was taken for, its lines, the scales among them, and how many more colors there were than are told.

    `stopped` says where reading stopped, if it did not come to the end.
    """

    kind: str
    lines: list[ReadLineView]
    scales: list[ReadScaleView]
    more: int
    stopped: str


class PlanRowView(TypedDict):
    """What a line of a set's text comes to; `followed` says that others follow what goes."""

    what: What
    name: str
    before: SwatchView | None
    after: SwatchView | None
    words: str
    followed: bool


class SetPlanView(TypedDict):
    """What reading a set's text back would do, and the edits that do it."""

    rows: list[PlanRowView]
    edits: list[UserEdit]


def reading_view(
    reading: Reading, beside: Resolved | None, notation: Notation, eyes: Eyes
) -> ReadingView:
    """A reading beside a set: kinds guessed, repetitions, what each line would replace, and which step it fits."""
    resolved = beside or resolve(_EMPTY)
    # A hue is solid: what is translucent is taken as it looks on white.
    told = [
        replace(line, color=on_white(line.color)) if line.color else line for line in reading.lines
    ]
    read = [line for line in told if line.color is not None]
    rgb8 = as_bytes([line.color for line in read if line.color is not None])
    swatches = iter(eyes.swatches(rgb8))
    lights = iter(lightness(relative_luminance(rgb8)).tolist())
    solid = [line.color.alpha == 1.0 for line in reading.lines if line.color is not None]
    repeated = iter(repeats(rgb8, resolved, solid))
    overlays = FreeTokenNames(resolved.system)
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
                "lightness": round(next(lights), 2),
                "value": color_text(line.color, notation),
                "remark": _remark(line, written),
                "kind": kind,
                "status": status,
                "repeat": _repeat(repeat, resolved, read) if repeat else None,
                "replaces": _replaced(match[0], match[1] == "name", eyes) if match else None,
                "fit": _fit(fit, resolved, eyes) if fit else None,
                "overlay": _overlay(written, overlays) if resolved.system.themes else None,
            }
        lines.append(view)
    return {
        "kind": reading.kind,
        "lines": lines,
        "scales": _scales(told, resolved, eyes),
        "more": reading.more,
        "stopped": reading.stopped,
    }


def _scales(told: Sequence[ReadLine], resolved: Resolved, eyes: Eyes) -> list[ReadScaleView]:
    places = [place for place, line in enumerate(told) if line.color is not None]
    named = [(line.name, line.color) for line in told if line.color is not None]
    return [
        {
            "name": scale.name,
            "kind": scale.kind,
            "status": scale.status,
            "own": scale.steps[scale.own].label,
            "steps": [
                {**swatch, "label": step.label}
                for step, swatch in zip(
                    scale.steps,
                    eyes.swatches(as_bytes([step.color for step in scale.steps])),
                    strict=True,
                )
            ],
            "lines": [places[place] for place in scale.lines],
            "edits": edits_for(scale, resolved.system),
        }
        for scale in given_scales(named)
    ]


def _remark(told: ReadLine, written: ReadLine) -> str:
    """What is not as it was written: on white, or within sRGB."""
    if told.color is None or written.color is None:
        return ""
    if told.color is not written.color:
        return f"{color_text(written.color, 'hex')} as it looks on white"
    if beyond_srgb(told.color):
        return f"beyond sRGB, which shows {color_text(told.color, 'hex')}"
    return ""


def _overlay(written: ReadLine, free: FreeTokenNames) -> OverlayChoice | None:
    color = written.color
    if color is None or color.alpha == 1.0:
        return None
    name = free.take(f"overlay.{css_name(plain_part(written.name)) or 'color'}")
    return {"color": exact_color(color), "text": color_text(color, "rgb"), "name": name}


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
        "overlay": None,
        "place": line.place,
        "uses": line.uses,
        "lightness": 0.0,
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
        "followed": row.followed,
    }
