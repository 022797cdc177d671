"""Repairs: ways to settle a finding, each as the edits that do it.

A pairing is mended by the nearest step of the token's own scale, by the nearest color that passes, by either on the
token that it is an alias of, on the foreground or on the ground; or a brand color stays, exact, and the text gets a
companion. What else a repair would change is what a fresh check of the document after it finds; `findings` counts that.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.ciede2000 import ciede2000, distance_text
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.passing import nearest_passing
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.color.told_apart import PairDistance, seen_labs
from heimat.core.document.free_names import FreeTokenNames
from heimat.core.document.tokens import LiteralColor, Moving, StepAlias, TokenAlias, TokenValue
from heimat.core.edits.pairing_edits import AddPairings, NewPairing, RemovePairing
from heimat.core.edits.palette_edits import SetOtherColor, SetPalette
from heimat.core.edits.token_edits import AddTokens, NewToken, SetTokenValue
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.resolve.theme import ResolvedTheme, ToldApartResult

RepairEdit = SetTokenValue | AddTokens | AddPairings | RemovePairing | SetPalette | SetOtherColor
RepairKind = Literal["step", "color", "side", "companion", "own", "telling", "apart"]

TURNS: dict[Moving, int] = {"first": 0, "usual": 1, "last": 2, "never": 3}
"""The order in which tokens give way to repairs; what never does is not among what may move."""


_ON_FILLS = (".label", ".on-brand")
"""How the purposes of texts end that stand on a fill: they are light or dark as that is."""
_WHITE, _BLACK = np.full(3, 255, dtype=np.uint8), np.zeros(3, dtype=np.uint8)


@dataclass(frozen=True)
class Repair:
    """One way to settle a finding: the edits, the color they lead to, and what that reaches.

    `words` say what becomes of what, `distance` is the CIEDE2000 of the color from the present one, `weight` in how
    many pairings what moves takes part, `turn` whether the team lets it move first (0), as usual (1) or last (2);
    `mends` and `breaks` count the findings of any kind, in every theme, that go and that come with it, None where that
    was not looked for; `worsens` those that stay open and get worse. `turned` is whether a light ground becomes dark by
    it, or a dark one light.
    """

    edits: tuple[RepairEdit, ...]
    kind: RepairKind
    rgb8: Bytes
    words: str
    reaches: float
    distance: float = 0.0
    weight: int = 0
    turn: int = TURNS["usual"]
    turned: bool = False
    mends: int | None = None
    breaks: int | None = None
    worsens: int = 0


@dataclass(frozen=True)
class _Moving:
    """A token that may move in a theme against one that stays, or against many."""

    resolved: Resolved
    theme: ResolvedTheme
    token: str

    @property
    def name(self) -> str:
        return self.resolved.system.tokens[self.token].name

    @property
    def rgb8(self) -> Bytes:
        return self.theme.tokens[self.token].rgb8

    @property
    def turn(self) -> int:
        return TURNS[self.resolved.system.tokens[self.token].moving]

    @property
    def hue(self) -> ResolvedHue | None:
        """The hue on whose scale it stands, if it stands on one."""
        hue = self.theme.tokens[self.token].hue
        return self.resolved.hues[hue] if hue else None

    def to(
        self, value: TokenValue, kind: RepairKind, rgb8: Bytes, words: str, reaches: float
    ) -> Repair:
        edit = SetTokenValue(token=self.token, theme=self.theme.theme.id, value=value)
        away = float(ciede2000(srgb_to_lab(from_bytes(rgb8)), srgb_to_lab(from_bytes(self.rgb8))))
        weight = pairings_with(self.resolved, self.token)
        turned = self.token in self.theme.grounds and is_dark(rgb8) != is_dark(self.rgb8)
        return Repair(
            (edit,),
            kind,
            rgb8,
            f"Let {self.name} be {words}",
            reaches,
            away,
            weight,
            self.turn,
            turned,
        )

    def nearest_step(self, good: NDArray[np.bool_], reached: NDArray[np.float64]) -> list[Repair]:
        """Of the steps of its scale that are good (n,), the one most like what it is."""
        hue = self.hue
        if hue is None or not good.any():
            return []
        away = ciede2000(srgb_to_lab(from_bytes(hue.rgb8)), srgb_to_lab(from_bytes(self.rgb8)))
        place = int(np.argmin(np.where(good, away, np.inf)))
        value = StepAlias(hue=hue.id, step=hue.steps[place].id)
        return [
            self.to(value, "step", hue.rgb8[place], hue.step_name(place), float(reached[place]))
        ]


class NearestColors:
    """The nearest passing colors of many pairings, both ways, found at once."""

    def __init__(self, every: Iterable[tuple[ResolvedTheme, PairingResult]]) -> None:
        asked = {
            _asked(theme, moving, staying, result.needed): (
                theme.tokens[moving].rgb8,
                theme.tokens[staying].rgb8,
            )
            for theme, result in every
            if result.needed is not None
            for moving, staying in _sides(result)
        }
        ends = list(asked.values())
        colors, distances = nearest_passing(
            np.array([end[0] for end in ends], dtype=np.uint8).reshape(-1, 3),
            np.array([end[1] for end in ends], dtype=np.uint8).reshape(-1, 3),
            np.array([needed for _, _, needed in asked], dtype=np.float64),
        )
        self._found = dict(zip(asked, zip(colors, distances.tolist(), strict=True), strict=True))

    def of(
        self, theme: ResolvedTheme, moving: str, staying: str, needed: float
    ) -> tuple[Bytes, float]:
        """The color (3,) of a token that passes against another, and how far it is: infinite where none does."""
        return self._found[_asked(theme, moving, staying, needed)]


def _asked(
    theme: ResolvedTheme, moving: str, staying: str, needed: float | None
) -> tuple[bytes, bytes, float]:
    return theme.tokens[moving].rgb8.tobytes(), theme.tokens[staying].rgb8.tobytes(), needed or 0.0


def _sides(result: PairingResult) -> tuple[tuple[str, str], tuple[str, str]]:
    """What moves and what stays, both ways."""
    foreground, ground = result.pairing.foreground, result.pairing.ground
    return (foreground, ground), (ground, foreground)


def repair_pairing(
    resolved: Resolved, theme: ResolvedTheme, result: PairingResult, nearest: NearestColors
) -> list[Repair]:
    """The ways to let a pairing reach its level: moving the foreground or the ground, or giving a companion."""
    needed = result.needed
    if needed is None:
        return []
    found: list[Repair] = []
    for token, staying in _sides(result):
        if theme.tokens[token].alpha < 1.0 or theme.tokens[staying].alpha < 1.0:
            continue
        against = theme.tokens[staying].rgb8
        for end in _movable(resolved, theme, token):
            moving = _Moving(resolved, theme, end)
            if moving.hue is not None:
                reached = ratio(moving.hue.rgb8, against)
                found += moving.nearest_step(reached >= needed, reached)
        color, away = nearest.of(theme, token, staying, needed)
        if np.isfinite(away) and not is_held(resolved, token):
            words = f"{hex_of(color)}, {distance_text(away)} away"
            value = LiteralColor(color=Color.of_bytes(color))
            reached_there = float(ratio(color, against))
            found.append(
                _Moving(resolved, theme, token).to(value, "color", color, words, reached_there)
            )
    return found + _other_side(resolved, theme, result) + _companion(resolved, theme, result)


def pairings_with(resolved: Resolved, token: str) -> int:
    """In how many pairings a token takes part."""
    ends = ((each.foreground, each.ground) for each in resolved.system.pairings.values())
    return sum(token in end for end in ends)


def is_dark(rgb8: Bytes) -> bool:
    """Whether white reads better on a color (3,) than black."""
    return bool(ratio(rgb8, _WHITE) > ratio(rgb8, _BLACK))


def is_held(resolved: Resolved, token: str) -> bool:
    """Whether repairs leave a token alone: it is held against them, or taken from another system as it is."""
    rests_on = resolved.system.rests_on
    taken = rests_on is not None and token in rests_on.tokens and token not in rests_on.overridden
    return taken or resolved.system.tokens[token].moving == "never"


def _movable(resolved: Resolved, theme: ResolvedTheme, token: str) -> list[str]:
    """A token, and the one at the end of its chain, where it is an alias of another: either may move, if not held."""
    color = theme.tokens[token]
    ends = (token,) if color.derived else dict.fromkeys((token, color.chain[-1]))
    return [end for end in ends if not is_held(resolved, end)]


def _other_side(resolved: Resolved, theme: ResolvedTheme, result: PairingResult) -> list[Repair]:
    """A label that is dark on a dark fill, or light on a light one, becomes white or the darkest neutral."""
    moving = _Moving(resolved, theme, result.pairing.foreground)
    purpose = resolved.system.tokens[moving.token].purpose or ""
    if not purpose.endswith(_ON_FILLS) or is_held(resolved, moving.token):
        return []
    ground = theme.tokens[result.pairing.ground].rgb8
    white = (
        float(ratio(_WHITE, ground)),
        _WHITE,
        LiteralColor(color=Color.of_bytes(_WHITE)),
        "white",
    )
    sides: list[tuple[float, Bytes, TokenValue, str]] = [white]
    neutral = next((hue for hue in resolved.hue_list if hue.hue.kind == "neutral"), None)
    if neutral is not None:
        last = len(neutral.steps) - 1
        darkest, color = StepAlias(hue=neutral.id, step=neutral.steps[last].id), neutral.rgb8[last]
        sides.append((float(ratio(color, ground)), color, darkest, neutral.step_name(last)))
    reached, rgb8, value, words = max(sides, key=lambda side: side[0])
    if reached < (result.needed or 0.0) or is_dark(rgb8) == is_dark(moving.rgb8):
        return []
    return [moving.to(value, "side", rgb8, words, reached)]


def _companion(resolved: Resolved, theme: ResolvedTheme, result: PairingResult) -> list[Repair]:
    """A brand color stays, exact; a new token beside it is set in the nearest step that passes, and takes its place."""
    moving = _Moving(resolved, theme, result.pairing.foreground)
    hue, needed = moving.hue, result.needed or 0.0
    if hue is None or hue.hue.kind != "brand" or result.pairing.use == "part":
        return []
    if not np.array_equal(moving.rgb8, hue.scale.source8):
        return []
    reached = ratio(hue.rgb8, theme.tokens[result.pairing.ground].rgb8)
    steps = moving.nearest_step(reached >= needed, reached)
    if not steps:
        return []
    (edit,) = steps[0].edits
    assert isinstance(edit, SetTokenValue)
    own, here = f"{result.pairing.id[:30]}-readable", theme.theme.id
    if own in resolved.system.tokens or own in resolved.system.pairings:
        return []
    name = FreeTokenNames(resolved.system).take(f"{moving.name}-readable")
    values = {
        each: edit.value if each == here else TokenAlias(token=moving.token)
        for each in resolved.themes
    }
    pairing = result.pairing
    edits = (
        AddTokens(tokens=(NewToken(id=own, name=name, values=values),)),
        AddPairings(
            pairings=(NewPairing(id=own, foreground=own, ground=pairing.ground, use=pairing.use),)
        ),
        RemovePairing(pairing=pairing.id),
    )
    step = steps[0].words.removeprefix(f"Let {moving.name} be ")
    words = f"Leave {moving.name} exact; for text add {name}, {step}"
    return [Repair(edits, "companion", steps[0].rgb8, words, steps[0].reaches, 0.0, 0)]


def repair_told_apart(
    resolved: Resolved, theme: ResolvedTheme, result: ToldApartResult, pair: PairDistance
) -> list[Repair]:
    """Move either color of a confusable pair to the nearest step that stands apart from the whole set."""
    found: list[Repair] = []
    members = result.told_apart.tokens
    for place in (pair.one, pair.other):
        moving = _Moving(resolved, theme, members[place])
        if moving.hue is None or is_held(resolved, moving.token):
            continue
        others = np.array(
            [theme.tokens[token].rgb8 for at, token in enumerate(members) if at != place]
        )
        labs, other_labs = seen_labs(moving.hue.rgb8), seen_labs(others)
        apart = ciede2000(labs[:, :, :, None], other_labs[:, :, None, :]).min(axis=(0, 1, 3))
        found += moving.nearest_step(apart >= result.told_apart.threshold, apart)
    return found
