"""From a document to everything that can be seen, checked or published. It only calls the parts in order."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import ratio_of_luminances, relative_luminance
from heimat.core.color.spaces import lightness
from heimat.core.color.wide import p3_luminance
from heimat.core.colors_of import source_color, standing
from heimat.core.legibility.pairings import PairingResult, TokenColor, check_pairing
from heimat.core.legibility.told_apart import PairDistance, distances
from heimat.core.scales.generate import Scale
from heimat.core.scales.promises import Promise, promises
from heimat.core.scales.wide import WideRequest, beyond_srgb, twins
from heimat.core.scaling import scales_of
from heimat.core.system import ColorSystem, Hue, Theme, ToldApartSet, in_order, ladder_of
from heimat.core.tokens.resolving import token_colors


@dataclass(frozen=True)
class Steps:
    """All N steps of all scales, hue by hue, from light to dark.

    rgb8 (N, 3); luminance, lightness (L*) and positions on the system's ladder (N,); ratios (N, N) is every contrast;
    hue_index (N,) names the scale of each step, step_index (N,) its place in it.
    """

    rgb8: Bytes
    luminance: Floats
    lightness: Floats
    positions: Floats
    ratios: Floats
    hue_index: NDArray[np.intp]
    step_index: NDArray[np.intp]


@dataclass(frozen=True)
class ToldApartResult:
    """A told-apart set with the distances of all its pairs."""

    told_apart: ToldApartSet
    pairs: tuple[PairDistance, ...]


@dataclass(frozen=True)
class Checked:
    """A document's scales, and its tokens in one theme with what is checked of them.

    `wide` holds the display-p3 twins of the scales that have any, (n, 3) each, NaN for steps without one.
    """

    system: ColorSystem
    theme: Theme | None
    hues: list[Hue]
    scales: dict[str, Scale]
    wide: dict[str, Floats]
    tokens: dict[str, TokenColor]
    pairings: list[PairingResult]
    told_apart: list[ToldApartResult]


@dataclass(frozen=True)
class Resolved(Checked):
    """A document and all that follows from it, in one theme."""

    steps: Steps
    promises: list[Promise]


def check(system: ColorSystem, theme_id: str | None = None) -> Checked:
    """Scales, tokens and checks of a document, in its first theme or the one named."""
    hues = in_order(system.hues)
    scales = {hue.id: scale for hue, scale in zip(hues, scales_of(system, hues), strict=True)}
    themes = in_order(system.themes)
    theme = system.themes.get(theme_id or "") or (themes[0] if themes else None)
    wide = wide_of(system, hues, scales)
    tokens = token_colors(system, scales, wide, theme.id) if theme else {}
    return Checked(
        system=system,
        theme=theme,
        hues=hues,
        scales=scales,
        wide=wide,
        tokens=tokens,
        pairings=[check_pairing(pairing, tokens) for pairing in in_order(system.pairings)] if theme else [],
        told_apart=[_told_apart(told, tokens) for told in in_order(system.told_apart)] if theme else [],
    )


def resolve(system: ColorSystem, theme_id: str | None = None) -> Resolved:
    """Resolve a document, in its first theme or the one named. Pure: equal documents give equal results."""
    checked = check(system, theme_id)
    steps = steps_of(system, checked.hues, checked.scales, checked.wide)
    return Resolved(**vars(checked), steps=steps, promises=promises_of(system, checked.hues, steps))


def wide_of(system: ColorSystem, hues: list[Hue], scales: dict[str, Scale]) -> dict[str, Floats]:
    """The display-p3 twins of scales with a source or pin beyond sRGB, or where they are wished, where any differ."""
    requests: dict[str, WideRequest] = {}
    for hue in hues:
        source = source_color(system, hue)
        pinned = any(beyond_srgb(color) for color in hue.pins.values())
        if hue.wide if hue.wide is not None else (pinned or beyond_srgb(source)):
            ladder = ladder_of(system, hue)
            pins = {ladder.index(step) or 0: color for step, color in hue.pins.items()}
            requests[hue.id] = WideRequest(scales[hue.id], source, pins)
    made = zip(requests, twins(list(requests.values())), strict=True)
    return {hue: values for hue, values in made if not np.isnan(values).all()}


def steps_of(system: ColorSystem, hues: list[Hue], scales: dict[str, Scale], wide: Mapping[str, Floats]) -> Steps:
    """All steps of some scales, with every contrast between them: in sRGB, or in display-p3 where it is less."""
    each = [scales[hue.id].rgb8 for hue in hues]
    rgb8 = np.concatenate(each) if each else np.zeros((0, 3), dtype=np.uint8)
    luminance = relative_luminance(rgb8)
    light = lightness(luminance)
    positions = [system.ladder.positions(ladder_of(system, hue).lightness()) for hue in hues]
    counts = [len(steps) for steps in each]
    return Steps(
        rgb8=rgb8,
        luminance=luminance,
        lightness=light,
        positions=np.concatenate(positions) if positions else np.zeros(0),
        ratios=_ratios(luminance, [(scales[hue.id], wide.get(hue.id)) for hue in hues] if wide else []),
        hue_index=np.repeat(np.arange(len(hues)), counts),
        step_index=np.concatenate([np.arange(count) for count in counts]) if counts else np.zeros(0, dtype=np.intp),
    )


def _ratios(luminance: Floats, scales: list[tuple[Scale, Floats | None]]) -> Floats:
    """Every contrast between luminances (n,); with `scales` and their twins, the lesser of both gamuts."""
    ratios = ratio_of_luminances(luminance[:, None], luminance[None, :])
    if not scales:
        return ratios
    own = np.concatenate([scale.rgb8[:, 0] * np.nan if p3 is None else p3_luminance(p3) for scale, p3 in scales])
    seen = np.where(np.isnan(own), luminance, own)
    return np.minimum(ratios, ratio_of_luminances(seen[:, None], seen[None, :]))


def opaque_steps(system: ColorSystem, hues: list[Hue], steps: Steps) -> NDArray[np.intp]:
    """The indices of opaque steps: what a translucent one reaches depends on what lies under it."""
    opaque = np.array([standing(system, hue).alpha == 1.0 for hue in hues], dtype=bool)
    return np.flatnonzero(opaque[steps.hue_index])


def promises_of(system: ColorSystem, hues: list[Hue], steps: Steps) -> list[Promise]:
    """Promises over all opaque scales."""
    longest, kept = system.ladder.longest(), opaque_steps(system, hues, steps)
    if len(kept) == len(steps.rgb8):
        return promises(steps.ratios, steps.positions, longest)
    found = promises(steps.ratios[np.ix_(kept, kept)], steps.positions[kept], longest)
    return [
        replace(promise, tightest=(int(kept[promise.tightest[0]]), int(kept[promise.tightest[1]]))) for promise in found
    ]


def _told_apart(told: ToldApartSet, tokens: dict[str, TokenColor]) -> ToldApartResult:
    rgb8 = np.array([tokens[token].rgb8 for token in told.tokens], dtype=np.uint8).reshape(-1, 3)
    return ToldApartResult(told, distances(rgb8, told.threshold))
