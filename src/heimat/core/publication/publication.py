"""What developers get: every published token of a document, in the designer's order, and how two of these differ."""

from dataclasses import dataclass
from typing import Any, Literal

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.difference import ciede2000
from heimat.core.color.notation import hex_of, hexes_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.colors_of import standing
from heimat.core.fewer import members
from heimat.core.resolve import Resolved
from heimat.core.system import ColorSystem, StepAlias, TokenAlias, in_order, ladder_of
from heimat.core.tokens.aliases import value_in
from heimat.core.tokens.names import scale_token_names

Change = Literal["added", "removed", "renamed", "changed", "repointed"]


@dataclass(frozen=True)
class PublishedToken:
    """A token as it leaves: identity, name, `#RRGGBB`, alpha, the name of the token it stands for, and its note.

    `p3` are the channels of its display-p3 value, where it has one.
    """

    id: str
    name: str
    hex: str
    alpha: float
    alias: str | None
    note: str
    p3: tuple[float, float, float] | None = None

    def plain(self) -> dict[str, Any]:
        """The token as plain data, which `from_plain` reads; what was published before is still told the same way."""
        return {key: value for key, value in self.__dict__.items() if key != "p3" or value is not None}

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "PublishedToken":
        """Read what `plain` gave."""
        p3 = data.get("p3")
        return cls(**{**data, "p3": tuple(p3) if p3 else None})


@dataclass(frozen=True)
class PublishedSelection:
    """A named selection as it leaves: its name, and the ids of its tokens."""

    name: str
    tokens: tuple[str, ...]


@dataclass(frozen=True)
class Publication:
    """All published tokens under the system's name: scale tokens first, then semantic ones."""

    name: str
    tokens: tuple[PublishedToken, ...]
    selections: tuple[PublishedSelection, ...] = ()

    def plain(self) -> dict[str, Any]:
        """The publication as plain data, which `from_plain` reads."""
        found: dict[str, Any] = {"name": self.name, "tokens": [token.plain() for token in self.tokens]}
        if self.selections:
            found["selections"] = [{"name": kept.name, "tokens": list(kept.tokens)} for kept in self.selections]
        return found

    def of(self, selection: PublishedSelection) -> "Publication":
        """What of this one selection holds, under the system's name and its own."""
        kept = set(selection.tokens)
        return Publication(f"{self.name}, {selection.name}", tuple(each for each in self.tokens if each.id in kept))

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "Publication":
        """Read what `plain` gave."""
        selections = (PublishedSelection(kept["name"], tuple(kept["tokens"])) for kept in data.get("selections", []))
        tokens = (PublishedToken.from_plain(token) for token in data["tokens"])
        return cls(data["name"], tuple(tokens), tuple(selections))


def publication(resolved: Resolved) -> Publication:
    """What would be published of a resolved document."""
    system = resolved.system
    tokens: list[PublishedToken] = []
    step_names: dict[tuple[str, str], str] = {}
    for hue, names in scale_token_names(system):
        rgb8, alpha = resolved.scales[hue.id].rgb8, standing(system, hue).alpha
        wide = resolved.wide.get(hue.id)
        for place, (step, name, color) in enumerate(
            zip(ladder_of(system, hue).steps, names, hexes_of(rgb8), strict=True)
        ):
            if step.hidden:
                continue
            step_names[hue.id, step.id] = name
            p3 = None if wide is None else _channels(wide[place])
            tokens.append(PublishedToken(f"{hue.id}/{step.id}", name, color, alpha, None, "", p3))
    for token in in_order(system.tokens):
        color_of = resolved.tokens[token.id]
        value = value_in(token, resolved.theme.id if resolved.theme else "")
        alias = None
        if isinstance(value, StepAlias):
            # A token on a hidden step leaves with its value alone.
            alias = step_names.get((value.hue, value.step))
        elif isinstance(value, TokenAlias):
            alias = system.tokens[value.token].name
        p3 = _channels(color_of.p3)
        tokens.append(
            PublishedToken(token.id, token.name, hex_of(color_of.rgb8), color_of.alpha, alias, token.note, p3)
        )
    return Publication(system.name, tuple(tokens), tuple(_selections(system, {token.id for token in tokens})))


def _channels(p3: Floats | None) -> tuple[float, float, float] | None:
    if p3 is None or np.isnan(p3).any():
        return None
    red, green, blue = (float(part) for part in p3)
    return red, green, blue


def _selections(system: ColorSystem, published: set[str]) -> list[PublishedSelection]:
    """The named selections of which anything is published."""
    found = []
    for kept in in_order(system.selections):
        ids = tuple(key for ref in members(system, kept) if (key := f"{ref.hue}/{ref.step}") in published)
        if ids:
            found.append(PublishedSelection(kept.name, ids))
    return found


@dataclass(frozen=True)
class TokenChange:
    """How one token differs: what happened, before and after, and for colors the CIEDE2000 distance."""

    change: Change
    before: PublishedToken | None
    after: PublishedToken | None
    distance: float | None


def compare(before: Publication | None, after: Publication) -> list[TokenChange]:
    """What differs between two publications: removed and renamed first, then added, pointed elsewhere, changed."""
    old = {token.id: token for token in before.tokens} if before else {}
    new = {token.id: token for token in after.tokens}
    removed = [TokenChange("removed", token, None, None) for key, token in old.items() if key not in new]
    added = [TokenChange("added", None, token, None) for key, token in new.items() if key not in old]
    both = [(old[key], token) for key, token in new.items() if key in old]
    # An alias that only follows its target's new name has not been pointed elsewhere.
    names = {was.name: now.name for was, now in both if was.name != now.name}
    renamed, repointed, changed = [], [], []
    for was, now in both:
        distance = _distance(was.hex, now.hex) if was.hex != now.hex else None
        if was.name != now.name:
            renamed.append(TokenChange("renamed", was, now, distance))
        elif names.get(was.alias or "", was.alias) != now.alias:
            repointed.append(TokenChange("repointed", was, now, distance))
        elif distance is not None or was.alpha != now.alpha or was.p3 != now.p3:
            changed.append(TokenChange("changed", was, now, distance))
    return removed + renamed + added + repointed + changed


def _distance(one: str, other: str) -> float:
    labs = srgb_to_lab(from_bytes(np.array([list(bytes.fromhex(text[1:])) for text in (one, other)])))
    return float(ciede2000(labs[0], labs[1]))


def next_version(latest: str | None, changes: list[TokenChange]) -> str:
    """The semantic version proposed: major where names go, minor where names come or point elsewhere, else patch."""
    if latest is None:
        return "1.0.0"
    major, minor, patch = (int(part) for part in latest.split("."))
    kinds = {change.change for change in changes}
    if kinds & {"removed", "renamed"}:
        return f"{major + 1}.0.0"
    if kinds & {"added", "repointed"}:
        return f"{major}.{minor + 1}.0"
    return f"{major}.{minor}.{patch + 1}"
