"""Edits of how scales are made: methods, curves, nudges, and what the neighbors of pins do."""

from typing import Annotated, ClassVar, Literal

import numpy as np
from pydantic import Field, ValidationError

from heimat.core.color.angles import turn_between
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.contrast import cut, relative_luminance
from heimat.core.color.exact_color import rgb8_of
from heimat.core.document.hues import Hue, StepRef
from heimat.core.document.ids import Id
from heimat.core.document.order import in_order
from heimat.core.document.part import StepId
from heimat.core.document.system import MOST_HUES, ColorSystem, curves_of, ladder_of, method_of
from heimat.core.edits.base import EditBase, Path, hue_of, step_of, with_hue
from heimat.core.edits.holding_edits import held_words, keeping_held
from heimat.core.errors import DomainError
from heimat.core.hues.scaling import scales_of
from heimat.core.scales.curve_drawing import own_value
from heimat.core.scales.curves import CurveName, Curves
from heimat.core.scales.handles import MOST_HANDLES
from heimat.core.scales.methods import KINDS, Method
from heimat.core.scales.methods.contrast_targets import MID_LUMINANCE, contrast_range
from heimat.core.scales.nudges import Nudge

MOST_STEPS = 2000
"""Steps that are nudged in one gesture."""
CURVE_UNITS: dict[CurveName, str] = {
    "lightness": "of the way to the end",
    "chroma": "times the source",
    "hue": "degrees",
}


_SHOWN = 0.005
"""By how little a value may pass its limit: what reads like the limit is taken for it."""


class SetMethod(EditBase):
    """Make all scales, or one, by a method with its settings; one without a method is made as all are."""

    type: Literal["set_method"] = "set_method"
    blames: ClassVar[str] = "hue"
    hue: Id | None = None
    method: Method | None

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.method is not None:
            _check_contrast(self.method)
            _check_typed(self.method)
        if self.hue is not None:
            hue = hue_of(system, self.hue).model_copy(update={"method": self.method})
            if self.method is not None:
                _check_order(system, [hue])
            return with_hue(system, hue)
        if self.method is None:
            raise DomainError("All scales need a method.", "method", "missing")
        changed = keeping_held(system, "method").model_copy(update={"method": self.method})
        _check_order(changed, [hue for hue in in_order(changed.hues) if hue.method is None])
        return changed

    def sentence(self, system: ColorSystem) -> str:
        if self.hue is None:
            name = KINDS[self.method.name].words if self.method else "no method"
            return f"Make all scales by {name}{held_words(system, 'method')}"
        whose = hue_of(system, self.hue).name
        return f"Make {whose} {f'by {KINDS[self.method.name].words}' if self.method else 'as all scales'}"


def _check_contrast(method: Method) -> None:
    """Raise DomainError for a ratio that no luminance reaches on the ground, with the nearest that one does."""
    ground = float(relative_luminance(rgb8_of(method.contrast.ground)))
    low, high = contrast_range(ground)
    for place, typed in enumerate(method.contrast.targets):
        if not low <= typed.value <= high + 1e-9:
            nearest = cut(high) if typed.value > high else "1.00"
            side = "darker" if ground >= MID_LUMINANCE else "lighter"
            raise DomainError(
                f"On this ground, nothing {side} reaches {typed.value:g}; the nearest is {nearest}.",
                f"method.contrast.targets.{place}.value",
                "limit",
            )


def _check_typed(method: Method) -> None:
    limits = (("mix", method.mix.targets, -100.0), ("hsl", method.hsl.targets, 0.0))
    for name, targets, low in limits:
        for place, typed in enumerate(targets):
            if not low <= typed.value <= 100.0:
                nearest = low if typed.value < low else 100.0
                raise DomainError(
                    f"It runs from {low:g} to 100 %; the nearest is {nearest:g}.",
                    f"method.{name}.targets.{place}.value",
                    "limit",
                )


def _check_order(system: ColorSystem, hues: list[Hue]) -> None:
    """Raise DomainError where a typed figure is out of order on a scale, with the two that it has to stand between."""
    for hue, scale in zip(hues, scales_of(system, hues), strict=True):
        method, figures = method_of(system, hue), scale.figures
        if figures is None or not method.typed():
            continue
        labels, ids = ladder_of(system, hue).labels(), ladder_of(system, hue).ids()
        rising = figures[0] < figures[-1]
        for typed in method.typed():
            place = ids.index(typed.step) if typed.step in ids else None
            if place is None:
                continue
            around = [at for at in (place - 1, place + 1) if 0 <= at < len(figures)]
            if all((figures[at] < figures[place]) == ((at < place) == rising) for at in around):
                continue
            beside = " and ".join(f"{figures[at]:.2f} of {labels[at]}" for at in around)
            # On the ladder that all share, the figures are those of all scales.
            whose = f" of {hue.name}" if hue.ladder is not None or hue.method is not None else ""
            raise DomainError(
                f"{labels[place]}{whose} cannot be {typed.value:g}: it stands between {beside}."
                if len(around) == 2
                else f"{labels[place]}{whose} cannot be {typed.value:g}: beside it stands {beside}.",
                f"method.{method.name}.targets",
                "order",
            )


class SetCurves(EditBase):
    """Set tapers and drifts of all scales, or of one; one without curves follows those of all."""

    type: Literal["set_curves"] = "set_curves"
    blames: ClassVar[str] = "hue"
    hue: Id | None = None
    curves: Curves | None

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.hue is not None:
            return with_hue(
                system, hue_of(system, self.hue).model_copy(update={"curves": self.curves})
            )
        return keeping_held(system, "curves").model_copy(update={"curves": self.curves or Curves()})

    def sentence(self, system: ColorSystem) -> str:
        whose = hue_of(system, self.hue).name if self.hue else "all scales"
        held = "" if self.hue else held_words(system, "curves")
        return f"Curves of {whose}{'' if self.curves else ' as before any change'}{held}"


class AimCurve(EditBase):
    """Put a handle of a curve, or an end of it, at a value; without a value, back to the usual curve.

    The value is the handle's own (see Handle), or, where the scale of a hue is `shown`, the L*, OKLCH chroma or degrees
    of OKLCH hue that this scale shall have there. The curves of `hues` change, each hue's its own; without hues, those
    of all.
    """

    type: Literal["aim_curve"] = "aim_curve"
    blames: ClassVar[str] = "value"
    shown: Id | None = None
    hues: Annotated[tuple[Id, ...] | None, Field(min_length=1, max_length=MOST_HUES)] = None
    curve: CurveName
    at: Annotated[float, Field(ge=-1.0, le=1.0)]
    value: Annotated[float | None, Field(allow_inf_nan=False)]

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.at == 0.0:
            raise DomainError("Every curve passes through the source.", "at", "limit")
        value = self.value
        if value is not None and self.shown is not None:
            scale = scales_of(system, [hue_of(system, self.shown, "shown")])[0]
            value = own_value(scale, self.curve, self.at, value)
        if self.hues is None:
            return keeping_held(system, "curves").model_copy(
                update={"curves": self._put(system.curves, value)}
            )
        hues = [hue_of(system, hue, "hues") for hue in self.hues]
        for hue in hues:
            curves = self._put(curves_of(system, hue), value)
            system = with_hue(system, hue.model_copy(update={"curves": curves}))
        return system

    def _put(self, curves: Curves, value: float | None) -> Curves:
        if value is not None:
            low, high = curves.limits(self.curve, self.at)
            if not low - _SHOWN <= value <= high + _SHOWN:
                nearest = min(max(value, low), high)
                unit = CURVE_UNITS[self.curve]
                raise DomainError(
                    f"That is {value:.2f} {unit}; the nearest is {nearest:.2f}.", "value", "limit"
                )
            value = _rounded(min(max(value, low), high))
        try:
            return Curves.model_validate(
                curves.with_handle(self.curve, self.at, value).model_dump()
            )
        except ValidationError as error:
            words = f"No handle can stand there: too near to the source, or one more than {MOST_HANDLES}."
            raise DomainError(words, "at", "limit") from error

    def sentence(self, system: ColorSystem) -> str:
        whose, held = "all scales", "" if self.hues else held_words(system, "curves")
        if self.hues is not None:
            first = hue_of(system, self.hues[0], "hues").name
            whose = first if len(self.hues) == 1 else f"{first} and {len(self.hues) - 1} more"
        where = f"{'at' if abs(self.at) == 1.0 else 'toward'} the {'light' if self.at < 0.0 else 'dark'} end"
        return (
            f"{self.curve.capitalize()} of {whose} {where}"
            + (", as usual" if self.value is None else "")
            + held
        )


class AimStep(EditBase):
    """Nudge a step to an L*, an OKLCH chroma and hue; what is kept is by how much it differs from the generated."""

    type: Literal["aim_step"] = "aim_step"
    blames: ClassVar[str] = "step"
    hue: Id
    step: StepId
    lightness: Annotated[float, Field(ge=0.0, le=100.0)]
    chroma: Annotated[float, Field(ge=0.0, le=STRONGEST_CHROMA)]
    angle: Annotated[float, Field(ge=0.0, le=360.0)]

    def change(self, system: ColorSystem) -> ColorSystem:
        hue, place = step_of(system, self.hue, self.step)
        name = f"{hue.name} {ladder_of(system, hue).steps[place].label}"
        if self.step in hue.pins:
            raise DomainError(f"{name} is pinned: take the pin away to nudge it.", "step", "pinned")
        others = {step: nudge for step, nudge in hue.nudges.items() if step != self.step}
        scale = scales_of(system, [hue.model_copy(update={"nudges": others})])[0]
        if scale.anchor == place:
            raise DomainError(f"{name} is the hue’s own color: move the hue.", "step", "anchor")
        turn = turn_between(float(scale.hue[place]), self.angle)
        nudge = Nudge(
            lightness=_rounded(
                np.clip(self.lightness - float(scale.lightness[place]), -100.0, 100.0)
            ),
            chroma=_rounded(
                np.clip(
                    self.chroma - float(scale.chroma[place]), -STRONGEST_CHROMA, STRONGEST_CHROMA
                )
            ),
            hue=_rounded(turn),
        )
        nudges = others if nudge.nothing else {**others, self.step: nudge}
        return with_hue(system, hue.model_copy(update={"nudges": nudges}))

    def sentence(self, system: ColorSystem) -> str:
        hue, place = step_of(system, self.hue, self.step)
        return f"Nudge {hue.name} {ladder_of(system, hue).steps[place].label}"

    def reads(self) -> set[Path]:
        return {("ladder",)}


class NudgeSteps(EditBase):
    """Nudge steps together by an L*, an OKLCH chroma and degrees of hue, on top of what each is nudged already.

    Pinned steps, hues' own colors and what is held stay as they are.
    """

    type: Literal["nudge_steps"] = "nudge_steps"
    steps: Annotated[tuple[StepRef, ...], Field(min_length=1, max_length=MOST_STEPS)]
    lightness: Annotated[float, Field(ge=-100.0, le=100.0)] = 0.0
    chroma: Annotated[float, Field(ge=-STRONGEST_CHROMA, le=STRONGEST_CHROMA)] = 0.0
    turn: Annotated[float, Field(ge=-360.0, le=360.0)] = 0.0

    def change(self, system: ColorSystem) -> ColorSystem:
        moving = self._moving(system)
        if not moving:
            raise DomainError(
                "All of these are pinned, held or anchored: none can be nudged.", "steps", "fixed"
            )
        for ref in moving:
            hue = system.hues[ref.hue]
            before = hue.nudges.get(ref.step, Nudge())
            nudge = Nudge(
                lightness=_rounded(np.clip(before.lightness + self.lightness, -100.0, 100.0)),
                chroma=_rounded(
                    np.clip(before.chroma + self.chroma, -STRONGEST_CHROMA, STRONGEST_CHROMA)
                ),
                hue=_rounded(turn_between(0.0, before.hue + self.turn)),
            )
            nudges = {step: kept for step, kept in hue.nudges.items() if step != ref.step}
            if not nudge.nothing:
                nudges[ref.step] = nudge
            system = with_hue(system, hue.model_copy(update={"nudges": nudges}))
        return system

    def _moving(self, system: ColorSystem) -> list[StepRef]:
        """Those of the steps that can be nudged. Raises DomainError for one that is not there."""
        found = [(ref, *step_of(system, ref.hue, ref.step)) for ref in self.steps]
        hues = {hue.id: hue for _, hue, _ in found}
        anchors = {
            key: scale.anchor
            for key, scale in zip(hues, scales_of(system, list(hues.values())), strict=True)
        }
        return [
            ref
            for ref, hue, place in found
            if not hue.held and ref.step not in hue.pins and anchors[hue.id] != place
        ]

    def sentence(self, system: ColorSystem) -> str:
        moving = len(self._moving(system))
        stay = len(self.steps) - moving
        return f"Nudge {moving} steps" + (f"; {stay} pinned, held or anchored stay" if stay else "")

    def reads(self) -> set[Path]:
        return {("ladder",)}


def _rounded(value: float) -> float:
    return float(np.round(value, 6))


class SetPinNeighbours(EditBase):
    """Let the neighbors of a scale's pins pass smoothly through them, or stay as they are generated."""

    type: Literal["set_pin_neighbours"] = "set_pin_neighbours"
    blames: ClassVar[str] = "hue"
    hue: Id
    smooth: bool

    def change(self, system: ColorSystem) -> ColorSystem:
        return with_hue(system, hue_of(system, self.hue).model_copy(update={"smooth": self.smooth}))

    def sentence(self, system: ColorSystem) -> str:
        name = hue_of(system, self.hue).name
        return (
            f"Let {name} pass through its pins"
            if self.smooth
            else f"Let the neighbors of {name}’s pins stay"
        )


class SetWide(EditBase):
    """Put display-p3 values beside the sRGB ones of a scale, or leave them; None lets the source decide."""

    type: Literal["set_wide"] = "set_wide"
    blames: ClassVar[str] = "hue"
    hue: Id
    wide: bool | None

    def change(self, system: ColorSystem) -> ColorSystem:
        return with_hue(system, hue_of(system, self.hue).model_copy(update={"wide": self.wide}))

    def sentence(self, system: ColorSystem) -> str:
        name = hue_of(system, self.hue).name
        how = {True: "with display-p3", False: "in sRGB alone", None: "as wide as its source"}[
            self.wide
        ]
        return f"Publish {name} {how}"
