"""What the overlay area shows: a solid in place of an overlay, and overlays in place of a solid."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.notation import Notation, format
from heimat.core.color.overlay import Overlay, alpha_as_published, least_overlay, overlay_of, solid
from heimat.view.eyes import Eyes, SwatchView

_BLACK, _WHITE = np.zeros(3, dtype=np.uint8), np.full(3, 255, dtype=np.uint8)


class OverlayView(TypedDict):
    """An overlay: in words what it is, as CSS writes it, in hex with its alpha, and the solid that it gives."""

    words: str
    text: str
    hex: str
    solid: SwatchView
    exact: bool
    distance: str


class OverlaysView(TypedDict):
    """A ground, the overlay `asked` about with the solid that it gives there, and the overlays that give a tint."""

    ground: SwatchView
    asked: str
    asked_hex: str
    solid: SwatchView
    tint: SwatchView
    overlays: list[OverlayView]


def overlays_view(
    color: Color, alpha: float, ground: Color, tint: Color, eyes: Eyes
) -> OverlaysView:
    """Both ways at once: what `color` at `alpha` gives on a ground, and what gives `tint` there."""
    ground8, tint8 = rgb8_of(ground), rgb8_of(tint)
    alpha = alpha_as_published(alpha)
    found = [
        ("the most transparent", least_overlay(tint8, ground8)),
        ("black", overlay_of(_BLACK, tint8, ground8)),
        ("white", overlay_of(_WHITE, tint8, ground8)),
    ]
    return {
        "ground": eyes.swatch(ground8),
        "asked": _text(color, alpha),
        "asked_hex": _text(color, alpha, "hex"),
        "solid": eyes.swatch(solid(rgb8_of(color), alpha, ground8)),
        "tint": eyes.swatch(tint8),
        "overlays": [_overlay(words, overlay, eyes) for words, overlay in found],
    }


def _overlay(words: str, overlay: Overlay, eyes: Eyes) -> OverlayView:
    return {
        "words": words,
        "text": _text(Color.of_bytes(overlay.rgb8), overlay.alpha),
        "hex": _text(Color.of_bytes(overlay.rgb8), overlay.alpha, "hex"),
        "solid": eyes.swatch(overlay.solid),
        "exact": overlay.distance == 0.0,
        "distance": distance_text(overlay.distance),
    }


def _text(color: Color, alpha: float, notation: Notation = "rgb") -> str:
    return format(color.model_copy(update={"alpha": alpha}), notation) or ""
