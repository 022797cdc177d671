"""Reading stylesheets (parsed by tree-sitter's CSS grammar): custom properties by name, other colors by how often used.

The grammar goes on after errors, so a stylesheet that is broken in one place is read in all others.
"""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from functools import partial

import numpy as np
import tree_sitter_css
from tree_sitter import Language, Node, Parser, Query, QueryCursor

from heimat.core.color.color_lines import Reading
from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.errors import DomainError
from heimat.core.memory import remembered
from heimat.formats.read.css_pieces import pieces
from heimat.formats.read.reading import Found, TextReader, nothing
from heimat.formats.read.variables import without_variables

_CSS = Language(tree_sitter_css.language())
_DECLARED = Query(
    _CSS,
    "(declaration (property_name) @name [(color_value) (call_expression) (plain_value)] @value) (ERROR) @error",
)
_FUNCTIONS = frozenset(
    {"rgb", "rgba", "hsl", "hsla", "hwb", "lab", "lch", "oklab", "oklch", "color"}
)
_COMPUTED = frozenset({"color-mix", "light-dark", "contrast-color"})
_PRINT = frozenset({"device-cmyk", "cmyk"})
_KEYWORDS = frozenset(
    {"transparent", "currentcolor", "inherit", "initial", "unset", "revert", "none", "auto"}
)
# Properties whose values hold colors; elsewhere a word like `tan` or `red` may be a name of something else.
_COLORED = re.compile(
    rb"color|background|border|outline|shadow|fill|stroke|caret|accent|column-rule|text-decoration|stop|flood|lighting"
)
_RELATIVE = re.compile(r"\(\s*from\b|\bvar\(|\bcalc\(")
_AROUND = frozenset(
    {"rule_set", "media_statement", "supports_statement", "at_rule", "keyframes_statement"}
)
_DEEPEST = 24
_MOST_NESTED = 200
_OPENING = np.zeros(256, dtype=np.int8)
"""What each byte adds to the depth of brackets."""
_OPENING[np.frombuffer(b"{([", dtype=np.uint8)] = 1
_OPENING[np.frombuffer(b"})]", dtype=np.uint8)] = -1


def read(text: str, first_line: int = 1) -> Reading:
    """Read a stylesheet that begins on a line of something larger. Never raises."""
    found = Found("stylesheet")
    collect(text, found, first_line)
    return (
        nothing("stylesheet", "No color was found in this stylesheet.")
        if found.empty
        else found.reading()
    )


def collect(text: str, found: Found, first_line: int = 1) -> None:
    """Put all colors of a stylesheet into what was found."""
    text = without_variables(text, found, first_line)
    content = text.encode("utf-8", "replace")
    properties = _Properties()
    if _deepest(content) > _MOST_NESTED:
        found.problem(
            first_line,
            "",
            f"This stylesheet is nested deeper than {_MOST_NESTED} blocks; it was not read.",
        )
        return
    for piece in pieces(content):
        at = first_line + piece.line
        for line, signs in piece.passed_over:
            found.problem(
                first_line + line,
                "",
                f"Passed over {signs:,} signs from line {first_line + line:,}: no rule.",
            )
        into = _Into(piece.content, found, at, piece.torn, properties)
        for captured in _declared(piece.content, partial(found.allowance.in_time, at)):
            first = captured.get("error") or captured["value"]
            if not found.allowance.row(at + first[0].start_point[0]):
                break
            into.take(captured)
        if not found.allowance.in_time(at):
            return
    properties.tell(found)


class _Properties:
    """Custom properties by name, and those that stand for another: told once all are known, wherever they stood."""

    def __init__(self) -> None:
        self._colors: dict[str, Color] = {}
        self._others: dict[str, tuple[str, str, int]] = {}

    def color(self, name: str, color: Color) -> None:
        """A property is a color. Of several values, as of themes, the first one counts for those that stand for it."""
        self._colors.setdefault(name, color)

    def other(self, name: str, written: str, line: int) -> None:
        """A property is `var()` of another, with or without a fallback."""
        target, _, fallback = written.partition("(")[2].removesuffix(")").partition(",")
        self._others.setdefault(name, (target.strip().removeprefix("--"), fallback.strip(), line))

    def tell(self, found: Found) -> None:
        """Put those that stand for others into what was found."""
        for name, (_, _, line) in self._others.items():
            if not found.allowance.row(line):
                return
            color = self._followed(name)
            if color is not None and name not in self._colors:
                found.color(line, f"var(--{self._others[name][0]})", name, color)

    def _followed(self, name: str) -> Color | None:
        for _ in range(_DEEPEST):
            if name in self._colors:
                return self._colors[name]
            if name not in self._others:
                return None
            name, fallback, _ = self._others[name]
            if name not in self._colors and name not in self._others:
                return _read(fallback)[0] if fallback else None
        return None


def _declared(content: bytes, in_time: Callable[[], bool]) -> Iterator[dict[str, list[Node]]]:
    """What the query captures in a piece, in order."""
    try:
        # Only what is read piece by piece can be told to stop.
        tree = Parser(_CSS).parse(
            lambda at, _: content[at:], progress_callback=lambda *_: not in_time()
        )
    except ValueError:
        return
    for _, captured in QueryCursor(_DECLARED).matches(tree.root_node):
        yield captured


def _deepest(content: bytes) -> int:
    """How deep brackets are nested, strings and comments not told apart."""
    return int(
        _OPENING[np.frombuffer(content, dtype=np.uint8)].cumsum(dtype=np.int32).max(initial=0)
    )


@dataclass(frozen=True)
class _Into:
    """Takes what the query captured in a stylesheet's bytes into what was found."""

    content: bytes
    found: Found
    first_line: int
    torn: bool
    properties: _Properties
    places: dict[int, str] = field(default_factory=dict)

    def take(self, captured: dict[str, list[Node]]) -> None:
        """Take a declaration's name and one of its values, or an error."""
        if "error" in captured:
            self._broken(captured["error"][0])
            return
        name = self._bytes(captured["name"][0])
        custom = name.startswith(b"--")
        if custom or _holds_colors(name):
            self._value(
                captured["value"][0],
                name[2:].decode("utf-8", "replace") if custom else "",
                custom,
                0,
            )

    def _bytes(self, node: Node) -> bytes:
        # Not `node.text`, which would ask for the parsed bytes piece by piece again.
        return self.content[node.start_byte : node.end_byte]

    def _line(self, node: Node) -> int:
        return self.first_line + node.start_point[0]

    def _place(self, node: Node) -> str:
        """Where a value stands: the conditions and the selector around its declaration."""
        at: Node | None = node
        while at is not None and at.type != "block":
            at = at.parent
        if at is None:
            return ""
        if at.id not in self.places:
            words: list[str] = []
            around: Node | None = at
            while around is not None:
                if around.type in _AROUND:
                    block = next(
                        child
                        for child in around.children
                        if child.type in ("block", "keyframe_block_list")
                    )
                    head = self.content[around.start_byte : block.start_byte].decode(
                        "utf-8", "replace"
                    )
                    words.append(" ".join(head.split()))
                around = around.parent
            self.places[at.id] = " ".join(reversed(words))
        return self.places[at.id]

    def _broken(self, node: Node) -> None:
        # An error within an error says nothing new.
        if node.parent is None or node.parent.type != "ERROR":
            words = self._bytes(node)[:200].decode("utf-8", "replace").split()
            if self.torn and all(word == "}" for word in words):
                return
            self.found.problem(
                self._line(node), "", f"Not CSS, passed over: “{' '.join(words)[:40]}”."
            )

    def _value(self, node: Node, name: str, custom: bool, depth: int) -> None:
        written = self._bytes(node).decode("utf-8", "replace")
        kind = node.type
        if kind == "color_value":
            self._color(node, written, name, certain=True)
        elif kind == "plain_value":
            alone = not custom or (node.parent is not None and node.parent.named_child_count == 2)
            if alone and written.lower() not in _KEYWORDS:
                self._color(node, written, name, certain=False)
        elif kind == "call_expression":
            self._call(node, written, name, custom, depth)

    def _call(self, node: Node, written: str, name: str, custom: bool, depth: int) -> None:
        called = written.partition("(")[0].strip().lower()
        if called == "var" and custom and depth == 0 and name:
            self.properties.other(name, written, self._line(node))
            return
        if called in _FUNCTIONS and not _RELATIVE.search(written):
            self._color(node, written, name, certain=True)
        elif called in _PRINT:
            self._color(node, "cmyk", name, certain=True)
        elif called in _COMPUTED or called in _FUNCTIONS:
            self.found.problem(
                self._line(node),
                written,
                f"{written[:60]} is computed by the browser; it was not read.",
            )
        elif called not in ("var", "url") and depth < _DEEPEST and node.named_children:
            for argument in node.named_children[-1].named_children:
                self._value(argument, name, custom, depth + 1)

    def _color(self, node: Node, written: str, name: str, *, certain: bool) -> None:
        if self.found.full:
            self.found.skip(f"{name}|{written}")
            return
        color, reason = _read(written)
        if color is not None:
            self.found.color(self._line(node), written, name, color, "", self._place(node))
            if name:
                self.properties.color(name, color)
        elif certain and reason:
            self.found.problem(self._line(node), written, reason)


@remembered(1024)
def _holds_colors(name: bytes) -> bool:
    return _COLORED.search(name.lower()) is not None


@remembered(8192)
def _read(written: str) -> tuple[Color | None, str | None]:
    try:
        return parse(written), None
    except DomainError as refusal:
        return None, refusal.message


STYLES = frozenset({".css", ".scss", ".less", ".pcss"})
_BLOCK = re.compile(r"\{([^{}]*)(\}?)")
"""What follows an opening brace up to the next brace; each sign is looked at once."""
_VARIABLE = re.compile(r"^[ \t]*[$@][\w-]{1,120}[ \t]*:(?:[ \t]*\(|[^;\n]{1,200};)", re.M)
_PROPERTY = re.compile(r"\s*(?:--[\w-]+\s*:|/\*)")


def _takes(start: str, ending: str) -> bool:
    return ending in STYLES or _VARIABLE.search(start) is not None or _holds_rules(start)


def _holds_rules(text: str) -> bool:
    """Whether a block of a text holds a declaration: a name, a colon, and an end."""
    for block in _BLOCK.finditer(text):
        _, colon, value = block.group(1).partition(":")
        if colon and (block.group(2) or ";" in value):
            return True
    return False


def _are_properties(start: str, _: str) -> bool:
    """Whether every line of a text declares a custom property, without a rule around them."""
    filled = [line for line in start.splitlines() if line.strip()]
    return bool(filled) and all(_PROPERTY.match(line) for line in filled)


READER = TextReader(_takes, read)
PROPERTIES = TextReader(_are_properties, lambda text: read(f":root {{{text}}}"))
