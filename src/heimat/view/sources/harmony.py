"""What the work areas of Sources show that start from colors alone: harmony, even sets, mixing."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Bytes, floats
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.mixing import MIX_SPACES
from heimat.core.color.notation import Color, Notation, format, lightness_of, oklch_of, rgb8_of
from heimat.core.color.spaces import lightness, srgb_to_hsl, srgb_to_hsv
from heimat.core.legibility.findings import distance_text
from heimat.core.sources import even, mixing
from heimat.core.sources.circles import Turned, on_circle
from heimat.core.sources.derivation import GAMUT_LOSS
from heimat.core.sources.harmony import (
    USUAL_SPREAD,
    Relation,
    common_partners,
    likenesses,
    monochromatic,
    partner_angles,
)
from heimat.core.sources.nearness import differences
from heimat.core.system import Circle
from heimat.service.area_types import (
    CommonView,
    EvenView,
    GivenMark,
    HarmonyView,
    LikenessView,
    MixView,
    PartnerView,
)
from heimat.service.seeing import Eyes

STRIP = 120
"""Colors of a hue strip, one every 3 degrees."""
_ALONG = (np.arange(STRIP) + 0.5) * 360.0 / STRIP
_VISIBLY = 4.0
"""L* from which colors of equal HSL or HSB values are said to look unequal."""


def harmony_view(
    given: Sequence[Color],
    relation: Relation,
    circle: Circle,
    spread: float | None,
    placed: Sequence[float],
    notation: Notation,
    eyes: Eyes,
) -> HarmonyView:
    """Partners of the first given color in a relation, or where they were placed; and what several come near to."""
    source = on_circle(given[0], circle)
    other = on_circle(given[0], "hsl" if circle == "oklch" else "oklch")
    by = USUAL_SPREAD.get(relation) if spread is None else spread
    offsets = list(placed) if relation == "free" else list(partner_angles(relation, by))
    angles = [on_circle(color, circle).angle for color in given]
    own = eyes.swatches(np.array([rgb8_of(color) for color in given]))
    marks: list[GivenMark] = [{**swatch, "angle": angle} for swatch, angle in zip(own, angles, strict=True)]
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
        common = [{**partner, "words": words} for partner, (_, words) in zip(shown, partners, strict=True)]
    shades = monochromatic(on_circle(given[0], "oklch"), by) if relation == "monochromatic" else []
    return {
        "strip": eyes.hexes(source.at(_ALONG)),
        "given": marks,
        "spread": by,
        "partners": view.at(offsets),
        "shades": view.shades(shades),
        "likenesses": found,
        "common": common,
    }


def _likeness_words(relation: Relation, miss: float, missing: int) -> str:
    stands = f"{miss:.0f}° off at most" if miss >= 0.5 else "exactly"
    return f"{relation}, {stands}" + (f"; {missing} more would complete it" if missing else "")


class _Partners:
    """Makes partners of one source, each beside its like on the other circle."""

    def __init__(self, source: Turned, other: Turned, notation: Notation, eyes: Eyes) -> None:
        self._source, self._other = source, other
        self._notation, self._eyes = notation, eyes

    def at(self, offsets: Sequence[float]) -> list[PartnerView]:
        """The partners at some angles from the source."""
        if not offsets:
            return []
        turned = floats(offsets)
        own = self._source.at(self._source.angle + turned)
        lost = self._source.lost(self._source.angle + turned)
        return [
            self._partner(float(offset), rgb8, float(gone), like)
            for offset, rgb8, gone, like in zip(
                turned, own, lost, self._other.at(self._other.angle + turned), strict=True
            )
        ]

    def shades(self, found: list[tuple[float, Color]]) -> list[PartnerView]:
        """Tints and shades of the source: what is turned is nothing, `offset` is the difference in L*."""
        return [self._partner(step, rgb8_of(color), 0.0, rgb8_of(color), turned=False) for step, color in found]

    def _partner(self, offset: float, rgb8: Bytes, lost: float, like: Bytes, *, turned: bool = True) -> PartnerView:
        color = Color.of_bytes(rgb8)
        by = offset if turned else 0.0
        apart = float(differences(rgb8[None], like[None])[0, 0])
        kept = float(oklch_of(color)[1])
        clipped = f"the gamut leaves chroma {kept:.3f} of {kept + lost:.3f}" if lost > GAMUT_LOSS else None
        return {
            **self._eyes.swatch(rgb8),
            "angle": round((self._source.angle + by) % 360.0, 2),
            "offset": round(offset, 2),
            "text": format(color, self._notation) or format(color, "hex"),
            "lightness": f"{lightness_of(color):.1f}",
            "clipped": clipped,
            "other": self._eyes.swatch(like),
            "other_angle": round(on_circle(Color.of_bytes(like), self._source.circle).angle, 2),
            "apart": distance_text(apart),
        }


def even_view(
    start: Color,
    count: int,
    space: even.EvenIn,
    lightness_: float | None,
    strength: float | None,
    notation: Notation,
    eyes: Eyes,
) -> EvenView:
    """An even set from a start color; without lightness and strength, those of the start are taken.

    In OKLCH they are L* and chroma, else HSL's or HSB's lightness (brightness) and saturation, 0 to 100.
    """
    value = 0.0
    if space == "oklch":
        source = on_circle(start, "oklch")
        light = source.light if lightness_ is None else lightness_
        chroma = source.strength if strength is None else strength
        angles = even.even_angles(source.angle, count)
        rgb8 = even.equal_in_oklch(light, chroma, angles)
        strip = even.equal_in_oklch(light, chroma, _ALONG)
    else:
        angle, own_strength, own_value = _parts(start, space)
        value = own_value if lightness_ is None else lightness_ / 100.0
        share = own_strength if strength is None else strength / 100.0
        angles = even.even_angles(angle, count)
        rgb8 = even.equal_values(space, share, value, angles)
        strip = even.equal_values(space, share, value, _ALONG)
        light, chroma = float(lightness(relative_luminance(rgb8)).mean()), share * 100.0
    limits = even.chroma_limits(light, _ALONG)
    uneven = even.unevenness(rgb8)
    looks = uneven.lightness[1] - uneven.lightness[0]
    correct = space != "oklch" and looks >= _VISIBLY
    return {
        "strip": eyes.hexes(strip),
        "limits": [round(float(limit), 4) for limit in limits],
        "common": round(even.common_chroma(light, _ALONG), 4),
        "highest": round(even.common_chroma(light, angles), 4) if space == "oklch" else 0.0,
        "angles": [round(float(angle), 2) for angle in angles],
        "light": round(light if space == "oklch" else value * 100.0, 2),
        "colors": eyes.swatches(rgb8),
        "texts": _texts(rgb8, notation),
        "chroma": round(chroma, 4),
        "lightness_range": [round(part, 1) for part in uneven.lightness],
        "chroma_range": [round(part, 3) for part in uneven.chroma],
        "uneven": (
            f"They look unequal: L* runs from {uneven.lightness[0]:.0f} to {uneven.lightness[1]:.0f}, "
            f"chroma from {uneven.chroma[0]:.3f} to {uneven.chroma[1]:.3f}."
            if correct
            else None
        ),
        "corrected": eyes.swatches(even.evened(rgb8)) if correct else [],
    }


def _parts(color: Color, space: str) -> tuple[float, float, float]:
    convert = srgb_to_hsl if space == "hsl" else srgb_to_hsv
    angle, strength, value = (float(part) for part in convert(rgb8_of(color) / 255.0))
    return angle, strength, value


def _texts(rgb8: ArrayLike, notation: Notation) -> list[str]:
    colors = [Color.of_bytes(color) for color in np.asarray(rgb8)]
    return [format(color, notation) or format(color, "hex") for color in colors]


def mix_views(one: Color, other: Color, count: int, eyes: Eyes) -> list[MixView]:
    """The colors between two in every space, with the ends."""
    start, end = rgb8_of(one), rgb8_of(other)
    return [
        {
            "space": space,
            "colors": eyes.swatches(np.concatenate([start[None], mixing.mixed(start, end, count, space), end[None]])),
        }
        for space in MIX_SPACES
    ]
