"""Methods: how the colors of a scale are found, before curves, pins and nudges.

Each is a pure function from source, ladder and settings to a draft: L*, OKLCH chroma and hue of every step, and, for
those that mix colors, the mixed colors themselves. A method is one file, and one line here.
"""

from typing import Literal, get_args

from heimat.core.scales.methods import (
    between_ends,
    contrast_targets,
    even_lightness,
    hsl_lightness,
    white_and_black,
)
from heimat.core.scales.methods.between_ends import BetweenEnds
from heimat.core.scales.methods.contrast_targets import ContrastTargets
from heimat.core.scales.methods.drafts import Draft, Given, MethodKind
from heimat.core.scales.methods.hsl_lightness import HslLightness
from heimat.core.scales.methods.settings import Settings, TypedValues
from heimat.core.scales.methods.white_and_black import WhiteBlack

KINDS: dict[str, MethodKind] = {
    each.KIND.name: each.KIND
    for each in (even_lightness, contrast_targets, white_and_black, hsl_lightness, between_ends)
}
MethodName = Literal["even", "contrast", "mix", "hsl", "ends"]
METHODS: tuple[MethodName, ...] = get_args(MethodName)
__all__ = ["KINDS", "METHODS", "Draft", "Given", "Method", "MethodName", "draft"]


class Method(Settings):
    """The method chosen, and the settings of all: switching back and forth loses none."""

    name: MethodName = "even"
    contrast: ContrastTargets = ContrastTargets()
    mix: WhiteBlack = WhiteBlack()
    hsl: HslLightness = HslLightness()
    ends: BetweenEnds = BetweenEnds()

    def typed(self) -> TypedValues:
        """What was typed for the steps of the method chosen."""
        chosen = getattr(self, self.name, None)
        return getattr(chosen, "targets", ())


def draft(given: Given, method: Method) -> Draft:
    """Find the colors of a scale by a method."""
    return KINDS[method.name].draft(given, getattr(method, method.name, None))
