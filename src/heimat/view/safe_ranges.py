"""Safe ranges: of a selected hue or step in lightness, chroma and hue, of a curve's handle, of a ladder's step."""

import math
from collections.abc import Callable, Sequence
from contextlib import suppress

from typing_extensions import TypedDict

from heimat.core.color.angles import around
from heimat.core.color.ramps import CHROMA_END
from heimat.core.document.system import ColorSystem, curves_of
from heimat.core.edits import Edit, apply
from heimat.core.edits.ladder_edits import SetHueLadder, SetLadder
from heimat.core.edits.scale_edits import AimCurve, AimStep
from heimat.core.edits.source_edits import AimSource
from heimat.core.errors import DomainError, NotFound
from heimat.core.filling.turning import with_turned
from heimat.core.hues.scaling import scales_of
from heimat.core.legibility.safe_range import WAVERS, ResolvedAt, SafeEnd, safe_range
from heimat.core.legibility.selected import Selected, aim_of, find
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.scales.curve_drawing import drawn
from heimat.core.scales.curves import CurveName
from heimat.core.scales.shaping import LEAST_FALL, ShapedLadder

EditAt = Callable[[float], Edit]
"""The edit that moves a quantity to a value."""
_STEPS: dict[CurveName, float] = {"lightness": 2.5, "chroma": 0.02, "hue": 10.0}
_MOST_SENTENCES = 2


class SafeView(TypedDict):
    """An interval in which no finding changes, and in words what does beyond its ends; empty where nothing does.

    A hue's may pass 0 or 360 degrees.
    """

    low: float
    high: float
    below: str
    above: str


class SafeRangesView(TypedDict):
    """The safe ranges of what is selected; null for what cannot be moved."""

    lightness: SafeView | None
    chroma: SafeView | None
    hue: SafeView | None


def safe_ranges_view(system: ColorSystem, key: str) -> SafeRangesView:
    """The safe ranges of a selected hue or step."""
    resolved = resolve(system)
    selected = find(resolved, None, key)
    if selected is None or selected.movable_hue is None:
        return {"lightness": None, "chroma": None, "hue": None}
    light, chroma, turn = aim_of(selected)
    make = _moving(selected, light, chroma, turn)
    beside = []
    if selected.movable_step is None:
        there = _moved(resolved, make("lightness"))
        for off in (-WAVERS, WAVERS):
            # Where that would be refused, nothing is beside.
            with suppress(DomainError):
                beside.append(there(min(max(light + off, 0.0), 100.0)))
    wide = max(CHROMA_END, chroma)
    return {
        "lightness": _view(system, make("lightness"), light, "lightness", (0.0, 100.0)),
        "chroma": _view(system, make("chroma"), chroma, "chroma", (0.0, wide), beside),
        "hue": _view(system, make("hue"), turn, "hue", (turn - 180.0, turn + 180.0), beside),
    }


def _moving(
    selected: Selected, light: float, chroma: float, turn: float
) -> Callable[[CurveName], EditAt]:
    """For each quantity, the edit that moves what is selected to a value of it and leaves the two others."""

    def edit(light: float, chroma: float, turn: float) -> AimSource | AimStep:
        hue = selected.movable_hue or ""
        if selected.movable_step is None:
            return AimSource(hue=hue, lightness=light, chroma=chroma, angle=around(turn))
        return AimStep(
            hue=hue, step=selected.movable_step, lightness=light, chroma=chroma, angle=around(turn)
        )

    ways: dict[CurveName, EditAt] = {
        "lightness": lambda value: edit(value, chroma, turn),
        "chroma": lambda value: edit(light, value, turn),
        "hue": lambda value: edit(light, chroma, value),
    }
    return ways.__getitem__


def safe_handle_view(system: ColorSystem, shown: str, edit: AimCurve) -> SafeView:
    """The safe range of a handle as the scale of a hue shows it. Raises NotFound for one that is not offered there."""
    hue = system.hues.get(shown)
    scale = scales_of(system, [hue])[0] if hue else None
    handles = drawn(scale, curves_of(system, hue))[edit.curve].handles if hue and scale else []
    handle = next((each for each in handles if abs(each.at - edit.at) < 1e-9), None)
    if handle is None:
        raise NotFound("That handle is not there any more.")

    def make(value: float) -> AimCurve:
        return edit.model_copy(update={"value": value})

    return _view(system, make, handle.value, edit.curve, (handle.low, handle.high))


def safe_rung_view(
    system: ColorSystem,
    hue: str | None,
    ladder: ShapedLadder,
    step: int,
) -> SafeView:
    """The safe range of one step's L* on a ladder that is being shaped, for all scales or for one hue's.

    Raises DomainError for a ladder that cannot be, and NotFound for a step that it does not have.
    """
    if step >= len(ladder.steps):
        raise NotFound("That step is not there any more.")
    shaped = apply(system, _taking(hue, ladder))
    aims = [each.lightness for each in ladder.steps]
    low = aims[step + 1] + LEAST_FALL if step + 1 < len(aims) else 0.0
    high = aims[step - 1] - LEAST_FALL if step else 100.0

    def make(value: float) -> SetLadder | SetHueLadder:
        steps = list(ladder.steps)
        steps[step] = steps[step].model_copy(update={"lightness": value})
        return _taking(hue, ladder.model_copy(update={"name": "own", "steps": tuple(steps)}))

    return _view(shaped, make, aims[step], "lightness", (low, high))


def _taking(hue: str | None, ladder: ShapedLadder) -> SetLadder | SetHueLadder:
    return SetHueLadder(hue=hue, ladder=ladder) if hue else SetLadder(ladder=ladder)


def _view(
    system: ColorSystem,
    make: EditAt,
    value: float,
    name: CurveName,
    ends: tuple[float, float],
    beside: Sequence[Resolved] = (),
) -> SafeView:
    now = resolve(system)
    found = safe_range(now, _moved(now, make), value, ends, _STEPS[name], beside)
    # Rounded inward: what is told as safe was found to be.
    fine = 1e4 if name == "chroma" else 1e2
    return {
        "low": min(math.ceil(found.low.at * fine) / fine, value),
        "high": max(math.floor(found.high.at * fine) / fine, value),
        "below": _words(found.low),
        "above": _words(found.high),
    }


def _moved(now: Resolved, make: EditAt) -> ResolvedAt:
    """What is kept where an edit is made of a value: with what goes along with it."""
    return lambda value: with_turned(now, resolve(apply(now.system, make(value))))


def _words(end: SafeEnd) -> str:
    more = len(end.flips) - _MOST_SENTENCES
    return " ".join(end.flips[:_MOST_SENTENCES]) + (f" And {more} more." if more > 0 else "")
