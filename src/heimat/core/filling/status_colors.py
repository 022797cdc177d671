"""The colors of statuses, found together: marks that are told apart, and surfaces alike in strength.

One by one each would be as good as can be and two of them the same to some eyes: a mark that must be lighter on a dark
ground comes near another, and the tints of four hues are as strong as these hues are.
"""

from itertools import combinations

import numpy as np

from heimat.core.charts.apart import all_apart, seen8
from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklch
from heimat.core.document.hues import QuantityChange
from heimat.core.document.tokens import DerivedColor, StepAlias, TokenValue
from heimat.core.filling.actions import rest_tint
from heimat.core.filling.filler import Filler, distances, reaches
from heimat.core.memory import remembered
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.sources.conventions import STATUSES

PALE_APART = 6.0
"""CIEDE2000 between any two pale or dark surfaces, for typical vision: 10 cannot be had for five of them."""
_FROM_CARD = 4.0
"""CIEDE2000 by which the ground of a message differs from a card."""
_STRENGTHS = np.linspace(0.05, 0.01, 17)
"""OKLCH chromas that surfaces may have, the freshest first: weak tints read as grays beside one another."""
_ALIKE = 0.006
"""OKLCH chroma by which surfaces of one strength may differ: what 8 bits and the gamut leave."""
_MOST_FURTHER = 3
"""By how many steps surfaces may leave the card to be told from each other."""


def _there(filler: Filler) -> dict[str, ResolvedHue]:
    """The hues of the statuses that have one."""
    return {
        str(hue.hue.status): hue
        for status in STATUSES
        for hue in filler.hues.values()
        if hue.hue.status == status
    }


def marks(filler: Filler) -> dict[str, TokenValue]:
    """The mark of each status: its hue itself, or a step, so that all are seen and told apart for every vision.

    Of the sets that are, the one most like the hues; where none is, the one that is farthest apart.
    """
    hues = _there(filler)
    values: list[list[TokenValue | None]] = []
    colors: list[Bytes] = []
    for status, hue in hues.items():
        given = filler.given.get(f"status.{status}")
        here = [None] if given is not None else _markable(filler, hue)
        values.append([*here])
        colors.append(
            np.array([given if each is None else filler.color_of(each) for each in here], np.uint8)
        )
    if not values:
        return {}
    own = [rgb8_of(hue.color) for hue in hues.values()]
    costs = [distances(each, at) for each, at in zip(colors, own, strict=True)]
    chosen = _chosen(colors, costs)
    found = zip(hues, values, chosen, strict=True)
    return {status: value for status, every, at in found if (value := every[at]) is not None}


def _markable(filler: Filler, hue: ResolvedHue) -> list[TokenValue]:
    """What a mark of a hue may be: the hue where it stands out from page and card, and all steps that do everywhere."""
    grounds = filler.grounds()
    good = np.flatnonzero(filler.least(hue, grounds) >= filler.part)
    steps: list[TokenValue] = [filler.step(hue, int(place)) for place in good]
    if reaches(rgb8_of(hue.color), grounds[:2], filler.part):
        return [filler.own(hue), *steps]
    return steps or [filler.quietest(filler.hue("neutral"), filler.part)]


def _chosen(colors: list[Bytes], costs: list[Floats]) -> list[int]:
    """Which of some colors (n, 3) of each of several lots are taken."""
    far = _far(np.concatenate(colors).tobytes())
    ends = np.cumsum([0, *map(len, colors)])
    places = np.indices([len(each) for each in colors]).reshape(len(colors), -1)
    least = np.full(places.shape[1], np.inf)
    for one, other in combinations(range(len(colors)), 2):
        least = np.minimum(least, far[ends[one] + places[one], ends[other] + places[other]])
    cost = sum(each[at] for each, at in zip(costs, places, strict=True))
    apart = least >= TOLD_APART
    best = int(np.where(apart, cost, np.inf).argmin()) if apart.any() else int(least.argmax())
    return [int(each) for each in places[:, best]]


@remembered(64)
def _far(levels: bytes) -> Floats:
    return all_apart(seen8(np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)))


def surfaces(filler: Filler) -> dict[str, TokenValue]:
    """The ground of each status's message: near the card, all of one chroma, told from each other and from the card.

    A neutral tint, as a selection may have it, is told from them as well.
    The nearest steps and the strongest chroma of all at which they are; else those at which they are farthest apart.
    """
    hues = {
        status: hue
        for status, hue in _there(filler).items()
        if f"status.{status}-surface" not in filler.given
    }
    if not hues:
        return {}
    card = filler.color("surface.card")
    tint = filler.color_of(rest_tint(filler, filler.hue("neutral")))
    best: dict[str, TokenValue] = {}
    farthest = -1.0
    for further in range(_MOST_FURTHER):
        steps = [
            filler.further(filler.beside(hue, card, _FROM_CARD), further) for hue in hues.values()
        ]
        for strength in _STRENGTHS:
            made = [_of_strength(step, float(strength)) for step in steps]
            rgb8 = filler.derived(made)
            if np.abs(srgb_to_oklch(from_bytes(rgb8))[:, 1] - strength).max() > _ALIKE:
                continue
            reached = min(
                _nearest(np.array([*rgb8, tint])), float(distances(rgb8, card).min()) + 2.0
            )
            if reached > farthest:
                best, farthest = dict(zip(hues, made, strict=True)), reached
            if reached >= PALE_APART:
                return best
    return best or {status: filler.beside(hue, card, _FROM_CARD) for status, hue in hues.items()}


def _of_strength(step: StepAlias, chroma: float) -> DerivedColor:
    return DerivedColor(of=step, chroma=QuantityChange(how="set", by=round(chroma, 4)))


def _nearest(rgb8: Bytes) -> float:
    """How near the nearest two of some colors (n, 3) are for typical vision."""
    labs = srgb_to_lab(from_bytes(rgb8))
    far = ciede2000(labs[:, None], labs[None])
    return float(far[~np.eye(len(labs), dtype=bool)].min(initial=np.inf))
