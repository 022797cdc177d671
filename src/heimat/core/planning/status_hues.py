"""Taking four proposed status colors into a document: hues that are there change, others come, and tokens go along."""

from collections.abc import Mapping

from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.naming import unique_name
from heimat.core.document.hues import Hue
from heimat.core.document.ids import new_id
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import StepAlias
from heimat.core.edits import UserEdit, apply_all
from heimat.core.edits.hue_edits import AddHues, NewHue, SetHueNote
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.resolve.resolved import resolve
from heimat.core.sources.conventions import STATUSES, Status


def status_hues(system: ColorSystem) -> dict[Status, Hue]:
    """The hue of each status: the first one in order that says it."""
    found: dict[Status, Hue] = {}
    for hue in in_order(system.hues):
        if hue.status:
            found.setdefault(hue.status, hue)
    return found


def status_edits(
    system: ColorSystem, colors: Mapping[Status, Color], notes: Mapping[Status, str]
) -> list[UserEdit]:
    """The edits that give a document's status hues some colors and notes; tokens told apart go along.

    A hue that is held keeps its color, and takes its note.
    """
    present = status_hues(system)
    edits: list[UserEdit] = []
    fresh: list[NewHue] = []
    taken = [hue.name for hue in system.hues.values()]
    for status in STATUSES:
        if status not in colors:
            continue
        color, hue = colors[status], present.get(status)
        if hue is None:
            name = unique_name(status, taken)
            taken.append(name)
            new = NewHue(
                id=new_id(),
                name=name,
                kind="status",
                status=status,
                color=color,
                note=notes.get(status, ""),
            )
            fresh.append(new)
            continue
        if not hue.held and (rgb8_of(color) != resolve(system).hues[hue.id].scale.source8).any():
            edits.append(SetSource(hue=hue.id, color=color))
        if status in notes and notes[status] != hue.note:
            edits.append(SetHueNote(hue=hue.id, note=notes[status]))
    if fresh:
        edits.append(AddHues(hues=tuple(fresh)))
    return [*edits, *tokens_along(apply_all(system, edits).system)] if edits else []


def tokens_along(system: ColorSystem) -> list[UserEdit]:
    """The edits that put tokens which must be told apart back on the steps that carry status hues' own colors.

    Where the colors of status hues change, other steps carry them than those the tokens stand on.
    """
    resolved = resolve(system)
    apart = {token for told in system.told_apart.values() for token in told.tokens}
    edits: list[UserEdit] = []
    for token in in_order(system.tokens):
        if token.id not in apart:
            continue
        for theme in resolved.themes:
            value = token.values.get(theme)
            hue = resolved.hues[value.hue] if isinstance(value, StepAlias) else None
            if value is None or hue is None or hue.hue.status is None or hue.scale.anchor is None:
                continue
            own = StepAlias(hue=hue.id, step=hue.steps[hue.scale.anchor].id)
            if own != value:
                edits.append(SetTokenValue(token=token.id, theme=theme, value=own))
    return edits
