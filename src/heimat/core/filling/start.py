"""The first document: from brand colors to hues, status hues, a tinted neutral and the starter's tokens."""

from collections.abc import Sequence

import numpy as np

from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.naming import check_line, plain_name, unique_name
from heimat.core.document.consistency import check_system
from heimat.core.document.free_names import plain_part
from heimat.core.document.hues import Hue, TintedSource
from heimat.core.document.ids import new_id
from heimat.core.document.order import keys
from heimat.core.document.system import MOST_HUES, ColorSystem
from heimat.core.edits.source_edits import given, opaque
from heimat.core.errors import DomainError
from heimat.core.filling.starter import with_starter
from heimat.core.scales.ladder import FINE
from heimat.core.sources.conventions import STATUS_NOTES, STATUSES
from heimat.core.sources.status import Brand, propose

_ROOM = 5
"""Hues that a start adds of its own: four for status and a neutral."""


def start_system(name: str, colors: Sequence[tuple[str, Color]]) -> ColorSystem:
    """A whole system from brand colors with perhaps empty names.

    Raises DomainError (fields `name` and `colors`) where there is no color, a translucent one, too many, or a name
    that cannot be.
    """
    if not name.strip():
        raise DomainError("A system needs a name.", "name", "empty")
    check_line(name.strip(), "name")
    if not colors:
        raise DomainError("Give at least one brand color, for example #0B6E6E.", "colors", "empty")
    if len(colors) > MOST_HUES - _ROOM:
        raise DomainError(
            f"A system starts with at most {MOST_HUES - _ROOM} colors.", "colors", "limit"
        )
    orders = iter(keys(len(colors) + _ROOM))
    hues: list[Hue] = []
    for given_name, color in colors:
        source, recall = given(opaque(color, "colors"), None)
        hue_name = unique_name(
            plain_part(given_name) or plain_name(color), (hue.name for hue in hues)
        )
        hues.append(
            Hue(
                id=new_id(),
                order=next(orders),
                name=hue_name,
                kind="brand",
                source=source,
                recall=recall,
                note="given",
            )
        )
    fitted = propose(Brand.of(np.array([rgb8_of(color) for _, color in colors], dtype=np.uint8)))
    for status, rgb8 in zip(STATUSES, fitted.colors, strict=True):
        source, recall = given(Color.of_bytes(rgb8), None)
        hue_name = unique_name(status, (hue.name for hue in hues))
        note = STATUS_NOTES[status]
        hues.append(
            Hue(
                id=new_id(),
                order=next(orders),
                name=hue_name,
                kind="status",
                status=status,
                source=source,
                recall=recall,
                note=note,
            )
        )
    neutral = unique_name("neutral", (hue.name for hue in hues))
    tint = TintedSource(hue=hues[0].id)
    note = f"gray, tinted with {hues[0].name}"
    hues.append(
        Hue(
            id=new_id(),
            order=next(orders),
            name=neutral,
            kind="neutral",
            source=tint,
            ladder=FINE,
            note=note,
        )
    )
    system = with_starter(ColorSystem(name=name.strip()[:80], hues={hue.id: hue for hue in hues}))
    check_system(system, "colors")
    return system
