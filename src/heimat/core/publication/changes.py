"""How two publications differ, and which version that makes."""

from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.difference import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.publication.contract import EMPTY
from heimat.core.publication.publication import UNNAMED, Publication, PublishedToken, PublishedValue

ChangeKind = Literal["added", "removed", "renamed", "changed", "repointed", "described"]


@dataclass(frozen=True)
class TokenChange:
    """How one token differs: what happened, before and after, and in which theme it differs most.

    `theme` is None where no value differs; for values that differ, `distance` is the CIEDE2000 between their colors.
    """

    change: ChangeKind
    before: PublishedToken | None
    after: PublishedToken | None
    theme: str | None = None
    distance: float | None = None


def comparable(before: Publication, after: Publication) -> Publication:
    """`before` told in the themes of `after`: the only theme of an old release was the first one."""
    if [theme.id for theme in before.themes] != [UNNAMED]:
        return before
    first = after.themes[0]
    tokens = tuple(replace(token, values={first.id: token.value(UNNAMED)}) for token in before.tokens)
    return replace(before, themes=(first,), tokens=tokens)


def same(before: Publication, after: Publication) -> bool:
    """Whether publishing `after` would give developers what they have. What had no contract yet is not held to one."""
    old = comparable(before, after)
    return (old if old.contract != EMPTY else replace(old, contract=after.contract)) == after


def compare(before: Publication | None, after: Publication) -> list[TokenChange]:
    """What differs between two publications: removed and renamed first, then added, pointed elsewhere, changed.

    Last come those of which only is said something else: a note, or that they are on their way out.
    """
    old = {token.id: token for token in comparable(before, after).with_palettes()} if before else {}
    new = {token.id: token for token in after.with_palettes()}
    removed = [TokenChange("removed", token, None) for key, token in old.items() if key not in new]
    added = [TokenChange("added", None, token) for key, token in new.items() if key not in old]
    both = [(old[key], token) for key, token in new.items() if key in old]
    # An alias that only follows its target's new name has not been pointed elsewhere.
    names = {was.name: now.name for was, now in both if was.name != now.name}
    renamed, repointed, changed, described = [], [], [], []
    for was, now in both:
        theme, distance = _most_different(was, now)
        if was.name != now.name:
            renamed.append(TokenChange("renamed", was, now, theme, distance))
        elif _repointed(was, now, names):
            repointed.append(TokenChange("repointed", was, now, theme, distance))
        elif theme is not None:
            changed.append(TokenChange("changed", was, now, theme, distance))
        elif _said(was) != _said(now):
            described.append(TokenChange("described", was, now))
    return removed + renamed + added + repointed + changed + described


def changed_ids(before: Publication, after: Publication) -> frozenset[str]:
    """The ids of the tokens that `compare` would tell of, also of those that go, without measuring by how much."""
    old = {token.id: token for token in comparable(before, after).with_palettes()}
    new = {token.id: token for token in after.with_palettes()}
    names = {old[key].name: token.name for key, token in new.items() if key in old and old[key].name != token.name}
    both = {
        key
        for key, token in new.items()
        if key in old
        and old[key] != token
        and (
            old[key].name != token.name
            or _repointed(old[key], token, names)
            or bool(_differing(old[key], token))
            or _said(old[key]) != _said(token)
        )
    }
    return frozenset(both | (old.keys() ^ new.keys()))


def _said(token: PublishedToken) -> tuple[object, ...]:
    return token.note, token.usage, token.deprecated


def _repointed(was: PublishedToken, now: PublishedToken, names: dict[str, str]) -> bool:
    """Whether it stands for another token in any theme that both know."""
    shared = was.values.keys() & now.values.keys()
    aliases = [(was.values[theme].alias, now.values[theme].alias) for theme in shared]
    return any(names.get(before or "", before) != after for before, after in aliases)


def _most_different(was: PublishedToken, now: PublishedToken) -> tuple[str | None, float | None]:
    """The theme in which a token's color differs most, the first one of equals, and by how much.

    In a theme that comes or goes, a token differs where it says otherwise there than in the first theme: that is what
    developers had, or will have.
    """
    found = [
        (_distance(before, after) if before.hex != after.hex else None, theme)
        for theme, before, after in _differing(was, now)
    ]
    if not found:
        return None, None
    distance, theme = max(found, key=lambda each: each[0] or 0.0)
    return theme, distance


def _differing(was: PublishedToken, now: PublishedToken) -> list[tuple[str, PublishedValue, PublishedValue]]:
    """The themes in which a token's color differs, with the values before and after."""
    themes = [*now.values, *(theme for theme in was.values if theme not in now.values)]
    pairs = [(theme, was.value(theme), now.value(theme)) for theme in themes]
    return [
        (theme, before, after)
        for theme, before, after in pairs
        if (before.hex, before.alpha, before.p3) != (after.hex, after.alpha, after.p3)
    ]


def _distance(one: PublishedValue, other: PublishedValue) -> float:
    labs = srgb_to_lab(from_bytes(np.array([list(bytes.fromhex(value.hex[1:])) for value in (one, other)])))
    return float(ciede2000(labs[0], labs[1]))


def _is_newly_deprecated(change: TokenChange) -> bool:
    before, after = change.before, change.after
    return after is not None and after.deprecated is not None and (before is None or before.deprecated is None)


def next_version(latest: str | None, changes: list[TokenChange]) -> str:
    """The semantic version proposed: major where names go, minor where names come or point elsewhere, else patch."""
    if latest is None:
        return "1.0.0"
    major, minor, patch = (int(part) for part in latest.split("."))
    kinds = {change.change for change in changes}
    if kinds & {"removed", "renamed"}:
        return f"{major + 1}.0.0"
    if kinds & {"added", "repointed"} or any(_is_newly_deprecated(change) for change in changes):
        return f"{major}.{minor + 1}.0"
    return f"{major}.{minor}.{patch + 1}"
