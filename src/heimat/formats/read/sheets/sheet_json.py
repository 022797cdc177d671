"""Sheets out of JSON: which form it is, is told by what stands at its top."""

from collections.abc import Mapping
from typing import Any

from heimat.core.importing.sheet import Sheet, SheetMaker
from heimat.formats.read.gate import NotJsonError, load_json
from heimat.formats.read.sheets import (
    sheet_contract,
    sheet_design_tokens,
    sheet_palettes,
    sheet_plain,
)
from heimat.formats.read.sheets.sheet_reader import SheetReader

_CODE = (".css", ".scss", ".ts", ".js")
"""Endings of files in which a brace begins no JSON."""
Object = dict[str, Any]
Beside = Mapping[str, str]


def _resolver(root: Object, beside: Beside) -> Sheet | None:
    return (
        sheet_design_tokens.resolve(root, beside) if sheet_design_tokens.is_resolver(root) else None
    )


def _plain(root: Object, _: Beside) -> Sheet | None:
    return sheet_plain.read_json(root) if isinstance(root.get("tokens"), list) else None


def _contract(root: Object, _: Beside) -> Sheet | None:
    return sheet_contract.read(root) if sheet_contract.is_contract(root) else None


def _palettes(root: Object, _: Beside) -> Sheet | None:
    return sheet_palettes.read_json(root) if sheet_palettes.is_palettes(root) else None


def _theme(root: Object, _: Beside) -> Sheet | None:
    found = sheet_palettes.read_theme(root)
    return found if found.palettes else None


FORMS = (_resolver, _plain, _contract, _palettes, _theme)
"""Each form of JSON that is known by what stands at its top, the surest first. What is none is design tokens."""


def _read(text: str, beside: Beside) -> Sheet:
    maker = SheetMaker("JSON")
    try:
        root = load_json(text)
    except NotJsonError as error:
        maker.pass_over(f"Not JSON: {error}.")
        return maker.made()
    if not isinstance(root, dict):
        return maker.made()
    found = (form(root, beside) for form in FORMS)
    return next((sheet for sheet in found if sheet is not None), None) or sheet_design_tokens.read(
        root
    )


READER = SheetReader(lambda start, ending: start.startswith("{") and ending not in _CODE, _read)
