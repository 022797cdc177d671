"""The curves of one scale as they are drawn: lines and handles in L*, OKLCH chroma and degrees, over the steps."""

from dataclasses import dataclass

import numpy as np

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

    `edge` (m, 2) is the strongest chroma that the gamut has along the line, for chroma alone.
    """

    line: Floats
    handles: list[HandleAt]
    edge: Floats | None


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
    most = srgb_to_oklch(solve(luminance_of(light), MORE_THAN_ANY_CHROMA, hue))[:, 1]
    lines: dict[CurveName, Floats] = {"lightness": light, "chroma": chroma, "hue": hue}
    return {
        name: DrawnCurve(
            line=np.stack([places, lines[name]], axis=-1),
            handles=_handles(
                scale, curves, name, offered[name], np.split(values[name], ends)[1 + place]
            ),
            edge=np.stack([places, most], axis=-1) if name == "chroma" else None,
        )
        for place, name in enumerate(CURVES)
    }


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
