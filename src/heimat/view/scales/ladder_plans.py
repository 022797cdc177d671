"""What a change of ladders would do, told before it is done; and the ladder that keeps a promise."""

from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_words
from heimat.core.color.contrast import cut
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.uses import published_steps, unused_of, uses_of
from heimat.core.document.words import listed, step_name
from heimat.core.edits import apply
from heimat.core.edits.ladder_edits import SetHueLadder, SetLadder, losses
from heimat.core.planning.fewer import alike, smaller_ladder, wanted_steps
from heimat.core.planning.solved_promises import Solved, solve_promise
from heimat.core.resolve.resolved import Resolved
from heimat.core.scales.shaping import ShapedLadder
from heimat.view.scales.ladder_view import LadderView, ladder_view


class LadderPlanView(TypedDict):
    """The ladder as it would stand, and what would go or move with it, a sentence each."""

    ladder: LadderView
    losses: list[str]


def ladder_plan(
    system: ColorSystem, hue: str | None, ladder: str | ShapedLadder | None
) -> LadderPlanView:
    """What a ladder for all scales, or for one hue's, would do. Raises DomainError for one that cannot be."""
    if hue is not None:
        after = apply(system, SetHueLadder(hue=hue, ladder=ladder))
        return {
            "ladder": ladder_view(ladder_of(after, after.hues[hue])),
            "losses": losses(system, after),
        }
    after = apply(system, SetLadder(ladder=ladder or ""))
    return {"ladder": ladder_view(after.ladder), "losses": losses(system, after)}


class UnusedView(TypedDict):
    """What nothing uses of one scale: the labels that are published, in words."""

    hue: str
    name: str
    labels: str
    own: bool


class ReserveView(TypedDict):
    """A step that is kept in reserve, and why."""

    hue: str
    step: str
    name: str
    reason: str


class FewerView(TypedDict):
    """How many colors are published, what nothing uses or can hardly be told apart, and the smaller ladder proposed.

    `unused` are ids of the ladder's steps that are on no scale used or kept in reserve, `gone` the labels that the
    smaller ladder lacks.
    """

    colors: int
    cap: int | None
    unused: list[str]
    unused_by_hue: list[UnusedView]
    reserve: list[ReserveView]
    alike: list[str]
    steps: int
    gone: list[str]
    colors_then: int
    ladder: LadderView
    losses: list[str]


def fewer_view(resolved: Resolved, steps: int | None) -> FewerView:
    """What is too many in a system, and a ladder with so many steps. Raises DomainError for a count out of range."""
    system = resolved.system
    ladder = smaller_ladder(system, wanted_steps(system) if steps is None else steps)
    kept = set(ladder.ids())
    same = ladder is system.ladder
    after = system if same else apply(system, SetLadder(ladder=ShapedLadder.of(ladder)))
    uses = uses_of(system, None)
    reserved = {step for hue in system.hues.values() for step in hue.reserve}
    return {
        "colors": len(published_steps(system)),
        "cap": system.cap,
        "unused": [
            step.id
            for step in system.ladder.steps
            if not uses[step.id] and not step.internal and step.id not in reserved
        ],
        "unused_by_hue": [
            {
                "hue": hue.id,
                "name": hue.name,
                "labels": ", ".join(labels),
                "own": hue.ladder is not None,
            }
            for hue in in_order(system.hues)
            if (labels := unused_of(system, hue))
        ],
        "reserve": [
            {
                "hue": hue.id,
                "step": step,
                "name": step_name(system, hue.id, step) or "",
                "reason": reason,
            }
            for hue in in_order(system.hues)
            for step, reason in hue.reserve.items()
        ],
        "alike": [
            f"{pair.hue.name} {labels[pair.one]} and {labels[pair.other]}, {distance_words(pair.distance)}"
            for pair in alike(resolved.hue_list)
            for labels in [pair.hue.ladder.labels()]
        ],
        "steps": len(ladder.steps),
        "gone": [step.label for step in system.ladder.steps if step.id not in kept],
        "colors_then": len(published_steps(after)),
        "ladder": ladder_view(ladder, uses),
        "losses": [] if same else losses(system, after),
    }


class PromisePlanView(TypedDict):
    """The ladder found for a promise, whether it keeps it, and in words what it reaches or what stands in the way."""

    ladder: LadderView
    kept: bool
    words: str


def promise_plan(system: ColorSystem, apart: int, aim: float) -> PromisePlanView:
    """Solve the ladder for a promise. Raises DomainError for a distance that no two opaque steps have."""
    found = solve_promise(system, apart, aim)
    pair = " and ".join(step_name(system, *step) or "" for step in found.tightest)
    reached = f"{cut(found.least)} ({pair})"
    if found.kept:
        words = f"Any two steps {apart} apart reach {aim:g}; the least is {reached}."
    else:
        held = [why for step in found.tightest if (why := _held(system, *step))]
        words = " ".join(
            [
                f"The best found at {apart} apart is {reached}, not {aim:g}.",
                *held,
                _why_not(system, found, aim),
            ]
        )
    return {"ladder": ladder_view(found.ladder), "kept": found.kept, "words": words}


def _why_not(system: ColorSystem, found: Solved, aim: float) -> str:
    """What is proven of a promise that was not found."""
    count = len(system.ladder.steps)
    if found.most is None:
        return f"That no ladder of {count} steps reaches {aim:g} is not proven: another may."
    most = f"more than {found.most:.2f}"
    if not found.against:
        return f"No ladder of {count} steps can promise {most}, whatever stands on it."
    names = [
        (step_name(system, hue, step) if step else f"{system.hues[hue].name}’s own color") or ""
        for hue, step in found.against
    ]
    return f"No ladder of {count} steps can promise {most} around {listed(names)}."


def _held(system: ColorSystem, hue_id: str, step_id: str) -> str | None:
    """Why a step does not go with the ladder, if it does not."""
    hue = system.hues[hue_id]
    name = step_name(system, hue_id, step_id)
    if step_id in hue.pins:
        return f"{name} is pinned."
    if hue.ladder is not None:
        return f"{hue.name} stands on a ladder of its own."
    if hue.anchor.mode != "guide":
        return f"{hue.name} is anchored at its own color, which bends its steps."
    return None
