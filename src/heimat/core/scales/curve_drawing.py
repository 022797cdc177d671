"""The curves of one scale as they are drawn: lines and handles in L*, OKLCH chroma and degrees, over the steps."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import MORE_THAN_ANY_CHROMA, solve
from heimat.core.color.spaces import luminance_of, srgb_to_oklch
from heimat.core.scales.curves import CURVES, CurveName, Curves, at_reach, reach
from heimat.core.scales.generate import Scale

PLACES = (-1.0, -0.5, 0.5, 1.0)
"""The reaches at which handles are offered: the two ends, and half way to them."""
_ALONG = 6
"""Points of a line from step to step."""
_LEAST_CHROMA = 0.002
"""OKLCH chroma below which there is nothing for a curve to share out."""
_LIGHTS = np.linspace(0.0, 100.0, 41)
_TURNS = np.linspace(-90.0, 90.0, 37)
"""L*, and degrees from a hue, at which it is looked whether the gamut holds a chroma."""
_NEAR = 0.75
"""Steps that a handle keeps from the source: nearer, it could not be told from it."""


@dataclass(frozen=True)
class HandleAt:
    """A handle: its reach, its place among the steps from 0, its value, what that may be, and whether it is set."""

    at: float
    place: float
    value: float
    low: float
    high: float
    set: bool


@dataclass(frozen=True)
class DrawnCurve:
    """One curve over n steps: a line (m, 2) of places and values, and its handles.

    `possible` (k, 3) are places with the least and the most that the gamut has there, the other two quantities being
    what their curves say.
    """

    line: Floats
    handles: list[HandleAt]
    possible: Floats


def drawn(scale: Scale, curves: Curves) -> dict[CurveName, DrawnCurve]:
    """The three curves of a scale that is made with some curves."""
    count = len(scale.reaches)
    places = np.linspace(0.0, count - 1.0, (count - 1) * _ALONG + 1)
    steps = np.arange(count, dtype=np.float64)
    offered = {
        name: np.array(sorted({*PLACES, *(each.at for each in curves.handles(name))}))
        for name in CURVES
    }
    # Lines and handles in one go: the arrays are so small that calls cost more than numbers.
    reaches = np.concatenate([np.interp(places, steps, scale.reaches), *offered.values()])
    ends = np.cumsum([len(places), *(len(at) for at in offered.values())])[:-1]
    moved = curves.moved(reaches)
    values = {"lightness": np.abs(moved), "chroma": curves.shares(scale.ends, reaches)}
    values["hue"] = curves.turns(scale.ends, reaches)
    on_line = slice(len(places))
    light = np.clip(at_reach(moved[on_line], scale.source_lightness), 0.0, 100.0)
    chroma = np.interp(places, steps, scale.drafted[:, 1]) * values["chroma"][on_line]
    hue = np.interp(places, steps, _turning(scale)) + values["hue"][on_line]
    lines: dict[CurveName, Floats] = {"lightness": light, "chroma": chroma, "hue": hue}
    possible = _possible(places, lines)
    return {
        name: DrawnCurve(
            line=np.stack([places, lines[name]], axis=-1),
            handles=_handles(
                scale, curves, name, offered[name], np.split(values[name], ends)[1 + place]
            ),
            possible=possible[name],
        )
        for place, name in enumerate(CURVES)
    }


def _possible(places: Floats, lines: dict[CurveName, Floats]) -> dict[CurveName, Floats]:
    """What the gamut holds along three lines (m,): for chroma all along them, else at the steps, as (k, 3)."""
    at_steps = slice(None, None, _ALONG)
    light, chroma, hue = (lines[name][at_steps] for name in ("lightness", "chroma", "hue"))
    most = _most(lines["lightness"], lines["hue"])
    turns = hue[:, None] + _TURNS
    lights = np.broadcast_to(_LIGHTS, (len(light), len(_LIGHTS)))
    runs = {
        "lightness": _run(light, lights, _most(lights, hue[:, None]) - chroma[:, None]),
        "hue": _run(hue, turns, _most(light[:, None], turns) - chroma[:, None]),
    }
    return {
        "lightness": np.column_stack([places[at_steps], *runs["lightness"]]),
        "chroma": np.column_stack([places, np.zeros_like(most), most]),
        "hue": np.column_stack([places[at_steps], *runs["hue"]]),
    }


def _most(light: Floats, hue: Floats) -> Floats:
    """The strongest OKLCH chroma in the gamut at L* and hues in degrees, of shapes that broadcast."""
    return srgb_to_oklch(solve(luminance_of(light), MORE_THAN_ANY_CHROMA, hue))[..., 1]


def _run(at: Floats, grid: Floats, room: Floats) -> tuple[Floats, Floats]:
    """The ends of the values (n, k) around `at` (n,), or next to it, at which there is room (n, k), 0 or more.

    Between two values of the grid room is taken to change evenly. Where there is none at all, both ends are `at`.
    """
    inside = room >= 0.0
    rows = np.arange(len(at))
    near = np.argmin(np.where(inside, np.abs(grid - at[:, None]), np.inf), axis=1)
    broken = np.cumsum(~inside, axis=1)
    run = inside & (broken == broken[rows, near][:, None])
    first, last = np.argmax(run, axis=1), grid.shape[1] - 1 - np.argmax(run[:, ::-1], axis=1)

    def end(here: NDArray[np.intp], beyond: NDArray[np.intp]) -> Floats:
        over = np.clip(beyond, 0, grid.shape[1] - 1)
        left, lost = room[rows, here], room[rows, over]
        share = np.where(beyond == over, left / np.maximum(left - lost, _LEAST_CHROMA**2), 0.0)
        reached = grid[rows, here] + share * (grid[rows, over] - grid[rows, here])
        return np.where(inside.any(axis=1), reached, at)

    return end(first, first - 1), end(last, last + 1)


def _handles(
    scale: Scale, curves: Curves, name: CurveName, offered: Floats, values: Floats
) -> list[HandleAt]:
    """The handles that stand far enough from the source, of those offered at some reaches, with their own values."""
    if name != "lightness" and float(scale.drafted[:, 1].max()) < _LEAST_CHROMA:
        return []
    kept = {handle.at for handle in curves.handles(name)}
    steps = np.arange(len(scale.reaches), dtype=np.float64)
    source, *places = np.interp([0.0, *offered], scale.reaches, steps).tolist()
    limits = np.array([curves.limits(name, at) for at in offered.tolist()])
    told = shown(scale, name, offered, values).tolist()
    ends = np.sort(shown(scale, name, offered[:, None], limits), axis=-1).tolist()
    return [
        HandleAt(at, place, value, low, high, at in kept or _end(curves, name, at) is not None)
        for at, place, value, (low, high) in zip(offered.tolist(), places, told, ends, strict=True)
        if abs(place - source) >= _NEAR
    ]


def _end(curves: Curves, name: CurveName, at: float) -> float | None:
    """The taper or drift that somebody has set at an end."""
    if name == "lightness" or abs(at) != 1.0:
        return None
    if name == "chroma":
        return curves.light_taper if at < 0.0 else curves.dark_taper
    return curves.light_drift if at < 0.0 else curves.dark_drift


def shown(scale: Scale, name: CurveName, at: Floats, values: Floats) -> Floats:
    """The values of handles at reaches (n,) as L*, OKLCH chroma, or degrees of OKLCH hue, which may pass 0 or 360."""
    if name == "lightness":
        return at_reach(np.copysign(values, at), scale.source_lightness)
    drafted = _drafted(scale, name, at)
    return drafted * values if name == "chroma" else drafted + values


def own_value(scale: Scale, name: CurveName, at: float, shown_value: float) -> float:
    """The value of a handle that is shown as some L*, OKLCH chroma or hue: the inverse of `shown`."""
    if name == "lightness":
        return float(np.copysign(1.0, at) * reach(np.array(shown_value), scale.source_lightness))
    drafted = float(_drafted(scale, name, np.array(at)))
    return shown_value / max(drafted, _LEAST_CHROMA) if name == "chroma" else shown_value - drafted


def _drafted(scale: Scale, name: CurveName, at: Floats) -> Floats:
    """The chroma or hue that a method gives at some reaches, before any curve."""
    return np.interp(
        at, scale.reaches, scale.drafted[:, 1] if name == "chroma" else _turning(scale)
    )


def _turning(scale: Scale) -> Floats:
    """The hues that a method gives, without a jump where they pass 360."""
    return np.unwrap(scale.drafted[:, 2], period=360.0)
