"""The work area of harmonies: partners of a source, and what several given colors come near to."""

from collections.abc import Sequence

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes, floats
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.exact_color import Color, lightness_of, oklch_of, rgb8_of
from heimat.core.color.nearness import differences
from heimat.core.color.notation import Notation
from heimat.core.color.solved import GAMUT_LOSS
from heimat.core.sources.circles import ALONG, Circle, TurnedColor, on_circle
from heimat.core.sources.harmony import (
    USUAL_SPREAD,
    Relation,
    common_partners,
    likenesses,
    monochromatic,
    partner_angles,
)
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import ExactColor, color_text, exact_color


class PartnerView(SwatchView):
    """A partner in a relation. `angle` is its place on the strip, `offset` how far it is turned from the source.

    `other` is the same partner on the other circle, `apart` the CIEDE2000 between the two; `clipped` says what the
    gamut takes.
    """

    angle: float
    offset: float
    text: str
    exact: ExactColor
    lightness: str
    clipped: str | None
    other: SwatchView
    other_angle: float
    apart: str


class GivenMark(SwatchView):
    """A given color's place on the strip."""

    angle: float


class LikenessView(TypedDict):
    """How given hues stand to a relation, in words, and the angles that would complete it."""

    relation: Relation
    words: str
    miss: float
    missing: list[PartnerView]


class CommonView(PartnerView):
    """A partner of two given hues, and how it stands to them."""

    words: str


class HarmonyView(TypedDict):
    """A harmony: the strip of all hues, where the given ones stand, partners, and what several given come near to."""

    strip: list[str]
    given: list[GivenMark]
    spread: float | None
    partners: list[PartnerView]
    lighter_darker: list[PartnerView]
    likenesses: list[LikenessView]
    common: list[CommonView]


def harmony_view(
    given: Sequence[Color],
    remembered: Sequence[float],
    relation: Relation,
    circle: Circle,
    spread: float | None,
    placed: Sequence[float],
    notation: Notation,
    eyes: Eyes,
) -> HarmonyView:
    """Partners of the first given color in a relation, or where they were placed; and what several come near to.

    `remembered` are the OKLCH hues that the given ones remember, in their order; who has none stands at its own.
    """
    memories = [*remembered, *[None] * len(given)]
    source = on_circle(given[0], circle, memories[0])
    other = on_circle(given[0], "hsl" if circle == "oklch" else "oklch", memories[0])
    by = USUAL_SPREAD.get(relation) if spread is None else spread
    offsets = list(placed) if relation == "free" else list(partner_angles(relation, by))
    angles = [
        on_circle(color, circle, memory).angle
        for color, memory in zip(given, memories, strict=False)
    ]
    own = eyes.swatches(np.array([rgb8_of(color) for color in given]))
    marks: list[GivenMark] = [
        {**swatch, "angle": angle} for swatch, angle in zip(own, angles, strict=True)
    ]
    view = _Partners(source, other, notation, eyes)
    found: list[LikenessView] = [
        {
            "relation": likeness.relation,
            "words": _likeness_words(likeness.relation, likeness.miss, len(likeness.missing)),
            "miss": round(likeness.miss, 1),
            "missing": view.at([angle - source.angle for angle in likeness.missing]),
        }
        for likeness in likenesses(angles)
    ]
    common: list[CommonView] = []
    if len(given) == 2:
        partners = common_partners(angles[0], angles[1])
        shown = view.at([angle - source.angle for angle, _ in partners])
        common = [
            {**partner, "words": words} for partner, (_, words) in zip(shown, partners, strict=True)
        ]
    lighter_darker = (
        monochromatic(on_circle(given[0], "oklch", memories[0]), by)
        if relation == "monochromatic"
        else []
    )
    return {
        "strip": eyes.hexes(source.at(ALONG)),
        "given": marks,
        "spread": by,
        "partners": view.at(offsets),
        "lighter_darker": view.lighter_darker(lighter_darker),
        "likenesses": found,
        "common": common,
    }


def _likeness_words(relation: Relation, miss: float, missing: int) -> str:
    stands = f"{miss:.0f}° off at most" if miss >= 0.5 else "exactly"
    return f"{relation}, {stands}" + (f"; {missing} more would complete it" if missing else "")


class _Partners:
    """Makes partners of one source, each beside its like on the other circle."""

    def __init__(
        self, source: TurnedColor, other: TurnedColor, notation: Notation, eyes: Eyes
    ) -> None:
        self._source, self._other = source, other
        self._notation, self._eyes = notation, eyes

    def at(self, offsets: Sequence[float]) -> list[PartnerView]:
        """The partners at some angles from the source."""
        if not offsets:
            return []
        # What is kept is kept with two decimals, so that is what is shown.
        turned = np.round(floats(offsets), 2)
        own = self._source.at(self._source.angle + turned)
        lost = self._source.lost(self._source.angle + turned)
        return [
            self._partner(float(offset), rgb8, float(gone), like)
            for offset, rgb8, gone, like in zip(
                turned, own, lost, self._other.at(self._other.angle + turned), strict=True
            )
        ]

    def lighter_darker(self, found: list[tuple[float, Color]]) -> list[PartnerView]:
        """Tints and shades of the source: what is turned is nothing, `offset` is the difference in L*."""
        return [
            self._partner(step, rgb8_of(color), 0.0, rgb8_of(color), turned=False)
            for step, color in found
        ]

    def _partner(
        self, offset: float, rgb8: Bytes, lost: float, like: Bytes, *, turned: bool = True
    ) -> PartnerView:
        color = Color.of_bytes(rgb8)
        by = offset if turned else 0.0
        apart = float(differences(rgb8[None], like[None])[0, 0])
        kept = float(oklch_of(color)[1])
        clipped = (
            f"the gamut leaves chroma {kept:.3f} of {kept + lost:.3f}"
            if lost > GAMUT_LOSS
            else None
        )
        return {
            **self._eyes.swatch(rgb8),
            "angle": round((self._source.angle + by) % 360.0, 2),
            "offset": offset,
            "text": color_text(color, self._notation),
            "exact": exact_color(color),
            "lightness": f"{lightness_of(color):.1f}",
            "clipped": clipped,
            "other": self._eyes.swatch(like),
            "other_angle": round(on_circle(Color.of_bytes(like), self._source.circle).angle, 2),
            "apart": distance_text(apart),
        }
