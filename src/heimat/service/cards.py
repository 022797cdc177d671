"""Cards: what a list shows of a system, kept beside its head, so that no list reads a document."""

from typing import Any

from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.hues.source import source_color


def card_of(system: ColorSystem) -> dict[str, Any]:
    """The card of a document as plain data: its hues' names and own colors in order, and how many tokens it has."""
    return {
        "hues": [
            [hue.name, hex_of(rgb8_of(source_color(system, hue)))] for hue in in_order(system.hues)
        ],
        "tokens": len(system.tokens),
    }
