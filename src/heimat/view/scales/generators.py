"""What another generator would make of a system: every scale before and after, and what that settles or breaks."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000, distance_words
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.words import listed
from heimat.core.legibility.findings import finding_ids
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.scales.generator_rules import LATEST_GENERATOR
from heimat.view.eyes import SwatchView
from heimat.view.look import Look

_MANY = 1.0
"""CIEDE2000 above which half of observers see a change when both colors touch."""


class MovedScaleView(TypedDict):
    """One scale before and after, step by step, and what of it changes in words."""

    hue: str
    name: str
    labels: list[str]
    before: list[SwatchView]
    after: list[SwatchView]
    words: str
    seen: bool


class GeneratorsPart(TypedDict):
    """The generator of a system, the newest, and what moving to that would do; nothing where it is there already."""

    current: int
    newest: int
    scales: list[MovedScaleView]
    words: str
    consequences: str
    held: str | None


def generators_part(look: Look) -> GeneratorsPart:
    """What the newest generator would make of a system."""
    system = look.system
    if system.generator == LATEST_GENERATOR:
        words = f"All scales are made by generator {LATEST_GENERATOR}, the newest there is."
        return _part(system.generator, [], words, "", None)
    after = resolve(system.model_copy(update={"generator": LATEST_GENERATOR}))
    scales = _moved(look, after)
    changed = sum(
        one != other
        for each in scales
        for one, other in zip(each["before"], each["after"], strict=True)
    )
    total = sum(len(each["before"]) for each in scales)
    held = listed([hue.name for hue in look.resolved.hue_list if hue.hue.held])
    return _part(
        system.generator,
        scales,
        f"{changed} of {total} steps change. Every hue’s own color, pins, nudges, tokens and names stay.",
        _consequences(look.resolved, after),
        f"{held} is held: let it go first." if held else None,
    )


def _part(
    current: int, scales: list[MovedScaleView], words: str, consequences: str, held: str | None
) -> GeneratorsPart:
    return {
        "current": current,
        "newest": LATEST_GENERATOR,
        "scales": scales,
        "words": words,
        "consequences": consequences,
        "held": held,
    }


def _moved(look: Look, after: Resolved) -> list[MovedScaleView]:
    found: list[MovedScaleView] = []
    for hue in look.resolved.hue_list:
        then = after.hues[hue.id]
        apart = np.atleast_1d(
            ciede2000(srgb_to_lab(from_bytes(hue.rgb8)), srgb_to_lab(from_bytes(then.rgb8)))
        )
        most = int(np.argmax(apart))
        changed = int((hue.rgb8 != then.rgb8).any(axis=-1).sum())
        words = "stays as it is"
        if changed:
            words = f"{changed} of {len(apart)} change, {hue.steps[most].label} most, by {distance_words(apart[most])}"
        found.append(
            {
                "hue": hue.id,
                "name": hue.name,
                "labels": hue.ladder.labels(),
                "before": look.eyes.swatches(hue.rgb8),
                "after": look.eyes.swatches(then.rgb8),
                "words": words,
                "seen": bool(apart[most] > _MANY),
            }
        )
    return found


def _consequences(before: Resolved, after: Resolved) -> str:
    old, new = finding_ids(before), finding_ids(after)
    gone, come = len(old - new), len(new - old)
    if not gone and not come:
        return "No finding comes or goes."
    return f"{gone} {'finding goes' if gone == 1 else 'findings go'}, {come} {'comes' if come == 1 else 'come'}."
