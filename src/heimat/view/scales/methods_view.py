"""The selected hue by each method, edge to edge."""

from typing_extensions import TypedDict

from heimat.core.edits.scale_edits import METHOD_WORDS
from heimat.core.hues.scaling import scales_of
from heimat.core.scales.measures import measure
from heimat.core.scales.methods import METHODS, MethodName
from heimat.view.eyes import SwatchView
from heimat.view.look import Look

SENTENCES: dict[MethodName, str] = {
    "even": "Every step falls by the same L*; labels share their contrast across hues. Good where swaps must be safe.",
    "contrast": "Every label has a ratio against a ground. Good where a label must keep a level of the guidelines.",
    "mix": "White or black is laid over the source by percentages. Good for matching tints that exist; hues may gray.",
    "hsl": "HSL lightness steps at the source’s own hue and saturation. Familiar; hues differ in how light they look.",
    "ends": "Colors between a light and a dark end, through the source. Good where the ends are given.",
}


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
    tried = [hue.hue.model_copy(update={"method": hue.method.model_copy(update={"name": name})}) for name in METHODS]
    scales = scales_of(look.system, tried)
    found: list[ComparedMethodView] = []
    for name, scale, measures in zip(METHODS, scales, measure(scales, [set()] * len(scales)), strict=True):
        falls = measures.lightness
        found.append(
            {
                "method": name,
                "words": METHOD_WORDS[name],
                "sentence": SENTENCES[name],
                "steps": look.eyes.swatches(scale.rgb8),
                "falls": f"L* gaps {falls.smallest:.1f} to {falls.largest:.1f}",
            }
        )
    return found
