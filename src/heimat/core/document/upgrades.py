"""Stored documents of older forms, brought up form by form."""

from collections.abc import Callable
from typing import Any

from heimat.core.document.purposes import purpose_named
from heimat.core.document.system import SCHEMA, ColorSystem

Document = dict[str, Any]


def _same(data: Document) -> Document:
    """The newer form only has more, and a default for it."""
    return data


def _with_purposes(data: Document) -> Document:
    """Tokens that are called as the starter calls them have that purpose."""
    tokens = {
        key: {**token, "purpose": token.get("purpose") or purpose_named(token["name"])}
        for key, token in data.get("tokens", {}).items()
    }
    return {**data, "tokens": tokens}


UPGRADES: dict[int, Callable[[Document], Document]] = {
    # 2: candidates, ordered stops and derived hues.
    1: _same,
    # 3: methods, curves and nudges of scales.
    2: _same,
    # 4: handles of curves, held hues, wide gamut, a cap and named selections.
    3: _same,
    # 5: purposes of tokens.
    4: _with_purposes,
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
