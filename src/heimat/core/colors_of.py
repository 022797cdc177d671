"""Where each hue of a document stands: given, tinted or derived, chains followed."""

from heimat.core.color.notation import Color, oklch_of
from heimat.core.sources.derivation import COLORED, Standing, derive, lightness_of, solved
from heimat.core.system import ColorSystem, DerivedSource, GivenSource, Hue, TintedSource

__all__ = ["COLORED", "solved", "source_color", "standing"]


def standing(system: ColorSystem, hue: Hue) -> Standing:
    """Where a hue stands. Raises KeyError where a parent is missing; a document that holds together has none."""
    source = hue.source
    if isinstance(source, GivenSource):
        return _given(source.color, hue)
    parent = standing(system, system.hues[source.hue])
    return derive(parent, source) if isinstance(source, DerivedSource) else _tinted(parent, source)


def source_color(system: ColorSystem, hue: Hue) -> Color:
    """The opaque color that a hue's scale is made from."""
    return standing(system, hue).color


def _given(color: Color, hue: Hue) -> Standing:
    """A given color. Its aim is what is remembered while white, gray or the gamut takes chroma and hue away."""
    opaque = color if color.alpha == 1.0 else color.model_copy(update={"alpha": 1.0})
    _, chroma, angle = (float(number) for number in oklch_of(opaque))
    if hue.recall is not None:
        angle = hue.recall.hue if chroma < COLORED else angle
        chroma = max(hue.recall.chroma, chroma)
    return Standing(opaque, color.alpha, (lightness_of(opaque), chroma, angle % 360.0))


def _tinted(parent: Standing, source: TintedSource) -> Standing:
    """A gray with a breath of its parent's hue. A neutral tinted by a hue that never had a color is gray itself."""
    _, chroma, angle = parent.aim
    tint = source.chroma if chroma >= COLORED else 0.0
    return Standing(solved(source.lightness, tint, angle), 1.0, (source.lightness, source.chroma, angle))
