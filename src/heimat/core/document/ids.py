"""Identity and order: stable ids, and fractional keys that keep an order without renumbering."""

import secrets
from typing import Annotated

from pydantic import Field

Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9_-]{0,39}$")]
OrderKey = Annotated[str, Field(pattern=r"^[0-9a-z]{1,200}$")]

_DIGITS = "0123456789abcdefghijklmnopqrstuvwxyz"
_BASE = len(_DIGITS)


def new_id() -> str:
    """A new id: a letter and 12 random hexadecimal digits."""
    return "i" + secrets.token_hex(6)


def key_between(before: str | None, after: str | None) -> str:
    """An order key strictly between two keys, read as base-36 fractions; None stands for an open end.

    Keys never end in `0`, so that there is always room. Raises ValueError where `before` is not below `after`.
    """
    low, high = before or "", after or ""
    if after is not None and low >= high:
        raise ValueError(f"{low!r} does not come before {high!r}")
    key = ""
    place = 0
    while True:
        down = _DIGITS.index(low[place]) if place < len(low) else 0
        up = _DIGITS.index(high[place]) if after is not None and place < len(high) else _BASE
        if up - down > 1:
            return key + _DIGITS[(down + up) // 2]
        key += _DIGITS[down]
        if up > down:
            after = None
        place += 1


def keys(count: int, after: str | None = None) -> list[str]:
    """`count` rising order keys behind a key, of even length."""
    made: list[str] = []
    for _ in range(count):
        after = key_between(after, None)
        made.append(after)
    return made
