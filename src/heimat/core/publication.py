"""What developers get: every published token of a document, in the designer's order, and how two of these differ."""

from dataclasses import dataclass
from typing import Any, Literal

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.difference import ciede2000
from heimat.core.color.notation import hex_of, hexes_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.colors_of import standing
from heimat.core.resolve import Resolved
from heimat.core.system import StepAlias, TokenAlias, in_order, ladder_of
from heimat.core.tokens.aliases import value_in
from heimat.core.tokens.names import scale_token_names

Change = Literal["added", "removed", "renamed", "changed", "repointed"]


@dataclass(frozen=True)
class PublishedToken:
    """A token as it leaves: identity, name, `#RRGGBB`, alpha, the name of the token it stands for, and its note."""

    id: str
    name: str
    hex: str
    alpha: float
    alias: str | None
    note: str

    def plain(self) -> dict[str, Any]:
        """The token as plain data, which `from_plain` reads."""
        return dict(self.__dict__)


@dataclass(frozen=True)
class Publication:
    """All published tokens under the system's name: scale tokens first, then semantic ones."""

    name: str
    tokens: tuple[PublishedToken, ...]

    def plain(self) -> dict[str, Any]:
        """The publication as plain data, which `from_plain` reads."""
        return {"name": self.name, "tokens": [token.plain() for token in self.tokens]}

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "Publication":
        """Read what `plain` gave."""
        return cls(data["name"], tuple(PublishedToken(**token) for token in data["tokens"]))


def publication(resolved: Resolved) -> Publication:
    """What would be published of a resolved document."""
    system = resolved.system
    tokens: list[PublishedToken] = []
    step_names: dict[tuple[str, str], str] = {}
    for hue, names in scale_token_names(system):
        rgb8, alpha = resolved.scales[hue.id].rgb8, standing(system, hue).alpha
        for step, name, color in zip(ladder_of(system, hue).steps, names, hexes_of(rgb8), strict=True):
            if step.hidden:
                continue
            step_names[hue.id, step.id] = name
            tokens.append(PublishedToken(f"{hue.id}/{step.id}", name, color, alpha, None, ""))
    for token in in_order(system.tokens):
        color_of = resolved.tokens[token.id]
        value = value_in(token, resolved.theme.id if resolved.theme else "")
        alias = None
        if isinstance(value, StepAlias):
            # A token on a hidden step leaves with its value alone.
            alias = step_names.get((value.hue, value.step))
        elif isinstance(value, TokenAlias):
            alias = system.tokens[value.token].name
        tokens.append(PublishedToken(token.id, token.name, hex_of(color_of.rgb8), color_of.alpha, alias, token.note))
    return Publication(system.name, tuple(tokens))


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
        elif distance is not None or was.alpha != now.alpha:
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
