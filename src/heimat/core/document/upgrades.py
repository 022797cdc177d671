"""Stored documents of older forms, brought up form by form."""

from collections.abc import Callable
from typing import Any

from heimat.core.document.purposes import EARLIER, purpose_named
from heimat.core.document.system import SCHEMA, ColorSystem

Document = dict[str, Any]
_PURPOSES = {
    "link.rest": "link.text",
    "action.fill": "action.main.fill",
    "action.hover": "action.main.fill-hovered",
    "action.pressed": "action.main.fill-pressed",
    "action.label": "action.main.label",
    **EARLIER,
}
"""How purposes were called up to forms 5 and 12. What a designer called the tokens is a designer's."""


def _same(data: Document) -> Document:
    """The newer form only has more, and a default for it."""
    return data


def _with_purposes(data: Document) -> Document:
    """Tokens that are called as the starter called them have that purpose."""
    tokens = {
        key: {**token, "purpose": token.get("purpose") or _purpose_called(token["name"])}
        for key, token in data.get("tokens", {}).items()
    }
    return {**data, "tokens": tokens}


def _purpose_called(name: str) -> str | None:
    return purpose_named(_PURPOSES.get(name, name))


def newest_words(stored: Any) -> Any:
    """A stored document of form 5 or 12, or any part of one, in the words of the newest: purposes, and internal steps.

    What a change takes back is kept without a form, so this holds for the words of all.
    """
    if isinstance(stored, list):
        return [newest_words(each) for each in stored]
    if not isinstance(stored, dict):
        return stored
    found = {key: newest_words(value) for key, value in stored.items()}
    if {"label", "lightness", "hidden"} <= found.keys():
        found["internal"] = found.pop("hidden")
    if found.get("purpose") in _PURPOSES:
        found["purpose"] = _PURPOSES[found["purpose"]]
    return found


def _scales_published(data: Document) -> Document:
    """Up to form 6 every scale was published: what developers have stays with them."""
    return {**data, "scales_published": True}


UPGRADES: dict[int, Callable[[Document], Document]] = {
    # 2: candidates, ordered stops and derived hues.
    1: _same,
    # 3: methods, curves and nudges of scales.
    2: _same,
    # 4: handles of curves, held hues, wide gamut, a cap and named selections.
    3: _same,
    # 5: purposes of tokens.
    4: _with_purposes,
    # 6: purposes without a word for the undisturbed state; steps are internal, as tokens are, not hidden.
    5: newest_words,
    # 7: many themes, derived values, tokens that stay in the house or are on their way out, scales that stay.
    6: _scales_published,
    # 8: accepted exceptions, viewing conditions, a team's own aim and duty.
    7: _same,
    # 9: tokens that repairs move first, last or never; named matrices; palettes.
    8: _same,
    # 10: tokens on palettes; palettes say what else tells colors apart, what is drawn beside them, where stops stand.
    9: _same,
    # 11: names and places of outputs, how the guide is made, and what rests on another system.
    10: _same,
    # 12: what a hue was given first, and whether it was moved since.
    11: _same,
    # 13: what floats is lifted and what lies lower is a well; names stay.
    12: newest_words,
}
"""What brings a document of each form to the next one."""


def read_document(data: Document) -> ColorSystem:
    """Read a stored document, bringing older forms up.

    Raises ValueError for one that cannot be read, or is from a newer Heimat.
    """
    form = int(data.get("schema", SCHEMA + 1))
    if form > SCHEMA:
        raise ValueError(f"this document has schema {form}; this Heimat reads up to {SCHEMA}")
    for older in range(form, SCHEMA):
        data = UPGRADES[older](data)
    return ColorSystem.model_validate({**data, "schema": SCHEMA})
