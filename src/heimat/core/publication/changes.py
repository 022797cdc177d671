"""How two publications differ, and which version that makes."""

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.release_rules import SMALL_CHANGE
from heimat.core.publication.contract import EMPTY
from heimat.core.publication.frame import FrameChange
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
    tokens = tuple(
        replace(token, values={first.id: token.value(UNNAMED)}) for token in before.tokens
    )
    return replace(before, themes=(first,), tokens=tokens)


def same(before: Publication, after: Publication) -> bool:
    """Whether publishing `after` would give developers what they have.

    What had no contract yet is not held to one, nor a palette that did not say yet how it is made; nor is a release
    held to how preferences were heeded before.
    """
    old = comparable(before, after)
    made = {palette.id: palette.made for palette in after.palettes}
    palettes = tuple(
        each if each.made else replace(each, made=made.get(each.id)) for each in old.palettes
    )
    contract = after.contract if old.contract == EMPTY else old.contract
    held = replace(old, contract=contract, palettes=palettes, keeps_scheme=after.keeps_scheme)
    return held == after


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
    kinds: dict[ChangeKind, list[TokenChange]] = defaultdict(list)
    differing = [list(_differing(was, now)) for was, now in both]
    distances = _distances({(one.hex, other.hex) for found in differing for _, one, other in found})
    for (was, now), differs in zip(both, differing, strict=True):
        theme, distance = _most_different(differs, distances)
        kind = _kind(was, now, names, theme)
        if kind is not None:
            kinds[kind].append(TokenChange(kind, was, now, theme, distance))
    rest = kinds["repointed"] + kinds["changed"] + kinds["described"]
    return removed + kinds["renamed"] + added + rest


def _kind(
    was: PublishedToken, now: PublishedToken, names: dict[str, str], theme: str | None
) -> ChangeKind | None:
    """What has become of a token that is still there; `theme` is where its color differs most, None where nowhere."""
    if was.name != now.name:
        return "renamed"
    if _repointed(was, now, names):
        return "repointed"
    if theme is not None:
        return "changed"
    return "described" if _said(was) != _said(now) else None


def changed_ids(before: Publication, after: Publication) -> frozenset[str]:
    """The ids of the tokens that `compare` would tell of, also of those that go, without measuring by how much."""
    old = {token.id: token for token in comparable(before, after).with_palettes()}
    new = {token.id: token for token in after.with_palettes()}
    names = {
        old[key].name: token.name
        for key, token in new.items()
        if key in old and old[key].name != token.name
    }
    both = {
        key
        for key, token in new.items()
        if key in old
        and old[key] != token
        and (
            any(True for _ in _differing(old[key], token))
            or old[key].name != token.name
            or _repointed(old[key], token, names)
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


def _most_different(
    differs: Sequence[tuple[str, PublishedValue, PublishedValue]],
    distances: Mapping[tuple[str, str], float],
) -> tuple[str | None, float | None]:
    """The theme in which a token's color differs most, the first one of equals, and by how much.

    In a theme that comes or goes, a token differs where it says otherwise there than in the first theme: that is what
    developers had, or will have.
    """
    found = [(distances.get((before.hex, after.hex)), theme) for theme, before, after in differs]
    if not found:
        return None, None
    distance, theme = max(found, key=lambda each: each[0] or 0.0)
    return theme, distance


def _differing(
    was: PublishedToken, now: PublishedToken
) -> Iterator[tuple[str, PublishedValue, PublishedValue]]:
    """The themes in which a token's color differs, with the values before and after."""
    for theme in now.values | was.values:
        before, after = was.value(theme), now.value(theme)
        if before.hex != after.hex or before.alpha != after.alpha or before.p3 != after.p3:
            yield theme, before, after


def _distances(pairs: set[tuple[str, str]]) -> dict[tuple[str, str], float]:
    """CIEDE2000 between the two colors of each pair, `#RRGGBB`, that differ; found for all at once."""
    found = sorted(pair for pair in pairs if pair[0] != pair[1])
    if not found:
        return {}
    levels = np.array(
        [[list(bytes.fromhex(text[1:])) for text in pair] for pair in found], dtype=np.uint8
    )
    labs = srgb_to_lab(from_bytes(levels))
    return dict(zip(found, map(float, ciede2000(labs[:, 0], labs[:, 1])), strict=True))


def _is_newly_deprecated(change: TokenChange) -> bool:
    before, after = change.before, change.after
    return (
        after is not None
        and after.deprecated is not None
        and (before is None or before.deprecated is None)
    )


@dataclass(frozen=True)
class Proposed:
    """The version that changes make, and why, in a sentence."""

    version: str
    why: str


def next_version(
    latest: str | None,
    changes: list[TokenChange],
    patch_below: float = SMALL_CHANGE,
    lost: Sequence[tuple[str, str]] = (),
    frame: Sequence[FrameChange] = (),
) -> Proposed:
    """The semantic version proposed; `lost` are names that outputs give no more, each with its output's.

    Major where a name goes, of a token, a theme or the package; minor where one comes, is on its way out, is renamed
    while the old one lives on, points elsewhere, or changes its color by `patch_below` (CIEDE2000) or more; else patch.
    """
    if latest is None:
        return Proposed("1.0.0", "It is the first release.")
    major, minor, patch = (int(part) for part in latest.split("."))
    breaks = _what_breaks(changes, lost, frame)
    if breaks:
        return Proposed(f"{major + 1}.0.0", f"Major: {breaks}")
    kinds = {change.change for change in changes}
    large = any(
        change.distance is not None and change.distance >= patch_below for change in changes
    )
    reasons = {
        "names are new": bool(kinds & {"added", "renamed"}) or bool(frame),
        "tokens stand for something else": "repointed" in kinds,
        "tokens are on their way out": any(_is_newly_deprecated(change) for change in changes),
        f"colors change by CIEDE2000 {patch_below:g} or more": large,
    }
    why = [words for words, holds in reasons.items() if holds]
    if why:
        return Proposed(f"{major}.{minor + 1}.0", f"Minor: {', '.join(why)}.")
    return Proposed(
        f"{major}.{minor}.{patch + 1}",
        f"Patch: no name changes, no color by {patch_below:g} or more.",
    )


def _what_breaks(
    changes: list[TokenChange], lost: Sequence[tuple[str, str]], frame: Sequence[FrameChange]
) -> str:
    """The first name that code will not find any more, in a sentence; empty where it finds all."""
    names = {change.after.name for change in changes if change.after is not None}
    gone = [
        change.before.name
        for change in changes
        if change.before and change.before.name not in names and _goes(change)
    ]
    if gone:
        more = f" and {len(gone) - 1} more" if len(gone) > 1 else ""
        return f"{gone[0]}{more} will not be found any more."
    if lost:
        output, name = lost[0]
        return f"{output} gives nothing as {name} any more."
    words = next((change.words for change in frame if change.breaks), "")
    return f"{words[:1].lower()}{words[1:]}"


def _goes(change: TokenChange) -> bool:
    """Whether developers will not find a token by the name that it had."""
    if change.change == "removed":
        return True
    return (
        change.before is not None
        and change.after is not None
        and change.before.name != change.after.name
    )
