"""The ladder, and the promises that hold over it."""

from collections import Counter

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.document.uses import uses_of
from heimat.core.resolve.resolved import Resolved
from heimat.core.scales.ladder import Ladder
from heimat.core.scales.promises import Promise
from heimat.view.look import Look


class LadderStepView(TypedDict):
    """A label of the ladder with the L* aimed at; internal ones are not published, those between not counted.

    `uses` counts the tokens that stand on it, on any scale of this ladder and in any theme.
    """

    id: str
    label: str
    lightness: float
    internal: bool
    between: bool
    uses: int


class LadderView(TypedDict):
    """A ladder, from light to dark."""

    name: str
    steps: list[LadderStepView]


class PromiseView(TypedDict):
    """Any two steps `apart` positions apart reach `least`; `pair` names the tightest."""

    apart: int
    least: str
    aim: str
    kept: bool
    pair: str


def ladder_view(ladder: Ladder, uses: Counter[str] | None = None) -> LadderView:
    """A ladder, from light to dark, with how often its steps are used where that is known."""
    counts = uses or Counter()
    return {
        "name": ladder.name,
        "steps": [
            {
                "id": step.id,
                "label": step.label,
                "lightness": step.lightness,
                "internal": step.internal,
                "between": step.between,
                "uses": counts[step.id],
            }
            for step in ladder.steps
        ],
    }


def ladder_part(look: Look) -> LadderView:
    """The ladder that all scales share."""
    return ladder_view(look.system.ladder, uses_of(look.system, None))


def promises_part(look: Look) -> list[PromiseView]:
    """The promises that all scales keep together."""
    return [_promise(look.resolved, promise) for promise in look.resolved.promises]


def _promise(resolved: Resolved, promise: Promise) -> PromiseView:
    return {
        "apart": promise.apart,
        "least": cut(promise.least) if np.isfinite(promise.least) else "none",
        "aim": f"{promise.aim:g}",
        "kept": promise.kept,
        "pair": " and ".join(_step_name(resolved, index) for index in promise.tightest),
    }


def _step_name(resolved: Resolved, index: int) -> str:
    hue = resolved.hue_list[int(resolved.steps.hue_index[index])]
    return hue.step_name(int(resolved.steps.step_index[index]))
