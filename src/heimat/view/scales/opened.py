"""What the page paints of one scale in detail: measures, curves, its method with its own numbers, and all methods."""

from collections import Counter

import numpy as np

from heimat.core.color.contrast import relative_luminance
from heimat.core.color.gamut import MORE_THAN_ANY_CHROMA, solve
from heimat.core.color.spaces import lightness, luminance_of, p3_to_srgb, srgb_to_oklch
from heimat.core.color.wide import p3_of_bytes, p3_text, published_p3
from heimat.core.edits.scales import METHOD_WORDS
from heimat.core.fewer import uses_of
from heimat.core.resolve import Resolved, promises_of, steps_of, wide_of
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import Ladder
from heimat.core.scales.measures import Measures, Spread, measure
from heimat.core.scales.methods import METHODS, MethodName
from heimat.core.scaling import scales_of
from heimat.core.system import ColorSystem, Hue, curves_of, in_order, ladder_of, method_of
from heimat.service.seeing import Eyes
from heimat.service.view_column import column_view
from heimat.service.view_curves import curve_views
from heimat.service.view_types import ComparedView, LadderView, OpenedView, SpreadView, StepFiguresView, WideStepView

SENTENCES: dict[MethodName, str] = {
    "even": "Every step falls by the same L*; labels share their contrast across hues. Good where swaps must be safe.",
    "contrast": "Every label has a ratio against a ground. Good where a label must keep a level of the guidelines.",
    "mix": "White or black is laid over the source by percentages. Good for matching tints that exist; hues may gray.",
    "hsl": "HSL lightness steps at the source’s own hue and saturation. Familiar; hues differ in how light they look.",
    "ends": "Colors between a light and a dark end, through the source. Good where the ends are given.",
}


def ladder_view(ladder: Ladder, uses: Counter[str] | None = None) -> LadderView:
    """A ladder, from light to dark, with how often its steps are used where that is known."""
    counts = uses or Counter()
    return {
        "name": ladder.name,
        "steps": [
            {
                "id": step.id,
                "label": step.label,
                "lightness": step.lightness,
                "hidden": step.hidden,
                "between": step.between,
                "uses": counts[step.id],
            }
            for step in ladder.steps
        ],
    }


def opened_view(resolved: Resolved, hue: Hue, step: str | None, eyes: Eyes, *, compare: bool) -> OpenedView:
    """The scale of a hue in all detail, and the column of the step that is selected, or else of its own color."""
    system, scale = resolved.system, resolved.scales[hue.id]
    ladder, curves = ladder_of(system, hue), curves_of(system, hue)
    pinned = {place for place, step in enumerate(ladder.steps) if step.id in hue.pins}
    exact = pinned | ({scale.anchor} if scale.anchor is not None else set())
    [found] = measure([scale], [exact])
    light_taper, dark_taper, light_drift, dark_drift = (round(each, 4) for each in scale.ends)
    return {
        "hue": hue.id,
        "name": hue.name,
        "ladder": ladder_view(ladder, uses_of(system, hue if hue.ladder else None)),
        "measures": _words(ladder, found, scale.anchor, pinned) + _costs(resolved, hue),
        "lightness": _spread(found.lightness, "L* falls by {} to {} from step to step", 1),
        "distance": _spread(found.distance, "Neighbours are {} to {} apart in OKLab, times 100", 1),
        "figures_of": _figures(resolved, hue, ladder),
        "wide": wide_views(resolved, hue, eyes),
        "column": column_view(resolved, hue, step, eyes),
        "curves": curves.model_dump(mode="json"),
        "all_curves": system.curves.model_dump(mode="json"),
        "drawn": curve_views(scale, curves),
        "ends": {
            "light_taper": light_taper,
            "dark_taper": dark_taper,
            "light_drift": light_drift,
            "dark_drift": dark_drift,
        },
        "settings": method_of(system, hue).model_dump(mode="json"),
        "all_settings": system.method.model_dump(mode="json"),
        "figures": None if scale.figures is None else [round(float(each), 2) for each in scale.figures],
        "compared": compared_views(system, hue, eyes) if compare else [],
    }


def wide_views(resolved: Resolved, hue: Hue, eyes: Eyes) -> list[WideStepView]:
    """The steps of a hue in display-p3; none where its scale has no value there."""
    made = resolved.wide.get(hue.id)
    if made is None:
        return []
    rgb8 = resolved.scales[hue.id].rgb8
    own = ~np.isnan(made[:, 0])
    shown = published_p3(np.where(own[:, None], made, p3_of_bytes(rgb8)))
    gains = srgb_to_oklch(p3_to_srgb(shown))[:, 1] - srgb_to_oklch(rgb8 / 255.0)[:, 1]
    return [
        {
            "label": step.label,
            "text": p3_text(shown[place]),
            "seen": eyes.see_p3(shown[place]),
            "own": bool(own[place]),
            "gain": round(float(gains[place]), 4) if own[place] else 0.0,
        }
        for place, step in enumerate(ladder_of(resolved.system, hue).steps)
    ]


def compared_views(system: ColorSystem, hue: Hue, eyes: Eyes) -> list[ComparedView]:
    """A hue by each method, with the settings that the method has now."""
    now = method_of(system, hue)
    tried = [hue.model_copy(update={"method": now.model_copy(update={"name": name})}) for name in METHODS]
    found: list[ComparedView] = []
    scales = scales_of(system, tried)
    for name, scale, measures in zip(METHODS, scales, measure(scales, [set()] * len(scales)), strict=True):
        falls = measures.lightness
        found.append(
            {
                "method": name,
                "words": METHOD_WORDS[name],
                "sentence": SENTENCES[name],
                "steps": eyes.swatches(scale.rgb8),
                "falls": f"L* gaps {falls.smallest:.1f} to {falls.largest:.1f}",
            }
        )
    return found


def _costs(resolved: Resolved, hue: Hue) -> list[str]:
    """What a fixed label costs the promises, a sentence each: how much closer steps could be at the nearest label."""
    if hue.anchor.mode != "label":
        return []
    free = hue.model_copy(update={"anchor": Anchor()})
    system = resolved.system.model_copy(update={"hues": {**resolved.system.hues, hue.id: free}})
    hues = in_order(system.hues)
    scales = {other.id: scale for other, scale in zip(hues, scales_of(system, hues), strict=True)}
    without = promises_of(system, hues, steps_of(system, hues, scales, wide_of(system, hues, scales)))
    words = []
    for now, then in zip(resolved.promises, without, strict=True):
        if (now.apart, now.kept) != (then.apart, then.kept):
            reached = f"{now.apart} apart" if now.kept else "out of reach"
            words.append(f"At this label {now.aim:g} is {reached}; at the nearest it would be {then.apart} apart.")
    return words or ["The fixed label costs no promise."]


def _spread(spread: Spread, words: str, places: int) -> SpreadView:
    told = words.format(f"{spread.smallest:.{places}f}", f"{spread.largest:.{places}f}")
    return {
        "gaps": [round(float(gap), 2) for gap in spread.gaps],
        "words": f"{told}; the spread is {spread.uneven * 100.0:.0f} % of the mean",
    }


def _figures(resolved: Resolved, hue: Hue, ladder: Ladder) -> list[StepFiguresView]:
    scale = resolved.scales[hue.id]
    light = np.clip(scale.lightness, 0.0, 100.0)
    edge = srgb_to_oklch(solve(luminance_of(light), MORE_THAN_ANY_CHROMA, scale.hue))[:, 1]
    _, has, turn = np.moveaxis(srgb_to_oklch(scale.rgb8 / 255.0), -1, 0)
    shown = lightness(relative_luminance(scale.rgb8))
    return [
        {
            "label": step.label,
            "lightness": round(float(shown[place]), 2),
            "turn": round(float(turn[place]), 1) % 360.0,
            "asked": round(float(max(scale.chroma[place], 0.0)), 4),
            "has": round(float(has[place]), 4),
            "most": round(float(edge[place]), 4),
        }
        for place, step in enumerate(ladder.steps)
    ]


def _words(ladder: Ladder, found: Measures, anchor: int | None, pinned: set[int]) -> list[str]:
    """What the measures say, a sentence each: order, duplicates, gamut, source."""
    labels = ladder.labels()
    words: list[str] = []
    if found.out_of_order:
        words += [f"{labels[place]} is not darker than {labels[place - 1]}." for place in found.out_of_order]
    else:
        words.append("In order: each step is darker than the one before.")
    words += [f"{labels[place - 1]} and {labels[place]} can hardly be told apart." for place in found.alike]
    taken = np.flatnonzero(found.taken)
    if len(taken):
        named = ", ".join(labels[place] for place in taken.tolist())
        words.append(f"The gamut takes chroma from {named}: at most {float(found.taken.max()):.3f}.")
    else:
        words.append("The gamut holds all the chroma that the curves ask for.")
    nearest = labels[found.source_place]
    if anchor is not None and anchor not in pinned:
        words.append(f"The source is {nearest}, to the bit.")
    elif anchor is not None:
        words.append(f"A pin stands where the source would: {nearest} is {found.source:.1f} from it (CIEDE2000).")
    else:
        words.append(f"The source is on no step; {nearest} comes nearest, {found.source:.1f} away (CIEDE2000).")
    return words
