"""What a purpose does on a screen: it is ground, ink, or accent. The rule of thumb is about 60, 30 and 10 percent."""

from typing import Literal, get_args

Group = Literal["ground", "ink", "accent"]
GROUPS: tuple[Group, ...] = get_args(Group)
RULE_OF_THUMB: dict[Group, int] = {"ground": 60, "ink": 30, "accent": 10}
"""Percent of the area, as interiors and interfaces are commonly divided; a habit, no standard."""
_INK = ("text", "icon", "border")
_ACCENT = ("action", "link", "selection", "focus", "status", "chart")
_ACCENTS = frozenset({"surface.brand"})
_INKS = frozenset(
    {
        *("chart.axis", "chart.grid", "chart.label", "selection.label"),
        *("action.quiet.label", "action.main.label"),
    }
)
_INK_ENDS = (".label-disabled", "-text")
_GROUND_ENDS = (".fill-disabled", ".border-disabled", "-surface")
"""What cannot be used draws no eye, and a tint behind a message is a ground."""


def group_of(purpose: str | None) -> Group:
    """The group of a purpose; what has none is ground."""
    kind = (purpose or "").partition(".")[0]
    if purpose is not None and kind in ("action", "status"):
        if purpose.endswith(_GROUND_ENDS):
            return "ground"
        if purpose.endswith(_INK_ENDS):
            return "ink"
    if purpose in _INKS or (kind in _INK and purpose not in _ACCENTS):
        return "ink"
    return "accent" if purpose in _ACCENTS or kind in _ACCENT else "ground"
