"""Scales out of a sheet: known by names that end in a number, and by lightness that rises or falls along it."""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.naming import one_line
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.hues import GivenSource, Hue, HueKind
from heimat.core.document.names import check_hue_name, css_name
from heimat.core.document.order import keys
from heimat.core.document.system import MOST_HUES
from heimat.core.document.tokens import StepAlias
from heimat.core.errors import DomainError
from heimat.core.importing.sheet import Sheet, SheetToken
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import LEAST_STEPS, MOST_STEPS, Ladder, LadderStep
from heimat.core.sources.conventions import STATUSES, Status

_NUMBERED = re.compile(r"(?P<hue>.+?)(?P<between>[.\-_ /])(?P<step>\d{1,4})")
_NOT_A_SCALE = ("chart",)
"""First words of names that count their colors, and are no scale."""
_NEUTRAL = 0.03
"""OKLCH chroma up to which a scale is one of grays."""
_STATUS_WORDS: dict[Status, tuple[str, ...]] = {
    "success": ("success", "positive", "ok"),
    "warning": ("warning", "caution", "attention"),
    "error": ("error", "danger", "negative", "critical"),
    "information": ("information", "info", "notice"),
}
_LEAST_APART = 0.05
"""L* by which a step differs from the next at least, so that a scale has an order."""


@dataclass(frozen=True)
class ReadStep:
    """A step that was read: its token, its label, its color, and L* of it."""

    token: SheetToken
    label: str
    color: Color
    lightness: float


@dataclass(frozen=True)
class FoundScale:
    """A scale that was recognized: its hue's name, the pattern of its names, its steps from light to dark."""

    name: str
    pattern: str
    steps: tuple[ReadStep, ...]


def find_scales(sheet: Sheet, told: list[str]) -> list[FoundScale]:
    """The scales of a sheet, those that are written by the same pattern as the first one."""
    groups: dict[tuple[str, str], list[ReadStep]] = {}
    for token in sheet.tokens:
        match = _NUMBERED.fullmatch(token.name)
        color = _constant(token)
        if (
            match is None
            or color is None
            or color.alpha < 1.0
            or match["hue"].lower().startswith(_NOT_A_SCALE)
        ):
            continue
        lightness = float(srgb_to_lab(from_bytes(rgb8_of(color)))[0])
        groups.setdefault((match["hue"], match["between"]), []).append(
            ReadStep(token, match["step"], color, lightness)
        )
    whole = {key: steps for key, found in groups.items() if (steps := _ordered(found)) is not None}
    prefix = _shared_prefix([hue for hue, _ in whole])
    found: list[FoundScale] = []
    pattern = None
    for (hue, between), steps in whole.items():
        own = hue[len(prefix) :]
        wanted = f"{prefix}{{hue}}{between}{{step}}"
        pattern = pattern or wanted
        alike = next(
            (
                each.name
                for each in found
                if css_name(each.name).casefold() == css_name(own).casefold()
            ),
            None,
        )
        if alike is not None:
            told.append(
                f"{hue} and {alike} are too alike for two hues; the colors of the later one are tokens."
            )
        elif wanted != pattern or not _is_part(own):
            told.append(
                f"{hue} is written in another way than the scales before it; its colors are tokens."
            )
        elif len(found) >= MOST_HUES:
            told.append(f"{hue} is one scale too many: a system has at most {MOST_HUES}.")
        else:
            found.append(FoundScale(own, pattern, tuple(steps)))
    return found


def _constant(token: SheetToken) -> Color | None:
    """The color of a token that is the same in every theme."""
    values = list(token.values.values())
    first = values[0]
    same = isinstance(first, Color) and all(value == first for value in values)
    return first if same and isinstance(first, Color) and not token.deprecated else None


def _ordered(steps: Sequence[ReadStep]) -> list[ReadStep] | None:
    """Steps from light to dark, where their numbers rise or fall with it; None where they are no scale."""
    if not LEAST_STEPS <= len(steps) <= MOST_STEPS:
        return None
    by_number = sorted(steps, key=lambda step: int(step.label))
    falls = [one.lightness - other.lightness for one, other in pairwise(by_number)]
    if all(fall >= _LEAST_APART for fall in falls):
        return by_number
    return by_number[::-1] if all(fall <= -_LEAST_APART for fall in falls) else None


def _shared_prefix(names: Sequence[str]) -> str:
    """What all names begin with, up to a sign that parts words."""
    if len(names) < 2:
        return ""
    shared = names[0]
    for name in names[1:]:
        while not name.startswith(shared):
            shared = shared[:-1]
    cut = max((shared.rfind(sign) for sign in ".-_/"), default=-1)
    prefix = shared[: cut + 1]
    plain = one_line(prefix) == prefix and not any(sign in prefix for sign in "/{}$")
    return prefix if plain and not prefix.startswith((".", "-", "_")) else ""


def _is_part(name: str) -> bool:
    try:
        check_hue_name(name, "files")
    except DomainError:
        return False
    return "/" not in name


@dataclass(frozen=True)
class ReadSteps:
    """The steps of all scales that were recognized, by their names and by the levels of their colors."""

    places: dict[str, StepAlias]
    by_color: dict[tuple[int, ...], StepAlias | None]

    def alone(self, color: Color) -> StepAlias | None:
        """The only step that has a color, if it is opaque and one has it."""
        return self.by_color.get(_levels(color)) if color.alpha == 1.0 else None


def _levels(color: Color) -> tuple[int, ...]:
    return tuple(int(level) for level in rgb8_of(color))


def hues_of(scales: Sequence[FoundScale]) -> tuple[dict[str, Hue], ReadSteps]:
    """Hues with pinned scales, and their steps."""
    hues: dict[str, Hue] = {}
    places: dict[str, StepAlias] = {}
    by_color: dict[tuple[int, ...], StepAlias | None] = {}
    for number, (scale, order) in enumerate(zip(scales, keys(len(scales)), strict=True)):
        hue_id = f"hue-{number + 1}"
        steps = tuple(
            LadderStep(id=f"s{step.label}", label=step.label, lightness=step.lightness)
            for step in scale.steps
        )
        strongest = max(scale.steps, key=lambda step: oklch_of(step.color)[1])
        kind, status = kind_of(scale)
        hues[hue_id] = Hue(
            id=hue_id,
            order=order,
            name=scale.name,
            kind=kind,
            status=status,
            source=GivenSource(color=strongest.color),
            anchor=Anchor(mode="guide"),
            ladder=Ladder(name="as it was", steps=steps),
            pins={f"s{step.label}": step.color for step in scale.steps},
            note="read from a file",
        )
        for step in scale.steps:
            alias, levels = StepAlias(hue=hue_id, step=f"s{step.label}"), _levels(step.color)
            places[step.token.name] = alias
            by_color[levels] = None if levels in by_color else alias
    return hues, ReadSteps(places, by_color)


def kind_of(scale: FoundScale) -> tuple[HueKind, Status | None]:
    """The kind of a scale by the words of its name, else by the chroma of its steps."""
    words = re.split(r"[-_ ]+", scale.name.lower())
    status = next((each for each in STATUSES if set(_STATUS_WORDS[each]) & set(words)), None)
    if status is not None:
        return "status", status
    chroma = np.array([oklch_of(step.color)[1] for step in scale.steps])
    return ("neutral" if float(chroma.max()) <= _NEUTRAL else "brand"), None
