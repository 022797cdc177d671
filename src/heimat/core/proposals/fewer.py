"""Too many colors: steps that nothing uses, neighbours that are hardly different, and a smaller ladder."""

from collections import Counter
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.difference import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.errors import DomainError
from heimat.core.scales.ladder import LEAST_STEPS, Ladder
from heimat.core.scaling import scales_of
from heimat.core.sources.nearness import HARDLY_DIFFERENT
from heimat.core.system import ColorSystem, Hue, NamedSelection, StepAlias, StepRef, in_order, ladder_of


@dataclass(frozen=True)
class Alike:
    """Two neighbours of a hue's scale, by their places, and the CIEDE2000 between them."""

    hue: Hue
    one: int
    other: int
    distance: float


def published_steps(system: ColorSystem) -> list[StepRef]:
    """The steps that are published, in the designer's order."""
    return [
        StepRef(hue=hue.id, step=step.id)
        for hue in in_order(system.hues)
        for step in ladder_of(system, hue).steps
        if not step.hidden
    ]


def members(system: ColorSystem, selection: NamedSelection) -> list[StepRef]:
    """The steps of a selection that are there now."""
    return [
        ref
        for ref in selection.steps
        if ref.hue in system.hues and ladder_of(system, system.hues[ref.hue]).index(ref.step) is not None
    ]


def uses_of(system: ColorSystem, hue: Hue | None) -> Counter[str]:
    """How many tokens stand on each step, by its id: of one hue, or of all that share the system's ladder."""
    shared = {hue.id} if hue else {other.id for other in system.hues.values() if other.ladder is None}
    return Counter(
        step
        for token in system.tokens.values()
        for step in {
            value.step for value in token.values.values() if isinstance(value, StepAlias) and value.hue in shared
        }
    )


def alike(system: ColorSystem) -> list[Alike]:
    """Neighbours on a scale that can hardly be told apart, closest first."""
    hues = in_order(system.hues)
    found: list[Alike] = []
    for hue, scale in zip(hues, scales_of(system, hues), strict=True):
        labs = srgb_to_lab(from_bytes(scale.rgb8))
        apart = ciede2000(labs[:-1], labs[1:])
        near = np.flatnonzero(apart < HARDLY_DIFFERENT).tolist()
        found += [Alike(hue, place, place + 1, float(apart[place])) for place in near]
    return sorted(found, key=lambda pair: pair.distance)


def wanted_steps(system: ColorSystem) -> int:
    """How many steps the ladder of all would have to keep the cap, or else so that only used ones are left."""
    shared = sum(hue.ladder is None for hue in system.hues.values())
    own = sum(not step.hidden for hue in system.hues.values() if hue.ladder for step in hue.ladder.steps)
    most = len(system.ladder.steps)
    if system.cap is not None and shared:
        most = min(most, (system.cap - own) // shared)
    else:
        most -= sum(not held for held in _held(system)[1:-1])
    return max(most, LEAST_STEPS)


def smaller_ladder(system: ColorSystem, count: int) -> Ladder:
    """The ladder of all with `count` of its steps, at the lightness that they have.

    The first and the last stay. Steps go that nothing stands on, before any that is used, pinned, nudged or a fixed
    anchor; of these, the one whose gap would be smallest. Raises DomainError (field `steps`) for a count out of range.
    """
    ladder = system.ladder
    if not LEAST_STEPS <= count <= len(ladder.steps):
        raise DomainError(f"A smaller ladder has {LEAST_STEPS} to {len(ladder.steps)} steps.", "steps", "limit")
    aims, held = ladder.lightness(), _held(system)
    left = list(range(len(ladder.steps)))
    while len(left) > count:
        inner = range(1, len(left) - 1)
        goes = min(inner, key=lambda at: (held[left[at]], aims[left[at - 1]] - aims[left[at + 1]]))
        del left[goes]
    if len(left) == len(ladder.steps):
        return ladder
    # What was put between two others counts from now on: its neighbours may be gone.
    return Ladder(name="own", steps=tuple(ladder.steps[at].model_copy(update={"between": False}) for at in left))


def _held(system: ColorSystem) -> list[bool]:
    """Whether anything stands on each step of the ladder of all."""
    uses = uses_of(system, None)
    shared = [hue for hue in system.hues.values() if hue.ladder is None]
    by_hand = {step for hue in shared for step in (*hue.pins, *hue.nudges, hue.anchor.step or "")}
    return [uses[step.id] > 0 or step.id in by_hand for step in system.ladder.steps]
