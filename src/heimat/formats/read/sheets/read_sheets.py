"""Reading files, or an archive of them, as one sheet of tokens: the form is told by their texts, then by names."""

from collections.abc import Mapping
from dataclasses import replace
from pathlib import PurePosixPath

from heimat.core.importing.sheet import Sheet, SheetMaker, best, best_palettes
from heimat.formats.read.gate import guarded
from heimat.formats.read.read_any import MOST_TEXT_BYTES, decode
from heimat.formats.read.reading import BLANK
from heimat.formats.read.sheets import (
    sheet_json,
    sheet_pages,
    sheet_palettes,
    sheet_plain,
    sheet_scripts,
    sheet_styles,
)
from heimat.formats.read.unpacking import unpacked

READERS = (
    sheet_json.READER,
    sheet_pages.DRAWINGS,
    sheet_pages.GUIDES,
    sheet_plain.SWATCHES,
    sheet_plain.TABLES,
    sheet_scripts.READER,
    sheet_palettes.STYLES,
    sheet_styles.COMPILED,
    sheet_styles.ANY,
)
"""Every form of files that is read: the first that takes a text reads it. The last takes all."""


def read(files: Mapping[str, bytes]) -> Sheet:
    """What files hold, by name: of several the one that says most, with a resolver's files read together."""
    passed_over: list[str] = []
    texts = _texts(files, passed_over)
    every = [_read_one(name, text, texts, passed_over) for name, text in texts.items()]
    sheets = [sheet for sheet in every if sheet.tokens or sheet.palettes]
    declared = next((sheet for sheet in every if sheet.pairings or sheet.told_apart), None)
    found = best(sheets)
    of_charts = best_palettes(sheets)
    if found is None:
        maker = SheetMaker("nothing")
        for words in passed_over or ["No named colors were found."]:
            maker.pass_over(words)
        return maker.made()
    apart = of_charts is not None and of_charts is not found
    others = len(sheets) - 1 - apart
    if others:
        passed_over.append(
            f"{others} other {'file says' if others == 1 else 'files say'} the same or less."
        )
    made = replace(
        found,
        passed_over=(*passed_over, *found.passed_over),
        palettes=of_charts.palettes if of_charts is not None else (),
        pairings=(),
        told_apart=(),
    )
    if declared is None:
        return made
    return replace(
        made,
        passed_over=(*made.passed_over, *declared.passed_over),
        pairings=declared.pairings,
        told_apart=declared.told_apart,
    )


def _texts(files: Mapping[str, bytes], passed_over: list[str]) -> dict[str, str]:
    """The texts of files and of what is packed in them, by name without folders."""
    texts: dict[str, str] = {}
    for name, content in files.items():
        for inner, one in unpacked(name, content, passed_over).items():
            if len(one) > MOST_TEXT_BYTES:
                passed_over.append(f"{inner} has more than 5 MB and was not read.")
            else:
                texts[PurePosixPath(inner).name] = decode(one)
    return texts


def _read_one(name: str, text: str, beside: Mapping[str, str], passed_over: list[str]) -> Sheet:
    """The sheet of one file. What its reader did not expect is told, and the other files are read."""

    def told() -> Sheet:
        passed_over.append(
            f"{name} holds something that was not expected there, and was passed over whole."
        )
        return SheetMaker("nothing").made()

    return guarded(lambda: _sheet(name, text, beside), told, name)


def _sheet(name: str, text: str, beside: Mapping[str, str]) -> Sheet:
    ending, start = PurePosixPath(name.lower()).suffix, text.lstrip(BLANK)
    return next(reader.read(start, beside) for reader in READERS if reader.takes(start, ending))
