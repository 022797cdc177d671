"""The pairings that purposes call for: what stands on what, and what it is used for."""

from collections.abc import Collection, Iterator

from heimat.core.document.pairings import Use
from heimat.core.document.purposes import FAMILIES
from heimat.core.sources.conventions import STATUSES

_TEXTS = (
    "text.strong",
    "text.plain",
    "text.faint",
    "link.text",
    "link.text-hovered",
    "link.text-visited",
)
_ON_SELECTION = ("text.strong", "text.plain", "text.faint")
_SURFACES = ("surface.page", "surface.card", "surface.lifted", "surface.well")
_MAIN_SURFACES = ("surface.page", "surface.card")
_PARTS = ("border.plain", "border.strong", "icon.plain", "icon.faint", "focus.ring")


def pairings_for(purposes: Collection[str]) -> list[tuple[str, str, Use]]:
    """Foreground, ground and use of each pairing, by purposes that are all there, in order."""
    found = [*_texts(), *_parts(), *_actions(purposes), *_messages(), *_charts()]
    there = set(purposes)
    return [pairing for pairing in found if pairing[0] in there and pairing[1] in there]


def _texts() -> Iterator[tuple[str, str, Use]]:
    for ground in _SURFACES:
        for text in _TEXTS:
            yield text, ground, "body"
    yield "text.on-brand", "surface.brand", "body"
    yield "text.on-board", "surface.board", "body"
    yield "text.on-board-faint", "surface.board", "body"
    yield "selection.label", "selection.fill", "body"
    # What is selected is written as what is not: a row keeps its texts.
    for text in _ON_SELECTION:
        yield text, "selection.fill", "body"


def _parts() -> Iterator[tuple[str, str, Use]]:
    for ground in _MAIN_SURFACES:
        for part in _PARTS:
            yield part, ground, "part"
    yield "border.divider", "surface.card", "decoration"


def _actions(purposes: Collection[str]) -> Iterator[tuple[str, str, Use]]:
    for family in FAMILIES:
        at = f"action.{family}"
        solid = f"{at}.fill" in purposes
        for ground in ("fill",) if solid else ():
            yield f"{at}.label", f"{at}.{ground}", "body"
        for ground in ("fill-hovered", "fill-pressed"):
            yield f"{at}.label", f"{at}.{ground}", "body"
        for surface in _MAIN_SURFACES:
            if not solid:
                yield f"{at}.label", surface, "body"
            yield f"{at}.border", surface, "part"
        yield f"{at}.label-disabled", f"{at}.fill-disabled", "decoration"


def _messages() -> Iterator[tuple[str, str, Use]]:
    for status in STATUSES:
        yield f"status.{status}", "surface.card", "part"
        yield f"status.{status}-text", f"status.{status}-surface", "body"
        yield f"status.{status}-text", "surface.card", "body"
        yield f"status.{status}-border", "surface.card", "decoration"


def _charts() -> Iterator[tuple[str, str, Use]]:
    yield "chart.label", "surface.card", "body"
    yield "chart.axis", "surface.card", "part"
    yield "chart.highlighted", "surface.card", "part"
    yield "chart.grid", "surface.card", "decoration"
