"""All steps of all scales, and the promises that they keep together."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.wide import p3_luminance
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.ladder import Ladder
from heimat.core.scales.promises import Promise, promises


@dataclass(frozen=True)
class Steps:
    """All N steps of all scales, hue by hue, from light to dark.

    rgb8 (N, 3); luminance and positions on the system's ladder (N,); `readings` are that luminance and, where a scale
    has display-p3 values, the one in display-p3; opaque (N,) is False where what is reached depends on what lies below;
    hue_index (N,) names the scale of each step, step_index (N,) its place in it.
    """

    rgb8: Bytes
    luminance: Floats
    readings: tuple[Floats, ...]
    positions: Floats
    opaque: NDArray[np.bool_]
    hue_index: NDArray[np.intp]
    step_index: NDArray[np.intp]


def steps_of(ladder: Ladder, hues: Sequence[ResolvedHue]) -> Steps:
    """All steps of some scales, placed on the ladder that all share."""
    counts = [len(hue.rgb8) for hue in hues]
    rgb8 = np.concatenate([hue.rgb8 for hue in hues]) if hues else np.zeros((0, 3), dtype=np.uint8)
    luminance = relative_luminance(rgb8)
    readings = [luminance]
    if any(hue.p3 is not None for hue in hues):
        own = [
            np.full(len(hue.rgb8), np.nan) if hue.p3 is None else p3_luminance(hue.p3)
            for hue in hues
        ]
        wide = np.concatenate(own)
        readings.append(np.where(np.isnan(wide), luminance, wide))
    positions = [ladder.positions(hue.ladder.lightness()) for hue in hues]
    return Steps(
        rgb8=rgb8,
        luminance=luminance,
        readings=tuple(readings),
        positions=np.concatenate(positions) if hues else np.zeros(0),
        opaque=np.repeat(
            np.array([hue.source.alpha == 1.0 for hue in hues], dtype=np.bool_), counts
        ),
        hue_index=np.repeat(np.arange(len(hues)), counts),
        step_index=np.concatenate([np.arange(count) for count in counts])
        if hues
        else np.zeros(0, dtype=np.intp),
    )


def opaque_readings(steps: Steps) -> tuple[NDArray[np.intp], list[Floats], Floats]:
    """The indices (m,) of the opaque steps, their luminances by each reading (m,), and their positions (m,)."""
    kept = np.flatnonzero(steps.opaque)
    return kept, [reading[kept] for reading in steps.readings], steps.positions[kept]


def promises_of(ladder: Ladder, steps: Steps) -> list[Promise]:
    """Promises over all opaque scales."""
    kept, readings, positions = opaque_readings(steps)
    found = promises(readings, positions, ladder.longest())
    return [
        replace(promise, tightest=(int(kept[promise.tightest[0]]), int(kept[promise.tightest[1]])))
        for promise in found
    ]
