"""What of a document is published, and what stands on it."""

from collections import Counter

from heimat.core.document.hues import Hue, StepRef
from heimat.core.document.order import in_order
from heimat.core.document.palettes import all_values
from heimat.core.document.selections import NamedSelection
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import StepAlias


def published_steps(system: ColorSystem) -> list[StepRef]:
    """The steps that are published, in the designer's order."""
    return [
        StepRef(hue=hue.id, step=step.id)
        for hue in in_order(system.hues)
        for step in ladder_of(system, hue).steps
        if not step.internal
    ]


def members(system: ColorSystem, selection: NamedSelection) -> list[StepRef]:
    """The steps of a selection that are there now."""
    return [
        ref
        for ref in selection.steps
        if ref.hue in system.hues
        and ladder_of(system, system.hues[ref.hue]).index(ref.step) is not None
    ]


def unused_of(system: ColorSystem, hue: Hue) -> list[str]:
    """The labels of a scale that are published and have no token, pin, nudge, anchor nor reason on them."""
    uses = uses_of(system, hue)
    by_hand = {*hue.pins, *hue.nudges, *hue.reserve, hue.anchor.step or ""}
    steps = ladder_of(system, hue).steps
    return [
        step.label
        for step in steps
        if not uses[step.id] and step.id not in by_hand and not step.internal
    ]


def uses_of(system: ColorSystem, hue: Hue | None) -> Counter[str]:
    """How many tokens and palettes stand on each step, by its id: of one hue, or of all on the system's ladder."""
    shared = (
        {hue.id} if hue else {other.id for other in system.hues.values() if other.ladder is None}
    )
    standing = [token.bases for token in system.tokens.values()]
    standing += [list(all_values(palette)) for palette in system.palettes.values()]
    return Counter(
        step
        for values in standing
        for step in {
            each.step for each in values if isinstance(each, StepAlias) and each.hue in shared
        }
    )
