"""Changes in words: gathered by what they belong to, as notes, and as Markdown for a review."""

from collections.abc import Sequence
from dataclasses import dataclass

from heimat.core.color.ciede2000 import distance_text
from heimat.core.document.words import counted
from heimat.core.publication.changes import ChangeKind, TokenChange
from heimat.core.publication.frame import FrameChange
from heimat.core.publication.publication import PublishedTheme

_ORDER: tuple[ChangeKind, ...] = (
    "removed",
    "renamed",
    "repointed",
    "added",
    "changed",
    "described",
)
_HEADS: dict[ChangeKind, str] = {
    "removed": "Removed",
    "renamed": "Renamed",
    "repointed": "Stand for something else",
    "added": "New",
    "changed": "Changed",
    "described": "Described otherwise",
}


@dataclass(frozen=True)
class ChangeGroup:
    """Changes of one kind that belong together: a scale, a palette, or one token alone; `words` tell them in a line."""

    kind: ChangeKind
    words: str
    changes: tuple[TokenChange, ...]


def grouped(changes: Sequence[TokenChange]) -> list[ChangeGroup]:
    """The changes by kind, what breaks most first; those of one scale, or of one palette, together."""
    found: list[ChangeGroup] = []
    for kind in _ORDER:
        together: dict[str, list[TokenChange]] = {}
        for change in changes:
            if change.change == kind:
                together.setdefault(_belongs_to(change), []).append(change)
        found += [
            ChangeGroup(kind, _line(kind, group), tuple(group)) for group in together.values()
        ]
    return found


def _belongs_to(change: TokenChange) -> str:
    """What a token is a part of: scale tokens have ids of hue and step, colors of palettes begin with `palette`."""
    token = change.after or change.before
    assert token is not None
    parts = token.id.split("/")
    return "/".join(parts[:-1]) if len(parts) > 1 else token.id


def _line(kind: ChangeKind, group: Sequence[TokenChange]) -> str:
    if len(group) == 1:
        return sentence(group[0])
    names = [(change.after or change.before).name for change in group]  # type: ignore[union-attr]
    far = max((change.distance or 0.0 for change in group), default=0.0)
    by = f", by up to CIEDE2000 {distance_text(far)}" if far else ""
    return f"{names[0]} to {names[-1]}: {len(group)} {_HEADS[kind].lower()}{by}"


def sentence(change: TokenChange) -> str:
    """One change, plainly."""
    before, after = change.before, change.after
    by = f", by CIEDE2000 {distance_text(change.distance)}" if change.distance is not None else ""
    if change.change == "removed" and before is not None:
        return f"{before.name} goes"
    assert after is not None
    if change.change == "added":
        return f"{after.name} is new"
    if change.change == "renamed" and before is not None:
        return f"{before.name} is called {after.name}{by}"
    if change.change == "repointed":
        return f"{after.name} stands for something else{by}"
    if change.change == "described":
        if after.deprecated is not None and (before is None or before.deprecated is None):
            instead = (
                f": use {after.deprecated.replacement}" if after.deprecated.replacement else ""
            )
            return f"{after.name} is on its way out{instead}"
        return f"{after.name} is described otherwise"
    return f"{after.name} is another color{by}"


def drafted_notes(
    changes: Sequence[TokenChange], first: bool, frame: Sequence[FrameChange] = ()
) -> str:
    """Notes in plain sentences, to be edited."""
    if first:
        return f"The first release: {counted(len(changes), 'token')}."
    return "\n".join(
        [*(change.words for change in frame), *(f"{group.words}." for group in grouped(changes))]
    )


def markdown(
    title: str,
    version: str,
    changes: Sequence[TokenChange],
    breaks: Sequence[str],
    themes: Sequence[PublishedTheme],
    frame: Sequence[FrameChange] = (),
) -> str:
    """What changes as Markdown for a pull request: what breaks first, then themes, then a table for every kind."""
    lines = [f"## {_cell(title)} {version}", ""]
    if breaks:
        lines += ["**This breaks**", "", *(f"- {_cell(each)}" for each in breaks), ""]
    if frame:
        lines += [
            f"### Themes and package: {len(frame)}",
            "",
            *(f"- {_cell(each.words)}" for each in frame),
            "",
        ]
    for kind in _ORDER:
        own = [change for change in changes if change.change == kind]
        if not own:
            continue
        lines += [
            f"### {_HEADS[kind]}: {len(own)}",
            "",
            "| token | before | after | CIEDE2000 | theme |",
            "|---|---|---|---|---|",
        ]
        lines += [_row(change, themes) for change in own]
        lines.append("")
    if not changes and not frame:
        lines += ["Nothing changes.", ""]
    return "\n".join(lines)


def _row(change: TokenChange, themes: Sequence[PublishedTheme]) -> str:
    theme = change.theme or themes[0].id
    name = next((each.name for each in themes if each.id == change.theme), "")
    before, after = change.before, change.after
    token = (
        before.name
        if before and after and before.name == after.name
        else " → ".join(each.name for each in (before, after) if each)
    )
    values = [each.value(theme).hex if each else "" for each in (before, after)]
    far = distance_text(change.distance) if change.distance is not None else ""
    return f"| {_cell(token)} | {values[0]} | {values[1]} | {far} | {_cell(name)} |"


def _cell(text: str) -> str:
    """Text that ends no cell and is no markup."""
    plain = " ".join(text.split())
    for sign in "\\`*_<>|[]":
        plain = plain.replace(sign, f"\\{sign}")
    return plain
