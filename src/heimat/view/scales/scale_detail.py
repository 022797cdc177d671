"""The selected hue's scale in all detail: measures, figures, curves, its method with its own numbers."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.angles import turn_between
from heimat.core.color.ciede2000 import distance_words
from heimat.core.color.contrast import cut, ratio, relative_luminance
from heimat.core.color.exact_color import lightness_of, rgb8_of
from heimat.core.color.gamut import MORE_THAN_ANY_CHROMA, solve
from heimat.core.color.notation import Notation
from heimat.core.color.spaces import lightness, luminance_of, p3_to_srgb, srgb_to_oklch
from heimat.core.color.thresholds import CALLED_BY_HUE
from heimat.core.color.wide import p3_of_bytes, p3_text, published_p3
from heimat.core.document.uses import uses_of
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue, resolve_hues
from heimat.core.resolve.steps import promises_of, steps_of
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.measures import Measures, Spread, measure
from heimat.core.scales.methods import Method
from heimat.view.eyes import Eyes
from heimat.view.figures import color_text
from heimat.view.look import Look
from heimat.view.scales.column import ColumnView, column_view
from heimat.view.scales.curves_view import CurveView, curve_views
from heimat.view.scales.ladder_view import LadderView, ladder_view

_SEEN_TURN = 1.0
"""Degrees of hue below which a turn is what 8 bits cost."""


class SpreadView(TypedDict):
    """Gaps between neighbors, from light to dark, and in words their smallest, largest and spread."""

    gaps: list[float]
    words: str


class StepFiguresView(TypedDict):
    """A step's L*, OKLCH chroma and hue, the chroma that the curves ask for, and the most that the gamut holds."""

    label: str
    lightness: float
    turn: float
    asked: float
    has: float
    most: float


class EndsView(TypedDict):
    """Tapers and drifts at both ends; what is in force, and null where nobody has set it."""

    light_taper: float
    dark_taper: float
    light_drift: float
    dark_drift: float


_OVER = 0.045
"""By which share more contrast than was typed is told: one level of 8 bits moves that of the darkest steps so far."""


class WideStepView(TypedDict):
    """A step in display-p3, as CSS and as it is seen: `own` is false where sRGB holds all of it."""

    label: str
    text: str
    seen: str
    own: bool
    gain: float


class EndTextsView(TypedDict):
    """The ends of the method between two ends as they were typed, null where that of even lightness stands; and its
    stops by step."""

    light: str | None
    dark: str | None
    stops: dict[str, str]


class ReachedView(TypedDict):
    """What a step that aims at a contrast reaches as it is published, cut; where that is not what it asks, why.

    More than it asks is told of steps alone that somebody typed a figure for.
    """

    text: str
    short: str | None
    over: str | None


class ScaleDetailPart(TypedDict):
    """The scale of the selected hue in all detail.

    `settings` is its method as the edit `set_method` takes it, and `all_settings` that of all scales; `figures` are the
    method's own numbers by step. Curves are told the same way, and `drawn`.
    """

    hue: str
    name: str
    ladder: LadderView
    measures: list[str]
    lightness: SpreadView
    distance: SpreadView
    figures_of: list[StepFiguresView]
    column: ColumnView
    wide: list[WideStepView]
    curves: Curves
    all_curves: Curves
    drawn: list[CurveView]
    ends: EndsView
    settings: Method
    all_settings: Method
    end_texts: EndTextsView
    all_end_texts: EndTextsView
    ground_text: str
    all_ground_text: str
    figures: list[float] | None
    reached: list[ReachedView] | None
    astray: list[str]


def scale_detail_part(look: Look) -> ScaleDetailPart | None:
    """The scale of the selected hue, and the column of the step that is selected, or else of its own color."""
    selected = look.selected
    if selected is None or selected.hue is None:
        return None
    return _detail(look, selected.hue, selected.place)


def _detail(look: Look, hue: ResolvedHue, place: int | None) -> ScaleDetailPart:
    resolved, eyes, scale = look.resolved, look.eyes, hue.scale
    system, notation = look.system, look.options.notation
    pinned = {at for at, step in enumerate(hue.steps) if step.id in hue.hue.pins}
    exact = pinned | ({scale.anchor} if scale.anchor is not None else set())
    [found] = measure([scale], [exact])
    light_taper, dark_taper, light_drift, dark_drift, _ = (round(each, 4) for each in scale.ends)
    return {
        "hue": hue.id,
        "name": hue.name,
        "ladder": ladder_view(hue.ladder, uses_of(system, hue.hue if hue.hue.ladder else None)),
        "measures": _words(hue.ladder.labels(), found, scale.anchor, pinned)
        + _turned(hue)
        + _costs(resolved, hue),
        "lightness": _spread(found.lightness, "L* falls by {} to {} from step to step", 1),
        "distance": _spread(found.distance, "Neighbors are {} to {} apart in OKLab, times 100", 1),
        "figures_of": _figures(hue),
        "wide": wide_views(hue, eyes),
        "column": column_view(resolved, hue, place, eyes),
        "curves": hue.curves,
        "all_curves": system.curves,
        "drawn": curve_views(scale, hue.curves),
        "ends": {
            "light_taper": light_taper,
            "dark_taper": dark_taper,
            "light_drift": light_drift,
            "dark_drift": dark_drift,
        },
        "settings": hue.method,
        "all_settings": system.method,
        "end_texts": _end_texts(hue.method, notation),
        "all_end_texts": _end_texts(system.method, notation),
        "ground_text": color_text(hue.method.contrast.ground, notation),
        "all_ground_text": color_text(system.method.contrast.ground, notation),
        "figures": None
        if scale.figures is None
        else [round(float(each), 2) for each in scale.figures],
        "reached": _reached(hue) if hue.method.name == "contrast" else None,
        "astray": _astray(hue),
    }


def _reached(hue: ResolvedHue) -> list[ReachedView]:
    """The contrasts of the published steps with the ground of their method."""
    found = ratio(hue.rgb8, rgb8_of(hue.method.contrast.ground)).tolist()
    wanted = found if hue.scale.figures is None else hue.scale.figures.tolist()
    typed = {each.step: each.value for each in hue.method.typed()}
    views: list[ReachedView] = []
    for place, (value, aim) in enumerate(zip(found, wanted, strict=True)):
        figure = typed.get(hue.steps[place].id)
        short = float(cut(value)) < round(aim, 2)
        over = figure is not None and value > figure * (1.0 + _OVER)
        why = _why_off(hue, place, found, figure) if short or over else None
        views.append(
            {"text": cut(value), "short": why if short else None, "over": None if short else why}
        )
    return views


def _why_off(hue: ResolvedHue, place: int, reached: list[float], figure: float | None) -> str:
    """Why a step is published with another contrast than it asks for; `figure` is what was typed for it, if any."""
    step, anchor = hue.steps[place], hue.scale.anchor
    if step.id in hue.hue.pins:
        return "a pin stands there"
    if place == anchor:
        return f"{hue.name} itself stands there"
    if step.id in hue.hue.nudges:
        return "it is nudged"
    if hue.curves.lightness:
        return "the curve of lightness moves it"
    if anchor is None:
        return "8 bits leave no more"
    own = f"{hue.name} itself, at {hue.steps[anchor].label} with {cut(reached[anchor])}"
    if figure is None:
        return f"it makes room for {own}"
    # Ratios rise or fall along the scale: what is typed lies on the step's side of the hue's own color, or beyond it.
    beyond = (figure - reached[anchor]) * (reached[-1] - reached[0]) * (place - anchor) <= 0.0
    return f"it lies on its side of {own}" if beyond else f"it is too near to {own}"


def _end_texts(method: Method, notation: Notation) -> EndTextsView:
    light, dark = method.ends.light, method.ends.dark
    return {
        "light": color_text(light, notation) if light else None,
        "dark": color_text(dark, notation) if dark else None,
        "stops": {stop.step: color_text(stop.color, notation) for stop in method.ends.stops},
    }


def _astray(hue: ResolvedHue) -> list[str]:
    """What stands on the wrong side of what is beside it, where a scale is made between ends."""
    if hue.method.name != "ends":
        return []
    ends, own = hue.method.ends, hue.scale.source_lightness
    found = []
    for end, color, way in (("light", ends.light, 1.0), ("dark", ends.dark, -1.0)):
        if color is not None and (lightness_of(color) - own) * way < 0.0:
            other = "darker" if way > 0.0 else "lighter"
            figures = f"L* {lightness_of(color):.1f} against {own:.1f}"
            found.append(
                f"The {end} end is {other} than {hue.name} itself ({figures}), so the scale turns back there."
            )
    light = hue.scale.lightness
    for stop in ends.stops:
        at = hue.place(stop.step)
        if at is not None and at == hue.scale.anchor:
            found.append(
                f"{hue.name} itself stands at {hue.steps[at].label}, so the stop there waits."
            )
        elif (
            at is not None
            and 0 < at < len(light) - 1
            and not light[at - 1] > light[at] > light[at + 1]
        ):
            found.append(
                f"The stop at {hue.steps[at].label} is not between its neighbors in lightness."
            )
    return found


def wide_views(hue: ResolvedHue, eyes: Eyes) -> list[WideStepView]:
    """The steps of a hue in display-p3; none where its scale has no value there."""
    if hue.p3 is None:
        return []
    own = ~np.isnan(hue.p3[:, 0])
    shown = published_p3(np.where(own[:, None], hue.p3, p3_of_bytes(hue.rgb8)))
    gains = srgb_to_oklch(p3_to_srgb(shown))[:, 1] - srgb_to_oklch(hue.rgb8 / 255.0)[:, 1]
    return [
        {
            "label": step.label,
            "text": p3_text(shown[place]),
            "seen": eyes.see_p3(shown[place]),
            "own": bool(own[place]),
            "gain": round(float(gains[place]), 4) if own[place] else 0.0,
        }
        for place, step in enumerate(hue.steps)
    ]


def _turned(hue: ResolvedHue) -> list[str]:
    """By how much a plain mix turns the hue of the published steps, and where most: in one sentence, or none."""
    if hue.method.name != "mix" or hue.method.mix.hold_hue:
        return []
    _, chroma, turn = np.moveaxis(srgb_to_oklch(hue.rgb8 / 255.0), -1, 0)
    own = srgb_to_oklch(hue.scale.source8 / 255.0)
    off = np.abs(turn_between(turn, float(own[2]))) * (
        (chroma > CALLED_BY_HUE) & (own[1] > CALLED_BY_HUE)
    )
    most = int(np.argmax(off))
    if off[most] < _SEEN_TURN:
        return []
    return [
        f"The mix turns the hue by up to {off[most]:.1f}°, at {hue.steps[most].label}; it can be held."
    ]


def _costs(resolved: Resolved, hue: ResolvedHue) -> list[str]:
    """What a fixed label costs the promises, a sentence each: how much closer steps could be at the nearest label."""
    if hue.hue.anchor.mode != "label":
        return []
    free = hue.hue.model_copy(update={"anchor": Anchor()})
    system = resolved.system.model_copy(update={"hues": {**resolved.system.hues, hue.id: free}})
    without = promises_of(system.ladder, steps_of(system.ladder, resolve_hues(system)))
    words = []
    for now, then in zip(resolved.promises, without, strict=True):
        if (now.apart, now.kept) != (then.apart, then.kept):
            reached = f"{now.apart} apart" if now.kept else "out of reach"
            words.append(
                f"At this label {now.aim:g} is {reached}; at the nearest it would be {then.apart} apart."
            )
    return words or ["The fixed label costs no promise."]


def _spread(spread: Spread, words: str, places: int) -> SpreadView:
    told = words.format(f"{spread.smallest:.{places}f}", f"{spread.largest:.{places}f}")
    return {
        "gaps": [round(float(gap), 2) for gap in spread.gaps],
        "words": f"{told}; the spread is {spread.uneven * 100.0:.0f} % of the mean",
    }


def _figures(hue: ResolvedHue) -> list[StepFiguresView]:
    scale = hue.scale
    light = np.clip(scale.lightness, 0.0, 100.0)
    edge = srgb_to_oklch(solve(luminance_of(light), MORE_THAN_ANY_CHROMA, scale.hue))[:, 1]
    _, has, turn = np.moveaxis(srgb_to_oklch(scale.rgb8 / 255.0), -1, 0)
    shown = lightness(relative_luminance(scale.rgb8))
    return [
        {
            "label": step.label,
            "lightness": round(float(shown[place]), 2),
            "turn": round(float(turn[place]), 1) % 360.0,
            "asked": round(float(max(scale.chroma[place], 0.0)), 4),
            "has": round(float(has[place]), 4),
            "most": round(float(edge[place]), 4),
        }
        for place, step in enumerate(hue.steps)
    ]


def _words(labels: list[str], found: Measures, anchor: int | None, pinned: set[int]) -> list[str]:
    """What the measures say, a sentence each: order, duplicates, gamut, source."""
    words: list[str] = []
    if found.out_of_order:
        words += [
            f"{labels[place]} is not darker than {labels[place - 1]}."
            for place in found.out_of_order
        ]
    else:
        words.append("In order: each step is darker than the one before.")
    words += [
        f"{labels[place - 1]} and {labels[place]} can hardly be told apart."
        for place in found.alike
    ]
    taken = np.flatnonzero(found.taken)
    if len(taken):
        named = ", ".join(labels[place] for place in taken.tolist())
        words.append(
            f"The gamut takes chroma from {named}: at most {float(found.taken.max()):.3f}."
        )
    else:
        words.append("The gamut holds all the chroma that the curves ask for.")
    nearest = labels[found.source_place]
    if anchor is not None and anchor not in pinned:
        words.append(f"The source is {nearest}, to the bit.")
    elif anchor is not None:
        words.append(
            f"A pin stands where the source would: {nearest} is {distance_words(found.source)} from it."
        )
    else:
        words.append(
            f"The source is on no step; {nearest} comes nearest, {distance_words(found.source)} away."
        )
    return words
