"""Shaping a ladder: what somebody typed is taken as it is, or refused at the label at fault with what could stand."""

import re
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.naming import check_line
from heimat.core.errors import DomainError
from heimat.core.scales.ladder import (
    LEAST_STEPS,
    LONGEST_LABEL,
    LONGEST_STEP_ID,
    MOST_STEPS,
    READY_MADE,
    Ladder,
    LadderStep,
)

LEAST_FALL = 0.1
"""L* by which each step is aimed darker than the one before."""
_NOT_ID = re.compile(r"[^a-z0-9_-]+")


class ShapedStep(BaseModel):
    """One step as it was typed. Without an id it is new, and gets one from its label."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    id: Annotated[str, Field(max_length=LONGEST_STEP_ID)] = ""
    label: Annotated[str, Field(max_length=200)]
    lightness: Annotated[float, Field(allow_inf_nan=False)]
    internal: bool = False
    between: bool = False


class ShapedLadder(BaseModel):
    """A ladder as it was typed, from light to dark."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    name: Annotated[str, Field(max_length=200)] = "own"
    steps: Annotated[tuple[ShapedStep, ...], Field(max_length=200)]

    @classmethod
    def of(cls, ladder: Ladder) -> "ShapedLadder":
        """A ladder as somebody would type it."""
        return cls.model_validate(ladder.model_dump())


def shaped(given: str | ShapedLadder, field: str) -> Ladder:
    """The ladder of a ready-made name, or of typed steps.

    Raises DomainError, at the label or lightness at fault below `field`, with the nearest value that could stand.
    """
    if isinstance(given, str):
        if given not in READY_MADE:
            raise DomainError(f"Choose a ladder: {', '.join(READY_MADE)}.", field, "unknown")
        return READY_MADE[given]
    count = len(given.steps)
    if not LEAST_STEPS <= count <= MOST_STEPS:
        raise DomainError(
            f"A ladder has {LEAST_STEPS} to {MOST_STEPS} steps; this one has {count}.",
            field,
            "limit",
        )
    _check_labels(given, field)
    _check_lightness(given, field)
    for end in (0, -1):
        if given.steps[end].between:
            label = given.steps[end].label.strip()
            raise DomainError(
                f"{label} is an end of the ladder: it stands between no others.", field, "between"
            )
    taken = {step.id for step in given.steps if step.id}
    steps = []
    for step in given.steps:
        key = step.id or _free_id(step.label, taken)
        taken.add(key)
        steps.append(step.model_copy(update={"id": key, "label": step.label.strip()}).model_dump())
    own = Ladder(
        name=given.name.strip()[:40] or "own", steps=tuple(LadderStep(**step) for step in steps)
    )
    # The same steps as a ready-made ladder's are that ladder, whatever they were called on the way.
    return next((ready for ready in READY_MADE.values() if ready.steps == own.steps), _renamed(own))


def _renamed(ladder: Ladder) -> Ladder:
    return ladder.model_copy(update={"name": "own"}) if ladder.name in READY_MADE else ladder


def _check_labels(given: ShapedLadder, field: str) -> None:
    seen: dict[str, int] = {}
    ids: set[str] = set()
    for place, step in enumerate(given.steps):
        at, label = f"{field}.steps.{place}.label", step.label.strip()
        if not label:
            raise DomainError("A step needs a label.", at, "empty")
        check_line(label, at)
        if len(label) > LONGEST_LABEL:
            words = f"A label has at most {LONGEST_LABEL} characters; this one has {len(label)}."
            raise DomainError(words, at, "too_long")
        if label.casefold() in seen:
            raise DomainError(
                f"The label {label} is there twice: each step has its own.", at, "taken"
            )
        if step.id and (step.id in ids or _NOT_ID.search(step.id)):
            raise DomainError(f"{label} has no id of its own.", at, "taken")
        seen[label.casefold()] = place
        ids.add(step.id)


def _check_lightness(given: ShapedLadder, field: str) -> None:
    above = 100.0 + LEAST_FALL
    before = ""
    for place, step in enumerate(given.steps):
        highest = min(above - LEAST_FALL, 100.0)
        at, label = f"{field}.steps.{place}.lightness", step.label.strip()
        if not 0.0 <= step.lightness <= highest + 1e-9:
            if highest < 0.0:
                words = f"Nothing is darker than {before} (L* {above:g}) by {LEAST_FALL}: {label} has no room below it."
            elif before and step.lightness > highest:
                words = f"{label} comes after {before} (L* {above:g}), so it is darker: at most L* {highest:.1f}."
            else:
                words = f"L* runs from 0, black, to 100, white; {label} could be {0 if step.lightness < 0 else 100}."
            raise DomainError(words, at, "order")
        above, before = step.lightness, label


def _free_id(label: str, taken: set[str]) -> str:
    base = "s" + (_NOT_ID.sub("-", label.strip().lower()).strip("-") or "tep")[:18]
    key, number = base, 2
    while key in taken:
        key, number = f"{base}-{number}", number + 1
    return key
