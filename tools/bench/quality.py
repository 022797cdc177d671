"""How good generated scales are: 20,000 sources on every ready-made ladder by every method, by every generator.

Lightness and OKLab are computed by a general library, so that nothing is judged by the functions that made it.
"""

from dataclasses import dataclass

import colour
import numpy as np
from numpy.typing import NDArray

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.exact_color import Color
from heimat.core.scales import GENERATORS, READY_MADE, Ladder, Scale, ScaleRequest, generate
from heimat.core.scales.anchors import AnchorMode
from heimat.core.scales.methods import METHODS, Method, MethodName
from heimat.core.scales.methods.contrast_targets import ContrastTargets
from heimat.core.scales.methods.settings import Typed
from tools.bench import quality_proposed
from tools.bench.timing import note

COUNT = 20_000
JUMP, WORST_JUMP, WORST_LIGHTEST = 1.7, 2.2, 1.9
"""The largest OKLab gap of a scale against its median gap: for 99.5 % of sources, and for all."""
FOLD = 0.004
"""OKLCH chroma by which two steps may both be off by rounding, when chroma falls and rises again."""
ROUNDING = 0.2
"""L* by which a gap may be off because steps are of 8 bits: two grays are 0.35 apart."""
STRONG = 0.08
"""OKLCH chroma above which a source leaves a lighter step."""
OLIVE = (97.0, 118.0)
OLIVE_LINE = "lemon yellows: strong middle steps that are olive"
JUMP_LINE = "largest gap against the median"
LIGHTEST_GAP_LINE = "gap at the lightest step against the median"
TURN_LINE = "lemon yellows: turn of hue beside the source against the mean one"
FOLD_LINE = "chroma falls and rises again"
BESIDE_LINE = "gap beside the anchor against the ladder's own"
LIGHTEST_LINE = "strong sources at the lightest label"
CONCERNED_LINE = "one level: the two labels concerned, in gaps"
OTHERS_LINE = "one level: all other labels, in gaps"
SHORT_LINE = "contrast asked for and not published"
ORDER_LINE = "lightness does not fall"
_TARGETS = (3.0, 4.5, 7.0)
_AT_ONCE = 4000
_GRAY = np.array([[119, 119, 119]], dtype=np.uint8)
_TO_XYZ = colour.RGB_COLOURSPACES["sRGB"].matrix_RGB_to_XYZ
_WEIGHTS = np.array([0.2126, 0.7152, 0.0722])


def sources(count: int) -> Bytes:
    """About `count` sources (n, 3): half at random, the rest along the OKLCH circle at three chromas, at the blue
    primary, near black and white, grays and primaries."""
    rng = np.random.default_rng(12)
    quarter, few = count // 4, count // 20
    around = np.linspace(0.0, 360.0, quarter, endpoint=False)
    parts = [
        rng.integers(0, 256, (count // 2, 3)),
        _of_oklch(rng.uniform(0.3, 0.97, quarter), np.resize([0.06, 0.12, 0.2], quarter), around),
        _of_oklch(rng.uniform(0.2, 0.8, few), rng.uniform(0.05, 0.32, few), np.full(few, 264.0)),
        rng.integers(0, 14, (few, 3)),
        rng.integers(242, 256, (few, 3)),
        np.repeat(np.linspace(0, 255, few).round()[:, None], 3, axis=1),
        np.stack(np.meshgrid(*[[0, 1, 254, 255]] * 3), axis=-1).reshape(-1, 3),
    ]
    return np.concatenate(parts).astype(np.uint8)


def _of_oklch(light: Floats, chroma: Floats, hue: Floats) -> Floats:
    """The 8-bit colors (n, 3) nearest to OKLCH ones, each channel clipped."""
    turn = np.radians(hue)
    lab = np.stack([light, chroma * np.cos(turn), chroma * np.sin(turn)], axis=-1)
    linear = colour.Oklab_to_XYZ(lab) @ np.linalg.inv(_TO_XYZ).T
    return np.rint(colour.models.eotf_inverse_sRGB(linear.clip(0.0, 1.0)) * 255.0)


@dataclass(frozen=True)
class Measured:
    """What a general library says of 8-bit colors: WCAG luminance and L* (...), OKLab (..., 3)."""

    luminance: Floats
    light: Floats
    lab: Floats

    @classmethod
    def of(cls, rgb8: Bytes) -> "Measured":
        """Measure colors (..., 3)."""
        linear = colour.models.eotf_sRGB(rgb8 / 255.0)
        luminance = linear @ _WEIGHTS
        light = colour.colorimetry.lightness_CIE1976(luminance * 100.0, 100.0)
        return cls(luminance, light, colour.XYZ_to_Oklab(linear @ _TO_XYZ.T))

    @property
    def chroma(self) -> Floats:
        """OKLCH chroma."""
        return np.hypot(self.lab[..., 1], self.lab[..., 2])

    @property
    def hue(self) -> Floats:
        """OKLCH hue, 0 to 360 degrees."""
        return np.degrees(np.arctan2(self.lab[..., 2], self.lab[..., 1])) % 360.0


@dataclass(frozen=True)
class Line:
    """One thing that is judged: the figures (n,) of the scales it concerns, and the most that a good one has."""

    figures: Floats
    most: float

    @property
    def share(self) -> float:
        """The share of scales beyond it."""
        return float((self.figures > self.most).mean()) if len(self.figures) else 0.0

    @property
    def worst(self) -> float:
        """The largest figure."""
        return float(self.figures.max()) if len(self.figures) else 0.0


def made(
    rgb8: Bytes, ladder: Ladder, method: Method, generator: int, anchor: AnchorMode = "nearest"
) -> list[Scale]:
    """Scales of sources (n, 3)."""
    aims = ladder.lightness()
    typed = {ladder.index(each.step) or 0: each.value for each in method.typed()}
    found: list[Scale] = []
    for start in range(0, len(rgb8), _AT_ONCE):
        requests = [
            ScaleRequest(Color.of_bytes(source), aims, anchor, method=method, typed=typed)
            for source in rgb8[start : start + _AT_ONCE]
        ]
        found += generate(requests, generator)
    return found


def own_gaps(ladder: Ladder, method: Method, generator: int) -> Floats:
    """The gaps of L* (n - 1,) that a method has on a ladder when no anchor bends it."""
    return -np.diff(made(_GRAY, ladder, method, generator, "guide")[0].lightness)


def bars(ladder: Ladder, name: MethodName) -> dict[str, tuple[float, float]]:
    """The share of scales that may be beyond a line, and the worst that any may be, by line; of looks, only for even
    lightness and targets of contrast."""
    found = {ORDER_LINE: (0.0, 0.0)}
    if name in ("even", "contrast"):
        found |= {
            OLIVE_LINE: (0.2, 2.0),
            TURN_LINE: (0.0, 2.0),
            JUMP_LINE: (0.005 if name == "even" else 0.012, WORST_JUMP),
            LIGHTEST_GAP_LINE: (0.003, WORST_LIGHTEST),
            FOLD_LINE: (0.002, 0.006),
            CONCERNED_LINE: (0.0, 1.3),
            OTHERS_LINE: (0.1, 0.7),
        }
        if ladder.name != "short":
            found[LIGHTEST_LINE] = (0.0, 0.0)
    if name == "contrast":
        found[SHORT_LINE] = (0.0, 0.0)
    if name == "even" and ladder.name == "fine":
        found[BESIDE_LINE] = (0.005, 0.4)
    return found


def run(count: int = COUNT) -> None:
    """Print every line for all generators, ladder by ladder and method by method; then what is said of proposals."""
    print(
        f"Quality of scales: {count} sources, share beyond the line and worst, by generator {GENERATORS}",
        flush=True,
    )
    found = sources(count)
    for ladder, name in ((ladder, name) for name in METHODS for ladder in READY_MADE.values()):
        by = [judged(found, ladder, name, generator) for generator in GENERATORS]
        kept = bars(ladder, name)
        for line in by[0]:
            told = "   ".join(
                f"{each[line].share * 100.0:7.3f} % {each[line].worst:8.3f}" for each in by
            )
            bar = (
                f"{kept[line][0] * 100.0:g} % {kept[line][1]:g}"
                if line in kept
                else "none, printed"
            )
            note(f"{ladder.name} {name}: {line}", told, bar)
    quality_proposed.run()


def judged(rgb8: Bytes, ladder: Ladder, name: MethodName, generator: int) -> dict[str, Line]:
    """Every line for sources (n, 3) on one ladder by one method."""
    method = Method(name=name)
    scales = made(rgb8, ladder, method, generator)
    steps, source = Measured.of(np.stack([scale.rgb8 for scale in scales])), Measured.of(rgb8)
    anchors = np.array([scale.anchor for scale in scales])
    own = own_gaps(ladder, method, generator)
    jumps = _jumps(steps, own if name == "contrast" else np.ones_like(own))
    lines = {
        ORDER_LINE: Line(-np.diff(-steps.light).min(axis=1), 0.0),
        OLIVE_LINE: _olive(steps, source),
        JUMP_LINE: Line(jumps[:, 1:].max(axis=1), JUMP),
        LIGHTEST_GAP_LINE: Line(jumps[:, 0], JUMP),
        TURN_LINE: _turns(scales, source),
        FOLD_LINE: Line(_folds(steps.chroma), FOLD),
        BESIDE_LINE: _beside(steps.light, anchors, own),
        LIGHTEST_LINE: Line((anchors[source.chroma > STRONG] == 0).astype(float), 0.0),
    }
    lines |= _continuity(rgb8, steps.light, anchors, ladder, method, generator)
    if name == "contrast":
        lines[SHORT_LINE] = _short(rgb8, ladder, generator)
    return lines


def _olive(steps: Measured, source: Measured) -> Line:
    lemon = (
        (source.hue >= 90.0)
        & (source.hue <= 113.0)
        & (source.light > 75.0)
        & (source.chroma > 0.06)
    )
    strong = (steps.light >= 45.0) & (steps.light <= 75.0) & (steps.chroma > 0.06)
    olive = strong & (steps.hue >= OLIVE[0]) & (steps.hue <= OLIVE[1])
    return Line(olive[lemon].sum(axis=1).astype(float), 0.0)


def _jumps(steps: Measured, own: Floats) -> Floats:
    """OKLab gaps (m, n - 1) against the median of their scale; those to a step under L* 4 are free.

    Targets of contrast are uneven in lightness by themselves: there a gap counts against the `own` one (n - 1,) too.
    """
    gaps = np.linalg.norm(np.diff(steps.lab, axis=1), axis=-1) / own
    gaps /= np.median(gaps, axis=1, keepdims=True)
    gaps[steps.light[:, 1:] < 4.0] = 0.0
    return gaps


def _turns(scales: list[Scale], source: Measured) -> Line:
    """How much faster, by L*, hue turns between two steps than over all that are darker than the source."""
    lemon = (source.hue >= 90.0) & (source.hue <= 125.0) & (source.chroma > 0.06)
    found = []
    for scale in (scales[at] for at in np.flatnonzero(lemon)):
        if scale.anchor is None or len(scale.hue) - scale.anchor < 3:
            continue
        hue, light = scale.hue[scale.anchor :], scale.lightness[scale.anchor :]
        mean = abs(hue[-1] - hue[0]) / (light[0] - light[-1])
        found.append(np.abs(np.diff(hue) / np.diff(light)).max() / mean if mean > 0.01 else 1.0)
    return Line(np.array(found), 2.0)


def _folds(chroma: Floats) -> Floats:
    """By how much chroma (n, m) falls and rises again along a scale: 0 where it rises and falls once."""
    left = np.maximum.accumulate(chroma, axis=1)
    right = np.maximum.accumulate(chroma[:, ::-1], axis=1)[:, ::-1]
    return (np.minimum(left, right) - chroma).max(axis=1)


def _beside(light: Floats, anchors: NDArray[np.intp], own: Floats) -> Line:
    """How far a gap beside the anchor is from what the ladder has there, as a share of it; white and black too."""
    off = np.maximum(np.abs(-np.diff(light, axis=1) - own) - ROUNDING, 0.0) / own
    place = np.arange(len(own))
    beside = (place == anchors[:, None]) | (place == anchors[:, None] - 1)
    return Line(np.where(beside, off, 0.0).max(axis=1), 0.3)


def _continuity(
    rgb8: Bytes,
    light: Floats,
    anchors: NDArray[np.intp],
    ladder: Ladder,
    method: Method,
    generator: int,
) -> dict[str, Line]:
    """By how much steps move when the source does so by one level, against the largest gap of the ladder."""
    rng = np.random.default_rng(5)
    beside = rgb8.astype(int)
    channel = rng.integers(0, 3, len(rgb8))
    at = np.arange(len(rgb8))
    beside[at, channel] += np.where(beside[at, channel] == 255, -1, 1)
    scales = made(beside.astype(np.uint8), ladder, method, generator)
    moved = np.abs(Measured.of(np.stack([scale.rgb8 for scale in scales])).light - light)
    moved /= own_gaps(ladder, method, generator).max()
    others = np.array([scale.anchor for scale in scales])
    place = np.arange(light.shape[1])
    concerned = (place == anchors[:, None]) | (place == others[:, None])
    changed = anchors != others
    return {
        CONCERNED_LINE: Line(
            np.where(concerned, moved, 0.0)[changed].max(axis=1, initial=0.0), 1.3
        ),
        OTHERS_LINE: Line(np.where(concerned, 0.0, moved)[changed].max(axis=1, initial=0.0), 0.5),
        "one level, same label: any step, in gaps": Line(
            moved[~changed].max(axis=1, initial=0.0), 0.5
        ),
    }


def _short(rgb8: Bytes, ladder: Ladder, generator: int) -> Line:
    """By how much steps fall short of 3, 4.5 and 7 on white, guide only."""
    places = np.linspace(0, len(ladder.steps) - 1, len(_TARGETS) + 2).astype(int)[1:-1]
    typed = tuple(
        Typed(step=ladder.steps[place].id, value=value)
        for place, value in zip(places, _TARGETS, strict=True)
    )
    method = Method(name="contrast", contrast=ContrastTargets(targets=typed))
    scales = made(rgb8, ladder, method, generator, "guide")
    reached = 1.05 / (
        Measured.of(np.stack([scale.rgb8 for scale in scales])[:, places]).luminance + 0.05
    )
    return Line((np.array(_TARGETS) - reached).max(axis=1), 0.0)
