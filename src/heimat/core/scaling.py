"""From hues of a document to their finished scales."""

from collections.abc import Sequence

from heimat.core.color.notation import rgb8_of
from heimat.core.colors_of import source_color
from heimat.core.scales.generate import Scale, ScaleRequest, generate
from heimat.core.system import ColorSystem, Hue, ladder_of


def request_of(system: ColorSystem, hue: Hue) -> ScaleRequest:
    """What the scale of a hue is made from."""
    ladder = ladder_of(system, hue)
    places = {step: place for place, step in enumerate(ladder.ids())}
    return ScaleRequest(
        source=source_color(system, hue),
        lightness=ladder.lightness(),
        anchor=hue.anchor.mode,
        fixed=places.get(hue.anchor.step) if hue.anchor.step else None,
        neutral=hue.kind == "neutral",
        pins={places[step]: rgb8_of(color) for step, color in hue.pins.items()},
    )


def scales_of(system: ColorSystem, hues: Sequence[Hue]) -> list[Scale]:
    """The scales of some hues of a document, in the order given, made by the document's own generator."""
    return generate([request_of(system, hue) for hue in hues], system.generator)
