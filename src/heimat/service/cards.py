"""Cards: what a list shows of a system, kept beside its head, so that no list reads a document."""

from typing import Any

from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.hues.source import source_color

KEYS = frozenset(("hues", "kinds", "tokens", "themes", "rests_on"))
"""What a card has: one that was kept by an older Heimat may have less, and is made anew."""


def card_of(system: ColorSystem) -> dict[str, Any]:
    """The card of a document as plain data: its hues' names and own colors in order, how many kinds they are sorted
    into, how many tokens and themes there are, and at which version of which system it rests."""
    return {
        "hues": [
            [hue.name, hex_of(rgb8_of(source_color(system, hue)))] for hue in in_order(system.hues)
        ],
        "kinds": len({hue.kind for hue in system.hues.values()}),
        "tokens": len(system.tokens),
        "themes": len(system.themes),
        "rests_on": f"{system.rests_on.name} {system.rests_on.version}"
        if system.rests_on
        else None,
    }
