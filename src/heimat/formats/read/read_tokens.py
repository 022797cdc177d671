"""Reading Design Tokens Community Group files (2025.10, and earlier forms), and themes written as plain JSON."""

import re
from dataclasses import dataclass
from typing import Any

from heimat.core.color.color_lines import Reading
from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.errors import DomainError
from heimat.formats.read.gate import NotJsonError, load_json
from heimat.formats.read.reading import Found, TextReader, nothing

_SPACES = {
    "srgb": "srgb",
    "srgb-linear": "srgb-linear",
    "hsl": "hsl",
    "hwb": "hwb",
    "lab": "lab",
    "lch": "lch",
    "oklab": "oklab",
    "oklch": "oklch",
    "display-p3": "display-p3",
    "a98-rgb": "a98-rgb",
    "prophoto-rgb": "prophoto-rgb",
    "rec2020": "rec2020",
    "xyz-d65": "xyz-d65",
    "xyz-d50": "xyz-d50",
}
_PERCENT = frozenset({"hsl", "hwb"})
_DEEPEST = 40
_MOST_TOLD = 6
"""Members of a loop that are told by name."""


def read(text: str) -> Reading:
    """Read a token file: every color token under its path, aliases followed. Never raises."""
    try:
        root = load_json(text)
    except NotJsonError as error:
        return nothing("token file", f"Not JSON: {error}.")
    if not isinstance(root, dict):
        return nothing("token file", "A token file is an object with groups and tokens in it.")
    tokens: dict[str, tuple[str | None, Any]] = {}
    found = Found("token file")
    _collect(root, (), None, tokens, found)
    lines = _lines(text)
    ends = _Ends(tokens)
    for path, (kind, _) in tokens.items():
        number = lines.get(path.rsplit(".", 1)[-1], 1)
        if kind not in (None, "color"):
            continue
        if not found.allowance.row(number):
            break
        _token(path, ends.of(path), number, found)
    return (
        nothing("token file", "No color token was found in this file.")
        if found.empty
        else found.reading()
    )


def _lines(text: str) -> dict[str, int]:
    """The first line on which each key stands: JSON itself keeps none."""
    found: dict[str, int] = {}
    for number, line in enumerate(text.splitlines(), 1):
        for piece in line.split('"')[1::2]:
            found.setdefault(piece, number)
    return found


def _collect(
    group: dict[str, Any],
    path: tuple[str, ...],
    kind: str | None,
    into: dict[str, tuple[str | None, Any]],
    found: Found,
) -> None:
    if len(path) > _DEEPEST:
        found.problem(1, ".".join(path[:3]), "Groups deeper than 40 were not read.")
        return
    given = group.get(
        "$type", group.get("type") if isinstance(group.get("value"), str | dict) else kind
    )
    here = given if isinstance(given, str) else None
    for word in ("$value", "value"):
        # The older form says `value` and `type`; a group may be called so too, and is then an object of tokens.
        if word in group and (word == "$value" or isinstance(group[word], str)):
            into[".".join(path)] = (here, group[word])
            return
    for key, value in group.items():
        if key.startswith("$"):
            continue
        if isinstance(value, dict):
            _collect(value, (*path, key), here, into, found)
        elif (
            isinstance(value, list)
            and value
            and all(isinstance(each, str) and _is_color(each) for each in value)
        ):
            # Colors in a row, as of a palette.
            for number, each in enumerate(value, 1):
                into[".".join((*path, key, str(number)))] = ("color", each)
        elif isinstance(value, str) and _is_color(value):
            # A theme written as plain data: what reads as a color is one.
            into[".".join((*path, key))] = ("color", value)


@dataclass(frozen=True)
class _End:
    """Where a token's aliases lead: to a value and its type, or to a reason why nowhere."""

    kind: str | None
    value: Any
    nowhere: str = ""


class _Ends:
    """Follows aliases, each token once, whoever asks."""

    def __init__(self, tokens: dict[str, tuple[str | None, Any]]) -> None:
        self._tokens = tokens
        self._known: dict[str, _End] = {}

    def of(self, path: str) -> _End:
        """Where a token leads."""
        passed: list[str] = []
        seen: set[str] = set()
        at = path
        while at not in self._known:
            passed.append(at)
            seen.add(at)
            kind, value = self._tokens[at]
            target = _target(value)
            if target is None:
                self._known[at] = _End(kind, value)
            elif target in seen:
                self._close(passed[passed.index(target) :], target)
            elif target not in self._tokens:
                self._known[at] = _End(
                    kind, None, f"refers to {target[:60]}, which is not in this file."
                )
            else:
                at = target
        self._back(passed, at)
        return self._known[path]

    def _close(self, loop: list[str], target: str) -> None:
        way = [*loop[1:], target]
        told = way if len(way) <= _MOST_TOLD else [*way[:_MOST_TOLD], "others", target]
        for member in loop:
            self._known[member] = _End(
                None, None, f"refers to {', which refers to '.join(told)}: a loop."
            )

    def _back(self, passed: list[str], at: str) -> None:
        """Tell those on the way where the last one leads. A type that is said later holds."""
        for member in reversed(passed):
            if member not in self._known:
                end = self._known[at]
                self._known[member] = _End(
                    end.kind or self._tokens[member][0], end.value, end.nowhere
                )
            at = member


def _is_color(text: str) -> bool:
    try:
        parse(text)
    except DomainError:
        return _target(text) is not None
    return not text.isalnum()


def _target(value: Any) -> str | None:
    return (
        value[1:-1]
        if isinstance(value, str) and value.startswith("{") and value.endswith("}")
        else None
    )


def _token(path: str, end: _End, number: int, found: Found) -> None:
    if found.full:
        found.skip(path)
    elif end.nowhere:
        found.problem(number, path, f"{path} {end.nowhere}")
    elif end.kind in (None, "color"):
        color, reason = color_in(end.value)
        if color is not None:
            found.color(number, path, path.replace(".", " "), color)
        elif end.kind == "color":
            found.problem(number, path, f"{path}: {reason}")


def color_in(value: Any) -> tuple[Color | None, str]:
    """The color that a token's value says, or why it says none."""
    if isinstance(value, str):
        try:
            return parse(value), ""
        except DomainError as refusal:
            return None, refusal.message
    if not isinstance(value, dict):
        return None, "its value is not a color."
    space, parts = value.get("colorSpace"), value.get("components")
    if not isinstance(space, str) or space not in _SPACES:
        return None, f"the color space {str(space)[:30]} is not known."
    if not isinstance(parts, list) or len(parts) != 3:
        return None, "a color has three components."
    numbers = [0.0 if part == "none" else part for part in parts]
    if space in _PERCENT and all(isinstance(part, int | float) for part in numbers):
        numbers = [numbers[0], *(float(part) / 100.0 for part in numbers[1:])]
    try:
        data = {"space": _SPACES[space], "components": numbers, "alpha": value.get("alpha", 1.0)}
        return Color.model_validate(data), ""
    except ValueError:
        return None, "its components are out of range."


_ENDINGS = frozenset({".json", ".tokens"})
_OBJECT = re.compile(r'\{\s*(?:"|\})')


def _takes(start: str, ending: str) -> bool:
    return ending in _ENDINGS or _OBJECT.match(start) is not None


READER = TextReader(_takes, read)
