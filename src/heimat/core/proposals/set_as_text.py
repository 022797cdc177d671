"""A set as text, and back: a line a hue under the headings of its kinds, edited and read as one change."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from heimat.core.color.notation import Color, Notation, format, rgb8_of
from heimat.core.color.reading import read_lines
from heimat.core.document.hues import GivenSource, Hue, HueKind
from heimat.core.document.ids import new_id
from heimat.core.document.order import in_order
from heimat.core.document.system import MOST_HUES, ColorSystem
from heimat.core.edits import UserEdit
from heimat.core.edits.hues import AddHues, MoveHue, NewHue, RemoveHue, RenameHue, SetHueKind
from heimat.core.edits.sources import SetSource
from heimat.core.errors import DomainError
from heimat.core.hues.source import source_color
from heimat.core.sources.conventions import STATUSES, Status

What = Literal["unchanged", "changed", "renamed", "sorted", "moved", "added", "removed", "not read"]
_KINDS: tuple[HueKind, ...] = ("brand", "accent", "status", "neutral")
_FOLLOWS = " follows "
_MOST_HEADINGS = 40


@dataclass(frozen=True)
class Row:
    """What a line comes to: before and after, by name and color."""

    what: What
    name: str
    before: Color | None
    after: Color | None
    words: str = ""


@dataclass(frozen=True)
class Plan:
    """What reading a text back would do: its rows, and the edits that do it, in order."""

    rows: list[Row]
    edits: list[UserEdit]


@dataclass(frozen=True)
class _Line:
    name: str
    color: Color
    kind: HueKind
    status: Status | None


def set_as_text(system: ColorSystem, notation: Notation = "hex", *, sign: bool = True, names: bool = True) -> str:
    """The hues of a set as text, in order, their values in a notation: hex with its `#` or without, names or none."""
    lines: list[str] = []
    kind: HueKind | None = None
    for hue in in_order(system.hues):
        if names and hue.kind != kind:
            lines += ([""] if lines else []) + [hue.kind.capitalize()]
            kind = hue.kind
        value = _value(system, hue, notation)
        value = value if sign else value.removeprefix("#")
        lines.append(f"{hue.name}: {value}{_remark(system, hue)}" if names else value)
    return "\n".join(lines) + "\n"


def _value(system: ColorSystem, hue: Hue, notation: Notation) -> str:
    color = source_color(system, hue)
    return format(color, notation) or format(color, "hex")


def _remark(system: ColorSystem, hue: Hue) -> str:
    if not isinstance(hue.source, GivenSource):
        return f"{_FOLLOWS}{system.hues[hue.source.hue].name}"
    return f" {hue.status}" if hue.status else ""


def read_back(system: ColorSystem, text: str) -> Plan:
    """What a text that was a set would change of it. Nothing is changed here.

    A line is the hue of its name; one without, the hue of its color that no other line names. Lines that cannot be
    read leave the hues that they name as they are; while there are any, nothing is removed or moved. Raises DomainError
    (field `text`) for more lines than a set has hues.
    """
    lines, rows = _lines(text)
    hues = in_order(system.hues)
    matched = _matched(system, lines, hues)
    edits: list[UserEdit] = []
    broken = any(row.what == "not read" for row in rows)
    for line, hue in zip(lines, matched, strict=True):
        if hue is not None:
            _compare(system, line, hue, rows, edits)
    kept = {hue.id for hue in matched if hue is not None}
    order: list[str] = []
    for line, hue in zip(lines, matched, strict=True):
        if hue is None:
            key = new_id()
            new = NewHue(id=key, name=line.name, kind=line.kind, status=line.status, color=line.color, note="typed")
            edits.append(AddHues(hues=(new,)))
            rows.append(Row("added", line.name, None, line.color))
            order.append(key)
        else:
            order.append(hue.id)
    for hue in hues:
        if hue.id in kept or broken:
            continue
        edits.append(RemoveHue(hue=hue.id))
        rows.append(Row("removed", hue.name, source_color(system, hue), None))
    if not broken:
        gone = {edit.hue for edit in edits if isinstance(edit, RemoveHue)}
        _reorder([hue.id for hue in hues if hue.id not in gone], order, system, rows, edits)
    return Plan(rows, edits)


def _lines(text: str) -> tuple[list[_Line], list[Row]]:
    lines: list[_Line] = []
    rows: list[Row] = []
    kind: HueKind = "accent"
    filled = [bare for written in text.splitlines() if (bare := written.strip())]
    if len(filled) > MOST_HUES + _MOST_HEADINGS:
        raise DomainError(f"A set has at most {MOST_HUES} hues; this text has {len(filled):,} lines.", "text", "limit")
    for bare in filled:
        heading = bare.rstrip(":").lower()
        if heading in _KINDS:
            kind = heading
            continue
        try:
            lines.append(_line(bare, kind))
        except DomainError as refusal:
            rows.append(Row("not read", bare[:60], None, None, refusal.message))
    return lines, rows


def _line(text: str, kind: HueKind) -> _Line:
    value, _, _ = text.partition(_FOLLOWS)
    status: Status | None = None
    for word in STATUSES:
        if kind == "status" and value.endswith(f" {word}"):
            status, value = word, value.removesuffix(f" {word}")
    name, colon, rest = value.partition(":")
    read = read_lines(rest if colon else value)
    if len(read) != 1 or read[0].color is None:
        problem = read[0].problem if len(read) == 1 else "Put one color on each line."
        raise DomainError(problem or "There is no color on this line.", "text", "unreadable")
    return _Line(name.strip() if colon else read[0].name, read[0].color, kind, status)


def _matched(system: ColorSystem, lines: Sequence[_Line], hues: Sequence[Hue]) -> list[Hue | None]:
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
    return bool((rgb8_of(one) == rgb8_of(other)).all())


def _compare(system: ColorSystem, line: _Line, hue: Hue, rows: list[Row], edits: list[UserEdit]) -> None:
    before = source_color(system, hue)
    unchanged = True
    if line.name and line.name != hue.name:
        edits.append(RenameHue(hue=hue.id, name=line.name))
        rows.append(Row("renamed", line.name, before, before, f"was {hue.name}"))
        unchanged = False
    if not _same(before, line.color):
        edits.append(SetSource(hue=hue.id, color=line.color))
        follows = "" if isinstance(hue.source, GivenSource) else "follows no longer"
        rows.append(Row("changed", line.name or hue.name, before, line.color, follows))
        unchanged = False
    status = line.status if line.kind == "status" else None
    if (line.kind, status) != (hue.kind, hue.status):
        edits.append(SetHueKind(hue=hue.id, kind=line.kind, status=status))
        rows.append(Row("sorted", line.name or hue.name, before, before, f"as {status or line.kind}"))
        unchanged = False
    if unchanged:
        rows.append(Row("unchanged", hue.name, before, before))


def _reorder(now: list[str], wanted: list[str], system: ColorSystem, rows: list[Row], edits: list[UserEdit]) -> None:
    """Move as few hues as can be until they stand as wanted."""
    places = {hue: place for place, hue in enumerate([*now, *[hue for hue in wanted if hue not in now]])}
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
