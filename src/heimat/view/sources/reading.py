"""What the reading line and the set as text show, before anything is changed."""

import numpy as np

from heimat.core.color.notation import Color, Notation, format, rgb8_of
from heimat.core.color.reading import ReadLine
from heimat.core.legibility.findings import distance_text
from heimat.core.resolve import Resolved, resolve
from heimat.core.sources.as_text import Plan, Row
from heimat.core.sources.sorting import Fit, Repeat, as_bytes, fits, guess_kind, repeats, replacing
from heimat.core.system import ColorSystem, Hue
from heimat.formats.reading import Reading
from heimat.service.area_types import (
    ExactColor,
    FitView,
    PlanRowView,
    ReadingView,
    ReadLineView,
    RepeatView,
    ReplacedView,
)
from heimat.service.seeing import Eyes

_EMPTY = ColorSystem(name="empty")


def reading_view(reading: Reading, system: ColorSystem | None, notation: Notation, eyes: Eyes) -> ReadingView:
    """A reading beside a set: kinds guessed, repetitions, what each line would replace, and which step it fits."""
    resolved = resolve(system or _EMPTY)
    read = [line for line in reading.lines if line.color is not None]
    rgb8 = as_bytes([line.color for line in read if line.color is not None])
    swatches = iter(eyes.swatches(rgb8))
    repeated = iter(repeats(rgb8, resolved))
    replaced = iter(replacing([line.name for line in read], resolved.hues))
    fitted = iter(fits(rgb8, resolved))
    first = not resolved.hues
    lines: list[ReadLineView] = []
    for line in reading.lines:
        view = _unread(line)
        if line.color is not None:
            kind, status = guess_kind(line.name, line.color, first=first)
            first = False
            match, fit, repeat = next(replaced), next(fitted), next(repeated)
            view = {
                **view,
                "color": exact(line.color),
                "swatch": next(swatches),
                "value": format(line.color, notation) or format(line.color, "hex"),
                "kind": kind,
                "status": status,
                "repeat": _repeat(repeat, resolved, read) if repeat else None,
                "replaces": _replaced(match[0], match[1] == "name", resolved, eyes) if match else None,
                "fit": _fit(fit, resolved, eyes) if fit else None,
            }
        lines.append(view)
    return {"kind": reading.kind, "lines": lines, "more": reading.more}


def exact(color: Color) -> ExactColor:
    """A color as an edit takes it."""
    return {"space": color.space, "components": list(color.components), "alpha": color.alpha}


def _unread(line: ReadLine) -> ReadLineView:
    return {
        "number": line.number,
        "text": line.text,
        "name": line.name,
        "color": None,
        "swatch": None,
        "value": "",
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


def _replaced(hue: Hue, named: bool, resolved: Resolved, eyes: Eyes) -> ReplacedView:
    own = resolved.scales[hue.id].source8
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


def plan_rows(plan: Plan, eyes: Eyes) -> list[PlanRowView]:
    """The rows of a plan, as shown."""
    return [_row(row, eyes) for row in plan.rows]


def _row(row: Row, eyes: Eyes) -> PlanRowView:
    return {
        "what": row.what,
        "name": row.name,
        "before": eyes.swatch(rgb8_of(row.before)) if row.before else None,
        "after": eyes.swatch(rgb8_of(row.after)) if row.after else None,
        "words": row.words,
    }
