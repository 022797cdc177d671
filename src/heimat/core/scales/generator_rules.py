"""The rules in which generators differ. A document names the one that made its colors; all stay runnable."""

from collections.abc import Callable
from dataclasses import dataclass

from heimat.core.color.arrays import Floats
from heimat.core.color.gamut import Mask
from heimat.core.scales import generator_1, generator_2, generator_3


@dataclass(frozen=True)
class Rules:
    """The rules of one generator.

    `place(targets, source_lightness, source_oklch, counted)` is the position, of targets L* (n,) of which some are
    counted (n,), at which a source stands by default. `bend(targets, source_lightness, place)` moves targets so that it
    does, and may take a place beside. `drift(source_hue, source_lightness)` are the degrees of OKLCH hue that the
    darkest step turns, and in how much haste. With `paced`, long gaps beside a source are drawn together, and chroma
    rises and falls once along a scale; with `counts_lightest`, the gap at the lightest step may not be long either.
    With `reaching`, contrasts that were asked for are reached by what is published, and no two steps are equal.
    """

    place: Callable[[Floats, float, Floats, Mask], int]
    bend: Callable[[Floats, float, int], tuple[Floats, int]]
    drift: Callable[[float, float], tuple[float, float]]
    paced: bool
    reaching: bool
    counts_lightest: bool = False


RULES = {
    1: Rules(generator_1.place, generator_1.bend, generator_1.drift, paced=False, reaching=False),
    2: Rules(generator_2.place, generator_2.bend, generator_2.drift, paced=True, reaching=True),
    3: Rules(
        generator_3.place,
        generator_3.bend,
        generator_3.drift,
        paced=True,
        reaching=True,
        counts_lightest=True,
    ),
}
GENERATORS = tuple(RULES)
LATEST_GENERATOR = 3
