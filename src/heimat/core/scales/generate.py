"""Generating scales: method with its anchor, curves, pins, nudges, gamut, 8-bit choice, in this order, all at once."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats, to_bytes
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.gamut import FINE_PASSES, PASSES, solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import luminance_of, srgb_to_oklch
from heimat.core.errors import DomainError
from heimat.core.scales.anchors import LEAST_GAP, AnchorMode
from heimat.core.scales.curves import Curves, Ends, at_reach, reach, usual_shares
from heimat.core.scales.distinct import distinct
from heimat.core.scales.generator_rules import LATEST_GENERATOR, RULES, Rules
from heimat.core.scales.methods import Draft, Given, Method, draft
from heimat.core.scales.nudges import through_pins
from heimat.core.scales.pacing import Walk, once, paced

_ROUNDING = 1e-6
"""L* or OKLCH chroma that is none."""
_CUT = 1e-4
"""OKLCH chroma that is cut off: far more than the edge of the gamut is found with, so that no processor decides it."""
_NO_CURVES = Curves()


@dataclass(frozen=True)
class ScaleRequest:
    """What one scale is made from.

    `lightness` lists the L* aimed at, from light to dark, shape (n,); `fixed` is the position that a `label` anchor
    names; `pins` maps positions to colors that stand there to the bit, and where they are `smooth` their neighbors
    pass through them; `nudges` maps positions to changes of L*, chroma and hue, (3,); `neutral` keeps the tint at
    both ends; `typed` maps positions to values of the method, `stops` to
    colors of it. Steps at `between` were put between two others.
    """

    source: Color
    lightness: Floats
    anchor: AnchorMode = "nearest"
    fixed: int | None = None
    neutral: bool = False
    pins: Mapping[int, Bytes] = field(default_factory=dict)
    smooth: bool = False
    nudges: Mapping[int, Floats] = field(default_factory=dict)
    method: Method = field(default_factory=Method)
    typed: Mapping[int, float] = field(default_factory=dict)
    stops: Mapping[int, Color] = field(default_factory=dict)
    curves: Curves = field(default_factory=Curves)
    between: frozenset[int] = frozenset()


@dataclass(frozen=True)
class Scale:
    """One finished scale of n steps, from light to dark.

    rgb8 (n, 3) is what is published. lightness (n,) is the L* solved for, chroma and hue (n,) what the curves asked
    of OKLCH. `anchor` is the position that is the source itself, `source8` (3,) the source's 8-bit value and
    `source_lightness` its L*. `figures` (n,) are the method's own numbers, where it has any; `ends` the tapers and
    drifts in force at the light and the dark end. `drafted` (n, 3) are L*, chroma and hue as the method gives them,
    and `reaches` (n,) where these stand against the source, before any curve. `wide` (n, 2) are the chroma and hue that
    are asked of a wider gamut: those of the scale, but for mixes of colors that sRGB does not hold.
    """

    rgb8: Bytes
    lightness: Floats
    chroma: Floats
    hue: Floats
    anchor: int | None
    source8: Bytes
    source_lightness: float
    figures: Floats | None
    ends: Ends
    drafted: Floats
    reaches: Floats
    wide: Floats

    @property
    def crowded(self) -> bool:
        """Whether an anchor near white or black leaves its side too little room to keep the steps apart."""
        return bool((-np.diff(self.lightness)).min() < LEAST_GAP - 1e-9)


@dataclass(frozen=True)
class _Begun:
    """A scale as its method gives it, and the tapers and drifts that are in force for it."""

    request: ScaleRequest
    given: Given
    draft: Draft
    ends: Ends


@dataclass(frozen=True)
class _Aims:
    """The steps of all scales, one after another: as methods give them, `start`; as curves shape that, `curved`; and
    what the neighbors of pins, and nudges, make of it, `aims`; (n, 3) each. Where they stand against their sources,
    (n,); and which stay as mixed, (n,)."""

    start: Floats
    curved: Floats
    reaches: Floats
    aims: Floats
    mixed: NDArray[np.bool_]


def generate(requests: Sequence[ScaleRequest], generator: int = LATEST_GENERATOR) -> list[Scale]:
    """Make scales; the same requests give the same bytes for ever.

    Raises DomainError (field `generator`) for a version of the rules that this program does not have.
    """
    rules = RULES.get(generator)
    if rules is None:
        raise DomainError(f"This Heimat has no generator {generator}.", "generator", "unknown")
    if not requests:
        return []
    begun = [_begin(request, rules) for request in requests]
    if rules.paced:
        begun = _paced(begun, rules)
    stops = np.cumsum([len(each.draft.lightness) for each in begun]).tolist()
    parts = [slice(start, stop) for start, stop in zip([0, *stops], stops, strict=False)]
    found = _aims(begun, parts)
    rgb8 = np.zeros((len(found.aims), 3), dtype=np.uint8)
    if not found.mixed.all():
        solved = _falling(begun, found, parts) if rules.paced else _solved(found.aims, PASSES)
        wanted = solved[~found.mixed]
        window = _windows(begun, found)[:, ~found.mixed] if rules.reaching else None
        rgb8[~found.mixed] = nearest_bytes(wanted, keep_chroma=rules.paced, window=window)
        if rules.reaching:
            _part(begun, rgb8, found.mixed, wanted, parts)
    return [_finish(each, found, rgb8, part) for each, part in zip(begun, parts, strict=True)]


def _part(
    begun: Sequence[_Begun],
    rgb8: Bytes,
    mixed: NDArray[np.bool_],
    wanted: Floats,
    parts: Sequence[slice],
) -> None:
    """Tell steps apart that would be alike, in scales that are solved; what a hand has changed is left as it is."""
    srgb = np.zeros(rgb8.shape)
    srgb[~mixed] = wanted
    anchored = [
        (each.request, each.draft.anchor, part)
        for each, part in zip(begun, parts, strict=True)
        if each.draft.srgb is None
        and each.draft.anchor is not None
        and each.draft.anchor not in each.request.pins
    ]
    for request, anchor, part in anchored:
        rgb8[part][anchor] = rgb8_of(request.source)
    luminance = relative_luminance(rgb8)
    for request, anchor, part in anchored:
        touched = {*request.pins, *request.nudges}
        own = [at for at in range(part.stop - part.start) if at == anchor or at not in touched]
        at = np.array(own) + part.start
        if not (np.diff(luminance[at]) < 0.0).all():
            rgb8[at] = distinct(rgb8[at], srgb[at], own.index(anchor))


def _windows(begun: Sequence[_Begun], found: _Aims) -> Floats:
    """The least and the largest luminance (2, n) of all steps; a step that is moved by hand or curve keeps to none."""
    none = np.array([[0.0], [1.0]])
    given = [each.draft.windows for each in begun]
    counts = [len(each.draft.lightness) for each in begun]
    parts = [
        np.repeat(none, n, axis=1) if one is None else one
        for one, n in zip(given, counts, strict=True)
    ]
    moved = np.abs(found.aims[:, 0] - found.start[:, 0]) > _ROUNDING
    return np.where(moved, none, np.concatenate(parts, axis=1))


def _begin(request: ScaleRequest, rules: Rules) -> _Begun:
    counted = np.ones(len(request.lightness), dtype=np.bool_)
    if request.between:
        counted[list(request.between)] = False
    given = Given(
        request.source,
        request.lightness,
        request.anchor,
        request.fixed,
        request.typed,
        counted,
        rules,
        request.stops,
    )
    found = draft(given, request.method)
    colored = found.srgb is not None
    drift = rules.drift(float(given.oklch[2]), given.lightness)
    ends = request.curves.ends(drift, neutral=request.neutral, colored=colored)
    return _Begun(request, given, found, ends)


def _paced(begun: Sequence[_Begun], rules: Rules) -> list[_Begun]:
    """Scales about their nearest label, with long gaps drawn together; no curve that somebody draws changes that."""
    found = list(begun)
    walks: dict[int, Walk] = {}
    for at, each in enumerate(begun):
        made, given, request = each.draft, each.given, each.request
        if made.anchor is not None and made.srgb is None and request.anchor == "nearest":
            lightness, (_, chroma, hue) = given.lightness, given.oklch.tolist()
            usual = _NO_CURVES.ends(
                given.rules.drift(hue, lightness), neutral=request.neutral, colored=False
            )
            fixed = frozenset(request.typed)
            walks[at] = Walk(
                made.lightness,
                made.meant,
                made.anchor,
                chroma,
                hue,
                lightness,
                usual,
                given.counted,
                fixed,
                rules.counts_lightest,
            )
    for at, (light, taper) in zip(walks, paced(list(walks.values())), strict=True):
        each = begun[at]
        own = each.ends[0] if each.request.curves.light_taper is not None else taper
        drawn = replace(each.draft, lightness=light)
        found[at] = replace(each, draft=drawn, ends=(own, *each.ends[1:]))
    return found


def _aims(begun: Sequence[_Begun], parts: Sequence[slice]) -> _Aims:
    """Curves of all scales at once, then the neighbors of pins, then nudges."""
    counts = [part.stop - part.start for part in parts]
    drafts = [each.draft for each in begun]
    start = np.empty((parts[-1].stop, 3))
    start[:, 0] = np.concatenate([found.lightness for found in drafts])
    start[:, 1] = np.concatenate([found.chroma for found in drafts])
    start[:, 2] = np.concatenate([found.hue for found in drafts])
    own = np.repeat([each.given.lightness for each in begun], counts)
    ends = np.repeat(np.array([each.ends for each in begun]).T, counts, axis=1)
    reaches = reach(start[:, 0], own)
    aims = start.copy()
    for curves, places in _by_curves(begun, counts):
        if curves.lightness:
            aims[places, 0] = at_reach(curves.moved(reaches[places]), own[places])
        aims[places, 1] *= curves.shares(ends[:, places], reaches[places])
        aims[places, 2] += curves.turns(ends[:, places], reaches[places])
    curved = aims.copy()
    for each, part in zip(begun, parts, strict=True):
        request = each.request
        if request.smooth and request.pins:
            aims[part] = through_pins(
                aims[part], request.pins, each.draft.anchor, each.given.positions
            )
        for place, nudge in request.nudges.items():
            aims[part][place] += nudge
    # A mixed color that nothing changes stays as it was mixed, to the bit.
    mixed = np.repeat([found.srgb is not None for found in drafts], counts)
    if mixed.any():
        mixed &= (np.abs(aims - start) < 1e-12).all(axis=-1)
    return _Aims(start, curved, reaches, aims, mixed)


def _solved(aims: Floats, passes: int) -> Floats:
    """The sRGB colors (n, 3) of aims (n, 3): L*, OKLCH chroma and hue, with the chroma that the gamut leaves."""
    light, chroma, hue = aims.T
    return solve(luminance_of(light.clip(0.0, 100.0)), np.maximum(chroma, 0.0), hue, passes=passes)


def _falling(begun: Sequence[_Begun], found: _Aims, parts: Sequence[slice]) -> Floats:
    """The colors (n, 3) of aims with the chroma that the gamut leaves, which falls away from the source once for all.

    What curves ask for beyond the usual is not taken from them: they raise and lower what falls so. Mixed colors have
    the chroma that their mix gives them.
    """
    counts = [part.stop - part.start for part in parts]
    force = np.repeat(np.array([each.ends for each in begun]).T, counts, axis=1)
    asked = found.curved[:, 1]
    falling = np.minimum(force, np.array([1.0, 1.0, np.inf, np.inf, np.inf])[:, None])
    usual = found.start[:, 1] * usual_shares(falling, found.reaches)
    tried = found.curved.copy()
    tried[:, 1] = usual
    srgb = _solved(tried, FINE_PASSES)
    held = srgb_to_oklch(srgb)[:, 1]
    aims = found.aims.copy()
    for each, part in zip(begun, parts, strict=True):
        if each.draft.srgb is not None:
            continue
        fallen = once(held[part], found.reaches[part])
        # Where nothing was cut, a step keeps what it was asked for to the last digit.
        cut = fallen < usual[part] - _CUT
        kept = fallen * asked[part] / np.maximum(usual[part], _ROUNDING)
        aims[part, 1] -= np.where(cut, asked[part] - kept, 0.0)
    # Most steps are what was tried; only the others are looked for again.
    again = np.flatnonzero((aims != tried).any(axis=1))
    if len(again):
        srgb[again] = _solved(aims[again], FINE_PASSES)
    return srgb


def _by_curves(
    begun: Sequence[_Begun], counts: Sequence[int]
) -> list[tuple[Curves, NDArray[np.intp]]]:
    """Curves, each with the places of the steps that follow them: mostly one set serves all scales."""
    groups: dict[Curves, int] = {}
    of_scale = [groups.setdefault(each.request.curves, len(groups)) for each in begun]
    of_step = np.repeat(of_scale, counts)
    return [(curves, np.flatnonzero(of_step == group)) for curves, group in groups.items()]


def _finish(begun: _Begun, found: _Aims, rgb8: Bytes, part: slice) -> Scale:
    """Anchor and pins are exempt from every choice: they stand to the bit."""
    made, source8 = begun.draft, rgb8_of(begun.request.source)
    exact = rgb8[part].copy()
    if made.srgb is not None:
        mixed = found.mixed[part]
        exact[mixed] = to_bytes(made.srgb[mixed])
    if made.anchor is not None:
        exact[made.anchor] = source8
    for place, pinned in begun.request.pins.items():
        exact[place] = pinned
    aims, start = found.aims[part], found.start[part]
    light, chroma, hue = aims.T
    return Scale(
        rgb8=exact,
        lightness=light,
        chroma=chroma,
        hue=hue,
        anchor=made.anchor,
        source8=source8,
        source_lightness=begun.given.lightness,
        figures=made.figures,
        ends=begun.ends,
        drafted=start,
        reaches=found.reaches[part],
        wide=aims[:, 1:] if made.wide is None else aims[:, 1:] + (made.wide - start[:, 1:]),
    )
