"""What a change of ladders would do, told before it is done."""

from typing_extensions import TypedDict

from heimat.core.edits import apply
from heimat.core.edits.ladder import SetHueLadder, SetLadder, losses
from heimat.core.scales.shaping import ShapedLadder
from heimat.core.system import ColorSystem, ladder_of
from heimat.service.view_scales import ladder_view
from heimat.service.view_types import LadderView


class LadderPlanView(TypedDict):
    """The ladder as it would stand, and what would go or move with it, a sentence each."""

    ladder: LadderView
    losses: list[str]


def ladder_plan(system: ColorSystem, hue: str | None, ladder: str | ShapedLadder | None) -> LadderPlanView:
    """What a ladder for all scales, or for one hue's, would do. Raises DomainError for one that cannot be."""
    if hue is not None:
        after = apply(system, SetHueLadder(hue=hue, ladder=ladder))
        return {"ladder": ladder_view(ladder_of(after, after.hues[hue])), "losses": losses(system, after)}
    after = apply(system, SetLadder(ladder=ladder or ""))
    return {"ladder": ladder_view(after.ladder), "losses": losses(system, after)}
