"""Sheets out of SCSS and Less: maps of themes where there are any, else variables."""

import re

from heimat.core.importing.sheet import DEFAULT, Sheet, SheetMaker, SheetValue
from heimat.formats.read.sheets.sheet_values import css_value

_TITLE = re.compile(r"\s*//\s*(.{1,80}?)\s+\d+\.\d+\.\d+\S*\s*$", re.M)
_LINE_COMMENT = re.compile(r"(?:^|(?<=\s))//[^\n]*|/\*.*?(?:\*/|\Z)", re.S)
_VARIABLE = re.compile(
    r"^[ \t]*[$@]([A-Za-z_][\w-]{0,119})[ \t]*:[ \t]*([^;{}()\n]{1,200}(?:\([^()\n]{0,160}\))?)[ \t]*;",
    re.M,
)
_KEY = re.compile(
    r"""\s*(?:"((?:[^"\\\n]|\\.){1,120})"|'((?:[^'\\\n]|\\.){1,120})'|([\w-]{1,120}))\s*:"""
)
_FLAG = re.compile(r"\s*!(?:default|global)\b")


def read(text: str) -> Sheet:
    """The variables of a text, and its maps of maps as themes."""
    titled = _TITLE.match(text)
    maker = SheetMaker("SCSS", titled[1] if titled else "")
    plain = _LINE_COMMENT.sub(" ", text)
    themes = _themes(plain)
    for name in dict.fromkeys(name for values in themes.values() for name in values):
        maker.token(
            name, {theme: values[name] for theme, values in themes.items() if name in values}
        )
    first = next(iter(themes), DEFAULT)
    for match in _VARIABLE.finditer(plain):
        value = css_value(_FLAG.sub("", match[2]))
        if value is not None and (not themes or match[1] not in themes[first]):
            maker.token(match[1], {first: value})
    return maker.made()


def _themes(text: str) -> dict[str, dict[str, SheetValue]]:
    """Maps whose entries are maps of colors: by the name of each entry, its colors."""
    found: dict[str, dict[str, SheetValue]] = {}
    stack: list[str | None] = []
    at = 0
    signs = re.compile(r"[(),;]")
    while (sign := signs.search(text, at)) is not None:
        piece = text[at : sign.start()]
        if sign[0] == "(":
            match = _KEY.fullmatch(piece.strip()) if len(stack) == 1 else None
            if len(stack) >= 2:
                # A function within a value: its end is looked for as a whole.
                end = text.find(")", sign.end())
                entry = _KEY.match(piece)
                if entry and end >= 0 and stack[-1] is not None:
                    _keep(
                        found,
                        stack[-1],
                        _key(entry),
                        piece[entry.end() :] + text[sign.start() : end + 1],
                    )
                at = end + 1 if end >= 0 else sign.end()
                continue
            stack.append(_key(match) if match else None)
        else:
            entry = _KEY.match(piece)
            if entry and len(stack) == 2 and stack[-1] is not None:
                _keep(found, stack[-1], _key(entry), piece[entry.end() :])
            if sign[0] == ")" and stack:
                stack.pop()
            elif sign[0] == ";":
                stack.clear()
        at = sign.end()
    return found


def _key(match: re.Match[str]) -> str:
    text = next(part for part in match.groups() if part)
    return re.sub(r"\\(.)", r"\1", text)


def _keep(found: dict[str, dict[str, SheetValue]], theme: str, name: str, text: str) -> None:
    value = css_value(text)
    if value is not None:
        found.setdefault(theme, {}).setdefault(name, value)
