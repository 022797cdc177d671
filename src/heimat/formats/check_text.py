"""Checking text against a release: colors that are none of it, names that it does not know, what each was meant to be.

Any text is taken: stylesheets, markup, drawings. Colors are found by how they are written, each with its line and the
property before it; nothing in it is run, and no pattern goes back over it.
"""

import difflib
import re
from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.overlay import solid
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.names import css_name
from heimat.core.errors import DomainError
from heimat.core.publication.publication import Publication, PublishedToken, PublishedValue
from heimat.formats.checkers.check import pairs_in
from heimat.formats.write.palettes.palettes_css import names_beside

CheckKind = Literal["by hand", "outside", "unknown", "deprecated", "undeclared", "falls short"]
MOST_FOUND = 2000
"""Places that are told; what goes beyond is counted."""
SAME = 1.0
"""CIEDE2000 below which a color is taken for a published one that was copied and rounded."""
_ALIKE = 0.75
"""How much of two names has to be alike."""
_MOST_SPELLED = 300
_COLOR = re.compile(
    r"#[0-9a-fA-F]{3,8}(?![0-9a-zA-Z_-])|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()\n]{1,120}\)"
)
_PLAIN = re.compile(
    r"#(?:[0-9a-fA-F]{3,4}|[0-9a-fA-F]{6}|[0-9a-fA-F]{8})|rgb\((?: ?[0-9]{1,3}[ ,]){2} ?[0-9]{1,3}\)"
)
"""What is a color at a glance."""
_NAME = re.compile(r"var\(\s{0,20}--([\w-]{1,120})")
_DEFINED = re.compile(r"(?:^|[{;\s])--([\w-]{1,120})\s{0,20}:")
_PROPERTY = re.compile(r"([\w-]{1,60})\s{0,20}[:=][^:=;{}]{0,200}$")
_PURPOSES = (
    ("background", ("surface", "action", "status", "selection", "overlay")),
    ("fill", ("chart", "icon", "surface")),
    ("stroke", ("border", "chart", "icon")),
    ("border", ("border", "focus")),
    ("outline", ("focus", "border")),
    ("color", ("text", "link", "action", "status")),
)
"""By what a property is called, the first words of the tokens that are likely to be meant."""


@dataclass(frozen=True)
class Checked:
    """A place in a text: its line (from 1), what stands there, in which property (`where`), and what was meant.

    `token` is the published token nearest to it, or that stands in for it; `distance` how far it is (CIEDE2000). Of a
    pair it is the ground; `ratio` is the least contrast of any theme, `theme` the one, `needed` what was declared.
    """

    kind: CheckKind
    line: int
    text: str
    where: str
    token: PublishedToken | None
    distance: float | None = None
    ratio: float | None = None
    theme: str = ""
    needed: float | None = None

    @property
    def instead(self) -> str:
        """What would stand there by the release; empty where nothing is sure."""
        if (
            self.token is None
            or self.ratio is not None
            or (self.kind == "outside" and (self.distance or 0.0) >= SAME)
        ):
            return ""
        name = f"--{css_name(self.token.name)}"
        return f"var({name}" if self.kind in ("unknown", "deprecated") else f"var({name})"


@dataclass(frozen=True)
class Check:
    """What was found, in the order of lines; `more` is how much beyond that; `patch` a unified diff of what is sure."""

    found: tuple[Checked, ...]
    more: int
    patch: str


def check(text: str, publication: Publication, name: str = "checked") -> Check:
    """Check a text against a release."""
    against = _Against(publication)
    found: list[Checked] = []
    more = 0
    # As the other checks count lines: by line feeds alone.
    lines = text.removesuffix("\n").split("\n")
    own = {match[1] for match in _DEFINED.finditer(text)}
    pairs = defaultdict(list)
    for at, ink, ground in pairs_in(text):
        pairs[at].append((ink, ground))
    for number, line in enumerate(lines, start=1):
        if len(found) == MOST_FOUND:
            # What is only counted is not looked for among all that is published.
            more += against.count(line, own) + sum(
                len(against.meeting(pair)) for pair in pairs.get(number, ())
            )
            continue
        here = [*against.line(number, line, own), *against.pairs(number, pairs.get(number, ()))]
        more += max(len(found) + len(here) - MOST_FOUND, 0)
        found += here[: MOST_FOUND - len(found)]
    return Check(tuple(found), more, _patch(lines, found, name))


class _Against:
    """A release, so that colors and names can be looked up in it."""

    def __init__(self, publication: Publication) -> None:
        self._tokens = publication.with_palettes()
        self._by_name = {css_name(token.name): token for token in self._tokens}
        self._there = self._by_name.keys() | set(names_beside(publication))
        by_full_name = {token.name: token for token in self._tokens}
        self._instead = {
            css_name(token.name): by_full_name.get(token.deprecated.replacement or "")
            for token in self._tokens
            if token.deprecated is not None
        }
        self._of_color: dict[str, list[PublishedToken]] = {}
        for token in self._tokens:
            for value in token.values.values():
                self._of_color.setdefault(value.hex, []).append(token)
        levels = np.array(
            [list(bytes.fromhex(text[1:])) for text in self._of_color], dtype=np.uint8
        )
        self._labs: Floats = srgb_to_lab(from_bytes(levels.reshape(-1, 3)))
        self._pairings: dict[tuple[str, str], list[dict[str, Any]]] = {}
        for pairing in publication.contract["pairings"]:
            self._pairings.setdefault((pairing["foreground"], pairing["ground"]), []).append(
                pairing
            )
        self._themes = publication.themes
        self._met: dict[tuple[str, str], list[Checked]] = {}
        self._spelled: dict[str, PublishedToken | None] = {}
        self._known: dict[tuple[str, str], tuple[PublishedToken, float] | None] = {}

    def line(self, number: int, line: str, own: set[str]) -> Iterator[Checked]:
        for match in _NAME.finditer(line):
            name = match[1]
            if name in self._instead:
                yield Checked("deprecated", number, match[0], "", self._instead[name])
            elif name not in self._there and name not in own:
                yield Checked("unknown", number, match[0], "", self._alike(name))
        for match in _COLOR.finditer(line):
            before = _PROPERTY.search(line[max(0, match.start() - 260) : match.start()])
            found = self._nearest(match[0], before[1].lower() if before else "")
            if found is not None:
                token, far = found
                kind: CheckKind = "by hand" if far == 0.0 else "outside"
                yield Checked(kind, number, match[0], before[1] if before else "", token, far)

    def count(self, line: str, own: set[str]) -> int:
        """How many places there are in a line, without what was meant."""
        names = [match[1] for match in _NAME.finditer(line)]
        known = sum(
            name in self._instead or (name not in self._there and name not in own) for name in names
        )
        colors = (match[0] for match in _COLOR.finditer(line)) if self._of_color else ()
        return known + sum(
            _PLAIN.fullmatch(color) is not None or _is_color(color) for color in colors
        )

    def pairs(self, number: int, pairs: Sequence[tuple[str, str]]) -> Iterator[Checked]:
        """Pairs that were never declared, or fall short of what was."""
        for pair in pairs:
            for found in self.meeting(pair):
                yield replace(found, line=number)

    def meeting(self, pair: tuple[str, str]) -> list[Checked]:
        """What is to be said of text on a ground, by their names."""
        if pair not in self._met:
            self._met[pair] = self._meeting(*pair)
        return self._met[pair]

    def _meeting(self, ink: str, ground: str) -> list[Checked]:
        one, other = self._by_name.get(ink), self._by_name.get(ground)
        if one is None or other is None:
            return []
        declared = self._pairings.get((one.name, other.name))
        what = f"{one.name} on {other.name}"
        if declared is None:
            ratios = {
                theme.name: _contrast(one.value(theme.id), other.value(theme.id))
                for theme in self._themes
            }
            theme, least = min(ratios.items(), key=lambda each: each[1])
            return [Checked("undeclared", 0, what, "", other, ratio=least, theme=theme)]
        return [
            Checked(
                "falls short",
                0,
                what,
                "",
                other,
                ratio=ratio,
                theme=theme,
                needed=pairing["needed"],
            )
            for pairing in declared
            for theme, ratio in pairing["ratios"].items()
            if pairing["needed"] and ratio < pairing["needed"]
        ]

    def _alike(self, name: str) -> PublishedToken | None:
        """The token whose name is most like one that is not there; of very many names only the first are looked for."""
        if name not in self._spelled:
            looked = len(self._spelled) < _MOST_SPELLED
            near = difflib.get_close_matches(name, self._by_name, 1, _ALIKE) if looked else []
            self._spelled[name] = self._by_name[near[0]] if near else None
        return self._spelled[name]

    def _nearest(self, text: str, prop: str) -> tuple[PublishedToken, float] | None:
        key = (text, prop)
        if key not in self._known:
            self._known[key] = self._searched(text, prop)
        return self._known[key]

    def _searched(self, text: str, prop: str) -> tuple[PublishedToken, float] | None:
        """The token nearest to a color; of equally near ones the one that the property calls for."""
        try:
            color = parse(text)
        except DomainError:
            return None
        if not self._of_color:
            return None
        far = ciede2000(srgb_to_lab(from_bytes(np.asarray(rgb8_of(color)))), self._labs)
        least = float(far.min())
        same = list(self._of_color.values())
        near = [token for place in np.flatnonzero(far <= least + 1e-9) for token in same[place]]
        wanted = next((kinds for words, kinds in _PURPOSES if words in prop), ())

        def fits(token: PublishedToken) -> tuple[bool, bool]:
            first = token.name.split(".")[0]
            return first not in wanted, not token.is_semantic

        return min(near, key=fits), 0.0 if least < 1e-9 else least


def _is_color(text: str) -> bool:
    try:
        parse(text)
    except DomainError:
        return False
    return True


def _contrast(one: PublishedValue, other: PublishedValue) -> float:
    """The contrast of a color on another; what is translucent is taken on its ground, that on white."""
    white = np.full(3, 255, dtype=np.uint8)
    ground = solid(_levels(other), other.alpha, white)
    return float(ratio(solid(_levels(one), one.alpha, ground), ground))


def _levels(value: PublishedValue) -> Bytes:
    return np.frombuffer(bytes.fromhex(value.hex[1:]), dtype=np.uint8)


def _patch(lines: list[str], found: list[Checked], name: str) -> str:
    """A unified diff that puts tokens where the same colors stand, and names that are there for those that are not."""
    after = list(lines)
    for each in found:
        if each.instead:
            at = each.line - 1
            after[at] = after[at].replace(each.text, each.instead, 1)
    if after == lines:
        return ""
    diff = difflib.unified_diff(lines, after, f"a/{name}", f"b/{name}", lineterm="")
    return "\n".join(diff) + "\n"
