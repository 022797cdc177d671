"""Sheets out of modules of code: palettes for charts where there are any, else themes as objects."""

from collections.abc import Mapping

from heimat.core.importing.sheet import Sheet
from heimat.formats.read.sheets import sheet_palettes, sheet_plain
from heimat.formats.read.sheets.sheet_reader import SheetReader

_ENDINGS = (".ts", ".js", ".mjs", ".py")


def _read(start: str, _: Mapping[str, str]) -> Sheet:
    found = sheet_palettes.read_module(start)
    return found if found.palettes else sheet_plain.read_script(start)


READER = SheetReader(lambda _, ending: ending in _ENDINGS, _read)
