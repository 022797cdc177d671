"""Starter sets of semantic tokens: which purposes a small page, a product, and a dashboard begin with."""

from collections.abc import Collection
from typing import Literal, get_args

from heimat.core.document.purposes import (
    CLASSES,
    FAMILIES,
    PARTS_OF_FORM,
    SERIES,
    Family,
    Form,
    State,
)
from heimat.core.sources.conventions import STATUSES

SetName = Literal["small", "product", "dashboard"]
SET_NAMES: tuple[SetName, ...] = get_args(SetName)
SET_WORDS: dict[SetName, str] = {
    "small": "A page or two: text, a link, one action, the four states of things.",
    "product": "A product: every surface and line, three families of actions with their states, messages.",
    "dashboard": "A product with boards and charts: series, classes, and a dark ground to read from afar.",
}
_FIRST_FORMS: tuple[tuple[Family, Form], ...] = (
    ("main", "solid"),
    ("second", "edged"),
    ("quiet", "bare"),
)


def family_purposes(family: Family, form: Form) -> tuple[str, ...]:
    """The purposes of a family of actions in a form."""
    return tuple(f"action.{family}.{part}" for part in PARTS_OF_FORM[form])


def state_purposes(there: Collection[str], state: State) -> tuple[str, ...]:
    """The purposes of a state that the families of actions which are there lack, each by its form."""
    found = []
    for family in FAMILIES:
        form = form_of(family, there)
        if form is not None:
            found += [
                purpose
                for purpose in family_purposes(family, form)
                if purpose.endswith(f"-{state}")
            ]
    return tuple(purpose for purpose in found if purpose not in there)


def form_of(family: Family, there: Collection[str]) -> Form | None:
    """The form of a family by what is there of it: solid with a fill at rest, edged with a border, else bare."""
    at = f"action.{family}"
    if f"{at}.fill" in there:
        return "solid"
    if f"{at}.border" in there:
        return "edged"
    return "bare" if f"{at}.label" in there else None


_SMALL = (
    *("surface.page", "surface.card"),
    *("text.strong", "text.plain", "text.faint", "link.text"),
    *("border.plain", "border.divider", "focus.ring"),
    *(
        f"action.main.{part}"
        for part in ("fill", "fill-hovered", "fill-pressed", "label", "border")
    ),
    *(f"status.{status}" for status in STATUSES),
)
_PRODUCT = (
    *("surface.page", "surface.card", "surface.lifted", "surface.well", "surface.brand"),
    *("text.strong", "text.plain", "text.faint", "text.disabled", "text.on-brand"),
    *("link.text", "link.text-hovered", "link.text-visited"),
    *("border.plain", "border.strong", "border.divider", "icon.plain", "icon.faint", "focus.ring"),
    *("selection.fill", "selection.label", "shadow.plain", "overlay.scrim"),
    *(purpose for family, form in _FIRST_FORMS for purpose in family_purposes(family, form)),
    *(
        f"status.{status}{part}"
        for status in STATUSES
        for part in ("", "-surface", "-text", "-border")
    ),
)
_CHART_PARTS = ("axis", "grid", "label", "missing", "highlighted", "muted")
_DASHBOARD = (
    *_PRODUCT,
    *("surface.board", "text.on-board", "text.on-board-faint"),
    *(f"chart.{part}" for part in _CHART_PARTS),
    *(f"chart.series.{number}" for number in range(1, SERIES + 1)),
    *(f"chart.sequential.{number}" for number in range(1, CLASSES + 1)),
    *(f"chart.diverging.{number}" for number in range(1, CLASSES + 1)),
)
SETS: dict[SetName, tuple[str, ...]] = {
    "small": _SMALL,
    "product": _PRODUCT,
    "dashboard": _DASHBOARD,
}
"""The purposes of each set, in the order in which they are shown."""
