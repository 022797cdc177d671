"""Repairs by steps: the nearest step of a token's own scale that settles a finding.

What else a repair would change is what a fresh check of the document after it finds; `findings` counts that.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.contrast import ratio
from heimat.core.color.difference import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.color.told_apart import PairDistance, seen_labs
from heimat.core.document.tokens import StepAlias
from heimat.core.edits.tokens import SetTokenValue
from heimat.core.resolve.hues import ResolvedHue
from heimat.core.resolve.pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme, ToldApartResult


@dataclass(frozen=True)
class Repair:
    """One way to settle a finding: the edit, the color it leads to, and what that reaches.

    `token` and `step` name what moves and where to; `mends` and `breaks` count the findings of any kind, in every
    theme, that go and that come with it; None where that was not looked for.
    """

    edit: SetTokenValue
    rgb8: Bytes
    token: str
    step: str
    reaches: float
    mends: int | None = None
    breaks: int | None = None


def repair_pairing(resolved: Resolved, theme: ResolvedTheme, result: PairingResult) -> list[Repair]:
    """Move the foreground, or else the ground, to the nearest step that reaches the level needed."""
    if result.needed is None:
        return []
    found: list[Repair] = []
    sides = ((result.pairing.foreground, result.pairing.ground), (result.pairing.ground, result.pairing.foreground))
    for moving, staying in sides:
        hue = _hue_under(resolved, theme, moving)
        if hue is not None and theme.tokens[moving].alpha == 1.0:
            reached = ratio(hue.rgb8, theme.tokens[staying].rgb8)
            found += _nearest(resolved, theme, moving, hue, reached >= result.needed, reached)
    return found


def repair_told_apart(
    resolved: Resolved, theme: ResolvedTheme, result: ToldApartResult, pair: PairDistance
) -> list[Repair]:
    """Move either color of a confusable pair to the nearest step that stands apart from the whole set."""
    found: list[Repair] = []
    members = result.told_apart.tokens
    for place in (pair.one, pair.other):
        hue = _hue_under(resolved, theme, members[place])
        if hue is None:
            continue
        others = np.array([theme.tokens[token].rgb8 for at, token in enumerate(members) if at != place])
        labs, other_labs = seen_labs(hue.rgb8), seen_labs(others)
        apart = ciede2000(labs[:, :, :, None], other_labs[:, :, None, :]).min(axis=(0, 1, 3))
        found += _nearest(resolved, theme, members[place], hue, apart >= result.told_apart.threshold, apart)
    return found


def _hue_under(resolved: Resolved, theme: ResolvedTheme, token: str) -> ResolvedHue | None:
    """The hue on whose scale a token stands, if it stands on one."""
    hue = theme.tokens[token].hue
    return resolved.hues[hue] if hue else None


def _nearest(
    resolved: Resolved,
    theme: ResolvedTheme,
    token: str,
    hue: ResolvedHue,
    good: NDArray[np.bool_],
    reached: NDArray[np.float64],
) -> list[Repair]:
    if not good.any():
        return []
    away = ciede2000(srgb_to_lab(from_bytes(hue.rgb8)), srgb_to_lab(from_bytes(theme.tokens[token].rgb8)))
    place = int(np.argmin(np.where(good, away, np.inf)))
    value = StepAlias(hue=hue.id, step=hue.steps[place].id)
    edit = SetTokenValue(token=token, theme=theme.theme.id, value=value)
    name = resolved.system.tokens[token].name
    return [Repair(edit, hue.rgb8[place], name, hue.step_name(place), float(reached[place]))]
