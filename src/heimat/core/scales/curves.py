"""Curves: how light and how strong a step is, and where its hue drifts, by where it stands against the source.

Reach is 0 at the source, -1 and 1 at the light and the dark end of an even ladder (L* 97 and 8).
"""

from collections.abc import Callable
from typing import Annotated, Literal, Self, get_args

import numpy as np
from numpy.typing import ArrayLike
from pydantic import BaseModel, ConfigDict, Field, model_validator

from heimat.core.color.arrays import Floats, floats
from heimat.core.scales.handles import Handles, put, through
from heimat.core.scales.ladder import DARKEST, LIGHTEST

CurveName = Literal["lightness", "chroma", "hue"]
CURVES: tuple[CurveName, ...] = get_args(CurveName)

LIGHT_TAPER = 0.25
DARK_TAPER = 2.0 / 3.0
"""Share of the source's chroma that is left at the lightest and at the darkest step."""
NEUTRAL_TAPER = 0.75
"""Neutrals keep most of their tint at both ends, so that their steps read as one material."""

STRONGEST_SHARE = 1.5
MOST_DRIFT = 120.0
STEEPEST = 0.4
"""Between two handles, lightness falls by at least this share of what it falls without any: steps stay apart."""
_NEAREST = 0.05
"""Reach below which a handle would fight with the source, through which every curve passes."""


Ends = tuple[float, float, float, float, float]
"""Light and dark taper, light and dark drift, and in how much haste a turn toward the dark end is made: with 0 evenly
along the scale, with more of it ever nearer to the source."""


def reach(lightness: Floats, source_lightness: ArrayLike) -> Floats:
    """How far steps (n,) stand from their source, one L* for all or (n,): below 0 toward the light end, above toward
    the dark; unlimited."""
    own = floats(source_lightness)
    away = own - lightness
    return np.where(
        away < 0.0, away / np.maximum(LIGHTEST - own, 1.0), away / np.maximum(own - DARKEST, 1.0)
    )


def at_reach(reach: Floats, source_lightness: ArrayLike) -> Floats:
    """The L* that stands at a reach, of the same shape: the inverse of `reach`."""
    own = floats(source_lightness)
    return own - reach * np.where(
        reach < 0.0, np.maximum(LIGHTEST - own, 1.0), np.maximum(own - DARKEST, 1.0)
    )


class Curves(BaseModel):
    """Lightness, chroma and hue along a scale; None and no handles stand for what a method does by itself.

    A taper is the share 0 to 1.5 of the source's chroma that is left at the lightest and at the darkest step; a drift
    the degrees of OKLCH hue that these steps turn away from the source. Handles shape the curves between: see Handle.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    light_taper: Annotated[float | None, Field(ge=0.0, le=STRONGEST_SHARE)] = None
    dark_taper: Annotated[float | None, Field(ge=0.0, le=STRONGEST_SHARE)] = None
    light_drift: Annotated[float | None, Field(ge=-MOST_DRIFT, le=MOST_DRIFT)] = None
    dark_drift: Annotated[float | None, Field(ge=-MOST_DRIFT, le=MOST_DRIFT)] = None
    lightness: Handles = ()
    chroma: Handles = ()
    hue: Handles = ()

    @model_validator(mode="after")
    def _in_range(self) -> Self:
        for name in CURVES:
            handles = self.handles(name)
            places = [handle.at for handle in handles]
            if places != sorted(set(places)):
                raise ValueError(
                    f"the handles of {name} run from light to dark, each at a place of its own"
                )
            for handle in handles:
                if abs(handle.at) < _NEAREST or (name != "lightness" and abs(handle.at) == 1.0):
                    raise ValueError(f"{name} has no handle at {handle.at:g}")
                low, high = self.limits(name, handle.at)
                if not low - 1e-9 <= handle.value <= high + 1e-9:
                    raise ValueError(f"{name} at {handle.at:g} runs from {low:.3g} to {high:.3g}")
        return self

    def handles(self, name: CurveName) -> Handles:
        """The handles of one curve, from light to dark."""
        return {"lightness": self.lightness, "chroma": self.chroma, "hue": self.hue}[name]

    def limits(self, name: CurveName, at: float) -> tuple[float, float]:
        """The least and the largest value of a handle at a reach, between the other handles of its curve."""
        if name != "lightness":
            return (0.0, STRONGEST_SHARE) if name == "chroma" else (-MOST_DRIFT, MOST_DRIFT)
        x, y = _side(self.with_handle(name, at, None).lightness, at < 0.0)
        place = int(np.searchsorted(x, abs(at)))
        low = float(y[place - 1] + STEEPEST * (abs(at) - x[place - 1]))
        if abs(at) == 1.0:
            return float(y[-2] + STEEPEST * (1.0 - x[-2])), 1.0
        return low, float(y[place] - STEEPEST * (x[place] - abs(at)))

    def with_handle(self, name: CurveName, at: float, value: float | None) -> "Curves":
        """The curves with a handle put, or taken away where the value is None; not checked against its limits.

        The ends of chroma and hue are their tapers and drifts.
        """
        if name != "lightness" and abs(at) == 1.0:
            end = "light" if at < 0.0 else "dark"
            return self.model_copy(
                update={f"{end}_{'taper' if name == 'chroma' else 'drift'}": value}
            )
        return self.model_copy(update={name: put(self.handles(name), at, value)})

    def ends(self, drift: tuple[float, float], *, neutral: bool, colored: bool) -> Ends:
        """Tapers and drifts as they are in force; `drift` are the degrees and the haste of the dark end by default.

        A method that mixes colors (`colored`) has given them their chroma and hue already, so it changes neither.
        """
        light, dark, (turn, haste) = LIGHT_TAPER, DARK_TAPER, (0.0, 0.0) if colored else drift
        if neutral:
            light = dark = NEUTRAL_TAPER
        if colored:
            light = dark = 1.0
        return (
            light if self.light_taper is None else self.light_taper,
            dark if self.dark_taper is None else self.dark_taper,
            0.0 if self.light_drift is None else self.light_drift,
            turn if self.dark_drift is None else self.dark_drift,
            haste,
        )

    def moved(self, reaches: Floats) -> Floats:
        """The reaches (n,) to which the curve of lightness moves steps; beyond the ends they go along with the end."""
        if not self.lightness:
            return reaches
        held = reaches.clip(-1.0, 1.0)
        light, dark = (
            through(*_side(self.lightness, side), np.abs(held)) for side in (True, False)
        )
        return reaches - held + np.where(held < 0.0, -light, dark)

    def shares(self, ends: ArrayLike, reaches: Floats) -> Floats:
        """The share of chroma that steps (n,) keep, with the ends in force: (5,), or (5, n) of a scale each.

        Without handles it falls with the square of the reach: slowly beside the source, fast at the ends.
        """
        usual = usual_shares(floats(ends), reaches)
        return np.maximum(usual + _shaped(self.chroma, reaches, floats(ends), usual_shares), 0.0)

    def turns(self, ends: ArrayLike, reaches: Floats) -> Floats:
        """The degrees of hue that steps (n,) turn, with the ends in force: (5,), or (5, n) of a scale each."""
        usual = usual_turns(floats(ends), reaches)
        return usual + _shaped(self.hue, reaches, floats(ends), usual_turns)


def _side(handles: Handles, light: bool) -> tuple[Floats, Floats]:
    """The points of lightness on one side, from the source to the end: reach 0 to 1, and the reach it moves to."""
    points = {0.0: 0.0, 1.0: 1.0} | {
        abs(handle.at): handle.value for handle in handles if (handle.at < 0.0) == light
    }
    return np.array(sorted(points)), np.array([points[place] for place in sorted(points)])


def usual_shares(ends: Floats, reaches: Floats) -> Floats:
    """The share of chroma that steps (n,) keep without handles, with ends (5,) or (5, n) in force."""
    light, dark = (-reaches).clip(0.0, 1.0), reaches.clip(0.0, 1.0)
    return 1.0 - (1.0 - ends[0]) * light**2 - (1.0 - ends[1]) * dark**2


def usual_turns(ends: Floats, reaches: Floats) -> Floats:
    """The degrees of hue that steps (n,) turn without handles, with ends (5,) or (5, n) in force."""
    light, dark, haste = (-reaches).clip(0.0, 1.0), reaches.clip(0.0, 1.0), ends[4]
    return ends[2] * light + ends[3] * (dark * (1.0 + haste) / (1.0 + haste * dark))


def _shaped(
    handles: Handles, reaches: Floats, ends: Floats, usual: Callable[[Floats, Floats], Floats]
) -> Floats:
    """By how much handles change a usual curve: by nothing at the source and at the ends."""
    if not handles:
        return np.zeros_like(reaches)
    at = np.array([handle.at for handle in handles])
    change = np.array([handle.value for handle in handles]) - usual(ends[..., None], at)
    x = np.concatenate([[-1.0], at, [0.0, 1.0]])
    order = np.argsort(x)
    y = np.zeros((*change.shape[:-1], len(x)))
    y[..., 1:-2] = change
    return through(x[order], y[..., order], reaches)
