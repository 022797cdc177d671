"""What a brand's own colors are like, and palettes that stay near it.

Left alone, a search for distance ends in violets and acid greens that no brand owns, in olives and near-blacks. So
lightness and strength stay within the range of the system's own hues, a little widened, unless more distance is asked
for (`reach` 0 is like the brand, 1 as far apart as can be); colors spread over the families and leave olive out, but
at the farthest; and each leans to the nearest of the system's hues, as long as that costs less than a stated share of
the distance.
"""

from dataclasses import dataclass, replace

import numpy as np

from heimat.core.charts.apart import all_apart, seen8
from heimat.core.charts.bounds import GRAPHIC, Bounds
from heimat.core.charts.categorical import FoundColors, Wish, generate, ordered
from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.spaces import oklch_to_srgb, srgb_to_oklch

LEAN_COST = 0.05
"""The share of the distance that leaning to the system's hues may cost."""
_ROOM_LIGHTNESS, _WEAKER, _STRONGER = 0.08, 0.03, 0.05
_LEAST_CHROMA = 0.05
"""Below it a color is a gray, which is no category beside colors."""
_MIDDLE = (0.42, 0.68)
"""OKLab lightness that is always within reach: a brand of pastels, or nearly black, has charts too."""
_OUTLINED = (0.42, 0.92)
"""The same where marks may be paler than graphics need, as an outline is drawn around them."""
_ON_DARK = (0.56, 0.78)
"""The same on a dark ground."""
_NO_INK = 0.40
"""OKLab lightness below which a mark is a near-black: two of them are one to the eye."""
_IS_DARK = 0.18
"""The luminance below which a ground asks for lighter colors: there black and white stand out alike."""
_PLAIN_CHROMA = 0.1
_STRONG = (0.11, 0.2)
"""Chroma that no color has to reach, however strong the brand, for not every hue can; and that none but held ones
goes beyond: a neon is for few places, six of them are for none."""
_NO_BRAND = ((0.45, 0.75), (0.08, 0.16))
_LEANS = (1.0, 0.75, 0.5, 0.25)


@dataclass(frozen=True)
class Character:
    """The range of OKLab lightness and chroma of a system's own hues, and their OKLCH hues in degrees (n,)."""

    lightness: tuple[float, float]
    chroma: tuple[float, float]
    hues: Floats

    @classmethod
    def of(cls, rgb8: Bytes) -> "Character":
        """The character of 8-bit colors (n, 3); grays among them say nothing."""
        lch = srgb_to_oklch(from_bytes(rgb8)).reshape(-1, 3)
        colored = lch[lch[:, 1] >= _LEAST_CHROMA]
        if len(colored) == 0:
            return cls(*_NO_BRAND, np.empty(0))
        light, chroma, hue = colored.T
        return cls(
            (float(light.min()) - _ROOM_LIGHTNESS, float(light.max()) + _ROOM_LIGHTNESS),
            (
                min(max(float(chroma.min()) - _WEAKER, _LEAST_CHROMA), _STRONG[0]),
                min(max(float(chroma.max()) + _STRONGER, _PLAIN_CHROMA), _STRONG[1]),
            ),
            hue,
        )

    def bounds(
        self,
        ground: tuple[int, int, int],
        contrast: float,
        reach: float,
        taken: tuple[tuple[int, int, int], ...] = (),
    ) -> Bounds:
        """The bounds of a palette at a reach from 0, like the brand, to 1, as far apart as can be.

        For none of `taken` a color could be taken.
        """

        always = _MIDDLE if contrast >= GRAPHIC else _OUTLINED
        dark = float(relative_luminance(np.array(ground, dtype=np.uint8))) < _IS_DARK
        always = _ON_DARK if dark else always
        light = (
            max(min(self.lightness[0], always[0]), _NO_INK),
            max(self.lightness[1], always[1]),
        )

        def wider(own: tuple[float, float], widest: tuple[float, float]) -> tuple[float, float]:
            low, high = (
                (1.0 - reach) * near + reach * far for near, far in zip(own, widest, strict=True)
            )
            return max(low, widest[0]), min(high, widest[1])

        return Bounds(
            ground,
            contrast,
            wider(light, (0.0, 1.0)),
            wider(self.chroma, (0.0, 0.5)),
            olive=not spreads(reach),
            taken=taken,
        )


def spreads(reach: float) -> bool:
    """Whether palettes at a reach spread over the families of color, and leave olive out: all but the farthest."""
    return reach < 1.0


def generate_like(character: Character, wish: Wish, reach: float) -> FoundColors:
    """A palette inside the bounds of a wish whose colors lean to the system's hues, the less the greater the reach."""
    made = generate(wish)
    if reach >= 1.0 or len(character.hues) == 0:
        return made
    return _leaning(made, wish, character.hues, LEAN_COST * (1.0 - reach))


def _leaning(made: FoundColors, wish: Wish, hues: Floats, cost: float) -> FoundColors:
    least = made.apart * (1.0 - cost)
    rgb8, held = made.rgb8.copy(), len(wish.held)
    for place in range(held, len(rgb8)):
        lch = srgb_to_oklch(from_bytes(rgb8[place]))
        turns = (hues - lch[2] + 180.0) % 360.0 - 180.0
        turn = float(turns[int(np.argmin(np.abs(turns)))])
        for share in _LEANS:
            tried = rgb8.copy()
            turned = oklch_to_srgb(np.array([lch[0], lch[1], lch[2] + share * turn]))
            tried[place] = to_bytes(wish.bounds.project(turned.clip(0.0, 1.0)))
            if (
                bool(wish.bounds.holds(tried[place]))
                and (made.families is None or made.families.spread(tried, held))
                and float(all_apart(seen8(tried)).min()) >= least
            ):
                rgb8 = tried
                break
    return ordered(rgb8, held, made.families)


@dataclass(frozen=True)
class Price:
    """How far apart the colors would be: at a reach, or without one of the bounds (its name)."""

    name: str
    apart: float


def prices(wish: Wish) -> list[Price]:
    """What each bound costs: the distance that would be reached at least without it, the dearest first."""
    bounds = wish.bounds
    wish = replace(wish, rough=True)
    without = {
        "contrast": replace(wish, bounds=replace(bounds, contrast=1.0)),
        "lightness": replace(wish, bounds=replace(bounds, lightness=(0.0, 1.0))),
        "strength": replace(wish, bounds=replace(bounds, chroma=(0.0, 0.5))),
    }
    if wish.spread:
        without["families"] = replace(wish, spread=False, bounds=replace(bounds, olive=True))
    if bounds.taken:
        without["statuses"] = replace(wish, bounds=replace(bounds, taken=()))
    if wish.held:
        without["held colors"] = replace(wish, held=())
    found = [Price(name, generate(other).apart) for name, other in without.items()]
    return sorted(found, key=lambda each: -each.apart)
