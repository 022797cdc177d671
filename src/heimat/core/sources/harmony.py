"""Harmonies: hues in a relation on a circle, from one color or from several that are given.

The relations are the conventional ones of color theory (Itten 1961, on other circles); they say where hues stand on a
circle and nothing about how well they go together.
"""

import itertools
from dataclasses import dataclass
from typing import Literal, get_args

from heimat.core.color.angles import turn_between
from heimat.core.color.exact_color import Color
from heimat.core.color.solved import solved
from heimat.core.sources.circles import TurnedColor

Relation = Literal[
    "complementary",
    "split complementary",
    "analogous",
    "triadic",
    "square",
    "rectangle",
    "monochromatic",
    "free",
]
RELATIONS: tuple[Relation, ...] = get_args(Relation)
USUAL_SPREAD: dict[Relation, float] = {
    "split complementary": 30.0,
    "analogous": 30.0,
    "triadic": 60.0,
    "rectangle": 60.0,
    "monochromatic": 18.0,
}
"""Degrees from the opposite (split, triadic), from the source (analogous), between the short sides (rectangle); for
monochromatic L* from step to step. Relations that are not here have nothing to spread."""
CONVENTIONAL = (30.0, 60.0, 90.0, 120.0, 150.0, 180.0)
"""Angles between two hues that the relations know."""
WIDEST_SPREAD_DEGREES = 120.0
"""Degrees that a relation is spread at the most."""
MOST_GIVEN_HUES = 4
_HALF_TURN = 180.0


def partner_angles(relation: Relation, spread: float | None = None) -> tuple[float, ...]:
    """The angles of the partners of a relation, in degrees from the source; none for monochromatic and free."""
    by = USUAL_SPREAD.get(relation, 0.0) if spread is None else spread
    known: dict[Relation, tuple[float, ...]] = {
        "complementary": (_HALF_TURN,),
        "split complementary": (_HALF_TURN - by, _HALF_TURN + by),
        "analogous": (-by, by),
        "triadic": (_HALF_TURN - by, _HALF_TURN + by),
        "square": (90.0, 180.0, 270.0),
        "rectangle": (by, _HALF_TURN, _HALF_TURN + by),
    }
    return known.get(relation, ())


def monochromatic(source: TurnedColor, spread: float | None = None) -> list[tuple[float, Color]]:
    """Two tints and two shades of a color, `spread` L* apart, with how far each is from it; within L* 5 to 98.

    `source` stands on the OKLCH circle.
    """
    by = USUAL_SPREAD["monochromatic"] if spread is None else spread
    steps = [step * by for step in (2.0, 1.0, -1.0, -2.0)]
    return [
        (step, solved(source.light + step, source.strength, source.angle))
        for step in steps
        if 5.0 <= source.light + step <= 98.0
    ]


@dataclass(frozen=True)
class Likeness:
    """How several hues stand to a relation: the largest miss in degrees, and the angles that would complete it."""

    relation: Relation
    miss: float
    missing: tuple[float, ...]


def likenesses(angles: list[float]) -> list[Likeness]:
    """The relations that 2 to 4 given angles nearly stand in, or are a part of: the nearest first.

    The relation is turned to where its largest miss is smallest. More hues than four stand in no relation.
    """
    if not 2 <= len(angles) <= MOST_GIVEN_HUES:
        return []
    found = [
        _fit(relation, members, angles)
        for relation in RELATIONS
        if len(members := (0.0, *partner_angles(relation))) >= max(len(angles), 2)
    ]
    return sorted(found, key=lambda likeness: (round(likeness.miss, 6), len(likeness.missing)))


def _fit(relation: Relation, members: tuple[float, ...], angles: list[float]) -> Likeness:
    best: Likeness | None = None
    for chosen in itertools.permutations(range(len(members)), len(angles)):
        first = angles[0] - members[chosen[0]]
        off = [
            turn_between(members[place] + first, angle)
            for place, angle in zip(chosen, angles, strict=True)
        ]
        miss = (max(off) - min(off)) / 2.0
        if best is None or miss < best.miss - 1e-9:
            turned = first + (max(off) + min(off)) / 2.0
            left = [member for place, member in enumerate(members) if place not in chosen]
            best = Likeness(relation, miss, tuple((member + turned) % 360.0 for member in left))
    assert best is not None
    return best


def common_partners(one: float, other: float) -> list[tuple[float, str]]:
    """Angles that stand to two hues alike: between them, opposite to that, and at a conventional angle to both."""
    half = turn_between(one, other) / 2.0
    middle = (one + half) % 360.0
    found = [(middle, "between both"), ((middle + _HALF_TURN) % 360.0, "opposite to both")]
    for angle in CONVENTIONAL:
        for side in (-1.0, 1.0):
            third = (one + side * angle) % 360.0
            to_other = abs(turn_between(third, other))
            near = min(CONVENTIONAL, key=lambda known: abs(known - to_other))
            is_new = all(abs(turn_between(third, known)) > 5.0 for known, _ in found)
            if abs(near - to_other) <= 4.0 and is_new and to_other > 15.0:
                found.append((third, f"{angle:.0f}° from one, {near:.0f}° from the other"))
    return found
