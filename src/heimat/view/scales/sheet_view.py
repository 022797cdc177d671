"""The sheet of scales: every step of every hue, and the ground that it is read on."""

from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.contrast import ratio
from heimat.core.color.overlay import solid
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.ladder import Ladder
from heimat.core.scales.nudges import Nudge
from heimat.view.eyes import SwatchView
from heimat.view.figures import ContrastView, contrast_view
from heimat.view.look import Look


class StepView(SwatchView):
    """A step of a scale; `column` is the place on the system's ladder under which it stands."""

    key: str
    id: str
    label: str
    column: int
    contrast: ContrastView
    passes: bool
    anchor: bool
    pinned: bool
    nudged: Literal["plus", "minus"] | None
    internal: bool
    changed: bool


class ScaleView(TypedDict):
    """A hue's scale, from light to dark."""

    hue: str
    steps: list[StepView]


class ReadingGroundView(SwatchView):
    """The ground that the steps are read on."""

    name: str


def ground_part(look: Look) -> ReadingGroundView:
    """The ground that the steps are read on."""
    rgb8, name = look.ground
    return {**look.eyes.swatch(rgb8), "name": name}


def scales_part(look: Look) -> list[ScaleView]:
    """All scales, in the order of their hues."""
    steps, hues, changed = look.resolved.steps, look.resolved.hue_list, look.changed
    swatches = look.eyes.swatches(steps.rgb8)
    alphas = np.array([hue.source.alpha for hue in hues])
    ground = look.ground[0]
    ratios = ratio(solid(steps.rgb8, alphas[steps.hue_index][:, None], ground), ground).tolist()
    found: list[ScaleView] = []
    at = 0
    for hue in hues:
        columns, pins, nudges = _columns(look.system.ladder, hue), hue.hue.pins, hue.hue.nudges
        views: list[StepView] = []
        for place, step in enumerate(hue.steps):
            swatch, reached = swatches[at], ratios[at]
            pinned = step.id in pins
            views.append(
                {
                    "hex": swatch["hex"],
                    "seen": swatch["seen"],
                    "ink": swatch["ink"],
                    "key": hue.step_key(place),
                    "id": step.id,
                    "label": step.label,
                    "column": columns[place],
                    "contrast": contrast_view(reached),
                    "passes": reached >= look.options.need,
                    "anchor": hue.scale.anchor == place and not pinned,
                    "pinned": pinned,
                    "nudged": nudge_sign(nudges.get(step.id)),
                    "internal": step.internal,
                    "changed": f"{hue.id}/{step.id}" in changed,
                }
            )
            at += 1
        found.append({"hue": hue.id, "steps": views})
    return found


def _columns(shared: Ladder, hue: ResolvedHue) -> list[int]:
    """Under which label of the shared ladder each step of a scale stands: the one aimed nearest in lightness."""
    if hue.ladder is shared:
        return list(range(len(shared.steps)))
    aims = hue.ladder.lightness()
    nearest: list[int] = np.abs(aims[:, None] - shared.lightness()[None, :]).argmin(axis=1).tolist()
    return nearest


def nudge_sign(nudge: Nudge | None) -> Literal["plus", "minus"] | None:
    """The mark of a nudged step: a plus where it is lighter than generated, or else stronger, a minus otherwise."""
    if nudge is None:
        return None
    return "plus" if (nudge.lightness, nudge.chroma, nudge.hue) > (0.0, 0.0, 0.0) else "minus"
