"""Purposes: what a token is there for in an interface, and the sentence that says so.

A token keeps its purpose when it is renamed. What is undisturbed has no suffix of its own; then come `-hovered`,
`-pressed` and `-disabled`. Actions come in families, each of which is solid, edged or bare.
"""

from typing import Annotated, Literal, get_args

from pydantic import AfterValidator, Field

from heimat.core.sources.conventions import STATUSES

Family = Literal["main", "second", "quiet", "success", "warning", "error", "information"]
FAMILIES: tuple[Family, ...] = get_args(Family)
Form = Literal["solid", "edged", "bare"]
FORMS: tuple[Form, ...] = get_args(Form)
State = Literal["hovered", "pressed", "disabled"]
STATES: tuple[State, ...] = get_args(State)
SERIES = 8
CLASSES = 7
"""Colors of a ready sequential or diverging row."""

PARTS_OF_FORM: dict[Form, tuple[str, ...]] = {
    "solid": (
        "fill",
        "fill-hovered",
        "fill-pressed",
        "fill-disabled",
        "label",
        "label-disabled",
        "border",
    ),
    "edged": (
        "border",
        "border-hovered",
        "border-disabled",
        "fill-hovered",
        "fill-pressed",
        "label",
        "label-disabled",
    ),
    "bare": ("label", "label-disabled", "fill-hovered", "fill-pressed"),
}
"""The tokens of a family of actions, by its form."""

_FAMILY_WORDS: dict[Family, str] = {
    "main": "the main action: the one thing to do on a screen",
    "second": "the second action, beside the main one",
    "quiet": "quiet actions, in tables and toolbars",
    "success": "actions that confirm or complete",
    "warning": "actions that need a thought before",
    "error": "actions that remove or cancel",
    "information": "actions that show more",
}
_PART_WORDS: dict[str, str] = {
    "fill": "The fill of {family}.",
    "fill-hovered": "That fill under the pointer: {family}.",
    "fill-pressed": "That fill while it is pressed: {family}.",
    "fill-disabled": "That fill while it cannot be used: {family}.",
    "label": "The label of {family}.",
    "label-disabled": "That label while it cannot be used: {family}.",
    "border": "The edge of {family}.",
    "border-hovered": "That edge under the pointer: {family}.",
    "border-disabled": "That edge while it cannot be used: {family}.",
}
_PLAIN: dict[str, str] = {
    "text.strong": "Headings and the figures that are read first.",
    "text.plain": "Running text.",
    "text.faint": "Help, captions and what is said by the way.",
    "text.disabled": "Text of what cannot be used; it is exempt from contrast.",
    "text.late": "Delay figures.",
    "text.on-brand": "Text on the brand’s own surface.",
    "text.on-board": "Text on the dark board.",
    "text.on-board-faint": "What is said by the way on the dark board.",
    "link.text": "Links in running text.",
    "link.text-hovered": "A link under the pointer.",
    "link.text-visited": "A link that was followed before.",
    "surface.page": "The ground of a whole screen.",
    "surface.card": "Cards, tables and fields on the page.",
    "surface.lifted": "What floats: menus and dialogs.",
    "surface.well": "What lies lower: wells, table heads and the track behind a bar.",
    "surface.brand": "The brand’s own surface: headers and tickets.",
    "surface.board": "The dark ground of a board that is read from afar.",
    "border.plain": "Edges of fields and of what can be used.",
    "border.strong": "The edge of a field that is being filled in.",
    "border.divider": "Lines between rows; decoration.",
    "icon.plain": "Icons that say something by themselves.",
    "icon.faint": "Icons beside their own words.",
    "focus.ring": "The ring around what the keys act on.",
    "selection.fill": "The ground of a row or text that is selected.",
    "selection.label": "Text on what is selected.",
    "shadow.plain": "The shadow under what floats.",
    "overlay.scrim": "What lies over the page behind a dialog.",
    "chart.axis": "Axes and their ticks.",
    "chart.grid": "Lines behind the data; decoration.",
    "chart.label": "Words and figures in a chart.",
    "chart.missing": "Where there are no data.",
    "chart.highlighted": "The one that is spoken of.",
    "chart.muted": "All the others beside it.",
}


def _words() -> dict[str, str]:
    found = dict(_PLAIN)
    for status in STATUSES:
        found[f"status.{status}"] = f"The mark of {status}: a dot, an icon, an edge."
        found[f"status.{status}-surface"] = f"The ground of a message of {status}."
        found[f"status.{status}-text"] = (
            f"Text of a message of {status}, on its ground and on cards."
        )
        found[f"status.{status}-border"] = f"The edge of a message of {status}."
    for family in FAMILIES:
        for part, words in _PART_WORDS.items():
            found[f"action.{family}.{part}"] = words.format(family=_FAMILY_WORDS[family])
    for number in range(1, SERIES + 1):
        found[f"chart.series.{number}"] = f"Series {number} of a chart."
    for number in range(1, CLASSES + 1):
        found[f"chart.sequential.{number}"] = f"Class {number} of {CLASSES}, from little to much."
        found[f"chart.diverging.{number}"] = (
            f"Class {number} of {CLASSES}, from one end over the middle to the other."
        )
    return found


PURPOSES: dict[str, str] = _words()
"""Every purpose there is, with the sentence on its use."""


def _known(purpose: str) -> str:
    if purpose not in PURPOSES:
        raise ValueError("there is no such purpose")
    return purpose


Purpose = Annotated[str, Field(max_length=60), AfterValidator(_known)]
Shape = Literal["strong text", "text", "link", "line", "icon", "fill"]
"""As what a token is drawn where it is shown at work."""
_STRONG = frozenset({"text.strong", "text.on-brand", "text.on-board"})


EARLIER: dict[str, str] = {"surface.raised": "surface.lifted", "surface.sunken": "surface.well"}
"""How some purposes were called before, up to form 12 of documents, with what they are called now."""


def purpose_named(name: str) -> str | None:
    """The purpose that a name states by itself, if it does; also by what it was called before."""
    meant = EARLIER.get(name, name)
    return meant if meant in PURPOSES else None


def family_of(purpose: str | None) -> tuple[Family, str] | None:
    """The family of actions that a purpose belongs to, and which part of it; None for every other purpose."""
    kind, _, rest = (purpose or "").partition(".")
    family, _, part = rest.partition(".")
    return (family, part) if kind == "action" and family in FAMILIES else None


def shape_of(purpose: str | None, *, is_text: bool) -> Shape:
    """As what a token of a purpose is drawn; without a purpose, as text where it is used for text, else as a fill."""
    kind, _, rest = (purpose or "").partition(".")
    part = rest.rpartition(".")[2]
    if kind == "action":
        return (
            "strong text"
            if part.startswith("label")
            else "line"
            if part.startswith("border")
            else "fill"
        )
    if kind == "link":
        return "link"
    if kind == "icon":
        return "icon"
    if (
        kind in ("border", "focus")
        or part.endswith("-border")
        or purpose in ("chart.axis", "chart.grid")
    ):
        return "line"
    if purpose in _STRONG:
        return "strong text"
    texts = (
        kind == "text" or part.endswith("-text") or purpose in ("selection.label", "chart.label")
    )
    return "text" if texts or (is_text and purpose is None) else "fill"
