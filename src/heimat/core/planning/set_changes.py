"""What a set that was edited as text would change: line by line, as edits, beside what others have changed since."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.hex_notation import alpha_level
from heimat.core.color.notation import format
from heimat.core.color.overlay import on_white
from heimat.core.document.following import with_descendants
from heimat.core.document.hues import GivenSource, Hue, HueKind, parent_of
from heimat.core.document.ids import new_id
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.words import listed
from heimat.core.edits import UserEdit
from heimat.core.edits.hue_edits import AddHues, MoveHue, NewHue, RemoveHue, RenameHue, SetHueKind
from heimat.core.edits.source_edits import SetSource
from heimat.core.hues.source import source_color
from heimat.core.sources.conventions import Status

What = Literal[
    "unchanged", "changed", "renamed", "sorted", "moved", "added", "removed", "kept", "not read"
]
Children = Literal["detach", "remove"]


@dataclass(frozen=True)
class Row:
    """What a line comes to: before and after, by name and color; `followed` says that others follow what goes."""

    what: What
    name: str
    before: Color | None
    after: Color | None
    words: str = ""
    followed: bool = False


@dataclass(frozen=True)
class Plan:
    """What reading a text back would do: its rows, and the edits that do it, in order."""

    rows: list[Row]
    edits: list[UserEdit]


@dataclass(frozen=True)
class SetLine:
    """A line of a set as text: a color, the name it is given, or none, its kind, and what it is said to follow."""

    name: str
    color: Color
    kind: HueKind
    status: Status | None
    follows: str
    named: bool


def set_changes(
    system: ColorSystem,
    lines: Sequence[SetLine],
    rows: list[Row],
    now: ColorSystem,
    children: Children,
) -> Plan:
    """What the lines of a text that was a set would change of it. Nothing is changed here.

    `rows` are of what could not be read; those of the plan come behind. A line is the hue of its name; one without,
    the hue of its color that no other line names. Lines that cannot be read leave the hues that they name as they are;
    while there are any, nothing is removed or moved. `system` is the set that the text was written of, `now` what has
    become of it meanwhile: what the text does not touch stays as it is now, and where both have changed the same, both
    are told. Hues that follow a removed one keep their colors, or go too, as `children` says.
    """
    hues = in_order(system.hues)
    matched = _matched(system, lines, hues)
    edits: list[UserEdit] = []
    for line, hue in zip(lines, matched, strict=True):
        if hue is not None:
            _compare(system, now, line, hue, rows, edits)
    broken = any(row.what == "not read" for row in rows)
    kept = {hue.id for hue in matched if hue is not None}
    order: list[str] = []
    for line, hue in zip(lines, matched, strict=True):
        if hue is not None:
            order.append(hue.id)
            continue
        refusal = _not_new(line)
        if refusal:
            rows.append(Row("not read", line.name, None, None, refusal))
            broken = True
            continue
        new = NewHue(
            id=new_id(),
            name=line.name,
            kind=line.kind,
            status=line.status,
            color=line.color,
            note="typed",
        )
        edits.append(AddHues(hues=(new,), nearest=True))
        rows.append(Row("added", line.name, None, line.color))
        order.append(new.id)
    gone = (
        []
        if broken
        else _removed([hue for hue in hues if hue.id not in kept], now, children, rows, edits)
    )
    _tell_meanwhile(system, now, kept, rows)
    if not broken:
        _place(hues, order, gone, now, rows, edits)
    return Plan(rows, edits)


def _not_new(line: SetLine) -> str | None:
    """Why a line that is no hue yet cannot become one."""
    if line.follows:
        return f"No hue called {line.name or 'so'} follows {line.follows} yet: derive it from that, or give its color."
    return _translucent(line.color)


def _translucent(color: Color) -> str | None:
    if color.alpha == 1.0:
        return None
    seen = format(on_white(color), "hex")
    return f"{format(color, 'hex')} is translucent, and a hue is solid. As it looks on white it is {seen}."


def _removed(
    hues: Sequence[Hue],
    now: ColorSystem,
    children: Children,
    rows: list[Row],
    edits: list[UserEdit],
) -> list[str]:
    """Take hues away that no line names, and what follows them, if so wanted. Returns the ids of all that go."""
    going = [hue.id for hue in hues if hue.id in now.hues]
    gone = list(going)
    for key in going:
        others = [other for other in with_descendants(now, key)[1:] if other not in going]
        words = ""
        if others and children == "detach":
            words = f"{listed([now.hues[other].name for other in others])} will follow it no longer"
        elif others:
            words = f"with {listed([now.hues[other].name for other in others])}"
            gone += others
        rows.append(
            Row(
                "removed",
                now.hues[key].name,
                source_color(now, now.hues[key]),
                None,
                words,
                bool(others),
            )
        )
    # Those that follow go first: a hue that is gone with its parent cannot be removed again.
    for key in sorted(going, key=lambda each: -len(_parents(now, each))):
        edits.append(RemoveHue(hue=key, children=children))
    return gone


def _parents(system: ColorSystem, hue: str) -> list[str]:
    found: list[str] = []
    at = parent_of(system.hues[hue])
    while at is not None and at in system.hues and at not in found:
        found.append(at)
        at = parent_of(system.hues[at])
    return found


def _tell_meanwhile(system: ColorSystem, now: ColorSystem, kept: set[str], rows: list[Row]) -> None:
    """Tell what others have done since the text was written, and the text leaves alone."""
    for hue in in_order(now.hues):
        if hue.id not in system.hues:
            color = source_color(now, hue)
            rows.append(Row("kept", hue.name, color, color, "added meanwhile by somebody else"))
    for hue in in_order(system.hues):
        if hue.id not in now.hues and hue.id in kept:
            rows.append(
                Row(
                    "kept",
                    hue.name,
                    None,
                    None,
                    "removed meanwhile by somebody else, and stays removed",
                )
            )


def _place(
    hues: Sequence[Hue],
    order: Sequence[str],
    gone: Sequence[str],
    now: ColorSystem,
    rows: list[Row],
    edits: list[UserEdit],
) -> None:
    """Bring hues into the order of the lines. What was added meanwhile stays behind what it stands behind."""
    there = [hue.id for hue in in_order(now.hues) if hue.id not in gone]
    wanted = [
        hue
        for hue in order
        if hue not in gone and (hue in now.hues or all(hue != old.id for old in hues))
    ]
    for place, hue in enumerate(there):
        if hue not in wanted:
            wanted.insert(wanted.index(there[place - 1]) + 1 if place else 0, hue)
    _reorder(there, wanted, now, rows, edits)


def _matched(
    system: ColorSystem, lines: Sequence[SetLine], hues: Sequence[Hue]
) -> list[Hue | None]:
    by_name = {hue.name.casefold(): hue for hue in hues}
    found = [by_name.pop(line.name.casefold(), None) for line in lines]
    left = [hue for hue in hues if hue.name.casefold() in by_name]
    for place, line in enumerate(lines):
        if found[place] is None:
            same = next((hue for hue in left if _same(source_color(system, hue), line.color)), None)
            if same is not None:
                left.remove(same)
                found[place] = same
    return found


def _same(one: Color, other: Color) -> bool:
    return bool((rgb8_of(one) == rgb8_of(other)).all()) and alpha_level(one.alpha) == alpha_level(
        other.alpha
    )


def _compare(
    system: ColorSystem,
    now: ColorSystem,
    line: SetLine,
    hue: Hue,
    rows: list[Row],
    edits: list[UserEdit],
) -> None:
    """What a line changes of its hue, as that was written and as it is now."""
    present = now.hues.get(hue.id)
    if present is None:
        return
    written, before = source_color(system, hue), source_color(now, present)
    refusal = _cannot_follow(system, line, hue)
    if refusal:
        rows.append(Row("not read", line.name, None, None, refusal))
        return
    changes = [
        change
        for change in (
            _renamed(line, hue, present, before),
            _recolored(line, hue, written, before),
            _sorted(line, hue, before),
        )
        if change
    ]
    edits += [edit for edit, _ in changes]
    rows += [row for _, row in changes] or [Row("unchanged", present.name, before, before)]


def _renamed(line: SetLine, hue: Hue, present: Hue, before: Color) -> tuple[UserEdit, Row] | None:
    if not line.name or line.name == hue.name:
        return None
    other = f", {present.name} meanwhile" if present.name != hue.name else ""
    row = Row("renamed", line.name, before, before, f"was {hue.name}{other}")
    return RenameHue(hue=hue.id, name=line.name), row


def _recolored(
    line: SetLine, hue: Hue, written: Color, before: Color
) -> tuple[UserEdit, Row] | None:
    is_given = isinstance(hue.source, GivenSource)
    let_go = line.named and not line.follows and not is_given
    if _same(written, line.color) and not let_go:
        return None
    follows = "" if is_given else "follows no longer"
    meanwhile = "" if _same(written, before) else f"{format(before, 'hex')} meanwhile"
    words = "; ".join(part for part in (follows, meanwhile) if part)
    row = Row("changed", line.name or hue.name, before, line.color, words)
    return SetSource(hue=hue.id, color=line.color), row


def _sorted(line: SetLine, hue: Hue, before: Color) -> tuple[UserEdit, Row] | None:
    status = line.status if line.kind == "status" else None
    if not line.named or (line.kind, status) == (hue.kind, hue.status):
        return None
    row = Row("sorted", line.name or hue.name, before, before, f"as {status or line.kind}")
    return SetHueKind(hue=hue.id, kind=line.kind, status=status), row


def _cannot_follow(system: ColorSystem, line: SetLine, hue: Hue) -> str | None:
    """Why what a line says of its hue cannot be read: what it follows, or that it is translucent."""
    parent = system.hues.get(parent_of(hue) or "")
    color = source_color(system, hue)
    if not line.follows:
        return None if _same(color, line.color) else _translucent(line.color)
    if parent is None or parent.name.casefold() != line.follows.casefold():
        whom = f"follows {parent.name}" if parent else "follows nothing"
        return f"{hue.name} {whom}. What a hue follows is chosen in its band, not here."
    if not _same(color, line.color):
        return (
            f"{hue.name} follows {parent.name}, which makes its color. Without “follows {parent.name}” the color "
            "typed here is its own."
        )
    return None


def _reorder(
    now: list[str], wanted: list[str], system: ColorSystem, rows: list[Row], edits: list[UserEdit]
) -> None:
    """Move as few hues as can be until they stand as wanted."""
    places = {
        hue: place for place, hue in enumerate([*now, *[hue for hue in wanted if hue not in now]])
    }
    staying = _longest_rising(wanted, places)
    after: str | None = None
    for hue in reversed(wanted):
        if hue not in staying:
            edits.append(MoveHue(hue=hue, before=after))
            if hue in system.hues:
                color = source_color(system, system.hues[hue])
                rows.append(Row("moved", system.hues[hue].name, color, color))
        after = hue


def _longest_rising(wanted: list[str], places: Mapping[str, int]) -> set[str]:
    """The most hues that stand among one another as wanted already."""
    best: list[list[str]] = []
    for at, hue in enumerate(wanted):
        longest: list[str] = []
        for earlier in range(at):
            if places[wanted[earlier]] < places[hue] and len(best[earlier]) > len(longest):
                longest = best[earlier]
        best.append([*longest, hue])
    return set(sorted(best, key=len)[-1]) if best else set()
