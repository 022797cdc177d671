"""Picking a step for a token: what every step would read in the token's hardest pairing, and what passes all."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import ratio
from heimat.core.document.pairings import Pairing
from heimat.core.document.tokens import StepAlias
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.resolve.theme import ResolvedTheme


@dataclass(frozen=True)
class StepReadings:
    """What the n steps of a hue would read, and whether each passes."""

    hue: ResolvedHue
    ratios: Floats
    passes: NDArray[np.bool_]


@dataclass(frozen=True)
class Picking:
    """The pairings of a token that ask for a contrast, the hardest first, and what all steps would read."""

    pairings: tuple[PairingResult, ...]
    rows: tuple[StepReadings, ...]


def picking(resolved: Resolved, theme: ResolvedTheme, token: str) -> Picking:
    """What each step would read in place of a token; in the pairing that is hardest for it."""
    own = [
        each
        for each in theme.pairings
        if each.needed and token in (each.pairing.foreground, each.pairing.ground)
    ]
    own.sort(key=lambda each: each.ratio / (each.needed or 1.0))
    if not own:
        return Picking((), ())
    others = np.array([theme.tokens[_other(each.pairing, token)].rgb8 for each in own])
    needed = np.array([each.needed for each in own])
    rows = []
    for hue in resolved.hue_list:
        reached = ratio(hue.rgb8[:, None], others[None])
        margins = reached / needed
        hardest = margins.argmin(axis=1)
        rows.append(
            StepReadings(hue, reached[np.arange(len(reached)), hardest], margins.min(axis=1) >= 1.0)
        )
    return Picking(tuple(own), tuple(rows))


def _other(pairing: Pairing, token: str) -> str:
    return pairing.ground if pairing.foreground == token else pairing.foreground


def step_that_passes(picked: Picking, hue: str, now: Bytes) -> StepAlias | None:
    """The step of a hue that passes in every pairing, most like a color (3,) in contrast; or None."""
    row = next((each for each in picked.rows if each.hue.id == hue), None)
    if row is None or not row.passes.any():
        return None
    off = np.abs(np.log(ratio(row.hue.rgb8, now)))
    place = int(np.where(row.passes, off, np.inf).argmin())
    return StepAlias(hue=hue, step=row.hue.steps[place].id)


def same_contrast(hue: ResolvedHue, ground: Bytes, wanted: float) -> StepAlias:
    """The step of a hue whose ratio to a ground (3,) is most nearly a given one."""
    off = np.abs(np.log(ratio(hue.rgb8, ground)) - np.log(wanted))
    return StepAlias(hue=hue.id, step=hue.steps[int(off.argmin())].id)
