"""What this process remembers of what it computed. Every memory is made here, with a size; it can be told and let go.

Nothing of it is needed: without any, the same comes out, later. So tests that compare two ways to one result turn it
off, and who looks for memory sees in `held` where it is.
"""

import threading
from collections.abc import Callable, Hashable, Iterable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from functools import lru_cache, wraps
from typing import Generic, ParamSpec, Protocol, TypeVar

from cachetools import LRUCache

P = ParamSpec("P")
R = TypeVar("R")
K = TypeVar("K", bound=Hashable)
V = TypeVar("V")


@dataclass(frozen=True)
class Figure:
    """What one memory holds: its name, how many results it has, and how many it may have."""

    name: str
    count: int
    most: int


class _Kept(Protocol):
    def held(self) -> Figure: ...

    def clear(self) -> None: ...


_ALL: list[_Kept] = []
_OFF = False


def held() -> list[Figure]:
    """What all memories hold, the fullest first."""
    return sorted((each.held() for each in _ALL), key=lambda each: -each.count)


def clear() -> None:
    """Let go of everything, as a new process begins."""
    for each in _ALL:
        each.clear()


@contextmanager
def off() -> Iterator[None]:
    """Compute everything anew, as if nothing were ever remembered. For tests, in one thread."""
    global _OFF
    before, _OFF = _OFF, True
    try:
        yield
    finally:
        _OFF = before


def remembered(most: int) -> Callable[[Callable[P, R]], Callable[P, R]]:
    """Remember the last results of a pure function, by its arguments, which must be hashable."""

    def decorated(function: Callable[P, R]) -> Callable[P, R]:
        kept = _Results(function, most)
        _ALL.append(kept)

        @wraps(function)
        def asked(*args: P.args, **kwargs: P.kwargs) -> R:
            return function(*args, **kwargs) if _OFF else kept.known(*args, **kwargs)

        return asked

    return decorated


class _Results(Generic[R]):
    def __init__(self, function: Callable[..., R], most: int) -> None:
        self.known: Callable[..., R] = lru_cache(most)(function)
        self._name, self._most = f"{function.__module__}.{function.__qualname__}", most

    def held(self) -> Figure:
        return Figure(self._name, self.known.cache_info().currsize, self._most)  # type: ignore[attr-defined]

    def clear(self) -> None:
        self.known.cache_clear()  # type: ignore[attr-defined]


class Memory(Generic[K, V]):
    """The last results of what is made in bulk, by keys: asked for many at once, and filled with many at once."""

    def __init__(self, name: str, most: int) -> None:
        self._known: LRUCache[K, V] = LRUCache(most)
        self._lock = threading.Lock()
        self._name = name
        _ALL.append(self)

    def known(self, keys: Iterable[K]) -> dict[K, V]:
        """Those of some results that are remembered, by their keys."""
        if _OFF:
            return {}
        with self._lock:
            return {key: self._known[key] for key in keys if key in self._known}

    def keep(self, results: Mapping[K, V]) -> None:
        """Remember results."""
        with self._lock:
            for key, result in results.items():
                self._known[key] = result

    def held(self) -> Figure:
        """What it holds."""
        with self._lock:
            return Figure(self._name, len(self._known), int(self._known.maxsize))

    def clear(self) -> None:
        """Let go of everything."""
        with self._lock:
            self._known.clear()


class OfObjects(Generic[V]):
    """The last results that were found of some objects, by their identity: for large parts of documents, which an edit
    that does not touch them leaves the very same.

    The objects are kept with what was found of them, so that no others can take their place in memory. They must never
    change.
    """

    def __init__(self, name: str, most: int) -> None:
        self._known: Memory[tuple[int, ...], tuple[tuple[object, ...], V]] = Memory(name, most)

    def known(self, *objects: object) -> V | None:
        """What was found of these very objects, if it is remembered."""
        key = tuple(map(id, objects))
        of, result = self._known.known([key]).get(key, ((), None))
        same = len(of) == len(objects) and all(
            one is other for one, other in zip(of, objects, strict=True)
        )
        return result if same else None

    def keep(self, result: V, *objects: object) -> None:
        """Remember what was found of some objects."""
        self._known.keep({tuple(map(id, objects)): (objects, result)})
