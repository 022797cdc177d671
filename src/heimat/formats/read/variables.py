"""Reading what style preprocessors add to CSS: variables (`$ink: #111;`, `@ink: #111;`) and maps of them.

They are taken out of the text before it is parsed as CSS, which has no place for them.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.errors import DomainError
from heimat.formats.read.reading import Found

_START = re.compile(r"^[ \t]*([$@][\w-]{1,120})[ \t]*:", re.M)
_END = re.compile(r"[;{}]")
_ENTRY = re.compile(
    r"""(?:"([^"\n]{1,80})"|'([^'\n]{1,80})'|(?<![\w$-])([\w-]{1,80}))\s{0,8}:\s{0,8}([^,()\s][^,()]{0,80}(?:\([^()]{0,120}\))?)"""
)
_FLAGS = re.compile(r"\s*!(?:default|global)\b")
_NOT_BREAK = re.compile(r"[^\n]")
_DEEPEST = 24


@dataclass(frozen=True)
class _Variable:
    name: str
    value: str
    start: int
    end: int


def without_variables(text: str, found: Found, first_line: int) -> str:
    """Put the colors of variables and maps into what was found. Returns the text with blanks in their place."""
    variables = list(_variables(text))
    if not variables:
        return text
    values = {each.name: each.value for each in variables}
    kept: list[str] = []
    at, line = 0, first_line
    for each in variables:
        line += text.count("\n", at, each.start)
        kept += [text[at : each.start], _NOT_BREAK.sub(" ", text[each.start : each.end])]
        if not found.allowance.row(line):
            return ""
        _take(each, values, found, line)
        line += text.count("\n", each.start, each.end)
        at = each.end
    return "".join([*kept, text[at:]])


def _variables(text: str) -> Iterator[_Variable]:
    """Assignments that end with a semicolon before any brace; each sign is looked at once."""
    at = 0
    while (start := _START.search(text, at)) is not None:
        end = _END.search(text, start.end())
        if end is None:
            return
        if end.group() == ";":
            value = _FLAGS.sub("", text[start.end() : end.start()]).strip()
            yield _Variable(start[1], value, start.start(), end.end())
        at = end.end()


def _take(variable: _Variable, values: dict[str, str], found: Found, line: int) -> None:
    name = variable.name[1:]
    if found.full:
        found.skip(f"{name}|{variable.value[:80]}")
    elif variable.value.startswith("("):
        _take_map(name, variable.value, values, found, line)
    else:
        color = _color(variable.value, values)
        if color is not None:
            found.color(line, variable.value, name, color)
        elif "(" in variable.value and re.search(r"#[0-9a-f]{3}|[$@]", variable.value, re.I):
            words = (
                f"{variable.value[:60]} is computed when the stylesheet is made; it was not read."
            )
            found.problem(line, variable.value, words)


def _take_map(name: str, text: str, values: dict[str, str], found: Found, line: int) -> None:
    at = 0
    for entry in _ENTRY.finditer(text):
        line += text.count("\n", at, entry.start())
        at = entry.start()
        if not found.allowance.row(line):
            return
        key, value = next(part for part in entry.groups()[:3] if part), entry[4].strip()
        if found.full:
            found.skip(f"{name} {key}|{value}")
            continue
        color = _color(value, values)
        if color is not None:
            found.color(line, value, key if not key.isdigit() else f"{name} {key}", color, name)


def _color(value: str, values: dict[str, str]) -> Color | None:
    """The color that a value is, or that the variable it names leads to."""
    for _ in range(_DEEPEST):
        if value[:1] not in ("$", "@") or value not in values:
            break
        value = values[value]
    try:
        return parse(value)
    except DomainError:
        return None
