"""The ladder: labels that all scales share, and the CIE L* aimed at by each."""

from typing import Annotated, Self

import numpy as np
from pydantic import BaseModel, ConfigDict, Field, model_validator

from heimat.core.color.arrays import Floats, floats

LIGHTEST = 97.0
DARKEST = 8.0
"""Ends of an even ladder in L*: light enough for a page, dark enough for text, and both still colored."""
LEAST_STEPS, MOST_STEPS = 3, 24
LONGEST_STEP_ID = 24
LONGEST_LABEL = 24
LONGEST_LADDER_NAME = 40


class LadderStep(BaseModel):
    """One rung: a stable id, the label people read, and the L* 0 to 100 aimed at.

    An `internal` one is not published. One put `between` two others is not counted as a position of its own, so that
    what is promised of the others stays as it is.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    id: Annotated[str, Field(min_length=1, max_length=LONGEST_STEP_ID, pattern=r"^[a-z0-9_-]+$")]
    label: Annotated[str, Field(min_length=1, max_length=LONGEST_LABEL)]
    lightness: Annotated[float, Field(ge=0.0, le=100.0)]
    internal: bool = False
    between: bool = False


class Ladder(BaseModel):
    """Steps from light to dark; ids and labels are unique and the lightness falls strictly."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    name: Annotated[str, Field(min_length=1, max_length=LONGEST_LADDER_NAME)]
    steps: Annotated[tuple[LadderStep, ...], Field(min_length=LEAST_STEPS, max_length=MOST_STEPS)]

    @model_validator(mode="after")
    def _in_order(self) -> Self:
        for what, values in (("label", self.labels()), ("id", self.ids())):
            if len(set(values)) < len(values):
                raise ValueError(f"a {what} of the ladder is there twice")
        if not (np.diff(self.lightness()) < 0.0).all():
            raise ValueError("the lightness of a ladder falls from step to step")
        if self.steps[0].between or self.steps[-1].between:
            raise ValueError("the first and the last step of a ladder stand between no others")
        return self

    def ids(self) -> list[str]:
        """The ids, from light to dark."""
        return [step.id for step in self.steps]

    def labels(self) -> list[str]:
        """The labels, from light to dark."""
        return [step.label for step in self.steps]

    def lightness(self) -> Floats:
        """The L* aimed at, shape (n,)."""
        return floats([step.lightness for step in self.steps])

    def index(self, step_id: str) -> int | None:
        """The position of a step, or None where the ladder has none of that id."""
        return next((place for place, step in enumerate(self.steps) if step.id == step_id), None)

    def nearest(self, lightness: float) -> int:
        """The position of the step aimed nearest to an L*; the lighter of two."""
        return int(np.argmin(np.abs(self.lightness() - lightness)))

    def positions(self, lightness: Floats) -> Floats:
        """Where values of L* (m,) stand on this ladder, as fractional positions (m,); beyond the ends, extrapolated.

        Only the steps that count are counted: one put between two others stands between their positions.
        """
        aims = floats([step.lightness for step in self.steps if not step.between])
        inside = np.interp(-lightness, -aims, np.arange(len(aims), dtype=np.float64))
        before = (aims[0] - lightness) / (aims[0] - aims[1])
        after = len(aims) - 1 + (aims[-1] - lightness) / (aims[-2] - aims[-1])
        return np.where(lightness > aims[0], before, np.where(lightness < aims[-1], after, inside))

    def longest(self) -> int:
        """The longest distance in positions that two steps of this ladder can have."""
        return sum(not step.between for step in self.steps) - 1


def _even(name: str, labels: list[int]) -> Ladder:
    return _listed(
        name,
        labels,
        [round(float(value), 3) for value in np.linspace(LIGHTEST, DARKEST, len(labels))],
    )


def _listed(name: str, labels: list[int], lightness: list[float]) -> Ladder:
    steps = (
        LadderStep(id=f"s{label}", label=str(label), lightness=value)
        for label, value in zip(labels, lightness, strict=True)
    )
    return Ladder(name=name, steps=tuple(steps))


_HUNDREDS = list(range(100, 1000, 100))
SHORT = _even("short", _HUNDREDS[::2])
"""Every second step of the usual ladder, at the lightness that it has there."""
USUAL = _even("usual", _HUNDREDS)
LONG = _even("long", [50, *_HUNDREDS, 950])
_USUAL_AIMS = [step.lightness for step in USUAL.steps]
FINE = _listed(
    "fine",
    [50, 100, 150, *_HUNDREDS[1:-1], 850, 900, 950],
    [98.5, 97.0, 91.0, *_USUAL_AIMS[1:-1], 14.0, 8.0, 4.0],
)
"""The usual ladder with four steps between and beyond its ends, where the grounds of an interface live."""
READY_MADE: dict[str, Ladder] = {ladder.name: ladder for ladder in (SHORT, USUAL, LONG, FINE)}
