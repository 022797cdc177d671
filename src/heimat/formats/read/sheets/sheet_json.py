"""Sheets out of JSON: which form it is, is told by what stands at its top."""

from collections.abc import Callable, Mapping
from typing import Any

from heimat.core.importing.sheet import Sheet, SheetMaker
from heimat.formats.read.gate import NotJsonError, load_json
from heimat.formats.read.sheets import sheet_contract, sheet_design_tokens, sheet_palettes, sheet_plain
from heimat.formats.read.sheets.sheet_reader import SheetReader

_CODE = (".css", ".scss", ".ts", ".js")
"""Endings of files in which a brace begins no JSON."""
Object = dict[str, Any]
Beside = Mapping[str, str]
FORMS: tuple[tuple[Callable[[Object], bool], Callable[[Object, Beside], Sheet]], ...] = (
    (sheet_design_tokens.is_resolver, sheet_design_tokens.resolve),
    (lambda root: isinstance(root.get("tokens"), list), lambda root, _: sheet_plain.read_json(root)),
    (sheet_contract.is_contract, lambda root, _: sheet_contract.read(root)),
    (sheet_palettes.is_palettes, lambda root, _: sheet_palettes.read_json(root)),
    (lambda root: bool(sheet_palettes.read_theme(root).palettes), lambda root, _: sheet_palettes.read_theme(root)),
    (lambda _: True, lambda root, _: sheet_design_tokens.read(root)),
)
"""Each form of JSON, how it is known and how it is read, the surest first."""


def _read(text: str, beside: Beside) -> Sheet:
    maker = SheetMaker("JSON")
    try:
        root = load_json(text)
    except NotJsonError as error:
        maker.pass_over(f"Not JSON: {error}.")
        return maker.made()
    if not isinstance(root, dict):
        return maker.made()
    return next(read(root, beside) for is_it, read in FORMS if is_it(root))


READER = SheetReader(lambda start, ending: start.startswith("{") and ending not in _CODE, _read)
