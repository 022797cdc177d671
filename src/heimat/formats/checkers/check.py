"""Check files against a release of colors: names that are not there, colors that are none of it, undeclared pairs.

Usage: python check.py [--from FOLDER_OR_ADDRESS] [--json] [--strict] [--report] PATH...

Without --from the release is the one that this file lies in. A feed that asks for a key takes it from FEED_KEY; with
--report the feed is told which names are in use, so that a team sees who is behind. The exit code is 0 where all is
well, 1 where something is to be mended (with --strict also what is only advised), 2 where nothing could be checked.
Standard library alone: it is served with every release.
"""

from __future__ import annotations

import json
import os
import re
import sys
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

CONTRACT, TOKENS, PALETTES = "contract.json", "tokens.plain.json", "palettes.css"
ENDINGS = (".css", ".scss", ".sass", ".less", ".pcss", ".html", ".htm", ".vue", ".svelte", ".svg", ".jsx", ".tsx")
LEAST_CONTRAST = 4.5
"""What text needs that nobody has declared the use of (WCAG 2.2, 1.4.3)."""
ADVICE = ("deprecated", "by hand")
"""Kinds that are told and stop no build, but with --strict."""
_MOST_BYTES = 5_000_000
_USED = re.compile(r"var\(\s{0,20}--([\w-]{1,120})")
_DEFINED = re.compile(r"(?:^|[{;\s])--([\w-]{1,120})\s{0,20}:")
_HEX = re.compile(r"#(?:[0-9a-fA-F]{8}|[0-9a-fA-F]{6}|[0-9a-fA-F]{3,4})(?![0-9a-zA-Z_-])")
_COMMENT = re.compile(r"/\*.*?(?:\*/|\Z)|<!--.*?(?:-->|\Z)", re.S)
_LINE_COMMENT = re.compile(r"(?:^|(?<=\s))//[^\n]*")
_STYLE = re.compile(r"\bstyle\s{0,20}=\s{0,20}(?:\"([^\"]*)\"|'([^']*)')")
_STRING = re.compile(r"\"[^\"\n]*\"|'[^'\n]*'")
_MARK = re.compile(r"[{};]")
_GROUNDS = ("background", "background-color")
_ONE = re.compile(r"\s*var\(\s*--([\w-]{1,120})\s*(?:,[^()]*)?\)\s*(?:!important\s*)?")


def pairs_in(text: str) -> list[tuple[int, str, str]]:
    """Pairs of foreground and ground within one rule: (line, name, name). A rule within another has its ground."""
    plain = _blanked(text)
    lines = _Lines(plain)
    found: list[tuple[int, str, str]] = []
    for match in _STYLE.finditer(plain):
        inside = match[1] if match[1] is not None else match[2]
        at = match.start(1) if match[1] is not None else match.start(2)
        found += _in_rules(lines, "{" + inside + "}", at - 1)
    return sorted(found + _in_rules(lines, _STRING.sub(_blank, plain), 0))


def _in_rules(lines: _Lines, text: str, offset: int) -> list[tuple[int, str, str]]:
    """Pairs in the rules of a text that stands at an offset in a whole one, whose lines are known."""
    found: list[tuple[int, str, str]] = []
    stack: list[dict[str, Any]] = [{}]
    start = 0
    for mark in _MARK.finditer(text):
        sign = mark[0]
        if sign != "{":
            _declare(stack[-1], text[start : mark.start()], start)
        if sign == "{":
            stack.append({"parent ground": stack[-1].get("ground") or stack[-1].get("parent ground")})
        elif sign == "}" and len(stack) > 1:
            _close(stack.pop(), lines, offset, found)
        start = mark.end()
    _declare(stack[-1], text[start:], start)
    while len(stack) > 1:
        _close(stack.pop(), lines, offset, found)
    return found


def _declare(block: dict[str, Any], text: str, start: int) -> None:
    prop, colon, value = text.partition(":")
    prop = prop.strip().lower()
    match = _ONE.fullmatch(value) if colon else None
    if match is None:
        if prop in _GROUNDS and colon:
            block.pop("ground", None)
            block["parent ground"] = None
        return
    if prop == "color":
        block["ink"] = (match[1], start + len(text) - len(text.lstrip()))
    elif prop in _GROUNDS:
        block["ground"] = match[1]


def _close(block: dict[str, Any], lines: _Lines, offset: int, found: list[tuple[int, str, str]]) -> None:
    ground = block.get("ground") or block.get("parent ground")
    if "ink" in block and ground:
        name, at = block["ink"]
        found.append((lines.of(max(at + offset, 0)), name, ground))


class _Lines:
    """Which line, from 1, a place in a text is in."""

    def __init__(self, text: str) -> None:
        self._ends = [match.start() for match in re.finditer("\n", text)]

    def of(self, at: int) -> int:
        low, high = 0, len(self._ends)
        while low < high:
            middle = (low + high) // 2
            if self._ends[middle] < at:
                low = middle + 1
            else:
                high = middle
        return low + 1


def _blank(match: re.Match[str]) -> str:
    return re.sub(r"[^\n]", " ", match[0])


def _blanked(text: str) -> str:
    """The text without its comments, each place where it was."""
    return _LINE_COMMENT.sub(_blank, _COMMENT.sub(_blank, text))


def findings(
    files: dict[str, str], contract: dict[str, Any], tokens: dict[str, Any], palettes: str = ""
) -> list[dict[str, Any]]:
    """What is to be said of files (name to text) against a release: dictionaries with kind, file, line and words.

    `palettes` is the stylesheet of its palettes, if it has any: labels and ramps are names that it defines.
    """
    against = _Release(contract, tokens, palettes)
    own = {match[1] for text in files.values() for match in _DEFINED.finditer(text)}
    return [found for name, text in files.items() for found in against.check(name, text, own)]


def names_used(files: dict[str, str]) -> list[str]:
    """The names of custom properties that files use."""
    return sorted({match[1] for text in files.values() for match in _USED.finditer(text)})


class _Release:
    """A release, so that names, colors and pairs can be looked up in it."""

    def __init__(self, contract: dict[str, Any], tokens: dict[str, Any], palettes: str) -> None:
        self._named = {token["property"][2:]: token for token in tokens["tokens"]}
        self._there = {*self._named, *(match[1] for match in _DEFINED.finditer(palettes))}
        self._colors: dict[str, str] = {}
        for token in tokens["tokens"]:
            for value in token["values"].values():
                self._colors.setdefault(value.lower(), token["property"][2:])
        self._declared: dict[tuple[str | None, str | None], list[dict[str, Any]]] = {}
        names = {token["name"]: token["property"][2:] for token in tokens["tokens"]}
        for pairing in contract["pairings"]:
            pair = (names.get(pairing["foreground"]), names.get(pairing["ground"]))
            self._declared.setdefault(pair, []).append(pairing)

    def check(self, file: str, text: str, own: set[str]) -> list[dict[str, Any]]:
        """What is to be said of one file; `own` are names that the files define themselves."""
        lines = _Lines(text)
        found = []
        plain = _blanked(text)
        for match in _USED.finditer(plain):
            name = match[1]
            token = self._named.get(name)
            if name not in self._there and name not in own:
                found.append(_found("unknown", file, lines.of(match.start()), f"--{name} is not in the release"))
            elif token is not None and "deprecated" in token:
                instead = token["deprecated"]["use"]
                words = f"--{name} is on its way out" + (f": use {instead}" if instead else "")
                found.append(_found("deprecated", file, lines.of(match.start()), words))
        for match in _HEX.finditer(plain):
            meant = self._colors.get(_long(match[0]))
            kind = "by hand" if meant else "outside"
            words = f"{match[0]} is var(--{meant})" if meant else f"{match[0]} is no color of the release"
            found.append(_found(kind, file, lines.of(match.start()), words))
        for line, ink, ground in pairs_in(text):
            if ink in self._named and ground in self._named:
                found += self._pair(file, line, ink, ground)
        return sorted(found, key=lambda each: (each["line"], each["kind"], each["words"]))

    def _pair(self, file: str, line: int, ink: str, ground: str) -> list[dict[str, Any]]:
        declared = self._declared.get((ink, ground))
        if declared is None:
            theme, least = min(self._ratios(ink, ground).items(), key=lambda each: each[1])
            short = f", under {LEAST_CONTRAST:g}" if least < LEAST_CONTRAST else ""
            words = f"--{ink} on --{ground} was never declared; it reads {_cut(least)} in {theme}{short}"
            return [_found("undeclared", file, line, words)]
        found = []
        for pairing in declared:
            for theme, ratio in pairing["ratios"].items():
                if pairing["needed"] and ratio < pairing["needed"]:
                    words = f"--{ink} on --{ground} reads {_cut(ratio)} in {theme}; {pairing['needed']:g} is needed"
                    found.append(_found("falls short", file, line, words))
        return found

    def _ratios(self, ink: str, ground: str) -> dict[str, float]:
        """The contrast in every theme, by its name; what is translucent is taken on its ground, that on white."""
        found = {}
        for theme, value in self._named[ink]["values"].items():
            under = _over(_channels(self._named[ground]["values"][theme]), (255, 255, 255, 1.0))
            one, other = _luminance(_over(_channels(value), under)), _luminance(under)
            found[theme] = (max(one, other) + 0.05) / (min(one, other) + 0.05)
        return found


def _found(kind: str, file: str, line: int, words: str) -> dict[str, Any]:
    return {"kind": kind, "file": file, "line": line, "words": words}


def _cut(ratio: float) -> str:
    return f"{int(ratio * 100 + 1e-9) / 100:.2f}"


def _long(text: str) -> str:
    digits = text[1:].lower()
    if len(digits) < 6:
        digits = "".join(2 * digit for digit in digits)
    return "#" + (digits[:6] if digits[6:] == "ff" else digits)


def _channels(value: str) -> tuple[float, float, float, float]:
    red, green, blue = (int(value[at : at + 2], 16) for at in (1, 3, 5))
    return red, green, blue, int(value[7:9], 16) / 255 if len(value) > 7 else 1.0


def _over(
    color: tuple[float, float, float, float], under: tuple[float, float, float, float]
) -> tuple[float, float, float, float]:
    alpha = color[3]
    mixed = [int(alpha * color[at] + (1 - alpha) * under[at] + 0.5) for at in range(3)]
    return mixed[0], mixed[1], mixed[2], 1.0


def _luminance(color: tuple[float, float, float, float]) -> float:
    """Relative luminance (WCAG 2.2)."""
    parts = [each / 255 for each in color[:3]]
    linear = [each / 12.92 if each <= 0.04045 else ((each + 0.055) / 1.055) ** 2.4 for each in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def _load(source: str, name: str) -> str:
    """A file of a release in a folder or at an address."""
    if re.match(r"https?://", source):
        request = urllib.request.Request(source.rstrip("/") + "/" + name, headers=_bearing())
        with urllib.request.urlopen(request, timeout=30) as answer:
            return str(answer.read().decode())
    return Path(source, name).read_text(encoding="utf-8")


def _load_if_there(source: str, name: str) -> str:
    """A file that a release may be without; then empty."""
    try:
        return _load(source, name)
    except FileNotFoundError:
        return ""
    except urllib.error.HTTPError as error:
        if error.code != 404:
            raise
        return ""


def _bearing() -> dict[str, str]:
    key = os.environ.get("FEED_KEY")
    return {"Authorization": f"Bearer {key}"} if key else {}


def _report(source: str, version: str, names: list[str]) -> None:
    feed = re.match(r"(https?://[^/]+/feeds/[^/]+)/", source.rstrip("/") + "/")
    if feed is None or "Authorization" not in _bearing():
        raise ValueError("a report goes to a feed: give its address with --from, and a key in FEED_KEY")
    body = json.dumps({"version": version, "names": names}).encode()
    headers = {"Content-Type": "application/json", **_bearing()}
    request = urllib.request.Request(feed[1] + "/reports", data=body, headers=headers, method="POST")
    urllib.request.urlopen(request, timeout=30).close()


def _files(paths: list[str]) -> dict[str, str]:
    found: dict[str, str] = {}
    for path in map(Path, paths):
        if not path.exists():
            raise ValueError(f"{path} is not there")
        for file in [path] if path.is_file() else sorted(path.rglob("*")):
            inside = file.is_file() and file.suffix.lower() in ENDINGS and "node_modules" not in file.parts
            if file == path or inside:
                content = file.read_bytes()[:_MOST_BYTES]
                found[file.as_posix()] = content.decode("utf-8", "replace")
    return found


def main(arguments: list[str] | None = None) -> int:
    """Check what the command line names. Returns the exit code."""
    given = list(sys.argv[1:] if arguments is None else arguments)
    source = str(Path(__file__).resolve().parent)
    options = {name: name in given for name in ("--json", "--strict", "--report")}
    if "--from" in given:
        at = given.index("--from")
        source = given[at + 1] if at + 1 < len(given) else ""
        del given[at : at + 2]
    paths = [each for each in given if each not in options]
    wrong = [each for each in paths if each.startswith("--")]
    if not paths or wrong or not source:
        print(f"unknown: {' '.join(wrong)}" if wrong else __doc__, file=sys.stderr)
        return 2
    try:
        files = _files(paths)
        contract, tokens = json.loads(_load(source, CONTRACT)), json.loads(_load(source, TOKENS))
        found = findings(files, contract, tokens, _load_if_there(source, PALETTES))
        if options["--report"]:
            used = {token["property"][2:]: token["name"] for token in tokens["tokens"]}
            _report(source, tokens["version"], [used.get(name, name) for name in names_used(files)])
    except (OSError, ValueError, KeyError, TypeError, urllib.error.URLError) as error:
        print(f"Nothing was checked: {error}", file=sys.stderr)
        return 2
    stops = [each for each in found if options["--strict"] or each["kind"] not in ADVICE]
    if options["--json"]:
        told = {"system": tokens["system"], "version": tokens["version"], "files": len(files), "found": found}
        print(json.dumps({**told, "holds": not stops}, indent=2, ensure_ascii=False))
    else:
        for each in found:
            print(f"{each['file']}:{each['line']}: {each['kind']}: {each['words']}")
        count = f"{len(found)} {'place' if len(found) == 1 else 'places'}" if found else "Nothing to say"
        print(f"{count} in {len(files)} files, against {tokens['system']} {tokens['version']}.")
    return 1 if stops else 0


if __name__ == "__main__":
    sys.exit(main())
