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
        "plugin",
        "apply",
        "tailwind",
    ]
)
"""What follows an at sign and is no variable."""


def names_in(text: str) -> dict[str, str | None]:
    """Every name, in the order in which it first stands, with the `#RRGGBB` that it is given there, if it is one."""
    found: dict[str, tuple[int, str | None]] = {}
    for match in _DEFINED.finditer(text):
        name = match[1] or match[2]
        if name.lower() not in _RULES:
            at = match.start(1) if match[1] else match.start(2)
            known = found.get(name)
            found[name] = (
                known[0] if known else at,
                (known[1] if known else None) or _color(match[3]),
            )
    for match in _USED.finditer(text):
        name = match[1] or match[2]
        if name.lower() not in _RULES:
            at = match.start(1) if match[1] else match.start(2)
            known = found.get(name)
            found[name] = (min(at, known[0]) if known else at, known[1] if known else None)
    ordered = sorted(found.items(), key=lambda each: each[1][0])
    return {name: color for name, (_, color) in ordered[:MOST_NAMES]}


def _color(text: str) -> str | None:
    try:
        color = parse(text.strip().removesuffix("!default").strip())
    except DomainError:
        return None
    return hex_of(rgb8_of(color)) if color.alpha == 1.0 else None
