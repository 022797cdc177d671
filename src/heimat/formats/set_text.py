"""A set as text, and back: a line a hue under the headings of its kinds."""

from heimat.core.color.color_lines import read_lines
from heimat.core.color.notation import Notation, format
from heimat.core.document.hues import KIND_ORDER, GivenSource, Hue, HueKind
from heimat.core.document.order import in_order
from heimat.core.document.system import MOST_HUES, ColorSystem
from heimat.core.errors import DomainError
from heimat.core.hues.source import source_color
from heimat.core.planning.set_changes import Children, Plan, Row, SetLine, set_changes
from heimat.core.sources.conventions import STATUSES, Status

_FOLLOWS = " follows "
_MOST_HEADINGS = 40


def set_as_text(
    system: ColorSystem, notation: Notation = "hex", *, sign: bool = True, names: bool = True
) -> str:
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


def _lines(text: str) -> tuple[list[SetLine], list[Row]]:
    lines: list[SetLine] = []
    rows: list[Row] = []
    kind: HueKind = "accent"
    filled = [bare for written in text.splitlines() if (bare := written.strip())]
    if len(filled) > MOST_HUES + _MOST_HEADINGS:
        raise DomainError(
            f"A set has at most {MOST_HUES} hues; this text has {len(filled):,} lines.",
            "text",
            "limit",
        )
    for bare in filled:
        heading = bare.rstrip(":").lower()
        if heading in KIND_ORDER:
            kind = heading
            continue
        try:
            lines.append(_line(bare, kind))
        except DomainError as refusal:
            rows.append(Row("not read", bare[:60], None, None, refusal.message))
    return lines, rows


def _line(text: str, kind: HueKind) -> SetLine:
    value, _, follows = text.partition(_FOLLOWS)
    status: Status | None = None
    for word in STATUSES:
        if kind == "status" and value.endswith(f" {word}"):
            status, value = word, value.removesuffix(f" {word}")
    name, colon, rest = value.partition(":")
    read = read_lines(rest if colon else value)
    if len(read) != 1 or read[0].color is None:
        problem = read[0].problem if len(read) == 1 else "Put one color on each line."
        raise DomainError(problem or "There is no color on this line.", "text", "unreadable")
    return SetLine(
        name.strip() if colon else read[0].name,
        read[0].color,
        kind,
        status,
        follows.strip(),
        bool(colon),
    )


def read_back(
    system: ColorSystem, text: str, *, now: ColorSystem | None = None, children: Children = "detach"
) -> Plan:
    """What a text that was a set would change of it, and of what has become of it `now`.

    Raises DomainError (field `text`) for more lines than a set has hues.
    """
    lines, rows = _lines(text)
    return set_changes(system, lines, rows, now or system, children)
