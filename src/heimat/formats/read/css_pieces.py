"""A stylesheet in pieces of whole rules, each parsed for itself.

The parser holds the interpreter while it works, and takes time with the square of what it cannot make sense of: so no
piece is large, and what is no declaration by its length alone is passed over.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import chain

USUAL_BYTES, MOST_BYTES = 16_384, 32_768
"""A piece ends with the first whole rule beyond the one; within a rule, beyond the other."""
LONGEST_RUN = 4_000
"""Signs between two ends of declarations: a map of a hundred colors, or a long list of selectors, has fewer."""
_MARKS = re.compile(
    rb"""/\*.*?(?:\*/|\Z)|"(?:[^"\\\n]|\\.)*"?|'(?:[^'\\\n]|\\.)*'?|url\([^)"']*\)?|[;{}]""",
    re.S | re.I,
)
"""Ends of declarations, and what may hold their signs without meaning them. Each sign is looked at once."""
_CLOSED = re.compile(rb"/\*.*\*/\Z|\".*\"\Z|'.*'\Z|url\(.*\)\Z", re.S | re.I)
_DEEPER = {b"{": 1, b"}": -1, b";": 0}
_NOT_BREAK = re.compile(rb"[^\n]")


@dataclass(frozen=True)
class Piece:
    """A piece of a stylesheet: its bytes, the line from 0 that it begins on, whether it may begin or end within a rule,
    and the lines from 0 and lengths of what was passed over in it."""

    content: bytes
    line: int
    torn: bool
    passed_over: tuple[tuple[int, int], ...]


def pieces(content: bytes) -> Iterator[Piece]:
    """The pieces of a stylesheet, in order; together they are as long as it is."""
    kept, over = bytearray(), list[tuple[int, int]]()
    start = aside = depth = line = 0
    torn = False
    for mark in chain(_MARKS.finditer(content), [None]):
        sign = mark.group() if mark else b""
        deeper = _DEEPER.get(sign, 0) if mark else 0
        if mark and sign not in _DEEPER:
            # What is not closed is no string, comment or address to the parser.
            aside += len(sign) if _CLOSED.match(sign) else 0
            continue
        run = content[start : mark.start() if mark else len(content)]
        if len(run) - aside > LONGEST_RUN:
            over.append((line + kept.count(b"\n"), len(run)))
            run = _NOT_BREAK.sub(b" ", run)
        kept += run
        kept += sign
        depth = max(depth + deeper, 0) if mark else 0
        start, aside = (mark.end() if mark else len(content)), 0
        whole = depth == 0 and len(kept) >= USUAL_BYTES
        if mark is None or whole or len(kept) >= MOST_BYTES:
            torn = torn or not (whole or mark is None)
            yield Piece(bytes(kept), line, torn, tuple(over))
            line += kept.count(b"\n")
            kept.clear()
            over.clear()
            depth = 0
