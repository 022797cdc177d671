"""How the colors of a set spread over the families of color, so that people can name them, and no family fills a chart.

Of up to six colors no two are of one basic color term, or of nearly one hue; of more at most two are, one of which is
called dark or light where the other is not. No more than a third of a set, but always two, lie in one sixth of the
circle of hues. A brown counts as an orange, an olive as a yellow: on a dark ground they become that. Whatever is held
is taken as it is: only what is made must fit to it.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.spaces import luminance_of
from heimat.core.color.terms import (
    DARK_BELOW,
    LIGHT_ABOVE,
    Places,
    hue_ranges,
    hue_terms,
    measured,
    shades,
)
from heimat.core.color.thresholds import KEEPS_HUE

Mask = NDArray[np.bool_]

EACH_ITS_OWN = 6
"""Up to how many colors each has a term of its own."""
SIXTH = 60.0
LIKE_HUE = 20.0
"""Degrees below which two hues are alike, also on both sides of the border between two terms."""
_MARGIN = 1.2
"""Degrees by which a hue stays inside its term while it moves, for what rounding turns."""
_LIGHT_MARGIN = 0.3
"""The same in L*."""
_NOISE = 1e-6


@dataclass(frozen=True)
class Kinds:
    """Terms, shades and OKLCH hues in degrees of some colors: each (n,); grays have no hue (NaN)."""

    term: Places
    shade: Places
    hue: Floats

    @classmethod
    def of(cls, rgb8: Bytes) -> "Kinds":
        """Those of 8-bit colors (n, 3)."""
        light, chroma, hue = measured(rgb8)
        return cls(
            hue_terms(light, chroma, hue),
            shades(light, chroma),
            np.where(chroma < KEEPS_HUE, np.nan, hue),
        )

    def __getitem__(self, places: list[int]) -> "Kinds":
        return Kinds(self.term[places], self.shade[places], self.hue[places])


@dataclass(frozen=True)
class Beside:
    """Some colors (o) beside others (m): all (o, m).

    Whether they are of one term or hue, whether of one shade too, and whether those lie in the sixths of the circle
    that begin at these (`ahead`), and these in those that begin at those (`behind`).
    """

    same: Mask
    alike: Mask
    ahead: Mask
    behind: Mask

    @classmethod
    def of(cls, one: Kinds, other: Kinds) -> "Beside":
        """Those of two lots of colors."""
        turn = other.hue - one.hue[:, None]
        same = one.term[:, None] == other.term
        same |= np.abs(turn_between(turn, 0.0)) < LIKE_HUE
        alike = same & (one.shade[:, None] == other.shade)
        return cls(same, alike, turn % 360.0 <= SIXTH, -turn % 360.0 <= SIXTH)

    def __getitem__(self, places: list[int]) -> "Beside":
        return Beside(
            self.same[places], self.alike[places], self.ahead[places], self.behind[places]
        )


@dataclass(frozen=True)
class Families:
    """The rule for sets of `count` colors. `by_shade`: two of a term, dark and light, also where the set is small."""

    count: int
    by_shade: bool = False

    @property
    def in_a_sixth(self) -> int:
        """How many may lie in one sixth of the circle."""
        return max(2, self.count // 3)

    def allows(self, others: Kinds, each: Kinds) -> Mask:
        """Whether colors (m,), each by itself, may stand with some others (o,): shape (m,)."""
        return self.judged(Beside.of(others, each), Beside.of(others, others).ahead)

    def judged(self, beside: Beside, ahead: Mask) -> Mask:
        """The same of some colors (o) beside those asked for (m), and of which of the some lie ahead of each (o, o)."""
        if self.count <= EACH_ITS_OWN and not self.by_shade:
            taken = beside.same.any(axis=0)
        else:
            taken = beside.alike.any(axis=0) | (beside.same.sum(axis=0) >= 2)
        # Sixths that begin at one of the others, and the one that begins at the color itself.
        crowded = beside.ahead[ahead.sum(axis=1) >= self.in_a_sixth].any(axis=0)
        behind = beside.behind.sum(axis=0) >= self.in_a_sixth
        return np.asarray(~(taken | crowded | behind))

    def spread(self, rgb8: Bytes, held: int = 0) -> bool:
        """Whether every color of a set (n, 3) behind the held ones may stand with all others."""
        kinds = Kinds.of(rgb8)
        every = list(range(len(rgb8)))
        return all(
            bool(self.allows(kinds[every[:place] + every[place + 1 :]], kinds[[place]])[0])
            for place in every[held:]
        )

    def keeps(self, hues: Floats, begun: Floats) -> Mask:
        """Whether sets (k, n) of hues, each within its term, are as spread as those they began from: shape (k,).

        No sixth is fuller than it was, or may be, and hues that were unlike still are, with room for rounding.
        """
        fullest = np.maximum(self.in_a_sixth, _fullest(begun))
        gaps = _gaps(begun)
        least = np.where(gaps >= LIKE_HUE, np.minimum(gaps, LIKE_HUE + _MARGIN), 0.0)
        parted = (_gaps(hues) >= least - _NOISE).all(axis=(1, 2))
        return np.asarray((_fullest(hues) <= fullest) & parted)


def _fullest(hues: Floats) -> Places:
    """How many colors the fullest sixth of each set (k, n) of hues has: shape (k,)."""
    ahead = (hues[:, None, :] - hues[:, :, None]) % 360.0
    return np.asarray((ahead <= SIXTH + _MARGIN).sum(axis=2).max(axis=1))


def _gaps(hues: Floats) -> Floats:
    return np.abs(turn_between(hues[:, None, :], hues[:, :, None]))


@dataclass(frozen=True)
class Regions:
    """Where colors (k, n) stay to be of the terms and shades they are: OKLCH hues from and how far, luminances."""

    begins: Floats
    wide: Floats
    darkest: Floats
    lightest: Floats

    @classmethod
    def of(cls, rgb8: Bytes) -> "Regions":
        """Those of 8-bit colors (k, n, 3)."""
        light, chroma, hue = measured(rgb8)
        shade = shades(light, chroma)
        low, high = (np.array(ends) for ends in hue_ranges(hue))
        darkest = np.array([0.0, DARK_BELOW, LIGHT_ABOVE])[shade + 1] + _LIGHT_MARGIN
        lightest = np.array([DARK_BELOW, LIGHT_ABOVE, 100.0])[shade + 1] - _LIGHT_MARGIN
        return cls(
            low + _MARGIN,
            high - low - 2.0 * _MARGIN,
            luminance_of(darkest),
            luminance_of(lightest),
        )

    def __getitem__(self, places: Places) -> "Regions":
        return Regions(
            self.begins[places], self.wide[places], self.darkest[places], self.lightest[places]
        )

    def turned(self, hue: Floats) -> Floats:
        """Hues (k, n) in degrees moved inside by the shorter way."""
        off = (hue - self.begins) % 360.0
        beyond = off - self.wide
        outside = np.where(beyond <= (360.0 - self.wide) / 2.0, self.wide, 0.0)
        return np.asarray(self.begins + np.where(beyond > 0.0, outside, off))

    def lit(self, luminance: Floats) -> Floats:
        """Luminances (k, n) moved inside."""
        return np.clip(luminance, self.darkest, self.lightest)
