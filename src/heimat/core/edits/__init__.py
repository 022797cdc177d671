"""Every change there is: one typed union, applied by one pure function."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import reduce
from operator import or_
from typing import TYPE_CHECKING, Annotated

from pydantic import Field, ValidationError

from heimat.core.document.consistency import check_system
from heimat.core.document.system import ColorSystem
from heimat.core.edits import (
    candidate_edits,
    condition_edits,
    exception_edits,
    generator_edits,
    guide_edits,
    holding_edits,
    hue_edits,
    ladder_edits,
    matrix_edits,
    output_edits,
    pairing_edits,
    palette_edits,
    placing,
    release_rule_edits,
    reserve_edits,
    resting_edits,
    restore,
    scale_edits,
    selection_edits,
    source_edits,
    splitting_edits,
    stop_edits,
    theme_edits,
    token_care_edits,
    token_edits,
    token_name_edits,
)
from heimat.core.edits.base import REGISTERED, EditBase, Path
from heimat.core.edits.changed_places import PlaceValue, places_changed
from heimat.core.edits.conflicts import conflict
from heimat.core.edits.holding_edits import refuse_held
from heimat.core.edits.palettes_kept import keep_palettes
from heimat.core.edits.placing import SpreadOrder, carried_over, grown
from heimat.core.edits.resting_edits import refuse_taken
from heimat.core.edits.restore import Restore
from heimat.core.errors import DomainError

FILES = (
    hue_edits,
    source_edits,
    ladder_edits,
    generator_edits,
    scale_edits,
    holding_edits,
    candidate_edits,
    stop_edits,
    selection_edits,
    reserve_edits,
    token_edits,
    splitting_edits,
    token_name_edits,
    token_care_edits,
    theme_edits,
    pairing_edits,
    exception_edits,
    condition_edits,
    matrix_edits,
    palette_edits,
    release_rule_edits,
    output_edits,
    guide_edits,
    resting_edits,
    restore,
    placing,
)
"""Every file of edits: by being read, it registers those that it makes."""
if TYPE_CHECKING:
    UserEdit = EditBase
    Edit = EditBase
else:
    UserEdit = Annotated[
        reduce(or_, (each for each in REGISTERED if each.of_person)), Field(discriminator="type")
    ]
    """What a person can do."""
    Edit = Annotated[reduce(or_, REGISTERED), Field(discriminator="type")]
    """What a revision can hold: what a person did, what takes it back, what is taken from another system, or what the
    system does for its own sake."""

__all__ = [
    "Applied",
    "Edit",
    "Path",
    "PlaceValue",
    "Restore",
    "SpreadOrder",
    "UserEdit",
    "apply",
    "apply_all",
    "carried_over",
    "conflict",
    "grown",
]


def apply(system: ColorSystem, edit: Edit) -> ColorSystem:
    """The document after an edit. Pure and total: a new document, or DomainError with the field at fault."""
    try:
        changed = edit.change(system)
    except ValidationError as error:
        # No edit should come here; where one does, it is refused as what a document cannot hold.
        raise DomainError(
            "A document cannot hold that: it is too long, or too large.", edit.blames, "limit"
        ) from error
    if changed is not system:
        if "taken" in edit.guards:
            refuse_taken(system, changed, edit.blames)
        if "held" in edit.guards:
            refuse_held(system, changed, edit.blames)
        if "palettes" in edit.guards:
            changed = keep_palettes(system, changed)
        check_system(changed, edit.blames)
    return changed


@dataclass(frozen=True)
class Applied:
    """What came of one gesture: the document, a sentence, the inverse, and the places read and written."""

    system: ColorSystem
    sentence: str
    inverse: Restore
    reads: frozenset[Path]
    writes: frozenset[Path]


def apply_all(system: ColorSystem, edits: Sequence[Edit]) -> Applied:
    """Apply the edits of one gesture in order, as one change. Raises DomainError; then nothing is changed."""
    at = system
    sentences: list[str] = []
    reads: set[Path] = set()
    for edit in edits:
        changed = apply(at, edit)
        sentences.append(edit.sentence(at))
        reads |= edit.reads()
        at = changed
    back = places_changed(at, system)
    said = sentences[0] if len(sentences) == 1 else f"{sentences[0]} and {len(sentences) - 1} more"
    inverse = Restore(what=said[:400], places=tuple(back))
    return Applied(at, said, inverse, frozenset(reads), frozenset(place.path for place in back))
