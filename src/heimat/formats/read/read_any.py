"""Reading whatever somebody pastes or drops: what it is, is told by its text first and by its name second."""

import codecs
from pathlib import PurePosixPath

from heimat.core.color.color_lines import Reading, ReadingKind
from heimat.formats.read import read_css, read_csv, read_list, read_script, read_svg, read_tokens
from heimat.formats.read.gate import guarded
from heimat.formats.read.reading import BLANK, nothing

MOST_TEXT_BYTES = 5 * 1000 * 1000
READERS = (
    read_svg.READER,
    read_tokens.READER,
    read_script.READER,
    read_css.READER,
    read_csv.READER,
    read_css.PROPERTIES,
    read_list.READER,
)
"""Every form that is read, the surest first: the first that takes a text reads it. The last takes all."""
_CERTAIN: frozenset[ReadingKind] = frozenset({"list", "drawing"})
"""What is nothing else, whether or not it holds colors."""
_MARKS = (
    (codecs.BOM_UTF8, "utf-8-sig"),
    (codecs.BOM_UTF32_LE, "utf-32"),
    (codecs.BOM_UTF16_LE, "utf-16"),
    (codecs.BOM_UTF16_BE, "utf-16"),
)


def decode(content: bytes) -> str:
    """The text of a file: by its byte order mark, else as UTF-8, else as the Western code page of older programs."""
    for mark, encoding in _MARKS:
        if content.startswith(mark):
            return content.decode(encoding, "replace")
    try:
        return content.decode("utf-8")
    except UnicodeDecodeError:
        return content.decode("cp1252", "replace")


def read(text: str, name: str = "") -> Reading:
    """Read colors from a text; `name` is that of the file, if it was one. Never raises."""
    if "\0" in text[:4096]:
        called = f"“{name[:60]}”" if name else "This"
        return nothing("list", f"{called} is not text, so no colors can be read from it.")
    called = f"“{name[:60]}”" if name else "This text"
    reading = guarded(
        lambda: _as_what_it_seems(text, PurePosixPath(name.lower()).suffix),
        lambda: nothing(
            "list", f"{called} holds something that was not expected there, and was not read."
        ),
        name,
    )
    if (
        reading.kind not in _CERTAIN
        and "{" not in text
        and not any(line.color or line.text for line in reading.lines)
    ):
        # What seemed to be more, and of which no single line is told, may be plain lines after all.
        plain = read_list.read(text)
        return plain if any(line.color for line in plain.lines) else reading
    return reading


def _as_what_it_seems(text: str, ending: str) -> Reading:
    start = text.lstrip(BLANK)
    return next(reader.read(text) for reader in READERS if reader.takes(start, ending))
