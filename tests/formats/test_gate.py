"""What no text can hold, numbers that nobody counts with, archives made to fill a machine, readers' surprises."""

import gzip
import io
import json
import lzma
import tarfile
import time
import zipfile

import numpy as np
import pytest

from heimat.core.errors import DomainError
from heimat.core.pictures.decoding import decode
from heimat.formats.read import read_any
from heimat.formats.read.sheets import read_sheets
from heimat.service.opening import imported_from
from tests.pictures import encoded


def token(**more: object) -> dict[str, object]:
    return {"$type": "color", "$value": "#112233", **more}


def test_halves_of_signs_become_a_sign_that_can_be_kept() -> None:
    files = {"t.json": json.dumps({"a\ud800": token(**{"$description": "x\udfff"})}).encode()}
    (read,) = imported_from(files, "x").system.tokens.values()
    assert (read.name, read.note) == ("a\ufffd", "x\ufffd")
    files = {"a.css": rb':root{--a:#112233} [data-theme="\d800 night"]{--a:#445566}'}
    assert [theme.name for theme in read_sheets.read(files).themes][1:] == ["\ufffdnight"]
    (line,) = read_any.read(json.dumps({"b\ud800": token()}), "t.json").lines
    line.name.encode()


@pytest.mark.parametrize("space", ["srgb", "hsl", "hwb", "oklch"])
@pytest.mark.parametrize("number", ["9" * 400, "9" * 5000, "-" + "9" * 400, "1e999", "NaN"])
def test_numbers_of_hundreds_of_digits_are_a_sentence(space: str, number: str) -> None:
    value = f'{{"colorSpace": "{space}", "components": [{number}, {number}, 0]}}'
    text = f'{{"a": {{"$type": "color", "$value": {value}}}}}'
    for line in read_any.read(text, "t.json").lines:
        assert (line.color, bool(line.problem)) == (None, True)
    assert read_sheets.read({"t.json": text.encode()}).tokens == ()


def test_one_file_that_cannot_be_unpacked_or_read_stops_no_other(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_LZMA) as archive:
        archive.writestr("a.css", ":root{--a:#112233}" * 50)
    broken = bytearray(packed.getvalue())
    for place in range(45, 70):
        broken[place] ^= 0x5A
    with pytest.raises(lzma.LZMAError), zipfile.ZipFile(io.BytesIO(bytes(broken))) as archive:
        archive.read("a.css")
    sheet = read_sheets.read({"x.zip": bytes(broken), "t.css": b":root{--b:#123456}"})
    assert [each.name for each in sheet.tokens] == ["b"]
    assert "x.zip cannot be unpacked" in sheet.passed_over[0]

    def surprised(_: str) -> None:
        raise KeyError("nobody expected this")

    monkeypatch.setattr(read_sheets.sheet_plain, "read_swatches", surprised)
    sheet = read_sheets.read({"s.gpl": b"1 2 3 a", "t.css": b":root{--b:#123456}"})
    assert [each.name for each in sheet.tokens] == ["b"]
    assert sheet.passed_over[0].startswith("s.gpl holds something that was not expected there")


def _tar_of_one_header(kind: bytes, size: int) -> bytes:
    entry = tarfile.TarInfo("x")
    entry.type, entry.size = kind, size
    return gzip.compress(entry.tobuf(tarfile.GNU_FORMAT) + bytes(size), 1)


@pytest.mark.parametrize("kind", [tarfile.GNUTYPE_LONGNAME, tarfile.XHDTYPE, tarfile.XGLTYPE])
def test_names_and_headers_in_an_archive_are_no_longer_than_such_are(kind: bytes) -> None:
    packed = _tar_of_one_header(kind, 400_000_000)
    assert len(packed) < 2_000_000
    begun = time.process_time()
    sheet = read_sheets.read({"x.tgz": packed})
    assert time.process_time() - begun < 1.0
    assert sheet.passed_over == (
        "x.tgz cannot be unpacked: a name in it is longer than names are.",
    )
    # Names of the usual length are read.
    held = io.BytesIO()
    with tarfile.open(fileobj=held, mode="w:gz", format=tarfile.PAX_FORMAT) as archive:
        entry = tarfile.TarInfo("long" * 100 + ".css")
        entry.size = 18
        archive.addfile(entry, io.BytesIO(b":root{--a:#112233}"))
    assert len(read_sheets.read({"y.tgz": held.getvalue()}).tokens) == 1


def test_a_chain_of_more_aliases_than_a_system_holds_keeps_its_color_to_the_end_that_is_kept() -> (
    None
):
    count = 4000
    values = {f"t{place}": token(**{"$value": f"{{t{place + 1}}}"}) for place in range(count - 1)}
    imported = imported_from(
        {"t.json": json.dumps({**values, f"t{count - 1}": token()}).encode()}, "x"
    )
    assert len(imported.system.tokens) == 2000
    assert imported.passed_over[0].startswith("2,000 tokens were passed over")


def test_a_picture_cut_short_anywhere_is_refused() -> None:
    whole = encoded(np.full((40, 40, 3), 90, dtype=np.uint8))
    assert decode(whole).width == 40
    for length in range(8, len(whole)):
        with pytest.raises(DomainError):
            decode(whole[:length])
