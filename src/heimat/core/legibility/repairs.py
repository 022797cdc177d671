"""Repairs by steps: the nearest step of a token's own scale that settles a finding.

Each repair says what else it would change: how many pairings it mends and how many it breaks.
"""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.contrast import ratio
from heimat.core.color.difference import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.edits.tokens import SetTokenValue
from heimat.core.legibility.pairings import PairingResult, TokenColor, check_pairing
from heimat.core.legibility.told_apart import PairDistance, seen_labs
from heimat.core.resolve import Resolved, ToldApartResult
from heimat.core.system import StepAlias, ladder_of


@dataclass(frozen=True)
class Repair:
    """One way to settle a finding.

    The token that moves, its new step (named, and by ids), what that reaches, and what else happens.
    """

    edit: SetTokenValue
    rgb8: Bytes
    token: str
    step: str
    hue: str
    step_id: str
    reaches: float
    mends: int
    breaks: int


def repair_pairing(resolved: Resolved, result: PairingResult) -> list[Repair]:
    """Move the foreground, or else the ground, to the nearest step that reaches the level needed."""
    if result.needed is None:
        return []
    found: list[Repair] = []
    sides = ((result.pairing.foreground, result.pairing.ground), (result.pairing.ground, result.pairing.foreground))
    for moving, staying in sides:
        steps = _own_steps(resolved, moving)
        if steps is not None and resolved.tokens[moving].alpha == 1.0:
            reached = ratio(steps, resolved.tokens[staying].rgb8)
            found += _nearest(resolved, moving, steps, reached >= result.needed, reached)
    return found


def repair_told_apart(resolved: Resolved, result: ToldApartResult, pair: PairDistance) -> list[Repair]:
    """Move either color of a confusable pair to the nearest step that stands apart from the whole set."""
    found: list[Repair] = []
    members = result.told_apart.tokens
    for place in (pair.one, pair.other):
        steps = _own_steps(resolved, members[place])
        if steps is None:
            continue
        others = np.array([resolved.tokens[token].rgb8 for at, token in enumerate(members) if at != place])
        labs, other_labs = seen_labs(steps), seen_labs(others)
        apart = ciede2000(labs[:, :, :, None], other_labs[:, :, None, :]).min(axis=(0, 1, 3))
        found += _nearest(resolved, members[place], steps, apart >= result.told_apart.threshold, apart)
    return found


def _own_steps(resolved: Resolved, token: str) -> Bytes | None:
    step = resolved.tokens[token].step
    return resolved.scales[step[0]].rgb8 if step else None


def _nearest(
    resolved: Resolved, token: str, steps: Bytes, good: NDArray[np.bool_], reached: NDArray[np.float64]
) -> list[Repair]:
    color = resolved.tokens[token]
    if not good.any() or color.step is None or resolved.theme is None:
        return []
    away = ciede2000(srgb_to_lab(from_bytes(steps)), srgb_to_lab(from_bytes(color.rgb8)))
    place = int(np.argmin(np.where(good, away, np.inf)))
    hue = resolved.system.hues[color.step[0]]
    step = ladder_of(resolved.system, hue).steps[place]
    edit = SetTokenValue(token=token, theme=resolved.theme.id, value=StepAlias(hue=hue.id, step=step.id))
    mends, breaks = _consequences(resolved, token, steps[place])
    return [
        Repair(
            edit, steps[place], token, f"{hue.name} {step.label}", hue.id, step.id, float(reached[place]), mends, breaks
        )
    ]


def _consequences(resolved: Resolved, token: str, rgb8: Bytes) -> tuple[int, int]:
    """How many pairings begin and cease to hold when a token, and all aliases of it, take a color."""
    after: dict[str, TokenColor] = {
        key: replace(color, rgb8=rgb8, alpha=1.0) if token in color.chain else color
        for key, color in resolved.tokens.items()
    }
    again = [check_pairing(result.pairing, after) for result in resolved.pairings]
    changed = [(before.holds, now.holds) for before, now in zip(resolved.pairings, again, strict=True)]
    return changed.count((False, True)), changed.count((True, False))
