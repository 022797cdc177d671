"""Derived values of tokens: the color that an alias comes to with its changes."""

from heimat.core.color.notation import Color, lightness_of, oklch_of
from heimat.core.color.overlay import alpha_as_published
from heimat.core.document.hues import DerivedSource, QuantityChange
from heimat.core.document.tokens import DerivedColor
from heimat.core.hues.derivation import ResolvedSource, changed, derive

_KEPT = QuantityChange()


def derived_color(base: Color, value: DerivedColor) -> Color:
    """A color after the changes of a derived value: L* and OKLCH, as derived hues are. Pure.

    What only becomes more or less opaque keeps its color to the bit.
    """
    if value.lightness == value.chroma == value.turn == _KEPT:
        alpha = alpha_as_published(min(max(changed(value.alpha, base.alpha), 0.0), 1.0))
        return base.model_copy(update={"alpha": alpha})
    opaque = base.model_copy(update={"alpha": 1.0})
    _, chroma, angle = (float(part) for part in oklch_of(opaque))
    parent = ResolvedSource(opaque, base.alpha, (lightness_of(opaque), chroma, angle % 360.0))
    source = DerivedSource(
        hue="base", lightness=value.lightness, strength=value.chroma, turn=value.turn, alpha=value.alpha
    )
    made = derive(parent, source)
    return made.color.model_copy(update={"alpha": made.alpha})
