"""Reading many colors at once: any lines that hold one color each, and perhaps words."""

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import islice
from typing import Literal

from heimat.core.color.notation import EXAMPLE, Color, parse
from heimat.core.errors import DomainError

MOST_LINES = 400
LONGEST_LINE, LONGEST_PIECE = 10_000, 400
"""Signs of a line that is still parted into pieces, and of a piece that is still looked into."""
_SIGNS = re.compile(r"[;,()]")
_FUNCTION = re.compile(r"[a-z][a-z0-9-]*\([^()]*\)", re.I)
_HASH = re.compile(r"#[0-9a-z]+", re.I)
_HSB_WORDS = re.compile(r"\bhs[bv]\s+[\d.]+°?[\s,]+[\d.]+%?[\s,]+[\d.]+%?", re.I)
_WORD = re.compile(r"[^\s:=]+")
# Among other words `bad`, `fade` or `decade` are words; a color there has a digit, or six signs in capitals.
_WORDLIKE = re.compile(r"(?![A-F]{6}$|[A-F]{8}$)[a-fA-F]{3,8}$")
_EDGES = " \t:=-–—\"'*•"


@dataclass(frozen=True)
class ReadLine:
    """What was understood of one line, by its number: a color and perhaps a name, or the reason why not."""

    text: str
    name: str
    color: Color | None
    problem: str | None
    number: int = 1


ReadingKind = Literal["list", "stylesheet", "token file", "table", "drawing"]


@dataclass(frozen=True)
class Reading:
    """What a text was taken for, its lines in order, how many more there were than are told, and where it stopped."""

    kind: ReadingKind
    lines: list[ReadLine]
    more: int = 0
    stopped: str = ""


def read_lines(text: str) -> list[ReadLine]:
    """Read lines (or pieces parted by semicolons or commas) that hold one color each; never raises."""
    lines = [replace(_read(piece), number=number) for number, piece in islice(_pieces(text), MOST_LINES)]
    return _one_spaced_list(text) if len(lines) == 1 and lines[0].color is None else lines


def _pieces(text: str) -> Iterator[tuple[int, str]]:
    """The pieces of a text that may hold a color each, with the numbers of their lines."""
    for number, line in enumerate(text.splitlines(), 1):
        whole = len(line) > LONGEST_LINE
        for piece in [line] if whole else _parted(line):
            if piece.strip():
                yield number, piece.strip()


def _parted(line: str) -> list[str]:
    """A line at its semicolons, and at its commas but those within parentheses; each sign is looked at once."""
    cuts: list[int] = []
    closes = False
    for sign in reversed(list(_SIGNS.finditer(line))):
        if sign.group() in "()":
            closes = sign.group() == ")"
        elif sign.group() == ";" or not closes:
            cuts.append(sign.start())
    starts = [0, *(cut + 1 for cut in reversed(cuts))]
    return [line[start:end] for start, end in zip(starts, [*reversed(cuts), len(line)], strict=True)]


def _one_spaced_list(text: str) -> list[ReadLine]:
    """Several bare colors parted by spaces only."""
    if len(text) > LONGEST_LINE:
        return [_read(text.strip())]
    words = text.split()
    lines = [_read(word) for word in words[:MOST_LINES]]
    return lines if len(lines) > 1 and all(line.color for line in lines) else [_read(text.strip())]


def _read(piece: str) -> ReadLine:
    if len(piece) > LONGEST_PIECE:
        return ReadLine(piece[:80], "", None, "That is too long for one color. Put each on a line of its own.")
    try:
        return ReadLine(piece, "", parse(piece), None)
    except DomainError as refusal:
        problem = refusal.message
        if refusal.code == "print":
            return ReadLine(piece, "", None, problem)
    found = [(match.span(), match.group()) for match in _candidates(piece) if not _WORDLIKE.match(match.group())]
    colors: list[tuple[tuple[int, int], Color]] = []
    for span, candidate in found:
        try:
            colors.append((span, parse(candidate)))
        except DomainError:
            continue
    if not colors:
        return ReadLine(piece, "", None, f"No color found in “{piece[:40]}”. For example: tidewater {EXAMPLE}.")
    if len(colors) > 1:
        return ReadLine(piece, "", None, f"More than one color in “{piece[:40]}”. Put each on a line of its own.")
    (start, end), color = colors[0]
    words = f"{piece[:start].strip(_EDGES)} {piece[end:].strip(_EDGES)}".strip()
    return ReadLine(piece, words.removeprefix("--"), color, None)


def _candidates(piece: str) -> list[re.Match[str]]:
    """Pieces of a line that may be a color, the plainest signs first; words only where nothing else is there."""
    for pattern in (_FUNCTION, _HASH, _HSB_WORDS):
        matches = list(pattern.finditer(piece))
        if matches:
            return matches
    return list(_WORD.finditer(piece))
