"""What a purpose does on a screen: it is ground, ink, or accent. The rule of thumb is about 60, 30 and 10 percent."""

from typing import Literal, get_args

Group = Literal["ground", "ink", "accent"]
GROUPS: tuple[Group, ...] = get_args(Group)
RULE_OF_THUMB: dict[Group, int] = {"ground": 60, "ink": 30, "accent": 10}
"""Percent of the area, as interiors and interfaces are commonly divided; a habit, no standard."""
_INK = ("text", "icon", "border")
_ACCENT = ("action", "link", "selection", "focus", "status", "chart")
_ACCENTS = frozenset({"surface.brand"})
_INKS = frozenset({"chart.axis", "chart.grid", "chart.label", "action.quiet.label"})


def group_of(purpose: str | None) -> Group:
    """The group of a purpose; what has none is ground."""
    kind = (purpose or "").partition(".")[0]
    if purpose in _INKS or (kind in _INK and purpose not in _ACCENTS):
        return "ink"
    return "accent" if purpose in _ACCENTS or kind in _ACCENT else "ground"
