"""The gate that every text passes: well-formed Unicode, numbers that are numbers, and no reader that ends everything.

A text may say signs by their numbers (JSON's \\u, CSS's backslash) that no text can hold, and numbers that no machine
holds. What a reader did not expect is told of its file, and the other files are read.
"""

import json
import logging
import re
from collections.abc import Callable
from typing import Any, TypeVar

MOST_DIGITS = 40
"""Of a whole number in a file: no color, size or count has more."""
_LONE = re.compile("[\ud800-\udfff]")
_REPLACED = "\ufffd"
_log = logging.getLogger(__name__)
Made = TypeVar("Made")


class NotJsonError(ValueError):
    """A text that is no JSON that can be read; its words say where and why."""


def well_formed(text: str) -> str:
    """A text in which halves of signs, which nothing can store, are replaced (U+FFFD)."""
    return _LONE.sub(_REPLACED, text)


def sign_of(digits: str) -> str:
    """The sign that a stylesheet's escape says by its hexadecimal number (CSS Syntax 3, 4.3.7)."""
    number = int(digits, 16)
    unfit = number == 0 or 0xD800 <= number <= 0xDFFF or number > 0x10FFFF
    return _REPLACED if unfit else chr(number)


def load_json(text: str) -> Any:
    """What a JSON text says, in well-formed texts and numbers that can be counted with. Raises NotJsonError."""
    try:
        found = json.loads(text, parse_int=_whole, parse_constant=_no_number)
        # Only an escape can have brought in half a sign.
        return (
            json.loads(well_formed(json.dumps(found, ensure_ascii=False)))
            if "\\u" in text
            else found
        )
    except json.JSONDecodeError as error:
        raise NotJsonError(f"line {error.lineno}, {error.msg[0].lower()}{error.msg[1:]}") from error
    except RecursionError as error:
        raise NotJsonError("it is nested too deeply to be read") from error


def _whole(digits: str) -> int:
    if len(digits) > MOST_DIGITS:
        raise NotJsonError(f"it holds a number of {len(digits)} digits")
    return int(digits)


def _no_number(name: str) -> float:
    raise NotJsonError(f"{name} is no number in JSON")


def guarded(read: Callable[[], Made], otherwise: Callable[[], Made], name: str) -> Made:
    """What a reader makes of a file; where it meets what it was not made for, the log tells it and `otherwise` stands.

    That a file needs too much memory is no matter of its reader, and goes on.
    """
    try:
        return read()
    except MemoryError:
        raise
    except Exception:
        _log.exception("a reader did not expect what %r holds", name[:80])
        return otherwise()
