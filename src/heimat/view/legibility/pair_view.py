"""Two colors as the page shows them: what they suffice for, and one axis of lightness that carries both."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import AA_LARGE, AA_TEXT, AAA_TEXT, cut
from heimat.core.legibility.pair import Interval, PairResult, PairSide
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import ContrastView, contrast_view


class IntervalView(TypedDict):
    """Where on the axis of L* (0 to 100) a level is reached: up to `dark`, from `light` on; and the room, in words."""

    level: str
    dark: float | None
    light: float | None
    room: str


class PairSideView(SwatchView):
    """One color of a pair."""

    light: float
    chroma: float
    hue: float
    passes: list[IntervalView]


class TwoColorsView(TypedDict):
    """Two colors against each other."""

    one: PairSideView
    other: PairSideView
    contrast: ContrastView
    suffices: str


_LARGE = "large text (24 px, or 18.66 px bold), interface parts and graphics"
_SUFFICES = (
    (AAA_TEXT, "for text of any size, also at the enhanced level (1.4.6)"),
    (AA_TEXT, f"for body text, {_LARGE} (1.4.3, 1.4.11); at the enhanced level body text needs 7"),
    (AA_LARGE, f"for {_LARGE} (1.4.3, 1.4.11); body text needs 4.5"),
    (0.0, f"for decoration alone: {_LARGE} need 3 (1.4.3, 1.4.11)"),
)
"""Contrasts of WCAG, with what a pair that reaches one suffices for; the criteria in brackets."""


def two_colors_view(pair: PairResult, eyes: Eyes) -> TwoColorsView:
    """A pair that was read."""
    return {
        "one": _side(pair.one, eyes),
        "other": _side(pair.other, eyes),
        "contrast": contrast_view(pair.ratio),
        "suffices": f"{cut(pair.ratio)} suffices {_words(pair.ratio)}.",
    }


def _words(ratio: float) -> str:
    return next(words for level, words in _SUFFICES if ratio >= level)


def _side(side: PairSide, eyes: Eyes) -> PairSideView:
    return {
        **eyes.swatch(side.rgb8),
        "light": round(side.light, 2),
        "chroma": round(side.chroma, 4),
        "hue": round(side.hue, 2),
        "passes": [_interval(each) for each in side.passes],
    }


def _interval(each: Interval) -> IntervalView:
    if each.dark is None and each.light is None:
        room = "no color reaches it against the other"
    elif each.room >= 0.0:
        room = f"{each.room:.1f} L* to spare"
    else:
        room = f"{-each.room:.1f} L* short"
    return {"level": f"{each.level:g}", "dark": each.dark, "light": each.light, "room": room}
