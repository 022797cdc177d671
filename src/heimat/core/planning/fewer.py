"""Too many colors: steps that nothing uses, neighbors that are hardly different, and a smaller ladder."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.nearness import HARDLY_DIFFERENT
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.system import ColorSystem
from heimat.core.document.uses import uses_of
from heimat.core.errors import DomainError
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.ladder import LEAST_STEPS, Ladder


@dataclass(frozen=True)
class Alike:
    """Two neighbors of a hue's scale, by their places, and the CIEDE2000 between them."""

    hue: ResolvedHue
    one: int
    other: int
    distance: float


def alike(hues: Iterable[ResolvedHue]) -> list[Alike]:
    """Neighbors on a scale that can hardly be told apart, closest first."""
    found: list[Alike] = []
    for hue in hues:
        labs = srgb_to_lab(from_bytes(hue.rgb8))
        apart = ciede2000(labs[:-1], labs[1:])
        near = np.flatnonzero(apart < HARDLY_DIFFERENT).tolist()
        found += [Alike(hue, place, place + 1, float(apart[place])) for place in near]
    return sorted(found, key=lambda pair: pair.distance)


def wanted_steps(system: ColorSystem) -> int:
    """How many steps the ladder of all would have to keep the cap, or else so that only used ones are left."""
    shared = sum(hue.ladder is None for hue in system.hues.values())
    own = sum(
        not step.internal for hue in system.hues.values() if hue.ladder for step in hue.ladder.steps
    )
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
        raise DomainError(
            f"A smaller ladder has {LEAST_STEPS} to {len(ladder.steps)} steps.", "steps", "limit"
        )
    aims, held = ladder.lightness(), _held(system)
    left = list(range(len(ladder.steps)))
    while len(left) > count:
        inner = range(1, len(left) - 1)
        goes = min(inner, key=lambda at: (held[left[at]], aims[left[at - 1]] - aims[left[at + 1]]))
        del left[goes]
    if len(left) == len(ladder.steps):
        return ladder
    # What was put between two others counts from now on: its neighbors may be gone.
    return Ladder(
        name="own",
        steps=tuple(ladder.steps[at].model_copy(update={"between": False}) for at in left),
    )


def _held(system: ColorSystem) -> list[bool]:
    """Whether anything stands on each step of the ladder of all."""
    uses = uses_of(system, None)
    shared = [hue for hue in system.hues.values() if hue.ladder is None]
    by_hand = {
        step
        for hue in shared
        for step in (*hue.pins, *hue.nudges, *hue.reserve, hue.anchor.step or "")
    }
    return [uses[step.id] > 0 or step.id in by_hand for step in system.ladder.steps]
