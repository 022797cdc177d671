"""Purposes: what a token is there for in an interface. A token keeps its purpose when it is renamed."""

from typing import Literal, get_args

Purpose = Literal[
    "text.strong",
    "text.plain",
    "text.faint",
    "text.late",
    "text.on-brand",
    "link.text",
    "surface.page",
    "surface.card",
    "surface.brand",
    "border.plain",
    "border.divider",
    "action.main.fill",
    "action.main.fill-hovered",
    "action.main.fill-pressed",
    "action.main.label",
    "status.success",
    "status.warning",
    "status.error",
    "status.information",
    "chart.series.1",
    "chart.series.2",
    "chart.series.3",
    "chart.series.4",
    "chart.series.5",
    "chart.series.6",
]
PURPOSES: tuple[Purpose, ...] = get_args(Purpose)
Shape = Literal["strong text", "text", "link", "line", "fill"]
"""As what a token is drawn where it is shown at work."""
_STRONG: frozenset[Purpose] = frozenset({"text.strong", "text.on-brand", "action.main.label"})


def purpose_named(name: str) -> Purpose | None:
    """The purpose that a name states by itself, if it does."""
    return next((purpose for purpose in PURPOSES if purpose == name), None)


def shape_of(purpose: Purpose | None, *, is_text: bool) -> Shape:
    """As what a token of a purpose is drawn; without a purpose, as text where it is used for text, else as a fill."""
    kind = (purpose or "").partition(".")[0]
    if kind == "link":
        return "link"
    if kind == "border":
        return "line"
    if purpose in _STRONG:
        return "strong text"
    return "text" if is_text or kind == "text" else "fill"
