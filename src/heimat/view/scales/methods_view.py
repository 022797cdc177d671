"""The selected hue by each method, edge to edge."""

from typing_extensions import TypedDict

from heimat.core.hues.scaling import scales_of
from heimat.core.scales.measures import measure
from heimat.core.scales.methods import KINDS, METHODS, MethodName
from heimat.view.eyes import SwatchView
from heimat.view.look import Look


class ComparedMethodView(TypedDict):
    """The selected hue by one method, edge to edge, with what the method does in a sentence."""

    method: MethodName
    words: str
    sentence: str
    steps: list[SwatchView]
    falls: str


def methods_part(look: Look) -> list[ComparedMethodView]:
    """The selected hue by each method, with the settings that the method has now; none where no hue is selected."""
    hue = look.selected.hue if look.selected else None
    if hue is None:
        return []
    tried = [
        hue.hue.model_copy(update={"method": hue.method.model_copy(update={"name": name})})
        for name in METHODS
    ]
    scales = scales_of(look.system, tried)
    found: list[ComparedMethodView] = []
    for name, scale, measures in zip(
        METHODS, scales, measure(scales, [set()] * len(scales)), strict=True
    ):
        falls = measures.lightness
        found.append(
            {
                "method": name,
                "words": KINDS[name].words,
                "sentence": KINDS[name].sentence,
                "steps": look.eyes.swatches(scale.rgb8),
                "falls": f"L* gaps {falls.smallest:.1f} to {falls.largest:.1f}",
            }
        )
    return found
