"""The starter set of semantic tokens, filled from a system's hues, with pairings and one told-apart set."""

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import AA_TEXT, ratio
from heimat.core.color.difference import TOLD_APART
from heimat.core.color.notation import parse, rgb8_of
from heimat.core.document.hues import HueKind
from heimat.core.document.order import keys
from heimat.core.document.pairings import Pairing, ToldApartSet, Use
from heimat.core.document.purposes import purpose_named
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import LiteralColor, StepAlias, Token, TokenAlias, TokenValue
from heimat.core.resolve.hues import ResolvedHue, resolve_hues
from heimat.core.sources.conventions import STATUSES

DAY = "day"
WHITE = LiteralColor(color=parse("#FFFFFF"))
SERIES = 6
_PAGE_STEP = "s100"
_SERIES_STEPS = ("s600", "s300", "s800", "s400", "s700", "s200")

_PAIRINGS: tuple[tuple[str, str, Use], ...] = (
    ("text.strong", "surface.page", "body"),
    ("text.plain", "surface.page", "body"),
    ("text.plain", "surface.card", "body"),
    ("text.faint", "surface.card", "body"),
    ("link.text", "surface.page", "body"),
    ("text.on-brand", "surface.brand", "body"),
    ("action.main.label", "action.main.fill", "body"),
    ("action.main.label", "action.main.fill-hovered", "body"),
    ("action.main.fill", "surface.page", "part"),
    ("border.plain", "surface.card", "part"),
    *((f"status.{status}", "surface.card", "part") for status in STATUSES),
    ("border.divider", "surface.card", "decoration"),
)


@dataclass
class _Filling:
    """What the values are taken from: the hues by role."""

    system: ColorSystem
    hues: Sequence[ResolvedHue]
    values: dict[str, TokenValue] = field(default_factory=dict)

    def first(self, kind: HueKind) -> ResolvedHue:
        return next((hue for hue in self.hues if hue.hue.kind == kind), self.hues[0])

    def place(self, hue: ResolvedHue, step: str) -> int:
        """The place of a step by id, or of the one that is nearest to it on the hue's own ladder."""
        own = hue.place(step)
        if own is not None:
            return own
        usual = self.system.ladder.index(step)
        return 0 if usual is None else hue.ladder.nearest(self.system.ladder.steps[usual].lightness)

    def step(self, hue: ResolvedHue, step: str) -> StepAlias:
        """A step by id, or the one that is nearest to it on the hue's own ladder."""
        return StepAlias(hue=hue.id, step=hue.steps[self.place(hue, step)].id)

    def own_place(self, hue: ResolvedHue) -> int:
        """The place of the hue's own color, or of the step nearest to it in lightness."""
        scale = hue.scale
        return scale.anchor if scale.anchor is not None else hue.ladder.nearest(scale.source_lightness)

    def own(self, hue: ResolvedHue) -> StepAlias:
        """The step that is the hue's own color, or the one nearest to it in lightness."""
        return StepAlias(hue=hue.id, step=hue.steps[self.own_place(hue)].id)

    def page(self) -> Bytes:
        """The color (3,) of the page that text stands on."""
        neutral = self.first("neutral")
        return np.asarray(neutral.rgb8[self.place(neutral, _PAGE_STEP)])

    def reading(self, hue: ResolvedHue, against: Bytes, darker: int = 0) -> StepAlias:
        """The hue's own step where it reaches 4.5 against a light color, else the lightest that does; or darker."""
        holds = ratio(hue.rgb8, against) >= AA_TEXT
        own = self.own_place(hue)
        place = own if holds[own] else int(holds.argmax())
        return StepAlias(hue=hue.id, step=hue.steps[min(place + darker, len(hue.steps) - 1)].id)


def token_id(name: str) -> str:
    """The id that a starter token gets, so that the starter is the same each time: its name with hyphens."""
    return name.replace(".", "-")


def with_starter(system: ColorSystem) -> ColorSystem:
    """Add the theme `day` and the starter's tokens, pairings and told-apart set to a system that has only hues."""
    filling = _Filling(system, resolve_hues(system))
    _fill_interface(filling)
    _fill_status(filling)
    _fill_series(filling)
    tokens = {
        token_id(name): Token(
            id=token_id(name), order=order, name=name, purpose=purpose_named(name), values={DAY: value}
        )
        for (name, value), order in zip(filling.values.items(), keys(len(filling.values)), strict=True)
    }
    pairings = {}
    for (foreground, ground, use), order in zip(_PAIRINGS, keys(len(_PAIRINGS)), strict=True):
        if token_id(foreground) in tokens:
            key = f"{token_id(foreground)}--{token_id(ground)}"[:40]
            pairings[key] = Pairing(
                id=key, order=order, foreground=token_id(foreground), ground=token_id(ground), use=use
            )
    status = tuple(token_id(f"status.{status}") for status in STATUSES if f"status.{status}" in filling.values)
    told = ToldApartSet(id="status", order=keys(1)[0], name="status", tokens=status, threshold=TOLD_APART)
    return system.model_copy(
        update={
            "themes": {DAY: Theme(id=DAY, order=keys(1)[0], name=DAY)},
            "tokens": tokens,
            "pairings": pairings,
            "told_apart": {told.id: told} if len(status) > 1 else {},
        }
    )


def _fill_interface(filling: _Filling) -> None:
    neutral, brand = filling.first("neutral"), filling.first("brand")
    white = rgb8_of(WHITE.color)
    filling.values |= {
        "text.strong": filling.step(neutral, "s900"),
        "text.plain": filling.step(neutral, "s700"),
        "text.faint": filling.step(neutral, "s600"),
        "text.on-brand": WHITE,
        "link.text": filling.reading(brand, filling.page()),
        "surface.page": filling.step(neutral, _PAGE_STEP),
        "surface.card": WHITE,
        "surface.brand": TokenAlias(token=token_id("action.main.fill")),
        "border.plain": filling.step(neutral, "s500"),
        "border.divider": filling.step(neutral, "s200"),
        "action.main.fill": filling.reading(brand, white),
        "action.main.fill-hovered": filling.reading(brand, white, 1),
        "action.main.fill-pressed": filling.reading(brand, white, 2),
        "action.main.label": WHITE,
    }


def _fill_status(filling: _Filling) -> None:
    for status in STATUSES:
        hue = next((hue for hue in filling.hues if hue.hue.kind == "status" and hue.hue.status == status), None)
        if hue is not None:
            filling.values[f"status.{status}"] = filling.own(hue)


def _fill_series(filling: _Filling) -> None:
    """The brand's and accents' own colors and a gray first; then further steps of the first brand hue."""
    colored = [hue for hue in filling.hues if hue.hue.kind in ("brand", "accent")]
    wanted = [filling.own(hue) for hue in colored][: SERIES - 1]
    wanted.append(filling.step(filling.first("neutral"), "s500"))
    for step in _SERIES_STEPS:
        alias = filling.step(filling.first("brand"), step)
        if alias not in wanted:
            wanted.append(alias)
    for number, alias in enumerate(wanted[:SERIES], 1):
        filling.values[f"chart.series.{number}"] = alias
