"""What the rules fill from: the scales of a system, the colors found so far, and the contrast that is wanted."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import AA_LARGE, AA_TEXT, AAA_TEXT, ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.hues import HueKind
from heimat.core.document.themes import Scheme, Wanted
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    LiteralColor,
    PaletteAlias,
    StepAlias,
    TokenAlias,
    TokenValue,
)
from heimat.core.resolve.end_colors import end_color
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.values.derived_color import derived_color, derived_levels

WHITE, BLACK = (LiteralColor(color=parse(text)) for text in ("#FFFFFF", "#000000"))
STATE_DISTANCE = 6.0
"""CIEDE2000 by which each state of an action differs from the one before; about eight times what half of all people
just see. Ours."""
_GROUNDS = ("surface.page", "surface.card", "surface.lifted", "surface.well")


@dataclass(frozen=True)
class Rule:
    """How a purpose is filled: the sentence that says it, and what does it."""

    sentence: str
    make: "Callable[[Filler, str], TokenValue]"


@dataclass
class Filler:
    """Fills purposes for a theme that is light or dark, with the usual contrast or more.

    `ids` are the ids of the tokens by their purpose, of those that are filled and of those that are there; `given` the
    colors (3,) of purposes that are not filled again. `rules` says how each is filled.
    """

    hues: Mapping[str, ResolvedHue]
    scheme: Scheme
    contrast: Wanted
    ids: Mapping[str, str]
    rules: "Mapping[str, Rule]"
    given: Mapping[str, Bytes] = field(default_factory=dict)
    values: dict[str, TokenValue] = field(default_factory=dict)
    _colors: dict[str, Bytes] = field(default_factory=dict)
    _together: dict[str, dict[str, TokenValue]] = field(default_factory=dict)

    @property
    def dark(self) -> bool:
        """Whether grounds are dark."""
        return self.scheme == "dark"

    @property
    def text(self) -> float:
        """The ratio that text needs."""
        return AAA_TEXT if self.contrast == "more" else AA_TEXT

    @property
    def part(self) -> float:
        """The ratio that a part of the interface needs."""
        return AA_TEXT if self.contrast == "more" else AA_LARGE

    def together(self, find: "Callable[[Filler], dict[str, TokenValue]]") -> dict[str, TokenValue]:
        """Values that are found together, once."""
        if find.__name__ not in self._together:
            self._together[find.__name__] = find(self)
        return self._together[find.__name__]

    def value(self, purpose: str) -> TokenValue:
        """What the token of a purpose stands for."""
        if purpose not in self.values:
            self.values[purpose] = self.rules[purpose].make(self, purpose)
        return self.values[purpose]

    def color(self, purpose: str) -> Bytes:
        """The color (3,) that the token of a purpose comes to, whether there is such a token or not."""
        if purpose in self.given:
            return self.given[purpose]
        if purpose not in self._colors:
            self._colors[purpose] = self.color_of(self.value(purpose))
        return self._colors[purpose]

    def color_of(self, value: TokenValue) -> Bytes:
        """The color (3,) of a value."""
        if isinstance(value, DerivedColor):
            return rgb8_of(derived_color(Color.of_bytes(self.color_of(value.of)), value))
        if isinstance(value, TokenAlias):
            return self.color(
                next(purpose for purpose, key in self.ids.items() if key == value.token)
            )
        # Rules fill with nothing that stands on a palette.
        assert not isinstance(value, PaletteAlias)
        return end_color(self.hues, value).rgb8

    def derived(self, values: Sequence[DerivedColor]) -> Bytes:
        """The colors (n, 3) of derived values, found at once."""
        asked = [((self.color_of(value.of).tobytes(), 1.0), value) for value in values]
        return np.array([list(levels) for levels, _ in derived_levels(asked)], dtype=np.uint8)

    def alias(self, purpose: str) -> TokenValue:
        """The token of a purpose; where there is none, what it would stand for."""
        return TokenAlias(token=self.ids[purpose]) if purpose in self.ids else self.value(purpose)

    def grounds(self) -> Bytes:
        """The colors (n, 3) of the surfaces that text and parts stand on."""
        there = [purpose for purpose in _GROUNDS if purpose in self.ids] or list(_GROUNDS[:2])
        return np.array([self.color(purpose) for purpose in there])

    def under_texts(self) -> Bytes:
        """The same colors (n, 3), with what is selected: its texts stay what they are."""
        if "selection.fill" not in self.ids:
            return self.grounds()
        return np.array([*self.grounds(), self.color("selection.fill")])

    def hue(self, kind: HueKind) -> ResolvedHue:
        """The first hue of a kind, or the first of all."""
        hues = list(self.hues.values())
        return next((hue for hue in hues if hue.hue.kind == kind), hues[0])

    def status(self, status: str) -> ResolvedHue:
        """The hue of a status, or the brand's."""
        return next(
            (hue for hue in self.hues.values() if hue.hue.status == status), self.hue("brand")
        )

    def step(self, hue: ResolvedHue, place: int) -> StepAlias:
        """The step of a hue at a position."""
        return StepAlias(hue=hue.id, step=hue.steps[place].id)

    def own(self, hue: ResolvedHue) -> HueAlias:
        """A hue's own color, exact."""
        return HueAlias(hue=hue.id)

    def least(self, hue: ResolvedHue, grounds: Bytes) -> Floats:
        """The least ratio (n,) of each step against some grounds (m, 3)."""
        return ratio(hue.rgb8[:, None], grounds[None]).min(axis=1)

    def quietest(self, hue: ResolvedHue, target: float, grounds: Bytes | None = None) -> StepAlias:
        """Of the steps that reach a ratio on all grounds (m, 3) the nearest to them; where none does, the strongest."""
        reached = self.least(hue, self.grounds() if grounds is None else grounds)
        good = reached >= target
        place = (
            int(np.where(good, reached, np.inf).argmin()) if good.any() else int(reached.argmax())
        )
        return self.step(hue, place)

    def nearest(
        self, hue: ResolvedHue, target: float, grounds: Bytes, wanted: Bytes | None = None
    ) -> StepAlias:
        """Of the steps that reach a ratio on all grounds (m, 3) the one most like a color (3,), or the hue's own."""
        reached = self.least(hue, grounds)
        good = reached >= target
        if not good.any():
            return self.step(hue, int(reached.argmax()))
        away = distances(hue.rgb8, rgb8_of(hue.color) if wanted is None else wanted)
        return self.step(hue, int(np.where(good, away, np.inf).argmin()))

    def beside(self, hue: ResolvedHue, ground: Bytes, apart: float) -> StepAlias:
        """The step nearest to a ground (3,) that differs by a CIEDE2000 from it, on the side of the theme's text.

        Where there is none, the last one on that side.
        """
        light = relative_luminance(hue.rgb8)
        there = float(relative_luminance(ground))
        side = light > there if self.dark else light < there
        good = side & (distances(hue.rgb8, ground) >= apart)
        if not good.any():
            return self.step(hue, int(light.argmax() if self.dark else light.argmin()))
        return self.step(hue, int(np.where(good, np.abs(light - there), np.inf).argmin()))

    def about(self, hue: ResolvedHue, target: float, ground: Bytes) -> StepAlias:
        """The step whose ratio to a ground (3,) is most nearly a given one."""
        off = np.abs(np.log(ratio(hue.rgb8, ground)) - np.log(target))
        return self.step(hue, int(off.argmin()))

    def disabled(self, target: float) -> StepAlias:
        """The same of a neutral on the card, on the side of the theme's text: it never sinks into the page."""
        neutral, card = self.hue("neutral"), self.color("surface.card")
        light, there = relative_luminance(neutral.rgb8), float(relative_luminance(card))
        side = light > there if self.dark else light < there
        off = np.abs(np.log(ratio(neutral.rgb8, card)) - np.log(target))
        return self.step(
            neutral, int((np.where(side, off, np.inf) if side.any() else off).argmin())
        )

    def place(self, value: StepAlias) -> int:
        """The position of a step."""
        return self.hues[value.hue].place(value.step) or 0

    def further(self, value: StepAlias, by: int = 1) -> StepAlias:
        """The step that stands out more from the theme's grounds, by so many positions; the last one at the end."""
        hue = self.hues[value.hue]
        place = self.place(value) + (-by if self.dark else by)
        return self.step(hue, min(max(place, 0), len(hue.steps) - 1))


def distances(colors: Bytes, other: Bytes) -> NDArray[np.float64]:
    """The CIEDE2000 (n,) of colors (n, 3) to another one (3,)."""
    return ciede2000(srgb_to_lab(from_bytes(colors)), srgb_to_lab(from_bytes(np.asarray(other))))


def reaches(color: Bytes, grounds: Bytes | Sequence[Bytes], target: float) -> bool:
    """Whether a color (3,) reaches a ratio on all grounds (n, 3)."""
    return bool((ratio(np.asarray(color), np.asarray(grounds)) >= target).all())
