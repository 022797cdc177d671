"""Alternatives side by side: what differs, thing by thing, with the colors before and after."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.document.system import ColorSystem
from heimat.core.edits.changed_things import Difference, Since, differences
from heimat.core.resolve.resolved import Resolved
from heimat.view.eyes import Eyes, SwatchView


class DifferenceView(TypedDict):
    """One thing that differs: here and there, where it has a color, what differs in words, and where it was changed
    since the two were one."""

    id: str
    kind: str
    name: str
    words: str
    since: Since
    here: SwatchView | None
    there: SwatchView | None


class DifferencesView(TypedDict):
    """What another alternative has otherwise: things, and how many tokens come to another color in any theme."""

    things: list[DifferenceView]
    colors: int


def differences_view(
    here: Resolved, there: Resolved, eyes: Eyes, start: ColorSystem | None = None
) -> DifferencesView:
    """All that differs between two alternatives, which were `start` when they parted."""
    found = differences(here.system, there.system, start)
    return {
        "things": [
            {
                "id": each.id,
                "kind": each.kind,
                "name": each.name,
                "words": each.words,
                "since": each.since,
                "here": _swatch(here, each, eyes),
                "there": _swatch(there, each, eyes),
            }
            for each in found
        ],
        "colors": _recolored(here, there),
    }


def _swatch(resolved: Resolved, difference: Difference, eyes: Eyes) -> SwatchView | None:
    color: Bytes | None = None
    if difference.kind == "hue" and difference.key in resolved.hues:
        color = resolved.hues[difference.key].scale.source8
    theme = resolved.theme()
    if difference.kind == "token" and theme is not None:
        wanted = next((place.path[3] for place in difference.places if len(place.path) == 4), None)
        shown = resolved.themes.get(wanted or "", theme)
        color = shown.tokens[difference.key].rgb8 if difference.key in shown.tokens else None
    return None if color is None else eyes.swatch(color)


def _recolored(here: Resolved, there: Resolved) -> int:
    found = {
        token
        for theme, shown in here.themes.items()
        if theme in there.themes
        for token, color in shown.tokens.items()
        if token in there.themes[theme].tokens
        and not np.array_equal(color.rgb8, there.themes[theme].tokens[token].rgb8)
    }
    return len(found)
