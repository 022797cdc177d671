"""Reading many colors at once: any lines that hold one color each, and perhaps words."""

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import islice
from typing import Literal

from heimat.core.color.color_text import EXAMPLE, is_print, parse
from heimat.core.color.exact_color import Color
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
_NO_COLOR = "No color found in"
_TRIPLET_EDGES = " \t,;:=-–—\"'*•()"
_EDGES = " \t:=-–—\"'*•"
_LEVEL = r"(25[0-5]|2[0-4]\d|1?\d?\d)"
_PARTS = r"(?:\s*[,;/]\s*|\s+)"
_LEVELS = rf"{_LEVEL}{_PARTS}{_LEVEL}{_PARTS}{_LEVEL}"
_LETTERED = rf"r\s?[:=]?\s?{_LEVEL}{_PARTS}g\s?[:=]?\s?{_LEVEL}{_PARTS}b\s?[:=]?\s?{_LEVEL}"
_TRIPLET = re.compile(
    rf"(?P<before>[^\d]*?)(?:{_LETTERED}|{_LEVELS})(?P<after>(?:[\s,;)]\D*)?)", re.I
)
"""Three levels from 0 to 255, with or without their letters, and words before or behind, but no other number."""
_OTHER_NUMBERS = re.compile(r"\b(?:hs[bvl]|hwb|(?:ok)?l(?:ab|ch))a?\b|[a-z0-9]\($", re.I)
"""Before three numbers that are no levels, or that a function takes."""
_SIGNED_DIGITS = 6
"""Hex digits that a word among others needs to be a color without `#`: `Room 101` and `2024 palette` are none."""


@dataclass(frozen=True)
class ReadLine:
    """What was understood of one line, by its number: a color and perhaps a name, or the reason why not.

    `group` is under what it stands, where that tells what it is: a role, a heading, a map. `place` is where it stands
    in its file: the selector and the theme. `uses` is how often it stands there.
    """

    text: str
    name: str
    color: Color | None
    problem: str | None
    number: int = 1
    group: str = ""
    place: str = ""
    uses: int = 1


ReadingKind = Literal["list", "stylesheet", "token file", "table", "drawing", "script"]


@dataclass(frozen=True)
class Reading:
    """What a text was taken for, its lines in order, how many more there were than are told, and where it stopped."""

    kind: ReadingKind
    lines: list[ReadLine]
    more: int = 0
    stopped: str = ""


def read_lines(text: str) -> list[ReadLine]:
    """Read lines (or pieces parted by semicolons or commas) that hold one color each; never raises."""
    lines = list(islice(_lines(text), MOST_LINES))
    return _one_spaced_list(text) if len(lines) == 1 and lines[0].color is None else lines


def _lines(text: str) -> Iterator[ReadLine]:
    """What each line of a text holds: one color with its words, or several in a row."""
    for number, line in enumerate(text.splitlines(), 1):
        if len(line) > LONGEST_LINE:
            yield replace(_read(line), number=number)
            continue
        whole = _whole(line.strip()) if len(line) <= LONGEST_PIECE else None
        if whole is not None:
            yield replace(whole, number=number)
            continue
        pieces = [piece.strip() for piece in islice(_parted(line), MOST_LINES) if piece.strip()]
        if len(pieces) > 1 and all(_is_number(piece) for piece in pieces):
            pieces = [line.strip()]
        for found in _with_their_words([_read(piece) for piece in pieces]):
            yield replace(found, number=number)


def _whole(line: str) -> ReadLine | None:
    """A line that is not to be parted: three levels with commas between, or amounts of ink."""
    if is_print(line) and "(" not in line:
        return _read(line)
    match = _TRIPLET.fullmatch(line)
    if match is None or _OTHER_NUMBERS.search(match["before"]):
        return None
    r, g, b = (int(level) for level in match.groups()[1:-1] if level is not None)
    words = (
        f"{match['before'].strip(_TRIPLET_EDGES)} {match['after'].strip(_TRIPLET_EDGES)}".strip()
    )
    return ReadLine(line, words, Color.of_bytes((r, g, b)), None)


def _is_words(line: ReadLine) -> bool:
    return not line.color and (line.problem or "").startswith(_NO_COLOR)


def _with_their_words(read: list[ReadLine]) -> list[ReadLine]:
    """Pieces of one line, where names stand before their colors, or behind them, or all belong to the only color."""
    colors = [line for line in read if line.color]
    words = [line for line in read if _is_words(line)]
    if not words or not colors or len(words) + len(colors) != len(read):
        return read
    if len(colors) == 1:
        name = " ".join([colors[0].name, *(line.text for line in words)]).strip()
        return [replace(colors[0], name=name.strip(_EDGES))]
    if len(words) != len(colors):
        return read
    pairs = list(zip(read[::2], read[1::2], strict=True))
    if all((one.color is None) != (other.color is None) for one, other in pairs):
        named = [(one, other) if one.color else (other, one) for one, other in pairs]
        return [
            replace(color, name=color.name or words.text.strip(_EDGES)) for color, words in named
        ]
    return read


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
    return [
        line[start:end] for start, end in zip(starts, [*reversed(cuts), len(line)], strict=True)
    ]


def _one_spaced_list(text: str) -> list[ReadLine]:
    """Several bare colors parted by spaces only."""
    if len(text) > LONGEST_LINE:
        return [_read(text.strip())]
    words = text.split()
    lines = [_read(word) for word in words[:MOST_LINES]]
    bare = all(line.color and not _is_number(line.text) for line in lines)
    return lines if len(lines) > 1 and bare else [_read(text.strip())]


def _read(piece: str) -> ReadLine:
    if len(piece) > LONGEST_PIECE:
        return ReadLine(
            piece[:80], "", None, "That is too long for one color. Put each on a line of its own."
        )
    try:
        return ReadLine(piece, "", parse(piece), None)
    except DomainError as refusal:
        problem = refusal.message
        if refusal.code == "print":
            return ReadLine(piece, "", None, problem)
    found = [
        (match.span(), match.group()) for match in _candidates(piece) if not _is_word(match.group())
    ]
    colors: list[tuple[tuple[int, int], Color]] = []
    for span, candidate in found:
        try:
            colors.append((span, parse(candidate)))
        except DomainError:
            continue
    if not colors:
        return ReadLine(
            piece, "", None, f"{_NO_COLOR} “{piece[:40]}”. For example: tidewater {EXAMPLE}."
        )
    if len(colors) > 1:
        return ReadLine(
            piece,
            "",
            None,
            f"More than one color in “{piece[:40]}”. Put each on a line of its own.",
        )
    (start, end), color = colors[0]
    words = f"{piece[:start].strip(_EDGES)} {piece[end:].strip(_EDGES)}".strip()
    return ReadLine(piece, words.removeprefix("--"), color, None)


def _is_number(text: str) -> bool:
    """Whether digits among others are more likely a number than hex."""
    return text.isdigit() and len(text) < _SIGNED_DIGITS


def _is_word(text: str) -> bool:
    """Whether a piece of a line among others is no color, though its signs could be hex digits."""
    return bool(_WORDLIKE.match(text)) or (
        text.isalnum() and any(map(str.isdigit, text)) and len(text) < _SIGNED_DIGITS
    )


def _candidates(piece: str) -> list[re.Match[str]]:
    """Pieces of a line that may be a color, the plainest signs first; words only where nothing else is there."""
    for pattern in (_FUNCTION, _HASH, _HSB_WORDS):
        matches = list(pattern.finditer(piece))
        if matches:
            return matches
    return list(_WORD.finditer(piece))
