"""What the page paints of the curves of one scale."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Floats
from heimat.core.scales.curve_drawing import DrawnCurve, HandleAt, drawn
from heimat.core.scales.curves import CURVES, CurveName, Curves
from heimat.core.scales.generate import Scale


class HandleView(TypedDict):
    """A handle of a curve: its reach, its place among the steps (0 is the first), its value and what that may be.

    `set` says whether somebody has put it there; one that is not follows the usual curve.
    """

    at: float
    place: float
    value: float
    low: float
    high: float
    set: bool
    words: str


class CurveView(TypedDict):
    """A curve over the steps in L*, OKLCH chroma or degrees of OKLCH hue, drawn between `low` and `high`.

    `line` is places among the steps with values; `possible` is places with the least and the most that the gamut has
    there. `source` is the place of the hue's own color, with its value.
    """

    name: CurveName
    words: str
    low: float
    high: float
    line: list[list[float]]
    possible: list[list[float]]
    steps: list[float]
    handles: list[HandleView]
    source: list[float]


_WORDS: dict[CurveName, str] = {"lightness": "L*", "chroma": "OKLCH chroma", "hue": "OKLCH hue"}
_PLACES: dict[CurveName, int] = {"lightness": 2, "chroma": 4, "hue": 2}
_LEAST_HEIGHT: dict[CurveName, float] = {"lightness": 100.0, "chroma": 0.04, "hue": 60.0}
"""The least that a plot shows from foot to top, so that a straight line stays in the middle of something."""
_ROOM = 0.15
"""Share of the plot's height that is left above what is drawn, so that there is somewhere to drag to."""


def curve_views(scale: Scale, curves: Curves) -> list[CurveView]:
    """Lightness, chroma and hue over the steps of a scale, with their handles."""
    made = drawn(scale, curves)
    asked = {
        "lightness": scale.lightness,
        "chroma": np.maximum(scale.chroma, 0.0),
        "hue": scale.hue,
    }
    return [_curve_view(scale, name, made[name], asked[name]) for name in CURVES]


def _curve_view(scale: Scale, name: CurveName, curve: DrawnCurve, asked: Floats) -> CurveView:
    low, high = _range(name, curve)
    source = float(np.interp(0.0, scale.reaches, np.arange(len(scale.reaches))))
    return {
        "name": name,
        "words": _WORDS[name],
        "low": low,
        "high": high,
        "line": _points(curve.line, name),
        "possible": _points(curve.possible, name),
        "steps": [round(float(value), _PLACES[name]) for value in asked],
        "handles": [_handle_view(name, handle) for handle in curve.handles],
        "source": [
            round(source, 3),
            round(float(np.interp(source, curve.line[:, 0], curve.line[:, 1])), _PLACES[name]),
        ],
    }


def _range(name: CurveName, curve: DrawnCurve) -> tuple[float, float]:
    """What the plot shows from foot to top. It is the same while a handle moves within it, so that nothing jumps."""
    if name == "lightness":
        return 0.0, 100.0
    values = curve.line[:, 1]
    if name == "chroma":
        top = max(float(values.max()) * (1.0 + _ROOM), _LEAST_HEIGHT[name])
        return 0.0, float(np.ceil(top / 0.04) * 0.04)
    middle, half = (
        float(values.max() + values.min()) / 2.0,
        float(np.ptp(values)) / 2.0 * (1.0 + _ROOM),
    )
    half = max(half, _LEAST_HEIGHT[name] / 2.0)
    return float(np.floor((middle - half) / 15.0) * 15.0), float(
        np.ceil((middle + half) / 15.0) * 15.0
    )


def _points(line: Floats, name: CurveName) -> list[list[float]]:
    """Places with values, (m, 2) or (m, 3), rounded."""
    return np.column_stack([np.round(line[:, 0], 3), np.round(line[:, 1:], _PLACES[name])]).tolist()


def _handle_view(name: CurveName, handle: HandleAt) -> HandleView:
    end = "light" if handle.at < 0.0 else "dark"
    where = f"at the {end} end" if abs(handle.at) == 1.0 else f"on the way to the {end} end"
    return {
        "at": handle.at,
        "place": round(handle.place, 3),
        "value": round(handle.value, _PLACES[name]),
        "low": round(handle.low, _PLACES[name] + 2),
        "high": round(handle.high, _PLACES[name] + 2),
        "set": handle.set,
        "words": f"{name.capitalize()} {where}",
    }
