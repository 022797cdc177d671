"""What every stage shows of a system: its name, where it stands, what is to settle, what can be taken back."""

from datetime import date

from typing_extensions import TypedDict

from heimat.core.document.cases import Case
from heimat.core.document.themes import Scheme, Theme, Wanted
from heimat.core.legibility.findings import count_open
from heimat.core.scales.generator_rules import LATEST_GENERATOR
from heimat.view.look import Look


class ThemeView(TypedDict):
    """A theme, and what it rests on."""

    id: str
    name: str
    scheme: Scheme
    contrast: Wanted
    base: str | None


class HeadPart(TypedDict):
    """A system's name, where it stands, and what is open. `findings` counts those of all themes, `tokens` the semantic
    tokens; `newer` is whether a newer generator could make its scales; by the ids of all hues it is told what somebody
    else has removed."""

    slug: str
    name: str
    revision: int
    latest: str | None
    changed: int
    findings: int
    tokens: int
    undo: str | None
    redo: str | None
    theme: ThemeView | None
    themes: list[ThemeView]
    scale_pattern: str
    scale_case: Case
    scales_published: bool
    newer: bool
    duty: str
    hues: list[str]


def head_part(look: Look) -> HeadPart:
    """The head of a system."""
    system, place = look.system, look.place
    themes = [_theme(theme.theme) for theme in look.resolved.themes.values()]
    shown = look.theme
    return {
        "slug": place.slug,
        "name": system.name,
        "revision": place.revision,
        "latest": place.latest,
        "changed": len(look.changed),
        "findings": count_open(look.resolved, date.today()),
        "tokens": len(system.tokens),
        "undo": place.undo,
        "redo": place.redo,
        "theme": _theme(shown.theme) if shown else None,
        "themes": themes,
        "scale_pattern": system.scale_pattern,
        "scale_case": system.scale_case,
        "scales_published": system.scales_published,
        "newer": system.generator < LATEST_GENERATOR,
        "duty": system.duty,
        "hues": [hue.id for hue in look.resolved.hue_list],
    }


def _theme(theme: Theme) -> ThemeView:
    return {
        "id": theme.id,
        "name": theme.name,
        "scheme": theme.scheme,
        "contrast": theme.contrast,
        "base": theme.base,
    }
