"""How actions are filled: the brand stays the brand, whichever label passes on it, and each state moves visibly."""

from itertools import product

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import FLARE, ratio, relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.solved import solved
from heimat.core.color.spaces import lightness
from heimat.core.document.hues import QuantityChange
from heimat.core.document.purposes import family_of
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    LiteralColor,
    StepAlias,
    TokenAlias,
    TokenValue,
)
from heimat.core.filling.filler import STATE_DISTANCE, WHITE, Filler, distances, reaches
from heimat.core.memory import remembered
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.sources.conventions import STATUSES
from heimat.core.values.derived_color import in_lightness

_MOST_SHIFT = 60
"""L* by which a state is moved at most."""
_REACHES = (range(1, 21), range(21, _MOST_SHIFT + 1))
"""The shifts that are tried: nearly always one of the first will do."""
_DISABLED_FILL, _DISABLED_LABEL, _DISABLED_BORDER = 1.25, 2.2, 1.6
_NEAR_BLACK = 1.5
"""L* of a near black at most: under every fill on which neither white nor a darkest neutral passes, it does."""
_TINT = 3.0
"""CIEDE2000 by which the tint under an edged or a bare action differs from its ground."""


def hue_of_family(filler: Filler, purpose: str) -> ResolvedHue:
    """The hue that a family of actions is filled from: the brand's, or that of its status; the neutral if quiet."""
    found = family_of(purpose)
    family = found[0] if found else "main"
    if family in STATUSES:
        return filler.status(family)
    return filler.hue("neutral") if family == "quiet" else filler.hue("brand")


def fill(filler: Filler, purpose: str) -> TokenValue:
    """The hue itself; with more contrast a step where no label reaches 7 on the hue."""
    hue = hue_of_family(filler, purpose)
    own = rgb8_of(hue.color)
    labels = np.array([rgb8_of(WHITE.color), _darkest(filler)])
    if filler.contrast == "usual" or bool((ratio(own, labels) >= filler.text).any()):
        return filler.own(hue)
    reached = ratio(hue.rgb8[:, None], labels[None]).max(axis=1)
    away = np.where(reached >= filler.text, distances(hue.rgb8, own), np.inf)
    return filler.step(hue, int(away.argmin()))


def label(filler: Filler, purpose: str) -> TokenValue:
    """White or the darkest neutral, whichever passes on the fill; where neither does, a near black of its own."""
    return label_on(filler, filler.color(_part(purpose, "fill")))


def label_on(filler: Filler, ground: Bytes) -> TokenValue:
    """The label for a fill (3,)."""
    neutral = filler.hue("neutral")
    darkest = filler.step(neutral, int(relative_luminance(neutral.rgb8).argmin()))
    on_white, on_dark = (
        float(ratio(rgb8_of(WHITE.color), ground)),
        float(ratio(_darkest(filler), ground)),
    )
    if max(on_white, on_dark) >= filler.text:
        return WHITE if on_white >= on_dark else darkest
    return LiteralColor(color=near_black(filler, ground))


def near_black(filler: Filler, ground: Bytes) -> Color:
    """The lightest near black with a breath of the neutral's hue that passes on a ground (3,); else black or white."""
    most = (float(relative_luminance(ground)) + FLARE) / filler.text - FLARE
    _, chroma, angle = (float(part) for part in oklch_of(filler.hue("neutral").color))
    if most > 0.0:
        for light in np.linspace(min(float(lightness(most)), _NEAR_BLACK), 0.0, 9):
            found = solved(float(light), min(chroma, 0.01), angle % 360.0)
            if reaches(rgb8_of(found), [ground], filler.text):
                return found
    ends = [Color.of_bytes(np.full(3, level, dtype=np.uint8)) for level in (0, 255)]
    return max(ends, key=lambda end: float(ratio(rgb8_of(end), ground)))


def _darkest(filler: Filler) -> Bytes:
    neutral = filler.hue("neutral").rgb8
    return np.asarray(neutral[int(relative_luminance(neutral).argmin())])


def state(filler: Filler, purpose: str) -> TokenValue:
    """The fill, visibly lighter on dark, darker on light; the other way where its label leaves no room."""
    base = _part(purpose, "fill")
    resting, written = filler.color(base), filler.color(_part(purpose, "label"))
    moved = _shift(
        resting.tobytes(),
        written.tobytes(),
        resting.tobytes(),
        filler.text,
        1 if filler.dark else -1,
    )
    if purpose.endswith("-hovered"):
        return _shifted(filler, base, moved)
    before = filler.color_of(_shifted(filler, base, moved))
    away = 1 if moved > 0 else -1
    further = _shift(resting.tobytes(), written.tobytes(), before.tobytes(), filler.text, away)
    return _shifted(filler, base, further)


@remembered(512)
def _shift(fill: bytes, label: bytes, last: bytes, needed: float, away: int) -> int:
    """By how much L* a fill is moved, first the one way, then the other; as far as it can where neither does.

    `fill`, its `label` and the `last` state before are three levels each; `needed` is the ratio that the label keeps,
    where it has it.
    """
    resting, written, before = (np.frombuffer(each, np.uint8) for each in (fill, label, last))
    kept = min(needed, float(ratio(resting, written)))
    best, farthest = 0, -1.0
    for way, reach in product((away, -away), _REACHES):
        moved = [way * by for by in reach]
        colors = in_lightness(resting, moved)
        apart = np.minimum(distances(colors, before), distances(colors, resting) + 1e-9)
        passing = ratio(colors, written) >= kept
        good = passing & (apart >= STATE_DISTANCE)
        if good.any():
            return moved[int(good.argmax())]
        score = np.where(passing, apart, -1.0)
        if float(score.max()) > farthest:
            best, farthest = moved[int(score.argmax())], float(score.max())
    return best


def _shifted(filler: Filler, base: str, by: int) -> DerivedColor:
    under = filler.alias(base)
    # Rules fill with aliases alone: what a fill stands for can be changed from there.
    assert isinstance(under, StepAlias | HueAlias | TokenAlias)
    return DerivedColor(of=under, lightness=QuantityChange(how="shifted", by=float(by)))


def border(filler: Filler, purpose: str) -> TokenValue:
    """The fill again where it stands out from its ground; else a step that does, the one most like it."""
    base = _part(purpose, "fill")
    grounds = filler.grounds()
    if reaches(filler.color(base), grounds, filler.part):
        return filler.alias(base)
    return edge(filler, hue_of_family(filler, purpose), filler.color(base))


def edge(filler: Filler, hue: ResolvedHue, wanted: Bytes | None = None) -> StepAlias:
    """The step of a hue that stands out from every ground, most like a color (3,); of the neutral where none does."""
    found = filler.nearest(hue, filler.part, filler.grounds(), wanted)
    reached = reaches(hue.rgb8[filler.place(found)], filler.grounds(), filler.part)
    return found if reached else filler.quietest(filler.hue("neutral"), filler.part)


def disabled_fill(filler: Filler, _: str) -> TokenValue:
    """A neutral that hardly stands out; what cannot be used is exempt."""
    return filler.disabled(_DISABLED_FILL)


def disabled_label(filler: Filler, _: str) -> TokenValue:
    """A neutral that can still be made out; what cannot be used is exempt."""
    return filler.disabled(_DISABLED_LABEL * _DISABLED_FILL)


def disabled_border(filler: Filler, _: str) -> TokenValue:
    """A neutral that hardly stands out; what cannot be used is exempt."""
    return filler.disabled(_DISABLED_BORDER)


def tint(filler: Filler, purpose: str) -> TokenValue:
    """Under an edged or bare action: the step nearest to its ground that is told from it."""
    return rest_tint(filler, hue_of_family(filler, purpose))


def pressed_tint(filler: Filler, purpose: str) -> TokenValue:
    """That tint, moved away from its ground so that it is seen."""
    hovered = _part(purpose, "fill-hovered")
    before = filler.color(hovered)
    moved = [(1 if filler.dark else -1) * by for by in range(1, _MOST_SHIFT + 1)]
    colors = filler.derived([_shifted(filler, hovered, by) for by in moved])
    apart = distances(colors, before)
    good = apart >= _TINT
    return _shifted(filler, hovered, moved[int(good.argmax() if good.any() else apart.argmax())])


def rest_tint(filler: Filler, hue: ResolvedHue) -> StepAlias:
    """The step of a hue nearest to page and card, on the side of their text, that is told from both."""
    page, card = filler.color("surface.page"), filler.color("surface.card")
    by_light = sorted((page, card), key=lambda each: float(relative_luminance(each)))
    return filler.beside(hue, by_light[-1] if filler.dark else by_light[0], _TINT)


def written(filler: Filler, purpose: str) -> TokenValue:
    """The label of an edged or bare action: the step most like the hue that passes on grounds and tints alike."""
    hue = hue_of_family(filler, purpose)
    tinted = (filler.color(_part(purpose, f"fill-{state}")) for state in ("hovered", "pressed"))
    under = np.array([*filler.grounds(), *tinted])
    if hue.hue.kind == "neutral":
        return filler.quietest(hue, filler.text, under)
    return filler.nearest(hue, filler.text, under)


def drawn(filler: Filler, purpose: str) -> TokenValue:
    """The edge of an edged action: the step most like the hue that stands out from every ground."""
    return edge(filler, hue_of_family(filler, purpose))


def drawn_hovered(filler: Filler, purpose: str) -> TokenValue:
    """The edge under the pointer: a step further from the ground."""
    return filler.further(edge(filler, hue_of_family(filler, purpose)))


def _part(purpose: str, part: str) -> str:
    """Another part of the same family."""
    return f"{purpose.rpartition('.')[0]}.{part}"
