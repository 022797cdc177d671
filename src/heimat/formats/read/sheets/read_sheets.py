"""Reading files, or an archive of them, as one sheet of tokens: the form is told by their texts, then by names."""

import io
import lzma
import tarfile
import zipfile
import zlib
from collections.abc import Mapping
from dataclasses import replace
from pathlib import PurePosixPath

from heimat.core.importing.sheet import Sheet, SheetMaker, best, best_palettes
from heimat.formats.read.gate import NotJsonError, guarded, load_json
from heimat.formats.read.read_any import MOST_TEXT_BYTES, decode
from heimat.formats.read.sheets import (
    sheet_contract,
    sheet_css,
    sheet_design_tokens,
    sheet_pages,
    sheet_palettes,
    sheet_plain,
    sheet_scss,
)

MOST_FILES = 200
MOST_UNPACKED = 40_000_000
"""Bytes that an archive may come to: one that unpacks into more was made to."""
_GZIP, _ZIP = b"\x1f\x8b", b"PK\x03\x04"
_READ = frozenset(
    [
        ".css",
        ".scss",
        ".sass",
        ".less",
        ".json",
        ".tokens",
        ".ts",
        ".py",
        ".mplstyle",
        ".js",
        ".mjs",
        ".csv",
        ".gpl",
        ".svg",
        ".html",
        ".htm",
    ]
)


def read(files: Mapping[str, bytes]) -> Sheet:
    """What files hold, by name: of several the one that says most, with a resolver's files read together."""
    passed_over: list[str] = []
    texts: dict[str, str] = {}
    for name, content in files.items():
        for inner, unpacked in _unpacked(name, content, passed_over).items():
            if len(unpacked) > MOST_TEXT_BYTES:
                passed_over.append(f"{inner} has more than 5 MB and was not read.")
            else:
                texts[PurePosixPath(inner).name] = decode(unpacked)
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
        passed_over.append(f"{others} other {'file says' if others == 1 else 'files say'} the same or less.")
    return replace(
        found,
        passed_over=(*passed_over, *found.passed_over, *(declared.passed_over if declared else ())),
        palettes=of_charts.palettes if of_charts is not None else (),
        pairings=declared.pairings if declared else (),
        told_apart=declared.told_apart if declared else (),
    )


def _read_one(name: str, text: str, beside: Mapping[str, str], passed_over: list[str]) -> Sheet:
    """The sheet of one file. What its reader did not expect is told, and the other files are read."""

    def told() -> Sheet:
        passed_over.append(f"{name} holds something that was not expected there, and was passed over whole.")
        return SheetMaker("nothing").made()

    return guarded(lambda: _sheet(name, text, beside), told, name)


def _sheet(name: str, text: str, beside: Mapping[str, str]) -> Sheet:
    ending, start = PurePosixPath(name.lower()).suffix, text.lstrip("\ufeff \t\r\n")
    nothing = SheetMaker("nothing").made()
    if start.startswith("{") and ending not in (".css", ".scss", ".ts", ".js"):
        return _of_json(start, beside)
    if ending == ".svg" or start.startswith("<svg"):
        return sheet_pages.read_drawing(start)
    if ending in (".html", ".htm") or start.startswith("<"):
        return sheet_pages.read_guide(start)
    if ending == ".gpl" or start.startswith("GIMP Palette"):
        return sheet_plain.read_swatches(start)
    if ending == ".csv":
        return sheet_plain.read_table(start)
    if ending in (".ts", ".js", ".mjs", ".py"):
        found = sheet_palettes.read_module(start)
        return found if found.palettes else sheet_plain.read_script(start)
    if ending == ".mplstyle":
        return sheet_palettes.read_style(start)
    readers = [sheet_scss.read] if ending in (".scss", ".sass", ".less") else [sheet_css.read, sheet_scss.read]
    sheets = [sheet for each in readers if (sheet := each(start)).tokens or sheet.palettes]
    return best(sheets) or nothing


def _of_json(text: str, beside: Mapping[str, str]) -> Sheet:
    maker = SheetMaker("JSON")
    try:
        root = load_json(text)
    except NotJsonError as error:
        maker.pass_over(f"Not JSON: {error}.")
        return maker.made()
    if not isinstance(root, dict):
        return maker.made()
    if sheet_design_tokens.is_resolver(root):
        return sheet_design_tokens.resolve(root, beside)
    if isinstance(root.get("tokens"), list):
        return sheet_plain.read_json(root)
    if sheet_contract.is_contract(root):
        return sheet_contract.read(root)
    if sheet_palettes.is_palettes(root):
        return sheet_palettes.read_json(root)
    if (of_charts := sheet_palettes.read_theme(root)).palettes:
        return of_charts
    return sheet_design_tokens.read(root)


def _unpacked(name: str, content: bytes, passed_over: list[str]) -> dict[str, bytes]:
    """The files of an archive, or the one file. Nothing is written anywhere, so no path leads out of anything."""
    if not content.startswith((_GZIP, _ZIP)):
        return {name: content}
    try:
        return _of_tar(content) if content.startswith(_GZIP) else _of_zip(content)
    except (
        OSError,
        EOFError,
        tarfile.TarError,
        zipfile.BadZipFile,
        lzma.LZMAError,
        zlib.error,
        NotImplementedError,
        RuntimeError,
        ValueError,
    ) as error:
        passed_over.append(f"{name} cannot be unpacked: {str(error)[:120] or type(error).__name__}.")
        return {}


_LONGEST_HEADER = 65_536
_HEADERS = (
    tarfile.GNUTYPE_LONGNAME,
    tarfile.GNUTYPE_LONGLINK,
    tarfile.XHDTYPE,
    tarfile.XGLTYPE,
    tarfile.SOLARIS_XHDTYPE,
)


class _Entry(tarfile.TarInfo):
    """An entry whose further headers are as short as headers are: they are read whole before anything is asked."""

    @classmethod
    def frombuf(cls, buf: bytes | bytearray, encoding: str, errors: str) -> "_Entry":
        found = super().frombuf(buf, encoding, errors)
        if found.type in _HEADERS and found.size > _LONGEST_HEADER:
            raise ValueError("a name in it is longer than names are")
        return found


def _of_tar(content: bytes) -> dict[str, bytes]:
    found: dict[str, bytes] = {}
    room = MOST_UNPACKED
    with tarfile.open(fileobj=io.BytesIO(content), mode="r|gz", tarinfo=_Entry) as archive:
        for entry in archive:
            room -= entry.size
            if room < 0 or len(found) >= MOST_FILES:
                raise ValueError("it holds more than an archive of colors does")
            file = archive.extractfile(entry) if entry.isreg() and _is_read(entry.name) else None
            if file is not None:
                found[entry.name] = file.read()
    return found


def _of_zip(content: bytes) -> dict[str, bytes]:
    found: dict[str, bytes] = {}
    with zipfile.ZipFile(io.BytesIO(content)) as archive:
        entries = [entry for entry in archive.infolist() if _is_read(entry.filename)]
        if len(entries) > MOST_FILES or sum(entry.file_size for entry in entries) > MOST_UNPACKED:
            raise ValueError("it holds more than an archive of colors does")
        for entry in entries:
            with archive.open(entry) as file:
                found[entry.filename] = file.read(MOST_TEXT_BYTES + 1)
    return found


def _is_read(name: str) -> bool:
    path = PurePosixPath(name)
    return path.suffix.lower() in _READ and path.name not in ("package.json", "release.json")
