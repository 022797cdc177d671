"""Reading scripts (JavaScript, TypeScript) as text for the colors in their objects; nothing in them is run."""

import re

from heimat.core.color.color_lines import Reading
from heimat.core.color.color_text import parse
from heimat.core.errors import DomainError
from heimat.formats.read.read_css import STYLES
from heimat.formats.read.reading import Found, TextReader, nothing

_KEY = r"""(?:"([^"\n]{1,80})"|'([^'\n]{1,80})'|(?<![\w$-])([\w$-]{1,80}))"""
_SIGNS = re.compile(
    rf"""//[^\n]*|/\*.*?(?:\*/|\Z)|{_KEY}\s{{0,8}}[:=]\s{{0,8}}(?:\{{|"([^"\n]{{1,120}})"|'([^'\n]{{1,120}})'|`([^`\n]{{1,120}})`)"""
    r"|[{}]",
    re.S,
)
_LOOKS = re.compile(
    r"\s*(?:/[/*].{0,400}?\n\s*)?(?:export\b|import\b|const\b|let\b|var\b|module\.exports|[\"']use strict)",
    re.S,
)
_DEEPEST = 40


def looks_like(text: str) -> bool:
    """Whether a text begins as a script does."""
    return _LOOKS.match(text[:2000]) is not None


def read(text: str) -> Reading:
    """Read the colors that stand in objects, under their keys. Never raises."""
    found = Found("script")
    path: list[str] = []
    line, at = 1, 0
    for sign in _SIGNS.finditer(text):
        line += text.count("\n", at, sign.start())
        at = sign.start()
        whole = sign.group()
        key = next((part for part in sign.groups()[:3] if part), None)
        value = next((part for part in sign.groups()[3:] if part), None)
        if whole == "}":
            path = path[:-1]
        elif whole.endswith("{") and value is None and not whole.startswith(("//", "/*")):
            path = [*path[:_DEEPEST], key or ""]
        elif key is not None and value is not None:
            if not found.allowance.row(line):
                break
            _take(line, [*path, key], value, found)
    return (
        nothing("script", "No color was found in the objects of this script.")
        if found.empty
        else found.reading()
    )


def _take(line: int, path: list[str], value: str, found: Found) -> None:
    if found.full:
        found.skip(f"{path[-1]}|{value}")
        return
    if value.isalnum():
        # A word or a number by itself is more likely one than a color.
        return
    try:
        color = parse(value)
    except DomainError:
        return
    named = [part for part in path if part and not part.startswith("$")]
    own = named[-1:] if not named[-1].isdigit() else named[-2:]
    found.color(line, value, " ".join(own), color, " ".join(named[: -len(own)]))


_ENDINGS = frozenset({".js", ".mjs", ".cjs", ".jsx", ".ts", ".mts", ".cts", ".tsx"})


def _takes(start: str, ending: str) -> bool:
    return ending in _ENDINGS or (ending not in STYLES and looks_like(start))


READER = TextReader(_takes, read)
