"""Where each hue of a document stands: given, tinted or derived, chains followed."""

from functools import lru_cache

from heimat.core.color.notation import Color, lightness_of, oklch_of
from heimat.core.sources.derivation import COLORED, Standing, derive, solved
from heimat.core.system import ColorSystem, DerivedSource, GivenSource, Hue, Recall, TintedSource

__all__ = ["COLORED", "solved", "source_color", "standing"]

_REMEMBERED = 2048
"""Standings that a process remembers: they are asked for again and again, by scales, tokens, findings and the page."""


def standing(system: ColorSystem, hue: Hue) -> Standing:
    """Where a hue stands. Raises KeyError where a parent is missing; a document that holds together has none."""
    source = hue.source
    if isinstance(source, GivenSource):
        return _given(source.color, hue.recall)
    return _following(standing(system, system.hues[source.hue]), source)


def source_color(system: ColorSystem, hue: Hue) -> Color:
    """The opaque color that a hue's scale is made from."""
    return standing(system, hue).color


@lru_cache(_REMEMBERED)
def _following(parent: Standing, source: DerivedSource | TintedSource) -> Standing:
    return derive(parent, source) if isinstance(source, DerivedSource) else _tinted(parent, source)


@lru_cache(_REMEMBERED)
def _given(color: Color, recall: Recall | None) -> Standing:
    """A given color. Its aim is what is remembered while white, gray or the gamut takes chroma and hue away."""
    opaque = color if color.alpha == 1.0 else color.model_copy(update={"alpha": 1.0})
    _, chroma, angle = (float(number) for number in oklch_of(opaque))
    if recall is not None:
        angle = recall.hue if chroma < COLORED else angle
        chroma = max(recall.chroma, chroma)
    return Standing(opaque, color.alpha, (lightness_of(opaque), chroma, angle % 360.0))


def _tinted(parent: Standing, source: TintedSource) -> Standing:
    """A gray with a breath of its parent's hue. A neutral tinted by a hue that never had a color is gray itself."""
    _, chroma, angle = parent.aim
    tint = source.chroma if chroma >= COLORED else 0.0
    return Standing(solved(source.lightness, tint, angle), 1.0, (source.lightness, source.chroma, angle))
