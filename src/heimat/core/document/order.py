"""Order: keys between which there is always room, so that nothing is renumbered when something moves.

A key is read as a fraction of base 36. Between two keys it is halved; at either end it is counted on, at its own
length, and where that is used up by four digits more: keys grow with the logarithm of what is appended. Halved in one
place again and again they do grow, a digit in five times; `have_long_keys` tells when, and `spread` makes them short.
"""

from collections.abc import Iterable
from typing import Annotated, Protocol, TypeVar

from pydantic import Field

OrderKey = Annotated[str, Field(pattern=r"^[0-9a-z]+$")]
"""Of any length: whatever was stored once can be read, and is spread again with the next edit."""
LONG_KEY = 40
"""Digits of a key from which on all of its kind are spread again."""

_DIGITS = "0123456789abcdefghijklmnopqrstuvwxyz"
_BASE = len(_DIGITS)
_FIRST = "i"
_MORE = 4


def key_between(before: str | None, after: str | None) -> str:
    """An order key strictly between two keys; None stands for an open end.

    Keys never end in `0`, so that there is always room. Raises ValueError where `before` is not below `after`.
    """
    if before is not None and after is not None:
        return _halved(before, after)
    if before is not None:
        return _counted(before, 1)
    return _FIRST if after is None else _counted(after, -1)


def keys(count: int, after: str | None = None) -> list[str]:
    """`count` rising order keys behind a key."""
    made: list[str] = []
    for _ in range(count):
        after = key_between(after, None)
        made.append(after)
    return made


def have_long_keys(entities: Iterable["_Ordered"]) -> bool:
    """Whether a key among these has grown so long that all should be spread again."""
    return any(len(entity.order) > LONG_KEY for entity in entities)


def spread(entities: dict[str, "Entity"]) -> dict[str, str]:
    """Short keys by id, for entities in the order that they are in: of one length, and none begins with `0`."""
    ids = [entity.id for entity in in_order(entities)]
    length = 1
    while _BASE**length <= 2 * len(ids) + _BASE ** (length - 1):
        length += 1
    first = _BASE ** (length - 1)
    step = max((_BASE**length - first) // (len(ids) + 1), 2)
    return {
        key: _written(_open(first + step * (place + 1)), length) for place, key in enumerate(ids)
    }


def moved_along(key: str, before: dict[str, str], after: dict[str, str]) -> str:
    """What a key of before a spreading is after it: keys by id, and all others in between, keep their order.

    One rule for every key, so that what is brought back one by one stands as it stood.
    """
    low = max(((old, after[entity]) for entity, old in before.items() if old <= key), default=None)
    if low is None:
        return "0" + key
    return low[1] if low[0] == key else low[1] + key


def _open(number: int) -> int:
    return number + (number % _BASE == 0)


def _counted(key: str, by: int) -> str:
    """The key counted up or down by one, at its own length; one that ends in `0` is passed over."""
    end = "z" if by > 0 else "0"
    if set(key[:-1]) <= {end} and key[-1] == (end if by > 0 else "1"):
        body = key if by > 0 else key[:-1] + "0"
        return body + ("0" * (_MORE - 1) + "1" if by > 0 else "z" * _MORE)
    number = int(key, _BASE) + by
    if number % _BASE == 0:
        number += by
    return _written(number, len(key))


def _written(number: int, length: int) -> str:
    digits: list[str] = []
    for _ in range(length):
        number, digit = divmod(number, _BASE)
        digits.append(_DIGITS[digit])
    return "".join(reversed(digits))


def _halved(low: str, high: str) -> str:
    if low >= high:
        raise ValueError(f"{low!r} does not come before {high!r}")
    key, bounded = "", True
    place = 0
    while True:
        down = _DIGITS.index(low[place]) if place < len(low) else 0
        up = _DIGITS.index(high[place]) if bounded and place < len(high) else _BASE
        if up - down > 1:
            return key + _DIGITS[(down + up) // 2]
        key += _DIGITS[down]
        bounded = bounded and up == down
        place += 1


class _Ordered(Protocol):
    @property
    def id(self) -> str: ...

    @property
    def order(self) -> str: ...


Entity = TypeVar("Entity", bound=_Ordered)


def in_order(entities: dict[str, Entity]) -> list[Entity]:
    """Entities by their order keys; equal keys, which two people may make at once, by id."""
    return sorted(entities.values(), key=lambda entity: (entity.order, entity.id))


def behind(entities: dict[str, Entity], count: int = 1) -> list[str]:
    """The keys of `count` entities that come behind all others."""
    return keys(count, max((entity.order for entity in entities.values()), default=None))
