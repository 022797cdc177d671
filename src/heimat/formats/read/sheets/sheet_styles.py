"""Sheets out of stylesheets, whatever they are called: of what is read as CSS and as SCSS or Less, what says most."""

from collections.abc import Mapping

from heimat.core.importing.sheet import Sheet, SheetMaker, best
from heimat.formats.read.sheets import sheet_css, sheet_scss
from heimat.formats.read.sheets.sheet_reader import SheetReader

_COMPILED = (".scss", ".sass", ".less")


def _compiled(start: str, _: Mapping[str, str]) -> Sheet:
    return _said(sheet_scss.read(start))


def _any(start: str, _: Mapping[str, str]) -> Sheet:
    return _said(sheet_css.read(start), sheet_scss.read(start))


def _said(*sheets: Sheet) -> Sheet:
    return (
        best([sheet for sheet in sheets if sheet.tokens or sheet.palettes])
        or SheetMaker("nothing").made()
    )


COMPILED = SheetReader(lambda _, ending: ending in _COMPILED, _compiled)
ANY = SheetReader(lambda _, __: True, _any)
