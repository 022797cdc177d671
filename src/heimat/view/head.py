"""What every stage shows of a system: its name, where it stands, what is to settle, what can be taken back."""

from typing_extensions import TypedDict

from heimat.core.legibility.findings import finding_ids
from heimat.core.scales.rules import LATEST_GENERATOR
from heimat.view.look import Look


class ThemeView(TypedDict):
    """A theme."""

    id: str
    name: str


class HeadPart(TypedDict):
    """A system's name, where it stands, and what is open. `findings` counts those of all themes; `newer` is whether a
    newer generator could make its scales."""

    slug: str
    name: str
    revision: int
    latest: str | None
    changed: int
    findings: int
    undo: str | None
    redo: str | None
    theme: ThemeView | None
    themes: list[ThemeView]
    scale_pattern: str
    newer: bool


def head_part(look: Look) -> HeadPart:
    """The head of a system."""
    system, place = look.system, look.place
    themes: list[ThemeView] = [
        {"id": theme.theme.id, "name": theme.theme.name} for theme in look.resolved.themes.values()
    ]
    shown = look.theme
    return {
        "slug": place.slug,
        "name": system.name,
        "revision": place.revision,
        "latest": place.latest,
        "changed": len(look.changed),
        "findings": len(finding_ids(look.resolved)),
        "undo": place.undo,
        "redo": place.redo,
        "theme": {"id": shown.theme.id, "name": shown.theme.name} if shown else None,
        "themes": themes,
        "scale_pattern": system.scale_pattern,
        "newer": system.generator < LATEST_GENERATOR,
    }
