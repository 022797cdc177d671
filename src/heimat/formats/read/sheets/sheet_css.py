"""Sheets out of stylesheets: custom properties by where they stand, a theme for each selector or preference.

The root is the first theme. What a page is told by a preference alone (`prefers-color-scheme`) is a theme too, but
where a theme of the same values is chosen by a selector.
"""

import re
from collections.abc import Iterator, Mapping
from dataclasses import replace

from heimat.core.document.themes import Scheme, Wanted
from heimat.core.importing.sheet import DEFAULT, Sheet, SheetMaker, SheetValue
from heimat.formats.read.gate import sign_of
from heimat.formats.read.sheets import sheet_palettes
from heimat.formats.read.sheets.sheet_values import css_value

_COMMENT = re.compile(r"/\*.*?(?:\*/|\Z)", re.S)
_MARK = re.compile(r"[{};]|\"(?:[^\"\\\n]|\\.)*\"|'(?:[^'\\\n]|\\.)*'")
_ATTRIBUTE = re.compile(
    r"\[[\w-]*(?:theme|mode|scheme)[\w-]*\s*[~|^$*]?=\s*(\"(?:[^\"\\]|\\.)*\"|'[^']*'|[\w-]+)\s*\]"
)
_CLASS = re.compile(
    r"\.(?:theme-|mode-)?([\w-]*(?:dark|light|night|day|contrast|theme)[\w-]*)", re.I
)
_ESCAPE = re.compile(r"\\([0-9a-fA-F]{1,6})\s?|\\(.)", re.S)
_TITLE = re.compile(r"\s*/\*\s*(.{1,80}?)\s+\d+\.\d+\.\d+[^*]{0,300}\*/")
_MOST_DEEP = 50
_WIDE = re.compile(r"color-gamut|dynamic-range|@supports|@keyframes|@font-face|@layer|@property")
Block = tuple[tuple[str, ...], dict[str, str]]
"""What stands around a block, outermost first, and its declarations."""


def read(text: str) -> Sheet:
    """The custom properties of a stylesheet."""
    titled = _TITLE.match(text)
    maker = SheetMaker("stylesheet", titled[1] if titled else "")
    found: dict[str, dict[str, SheetValue]] = {}
    preferred: list[tuple[Scheme | None, Wanted | None, dict[str, SheetValue]]] = []
    gradients: dict[str, dict[str, str]] = {}
    root = DEFAULT
    for around, declared in _blocks(_COMMENT.sub(" ", text)):
        values = _values(declared)
        if not values or any(_WIDE.search(part) for part in around):
            continue
        scheme = _scheme(declared.get("color-scheme", ""))
        media = _media(around)
        if media:
            wanted_scheme, wanted_contrast = _preferences(media)
            if wanted_scheme or wanted_contrast:
                preferred.append((wanted_scheme or scheme, wanted_contrast, values))
            continue
        selector = around[-1] if around else ""
        name = _named(selector)
        if name is None or ":root" in selector.split(","):
            root = name or root
            name = root
        maker.theme(name, scheme)
        found.setdefault(name, {}).update(values)
        gradients.setdefault(name, {}).update(_ramps(declared))
    found = _with_root_first(found, root)
    for scheme, contrast, values in preferred:
        _prefer(maker, found, root, scheme, contrast, values)
    of_charts = sheet_palettes.of_properties(found, gradients)
    for name, by_theme in _by_name(found).items():
        if not sheet_palettes.is_of(name, of_charts):
            maker.token(name, by_theme)
    return replace(maker.made(), palettes=of_charts)


def _values(declared: Mapping[str, str]) -> dict[str, SheetValue]:
    """The custom properties of a block that are colors, or stand for others."""
    read = {name[2:]: _value(name, text) for name, text in declared.items()}
    return {name: value for name, value in read.items() if value is not None}


def _media(around: tuple[str, ...]) -> str:
    return " ".join(part for part in around if part.startswith("@"))


def _ramps(declared: Mapping[str, str]) -> dict[str, str]:
    return {
        name[2:]: text for name, text in declared.items() if text.startswith("linear-gradient(")
    }


def _by_name(found: Mapping[str, Mapping[str, SheetValue]]) -> dict[str, dict[str, SheetValue]]:
    """What themes say, by name and theme, in the order in which names come up."""
    names: dict[str, dict[str, SheetValue]] = {}
    for theme, values in found.items():
        for name, value in values.items():
            names.setdefault(name, {})[theme] = value
    return names


def _value(name: str, text: str) -> SheetValue | None:
    return css_value(text) if name.startswith("--") else None


def _with_root_first(
    found: dict[str, dict[str, SheetValue]], root: str
) -> dict[str, dict[str, SheetValue]]:
    # What stood on the root before its theme had a name is of that theme.
    merged = (
        {**found.pop(DEFAULT, {}), **found.pop(root, {})}
        if root != DEFAULT
        else found.pop(DEFAULT, {})
    )
    return {root: merged, **found} if merged else found


def _prefer(
    maker: SheetMaker,
    found: dict[str, dict[str, SheetValue]],
    root: str,
    scheme: Scheme | None,
    contrast: Wanted | None,
    values: dict[str, SheetValue],
) -> None:
    """A theme that follows a preference: the one of the same values, or one more."""
    same = next(
        (
            name
            for name, there in found.items()
            if name != root and all(there.get(key) == values[key] for key in values)
        ),
        None,
    )
    name = same or ("more contrast" if contrast else str(scheme))
    maker.theme(name, scheme, contrast)
    if same is None:
        found.setdefault(name, {}).update(values)


def _blocks(text: str) -> Iterator[Block]:
    """Every block with its own declarations, in order of where it ends."""
    stack: list[tuple[str, dict[str, str]]] = [("", {})]
    start = 0
    for mark in _MARK.finditer(text):
        if mark[0] not in "{};":
            continue
        piece = text[start : mark.start()].strip()
        start = mark.end()
        if mark[0] == "{":
            if len(stack) > _MOST_DEEP:
                return
            stack.append((piece, {}))
            continue
        name, colon, value = piece.partition(":")
        if colon:
            stack[-1][1][name.strip()] = value.removesuffix("!important").strip()
        if mark[0] == "}" and len(stack) > 1:
            around = tuple(" ".join(head.split()) for head, _ in stack[1:])
            yield around, stack.pop()[1]
    while len(stack) > 1:
        around = tuple(" ".join(head.split()) for head, _ in stack[1:])
        yield around, stack.pop()[1]


def _named(selector: str) -> str | None:
    """The name of the theme that a selector chooses; None for the root."""
    if ":not(" in selector:
        return None
    match = _ATTRIBUTE.search(selector)
    if match:
        return _unescaped(match[1].strip("\"'"))[:80]
    match = _CLASS.search(selector)
    return match[1].lower()[:80] if match else None


def _unescaped(text: str) -> str:
    return _ESCAPE.sub(lambda found: sign_of(found[1]) if found[1] else found[2], text)


def _scheme(text: str) -> Scheme | None:
    words = text.split()
    return (
        None
        if len(words) != 1
        else "dark"
        if words[0] == "dark"
        else "light"
        if words[0] == "light"
        else None
    )


def _preferences(media: str) -> tuple[Scheme | None, Wanted | None]:
    scheme: Scheme | None = None
    if "prefers-color-scheme" in media:
        scheme = "dark" if re.search(r"prefers-color-scheme\s*:\s*dark", media) else "light"
    return scheme, "more" if re.search(r"prefers-contrast\s*:\s*more", media) else None
