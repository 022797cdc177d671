"""Reading Design Tokens Community Group files (2025.10, and the earlier form with colors as text)."""

import json
from typing import Any

from heimat.core.color.notation import Color, parse
from heimat.core.color.reading import Reading
from heimat.core.errors import DomainError
from heimat.formats.read.reading import Found, nothing

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
_MOST_ALIASES = 64


def read(text: str) -> Reading:
    """Read a token file: every color token under its path, aliases followed. Never raises."""
    try:
        root = json.loads(text)
    except json.JSONDecodeError as error:
        return nothing("token file", f"Not JSON: line {error.lineno}, {error.msg[0].lower()}{error.msg[1:]}.")
    except (RecursionError, ValueError):
        return nothing("token file", "This file is nested too deeply to be read.")
    if not isinstance(root, dict):
        return nothing("token file", "A token file is an object with groups and tokens in it.")
    tokens: dict[str, tuple[str | None, Any]] = {}
    found = Found("token file")
    _collect(root, (), None, tokens, found)
    lines = _lines(text)
    for path, (kind, value) in tokens.items():
        number = lines.get(path.rsplit(".", 1)[-1], 1)
        if kind in (None, "color"):
            _token(path, value, kind, tokens, number, found)
    reading = found.reading()
    return reading if reading.lines else nothing("token file", "No color token was found in this file.")


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
    given = group.get("$type", kind)
    here = given if isinstance(given, str) else None
    if "$value" in group:
        into[".".join(path)] = (here, group["$value"])
        return
    for key, value in group.items():
        if not key.startswith("$") and isinstance(value, dict):
            _collect(value, (*path, key), here, into, found)


def _token(
    path: str,
    value: Any,
    kind: str | None,
    tokens: dict[str, tuple[str | None, Any]],
    number: int,
    found: Found,
) -> None:
    passed = [path]
    while isinstance(value, str) and value.startswith("{") and value.endswith("}"):
        target = value[1:-1]
        if target in passed:
            found.problem(
                number, path, f"{passed[0]} refers to {', which refers to '.join([*passed[1:], target])}: a loop."
            )
            return
        if target not in tokens or len(passed) > _MOST_ALIASES:
            found.problem(number, path, f"{path} refers to {target[:60]}, which is not in this file.")
            return
        passed.append(target)
        kind, value = tokens[target][0] or kind, tokens[target][1]
    if kind not in (None, "color"):
        return
    color, reason = _color(value)
    if color is not None:
        found.color(number, path, path.replace(".", " "), color)
    elif kind == "color":
        found.problem(number, path, f"{path}: {reason}")


def _color(value: Any) -> tuple[Color | None, str]:
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
        numbers = [numbers[0], numbers[1] / 100.0, numbers[2] / 100.0]
    try:
        data = {"space": _SPACES[space], "components": numbers, "alpha": value.get("alpha", 1.0)}
        return Color.model_validate(data), ""
    except ValueError:
        return None, "its components are out of range."
