"""Viewing conditions as the page shows them: what no longer holds, and what would."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.document.conditions import Quantities
from heimat.core.document.order import in_order
from heimat.core.legibility.contrast_left import UnderCondition, under, white_needed
from heimat.core.resolve.theme import ResolvedTheme
from heimat.view.look import Look


class HeldView(TypedDict):
    """A pairing under a condition: what is left of it, what would be needed, and what would help."""

    foreground: str
    ground: str
    left: str
    needed: str
    usually: bool
    helps: str


class ConditionView(TypedDict):
    """A viewing condition: its quantities, how many pairings no longer hold of all, and which."""

    id: str
    name: str
    quantities: Quantities
    total: int
    lost: list[HeldView]


def conditions_part(look: Look) -> list[ConditionView]:
    """The conditions that the team has named, over all declared pairings of the theme that is shown."""
    theme = look.theme
    if theme is None:
        return []
    found: list[ConditionView] = []
    for condition in in_order(look.system.conditions):
        held = under(theme, condition.quantities)
        lost = [_held(theme, each, condition.quantities) for each in held if not each.holds]
        found.append(
            {
                "id": condition.id,
                "name": condition.name,
                "quantities": condition.quantities,
                "total": len(held),
                "lost": lost,
            }
        )
    return found


def _held(theme: ResolvedTheme, each: UnderCondition, quantities: Quantities) -> HeldView:
    white = white_needed(quantities, theme, each.pairing, each.level)
    helps = (
        "no brightness of this display would do"
        if white is None
        else f"would hold at {white:,.0f} cd/m²"
    )
    return {
        "foreground": each.pairing.foreground,
        "ground": each.pairing.ground,
        "left": cut(each.left),
        "needed": cut(each.needed),
        "usually": each.holds_usually,
        "helps": "" if quantities.medium == "paper" else helps,
    }
