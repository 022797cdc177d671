"""The names of variables in a text, with the colors that it gives them: custom properties, `$` and `@` variables."""

import re

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.errors import DomainError

MOST_NAMES = 4000
_USED = re.compile(r"var\(\s{0,20}--([\w-]{1,120})|(?<![\w$@-])[$@]([A-Za-z_][\w-]{0,119})")
_DEFINED = re.compile(
    r"(?:^|[{;\s])(?:--([\w-]{1,120})|[$@]([A-Za-z_][\w-]{0,119}))\s{0,20}:\s{0,20}([^;{}\n]{1,160})"
)
_RULES = frozenset(
    [
        "media",
        "import",
        "use",
        "forward",
        "include",
        "mixin",
        "function",
        "return",
        "if",
        "else",
        "for",
        "each",
        "while",
        "extend",
        "charset",
        "supports",
        "keyframes",
        "font-face",
        "layer",
        "container",
        "property",
        "namespace",
        "page",
        "at-root",
        "content",
        "debug",
        "warn",
        "error",
    ]
)
"""What follows an at sign in CSS and in what is made into it, and is no variable."""
_BEGINS = re.compile(r"(?:^|[{};]|\*/)\s*\Z")
_BEFORE = 60
"""Signs before an at sign in which it is looked for what a statement begins after."""


def names_in(text: str) -> dict[str, str | None]:
    """Every name, in the order in which it first stands, with the `#RRGGBB` that it is given there, if it is one."""
    found: dict[str, tuple[int, str | None]] = {}
    for match in _DEFINED.finditer(text):
        name, at, sign = _named(text, match)
        if sign == "@" and name.lower() in _RULES:
            continue
        known = found.get(name)
        found[name] = (
            known[0] if known else at,
            (known[1] if known else None) or _color(match[3]),
        )
    for match in _USED.finditer(text):
        name, at, sign = _named(text, match)
        known = found.get(name)
        # An at sign where a statement begins is a rule's, whoever knows that rule.
        if sign == "@" and (name.lower() in _RULES or (not known and _begins(text, at - 1))):
            continue
        found[name] = (min(at, known[0]) if known else at, known[1] if known else None)
    ordered = sorted(found.items(), key=lambda each: each[1][0])
    return {name: color for name, (_, color) in ordered[:MOST_NAMES]}


def _named(text: str, match: re.Match[str]) -> tuple[str, int, str]:
    """The name that was met, where it stands, and the sign before it."""
    group = 1 if match[1] else 2
    at = match.start(group)
    return match[group], at, text[at - 1]


def _begins(text: str, at: int) -> bool:
    """Whether a statement begins there."""
    return _BEGINS.search(text[max(at - _BEFORE, 0) : at]) is not None


def _color(text: str) -> str | None:
    try:
        color = parse(text.strip().removesuffix("!default").strip())
    except DomainError:
        return None
    return hex_of(rgb8_of(color)) if color.alpha == 1.0 else None
