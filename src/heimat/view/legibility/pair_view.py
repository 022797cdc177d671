"""Two colors as the page shows them: what they suffice for, and one axis of lightness that carries both."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import AA_LARGE, AA_TEXT, AAA_TEXT, cut
from heimat.core.legibility.pair import Interval, PairResult, PairSide
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import ContrastView, contrast_view


class UseView(TypedDict):
    """What a pair may be used for: the use in words, the criterion, the level, and whether it is reached."""

    words: str
    criterion: str
    needed: str
    holds: bool


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
    exact: str
    uses: list[UseView]


_USES = (
    ("body text", "1.4.3 AA", AA_TEXT),
    ("body text, enhanced", "1.4.6 AAA", AAA_TEXT),
    ("large text: 24 px, or 18.66 px bold", "1.4.3 AA", AA_LARGE),
    ("large text, enhanced", "1.4.6 AAA", AA_TEXT),
    ("interface parts and graphics", "1.4.11 AA", AA_LARGE),
)


def two_colors_view(pair: PairResult, eyes: Eyes) -> TwoColorsView:
    """A pair that was read."""
    return {
        "one": _side(pair.one, eyes),
        "other": _side(pair.other, eyes),
        "contrast": contrast_view(pair.ratio),
        "exact": cut(pair.ratio),
        "uses": [
            {
                "words": words,
                "criterion": criterion,
                "needed": f"{level:g}",
                "holds": pair.ratio >= level,
            }
            for words, criterion, level in _USES
        ],
    }


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
