"""Every change there is: one typed union, applied by one pure function."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

from pydantic import Field, ValidationError

from heimat.core.document.consistency import check_system
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import Path
from heimat.core.edits.candidate_edits import AddCandidates, JoinCandidates, RemoveCandidates, SetCandidate
from heimat.core.edits.changed_places import PlaceValue, places_changed
from heimat.core.edits.condition_edits import KeepCondition, RemoveCondition, SetAim, SetDuty
from heimat.core.edits.conflicts import conflict
from heimat.core.edits.exception_edits import AcceptFinding, EndException
from heimat.core.edits.generator_edits import SetGenerator
from heimat.core.edits.guide_edits import SetGuide
from heimat.core.edits.holding_edits import HoldHues, refuse_held
from heimat.core.edits.hue_edits import (
    AddHues,
    DuplicateHue,
    MoveHue,
    NewHue,
    PinStep,
    RemoveHue,
    RenameHue,
    SetAnchor,
    SetHueKind,
    SetHueNote,
)
from heimat.core.edits.ladder_edits import PublishScales, RenameSystem, SetHueLadder, SetLadder, SetScalePattern
from heimat.core.edits.matrix_edits import KeepMatrix, RemoveMatrix
from heimat.core.edits.output_edits import AddOutput, RemoveOutput, SetOutput
from heimat.core.edits.pairing_edits import AddPairings, KeepToldApart, RemovePairing, RemoveToldApart
from heimat.core.edits.palette_edits import (
    AddPalette,
    DescribePalette,
    MovePalette,
    PlacePalette,
    RemovePalette,
    RenamePalette,
    SetOtherColor,
    SetPalette,
)
from heimat.core.edits.palettes_kept import keep_palettes
from heimat.core.edits.placing import SpreadOrder, carried_over, grown
from heimat.core.edits.release_rule_edits import SetReleaseRules
from heimat.core.edits.reserve_edits import SetReserve
from heimat.core.edits.resting_edits import LeaveBase, LetBack, Override, RestOn, refuse_taken
from heimat.core.edits.restore import Restore
from heimat.core.edits.scale_edits import AimCurve, AimStep, NudgeSteps, SetCurves, SetMethod, SetPinNeighbours, SetWide
from heimat.core.edits.selection_edits import KeepSelection, RemoveSelection, SetCap
from heimat.core.edits.source_edits import AimSource, FollowHue, LetGo, SetSource
from heimat.core.edits.splitting_edits import SplitToken
from heimat.core.edits.stop_edits import KeepStops, RemoveStops
from heimat.core.edits.theme_edits import AddTheme, MoveTheme, RemoveTheme, RenameTheme, SetTheme
from heimat.core.edits.token_care_edits import DeprecateToken, DescribeToken, KeepTokensInternal, LetRepairsMove
from heimat.core.edits.token_edits import (
    AddToken,
    AddTokens,
    LetTokenFollow,
    MoveTokens,
    RemoveToken,
    RemoveTokens,
    SetTokenValue,
    SetTokenValues,
)
from heimat.core.edits.token_name_edits import RenameToken, RenameTokens
from heimat.core.errors import DomainError

UserEdit = Annotated[
    AddHues
    | DuplicateHue
    | RemoveHue
    | RenameHue
    | SetHueKind
    | SetHueNote
    | MoveHue
    | SetSource
    | AimSource
    | FollowHue
    | LetGo
    | SetAnchor
    | PinStep
    | SetLadder
    | SetHueLadder
    | SetGenerator
    | SetMethod
    | SetCurves
    | AimCurve
    | AimStep
    | NudgeSteps
    | SetPinNeighbours
    | HoldHues
    | AddCandidates
    | SetCandidate
    | RemoveCandidates
    | JoinCandidates
    | KeepStops
    | RemoveStops
    | SetWide
    | SetCap
    | SetReserve
    | KeepSelection
    | RemoveSelection
    | SetScalePattern
    | RenameSystem
    | AddToken
    | AddTokens
    | SetTokenValue
    | SetTokenValues
    | LetTokenFollow
    | MoveTokens
    | SplitToken
    | RenameToken
    | RenameTokens
    | DescribeToken
    | KeepTokensInternal
    | LetRepairsMove
    | DeprecateToken
    | RemoveToken
    | RemoveTokens
    | AddTheme
    | RenameTheme
    | SetTheme
    | MoveTheme
    | RemoveTheme
    | AddPairings
    | RemovePairing
    | RemoveToldApart
    | AcceptFinding
    | EndException
    | KeepCondition
    | RemoveCondition
    | KeepMatrix
    | RemoveMatrix
    | AddPalette
    | SetPalette
    | RenamePalette
    | PlacePalette
    | DescribePalette
    | MovePalette
    | RemovePalette
    | SetReleaseRules
    | SetOtherColor
    | AddOutput
    | SetOutput
    | RemoveOutput
    | SetGuide
    | Override
    | LetBack
    | LeaveBase
    | SetAim
    | SetDuty
    | KeepToldApart
    | PublishScales,
    Field(discriminator="type"),
]
"""What a person can do."""
Edit = Annotated[UserEdit | Restore | SpreadOrder | RestOn, Field(discriminator="type")]
"""What a revision can hold: what a person did, what takes it back, what is taken from another system, or what the
system does for its own sake."""

__all__ = [
    "Applied",
    "Edit",
    "NewHue",
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
            "A document cannot hold that: it is too long, or too large.", _field_of(edit), "limit"
        ) from error
    if changed is not system:
        if not isinstance(edit, RestOn | Override | LetBack | LeaveBase | Restore | SpreadOrder):
            refuse_taken(system, changed, _field_of(edit))
        if not isinstance(edit, HoldHues | RestOn | LeaveBase | Restore | SpreadOrder):
            refuse_held(system, changed, _field_of(edit))
            changed = keep_palettes(system, changed)
        check_system(changed, _field_of(edit))
    return changed


_BLAMED = ("name", "names", "pattern", "generator", "value", "anchor", "ladder", "step", "candidates", "source", "hue")


def _field_of(edit: Edit) -> str:
    """The field of an edit that is to blame where the whole document does not hold together any more."""
    for field in _BLAMED:
        if field in type(edit).model_fields:
            return field
    return "hues.0.name" if isinstance(edit, AddHues) else "edit"


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
