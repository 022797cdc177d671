"""What each hue of a document comes to: given, tinted or derived, chains followed."""

from heimat.core.color.angles import around
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.exact_color import Color, lightness_of, oklch_of
from heimat.core.color.overlay import alpha_as_published
from heimat.core.color.solved import solved
from heimat.core.color.thresholds import HAS_HUE
from heimat.core.document.hues import DerivedSource, GivenSource, Hue, Recall, TintedSource
from heimat.core.document.system import ColorSystem
from heimat.core.hues.derivation import ResolvedSource, derive
from heimat.core.memory import remembered

__all__ = ["ResolvedSource", "resolve_source", "source_color"]

_REMEMBERED = 2048
"""Sources that a process remembers: they are asked for again and again while other hues move."""


def resolve_source(system: ColorSystem, hue: Hue) -> ResolvedSource:
    """The color that a hue comes to. Raises KeyError where a parent is missing, which no sound document has."""
    source = hue.source
    if isinstance(source, GivenSource):
        return _given(source.color, hue.recall)
    return _following(resolve_source(system, system.hues[source.hue]), source)


def source_color(system: ColorSystem, hue: Hue) -> Color:
    """The opaque color that a hue's scale is made from."""
    return resolve_source(system, hue).color


@remembered(_REMEMBERED)
def _following(parent: ResolvedSource, source: DerivedSource | TintedSource) -> ResolvedSource:
    return derive(parent, source) if isinstance(source, DerivedSource) else _tinted(parent, source)


@remembered(_REMEMBERED)
def _given(color: Color, recall: Recall | None) -> ResolvedSource:
    """A given color. Its aim is what is remembered while white, gray or the gamut takes chroma and hue away."""
    opaque = color if color.alpha == 1.0 else color.model_copy(update={"alpha": 1.0})
    _, chroma, angle = (float(number) for number in oklch_of(opaque))
    if recall is not None:
        angle = recall.hue if chroma < HAS_HUE else angle
        chroma = max(recall.chroma, chroma)
    return ResolvedSource(
        opaque,
        alpha_as_published(color.alpha),
        (lightness_of(opaque), min(chroma, STRONGEST_CHROMA), around(angle)),
    )


def _tinted(parent: ResolvedSource, source: TintedSource) -> ResolvedSource:
    """A gray with a breath of its parent's hue. A neutral tinted by a hue that never had a color is gray itself."""
    _, chroma, angle = parent.aim
    tint = source.chroma if chroma >= HAS_HUE else 0.0
    return ResolvedSource(
        solved(source.lightness, tint, angle), 1.0, (source.lightness, source.chroma, angle)
    )
