"""Reading whatever somebody pastes or drops: what it is, is told by its text first and by its name second."""

import codecs
import re
from pathlib import PurePosixPath

from heimat.core.color.color_lines import MOST_LINES, Reading, ReadingKind, read_lines
from heimat.formats.read import read_css, read_csv, read_script, read_svg, read_tokens
from heimat.formats.read.gate import guarded
from heimat.formats.read.reading import nothing

MOST_TEXT_BYTES = 5 * 1000 * 1000
_SVG = re.compile(r"<(?:\w+:)?svg[\s>/]", re.I)
_HEAD = 4096
"""Signs within which a drawing has to say that it is one: comments and a document type may stand before."""
_BLOCK = re.compile(r"\{([^{}]*)(\}?)")
"""What follows an opening brace up to the next brace; each sign is looked at once."""
_VARIABLE = re.compile(r"^[ \t]*[$@][\w-]{1,120}[ \t]*:(?:[ \t]*\(|[^;\n]{1,200};)", re.M)
_SCRIPTS = frozenset({".js", ".mjs", ".cjs", ".jsx", ".ts", ".mts", ".cts", ".tsx"})
_STYLES = frozenset({".css", ".scss", ".less", ".pcss"})
_PROPERTY = re.compile(r"\s*(?:--[\w-]+\s*:|/\*)")
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
        lambda: nothing("list", f"{called} holds something that was not expected there, and was not read."),
        name,
    )
    if reading.kind not in _CERTAIN and "{" not in text and not any(line.color or line.text for line in reading.lines):
        # What seemed to be more, and of which no single line is told, may be plain lines after all.
        plain = _as_list(text)
        return plain if any(line.color for line in plain.lines) else reading
    return reading


def _as_what_it_seems(text: str, ending: str) -> Reading:
    start = text.lstrip("\ufeff \t\r\n")
    if (start.startswith("<") and _SVG.search(start[:_HEAD])) or ending == ".svg":
        return read_svg.read(start)
    if start.startswith("{") and not start.startswith("{{") and _is_json(start, ending):
        return read_tokens.read(text)
    if ending in (".json", ".tokens"):
        return read_tokens.read(text)
    if ending in _SCRIPTS or (ending not in _STYLES and read_script.looks_like(start)):
        return read_script.read(text)
    if ending in _STYLES or _VARIABLE.search(start) or _holds_rules(start):
        return read_css.read(text)
    if ending in (".csv", ".tsv") or read_csv.looks_like(start):
        return read_csv.read(start)
    filled = [line for line in start.splitlines() if line.strip()]
    if filled and all(_PROPERTY.match(line) for line in filled):
        return read_css.read(f":root {{{text}}}")
    return _as_list(text)


def _holds_rules(text: str) -> bool:
    """Whether a block of a text holds a declaration: a name, a colon, and an end."""
    for block in _BLOCK.finditer(text):
        _, colon, value = block.group(1).partition(":")
        if colon and (block.group(2) or ";" in value):
            return True
    return False


def _as_list(text: str) -> Reading:
    lines = read_lines(text)
    pieces = text.count("\n") + 1
    return Reading("list", lines, max(pieces - MOST_LINES, 0) if len(lines) == MOST_LINES else 0)


def _is_json(start: str, ending: str) -> bool:
    return ending in (".json", ".tokens") or bool(re.match(r'\{\s*(?:"|\})', start))
