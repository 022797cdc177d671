"""Methods: how the colors of a scale are found, before curves, pins and nudges.

Each is a pure function from source, ladder and settings to a draft: L*, OKLCH chroma and hue of every step, and, for
those that mix colors, the mixed colors themselves.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Annotated, Literal, get_args

import numpy as np
from numpy.typing import ArrayLike
from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.arrays import Floats, floats, from_bytes, to_bytes
from heimat.core.color.blending import MixSpace, blend, unheld
from heimat.core.color.contrast import luminance_reaching, ratio_of_luminances, relative_luminance
from heimat.core.color.gamut import Mask, in_gamut, solve
from heimat.core.color.notation import Color, ColorInput, lightness_of, oklch_of, rgb8_of, srgb_of
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import hsl_to_srgb, lightness, luminance_of, srgb_to_hsl, srgb_to_oklch
from heimat.core.scales.anchors import LEAST_GAP, AnchorMode, stretch
from heimat.core.scales.curves import DARK_TAPER, LIGHT_TAPER
from heimat.core.scales.generator_rules import Rules
from heimat.core.scales.ladder import LONGEST_STEP_ID

MethodName = Literal["even", "contrast", "mix", "hsl", "ends"]
METHODS: tuple[MethodName, ...] = get_args(MethodName)
TOWARD_WHITE, TOWARD_BLACK = 0.94, 0.84
"""Shares of white and of black at the ends of a ladder, by default: short of both, so that the ends keep a color."""
LEAST_RATIO = 1.02
MID_LUMINANCE = 0.1791
"""The luminance from which black contrasts more than white: sqrt(1.05 * 0.05) - 0.05."""


class _Part(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class Typed(_Part):
    """A value that somebody typed for a step, by its id."""

    step: Annotated[str, Field(max_length=LONGEST_STEP_ID)]
    value: Annotated[float, Field(allow_inf_nan=False)]


TypedValues = Annotated[tuple[Typed, ...], Field(max_length=60)]


class ContrastTargets(_Part):
    """Ratios 1 to 21 of steps against a ground; those not typed rise evenly, by the same factor from step to step."""

    ground: ColorInput = Color(components=(1.0, 1.0, 1.0))
    targets: TypedValues = ()


class WhiteBlack(_Part):
    """Percentages toward white (above 0) and black (below), in a space; those not typed follow the ladder's aims.

    A plain mix turns the hue of many colors; `hold_hue` turns it back, at the mix's luminance and chroma.
    """

    space: Literal["srgb", "linear", "oklab"] = "srgb"
    hold_hue: bool = False
    targets: TypedValues = ()


class HslLightness(_Part):
    """HSL lightness 0 to 100 of steps, at the source's hue and saturation; those not typed follow the ladder's aims.

    The saturation of a dark color says little of how strong it looks: that of #010001 is 100, and its tints are neon.
    With `no_stronger`, no tint has more OKLCH chroma than the source.
    """

    no_stronger: bool = False
    targets: TypedValues = ()


class Stop(_Part):
    """A color that somebody put at a step, by its id."""

    step: Annotated[str, Field(max_length=LONGEST_STEP_ID)]
    color: ColorInput


class BetweenEnds(_Part):
    """Two ends, the source and any stops between them, in a space; an end not given is that of even lightness."""

    space: MixSpace = "oklab"
    light: ColorInput | None = None
    dark: ColorInput | None = None
    stops: Annotated[tuple[Stop, ...], Field(max_length=60)] = ()


class Method(_Part):
    """The method chosen, and the settings of all: switching back and forth loses none."""

    name: MethodName = "even"
    contrast: ContrastTargets = ContrastTargets()
    mix: WhiteBlack = WhiteBlack()
    hsl: HslLightness = HslLightness()
    ends: BetweenEnds = BetweenEnds()

    def typed(self) -> TypedValues:
        """What was typed for the steps of the method chosen."""
        chosen = getattr(self, self.name, None)
        return getattr(chosen, "targets", ())


@dataclass(frozen=True)
class Given:
    """What a method starts from: the source, the aims L* (n,), the anchor wanted, and typed values by position.

    `counted` (n,) is False for steps that were put between two others: they move none. `stops` are colors by position.
    """

    source: Color
    aims: Floats
    anchor: AnchorMode
    fixed: int | None
    typed: Mapping[int, float]
    counted: Mask
    rules: Rules
    stops: Mapping[int, Color]

    @cached_property
    def positions(self) -> Floats:
        """Where the steps stand when those put between others are not counted, (n,)."""
        main = self.aims[self.counted]
        return np.interp(-self.aims, -main, np.arange(len(main), dtype=np.float64))

    @property
    def lightness(self) -> float:
        """L* of the source as it is published."""
        return lightness_of(self.source)

    @property
    def oklch(self) -> Floats:
        """The source in OKLCH, (3,)."""
        return oklch_of(self.source)

    @property
    def place(self) -> int:
        """The position at which the source stands, or would stand nearest."""
        return self._place(self.aims)

    def _place(self, targets: Floats) -> int:
        if self.anchor == "label" and self.fixed is not None:
            return self.fixed
        return self.rules.place(targets, self.lightness, float(self.oklch[1]), self.counted)

    def bent(self, targets: Floats) -> tuple[Floats, int | None]:
        """L* targets (n,) so that the source stands among them, and its position; as they are, and None, for a guide.

        A source at a fixed label stretches both sides evenly. Steps that are not counted go along between their
        neighbours, so that putting one in moves no other.
        """
        if self.anchor == "guide":
            return targets, None
        place = self._place(targets)
        main = self.counted.copy()
        main[place] = True
        among = int(main[:place].sum())
        if self.anchor == "label":
            bent = stretch(targets[main], self.lightness, among)
        else:
            bent, among = self.rules.bend(targets[main], self.lightness, among)
        if main.all():
            return bent, among
        return np.interp(-targets, -targets[main], bent), int(np.flatnonzero(main)[among])


@dataclass(frozen=True)
class Draft:
    """What a method gives: L*, OKLCH chroma and hue (n,), the source's position, and mixed sRGB colors (n, 3) if any.

    `meant` (n,) is the L* before an anchor bends it. `figures` (n,) are the method's own numbers, as they may be typed:
    ratios, percentages, HSL lightness; or none. `windows` (2, n) are the least and the largest luminance of a step that
    keep to what was asked of it. `wide` (n, 2) are chroma and hue of the same mix made from colors as they were given,
    where sRGB does not hold them.
    """

    lightness: Floats
    chroma: Floats
    hue: Floats
    meant: Floats
    anchor: int | None
    srgb: Floats | None = None
    figures: Floats | None = None
    wide: Floats | None = None
    windows: Floats | None = None


def draft(given: Given, method: Method) -> Draft:
    """Find the colors of a scale by a method."""
    if method.name == "mix":
        return _mixed(given, method.mix)
    if method.name == "hsl":
        return _hsl(given, method.hsl)
    if method.name == "ends":
        return _between(given, method.ends)
    if method.name == "contrast":
        figures, targets = _contrast(given, method.contrast)
        made = _by_lightness(given, targets, figures)
        return _reaching(given, made, method.contrast) if given.rules.reaching else made
    return _by_lightness(given, given.aims, None)


def _by_lightness(given: Given, targets: Floats, figures: Floats | None) -> Draft:
    _, chroma, hue = given.oklch
    bent, anchor = given.bent(targets)
    count = len(bent)
    return Draft(bent, np.full(count, chroma), np.full(count, hue), targets, anchor, None, figures)


def contrast_range(ground_luminance: float) -> tuple[float, float]:
    """The ratios that can be reached against a ground of a luminance, on its darker or lighter side."""
    end = 0.0 if ground_luminance >= MID_LUMINANCE else 1.0
    return 1.0, float(ratio_of_luminances(end, ground_luminance))


def _contrast(given: Given, settings: ContrastTargets) -> tuple[Floats, Floats]:
    """Ratios against the ground, and the L* that reach them, (n,) each."""
    ground = float(relative_luminance(rgb8_of(settings.ground)))
    darker = ground >= MID_LUMINANCE
    ends = luminance_of(given.aims[[0, -1]])
    low, high = sorted(float(each) for each in ratio_of_luminances(ends, ground))
    if darker and ends[0] > ground:
        low = LEAST_RATIO
    if not darker and ends[1] < ground:
        low = LEAST_RATIO
    first, last = (max(low, LEAST_RATIO), high) if darker else (high, max(low, LEAST_RATIO))
    ratios = first * (last / first) ** (given.positions / given.positions[-1])
    for place, value in given.typed.items():
        ratios[place] = value
    aims = lightness(np.clip(luminance_for(ratios, ground), 0.0, 1.0))
    # Typed ratios are in order where they are typed; on another ladder they may not be, and then steps share one.
    return ratios, np.minimum.accumulate(aims)


def _reaching(given: Given, made: Draft, settings: ContrastTargets) -> Draft:
    """Ratios that were typed hold beside an anchor too, which moves only what lies between it and them.

    A ratio on the wrong side of the anchor is not kept. Of a scale without an anchor all are.
    """
    kept = np.ones(len(made.lightness), dtype=np.bool_)
    light = made.lightness
    if made.anchor is not None:
        kept[:] = False
        light = light.copy()
        for way in (-1, 1):
            _hold(light, kept, made, sorted(given.typed, reverse=way < 0), way)
    ground = float(relative_luminance(rgb8_of(settings.ground)))
    asked = luminance_of(made.meant)
    darker = ground >= MID_LUMINANCE
    least = np.where(kept & (not darker), asked, 0.0)
    largest = np.where(kept & darker, asked, 1.0)
    return replace(made, lightness=light, windows=np.stack([least, largest]))


def _hold(light: Floats, kept: Mask, made: Draft, typed: Sequence[int], way: int) -> None:
    """Put steps (n,) on one side of the anchor at what was typed for them, and those between in proportion."""
    assert made.anchor is not None
    own, before = light[made.anchor], made.anchor
    for place in (each for each in typed if (each - before) * way > 0):
        if (own - made.meant[place]) * way < LEAST_GAP * abs(place - before):
            continue
        between = np.arange(before, place + way, way)
        light[between] = np.linspace(light[before], made.meant[place], len(between))
        kept[place] = True
        before, own = place, made.meant[place]
    if before != made.anchor:
        beyond = slice(before, None) if way > 0 else slice(None, before + 1)
        light[beyond] = made.meant[beyond]


def luminance_for(ratio: ArrayLike, ground: float) -> Floats:
    """The luminances that have some ratios against a ground of a luminance: darker than a light one, or lighter."""
    ratios = floats(ratio)
    return luminance_reaching(ratios, ground, lighter=ground < MID_LUMINANCE)


def _mixed(given: Given, settings: WhiteBlack) -> Draft:
    place = given.place
    start = given.lightness if given.anchor == "guide" else float(given.aims[place])
    light, dark = max(given.aims[0] - start, 1.0), max(start - given.aims[-1], 1.0)
    away = given.aims - start
    shares = np.where(away > 0.0, TOWARD_WHITE * away / light, TOWARD_BLACK * away / dark)
    for at, value in given.typed.items():
        shares[at] = value / 100.0
    source = from_bytes(rgb8_of(given.source))
    ends = np.where(shares[:, None] > 0.0, np.ones(3), np.zeros(3))
    parts = np.abs(shares)[:, None]
    srgb = blend(np.broadcast_to(source, ends.shape), ends, parts, settings.space)
    exact = srgb_of(given.source)
    wide = None if in_gamut(exact) else unheld(np.broadcast_to(exact, ends.shape), ends, parts, settings.space)
    if settings.hold_hue:
        # What sRGB does not hold keeps the hue of its own mix.
        _, chroma, _ = np.moveaxis(srgb_to_oklch(srgb), -1, 0)
        srgb = _resolved(srgb, chroma, np.full(len(shares), float(srgb_to_oklch(source)[2])))
    anchor = None if given.anchor == "guide" else place
    return _of_colors(srgb, anchor, shares * 100.0, wide)


def _resolved(srgb: Floats, chroma: Floats, hue: Floats) -> Floats:
    """Colors (n, 3) of the luminance of others as published, with other chroma and hue (n,); of 8 bits."""
    return from_bytes(nearest_bytes(solve(relative_luminance(to_bytes(srgb)), chroma, hue)))


def _hsl(given: Given, settings: HslLightness) -> Draft:
    hsl = srgb_to_hsl(from_bytes(rgb8_of(given.source)))
    place = given.place
    lights = given.aims.copy()
    if given.anchor != "guide":
        main = given.counted.copy()
        main[place] = True
        stretched = stretch(given.aims[main], float(hsl[2]) * 100.0, int(main[:place].sum()))
        lights = np.interp(-given.aims, -given.aims[main], stretched)
    for at, value in given.typed.items():
        lights[at] = value
    exact = srgb_of(given.source)
    wide = None if in_gamut(exact) else _at_lightness(srgb_to_hsl(exact), lights)
    srgb = _at_lightness(hsl, lights)
    if settings.no_stronger:
        _, chroma, hue = np.moveaxis(srgb_to_oklch(srgb), -1, 0)
        own = float(srgb_to_oklch(from_bytes(rgb8_of(given.source)))[1])
        stronger = (chroma > own) & (lights > float(hsl[2]) * 100.0)
        srgb = np.where(stronger[:, None], _resolved(srgb, np.minimum(chroma, own), hue), srgb)
    return _of_colors(srgb, None if given.anchor == "guide" else place, lights, wide)


def _at_lightness(hsl: Floats, lights: Floats) -> Floats:
    """sRGB colors (n, 3) of the hue and saturation of an HSL color, and of some HSL lightness 0 to 100, (n,)."""
    hue, saturation, _ = np.broadcast_to(hsl, (len(lights), 3)).T
    return hsl_to_srgb(np.stack([hue, saturation, lights / 100.0], axis=-1))


def _between(given: Given, settings: BetweenEnds) -> Draft:
    """The ends are the first and the last step; stops and the source stand at their labels unless it only guides."""
    _, chroma, hue = given.oklch
    lights = given.aims[[0, -1]]
    if given.rules.reaching and given.anchor == "nearest" and given.place > 0:
        lights[0] = max(lights[0], (given.lightness + 100.0) / 2.0)
    usual = solve(
        luminance_of(lights),
        np.array([chroma * LIGHT_TAPER, chroma * DARK_TAPER]),
        np.array([hue, hue + given.rules.drift(float(hue), given.lightness)[0]]),
    )
    last = len(given.aims) - 1
    stops: dict[int, Color | Floats] = {0: settings.light or usual[0], last: settings.dark or usual[1], **given.stops}
    anchor = None if given.anchor == "guide" else given.place
    if anchor is not None:
        stops[anchor] = given.source
    places = np.array(sorted(stops))
    in_order = [stops[place] for place in places.tolist()]
    after = np.clip(np.searchsorted(places, np.arange(last + 1), side="right"), 1, len(places) - 1)
    at, starts, ends = given.positions, given.positions[places[after - 1]], given.positions[places[after]]
    shares = ((at - starts) / (ends - starts))[:, None]
    colors = np.stack([from_bytes(rgb8_of(stop)) if isinstance(stop, Color) else stop for stop in in_order])
    srgb = blend(colors[after - 1], colors[after], shares, settings.space)
    exact = np.stack([srgb_of(stop) if isinstance(stop, Color) else stop for stop in in_order])
    wide = None
    if not in_gamut(exact).all():
        wide = unheld(exact[after - 1], exact[after], shares, settings.space)
    return _of_colors(srgb, anchor, None, wide)


def _of_colors(srgb: Floats, anchor: int | None, figures: Floats | None, wide: Floats | None) -> Draft:
    """A draft of mixed colors, and of what they are without a gamut. What is published, and so L*, is of 8 bits."""
    rgb8 = to_bytes(srgb)
    _, chroma, hue = np.moveaxis(srgb_to_oklch(srgb), -1, 0)
    unheld_parts = None if wide is None else srgb_to_oklch(wide)[:, 1:]
    light = lightness(relative_luminance(rgb8))
    return Draft(light, chroma, hue, light, anchor, srgb, figures, unheld_parts)
