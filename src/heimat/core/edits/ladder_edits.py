"""Edits of the ladder, and of the pattern that names its steps."""

from collections.abc import Iterable, Iterator, Mapping
from typing import ClassVar, Literal

from heimat.core.color.naming import check_line
from heimat.core.document.cases import Case
from heimat.core.document.hues import Hue
from heimat.core.document.ids import Id
from heimat.core.document.names import check_label, check_pattern
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import DerivedColor, StepAlias, TokenValue
from heimat.core.document.uses import members
from heimat.core.document.words import value_in_words
from heimat.core.edits.base import EditBase, Path, hue_of, with_hue
from heimat.core.edits.holding_edits import held_words, keeping_held
from heimat.core.errors import DomainError
from heimat.core.hues.scaling import scales_of
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import Ladder
from heimat.core.scales.shaping import ShapedLadder, shaped


class SetLadder(EditBase):
    """Choose a ready-made ladder for all scales by its name, or give one step by step.

    What stands on a step that the new ladder lacks moves: an alias to the step aimed nearest in lightness, a fixed
    anchor to the nearest label; a pin or a nudge there goes. `losses` tells beforehand.
    """

    type: Literal["set_ladder"] = "set_ladder"
    blames: ClassVar[str] = "ladder"
    ladder: str | ShapedLadder

    def change(self, system: ColorSystem) -> ColorSystem:
        ladder = _named(self.ladder)
        system = keeping_held(system, "ladder")
        shared = [hue for hue in system.hues.values() if hue.ladder is None]
        return _on_ladder(system, shared, ladder).model_copy(update={"ladder": ladder})

    def sentence(self, system: ColorSystem) -> str:
        ladder = shaped(self.ladder, "ladder")
        return f"Take {_words(ladder)}{held_words(system, 'ladder')}"


class SetHueLadder(EditBase):
    """Give a hue's scale a ladder of its own, with more or fewer steps; without one, the system's again.

    What stands on a step that the new ladder lacks moves as with `SetLadder`.
    """

    type: Literal["set_hue_ladder"] = "set_hue_ladder"
    blames: ClassVar[str] = "ladder"
    hue: Id
    ladder: str | ShapedLadder | None

    def change(self, system: ColorSystem) -> ColorSystem:
        own = None if self.ladder is None else _named(self.ladder)
        hue = hue_of(system, self.hue)
        moved = _on_ladder(system, [hue], own or system.ladder)
        return with_hue(moved, moved.hues[hue.id].model_copy(update={"ladder": own}))

    def sentence(self, system: ColorSystem) -> str:
        ladder = system.ladder if self.ladder is None else shaped(self.ladder, "ladder")
        return f"Give {hue_of(system, self.hue).name} {len(ladder.steps)} steps"

    def reads(self) -> set[Path]:
        return {("ladder",)}


def _named(given: str | ShapedLadder) -> Ladder:
    """A ladder whose labels can be parts of published names. Raises DomainError, at the label at fault."""
    ladder = shaped(given, "ladder")
    for place, label in enumerate(ladder.labels()):
        check_label(label, f"ladder.steps.{place}.label")
    return ladder


def _words(ladder: Ladder) -> str:
    return f"{'a' if ladder.name == 'own' else f'the {ladder.name}'} ladder of {len(ladder.steps)}"


def losses(before: ColorSystem, after: ColorSystem) -> list[str]:
    """What a change of ladders takes away or moves, a sentence each: pins, nudges, fixed anchors, aliases."""
    found = [
        words
        for hue in in_order(before.hues)
        for words in _losses_of(before, hue, after.hues[hue.id])
    ]
    found += [
        f"{name}’s own color is in its scale no longer." for name in _displaced(before, after)
    ]
    for kept in in_order(before.selections):
        fewer = len(members(before, kept)) - len(members(after, kept))
        if fewer:
            found.append(f"{fewer} of the colors in {kept.name} {'goes' if fewer == 1 else 'go'}.")
    for token in in_order(before.tokens):
        for theme, value in token.values.items():
            words = _lost_by(before, after, value, after.tokens[token.id].values[theme])
            if words:
                found.append(f"{token.name} {words}")
    return found


def _losses_of(before: ColorSystem, hue: Hue, now: Hue) -> Iterator[str]:
    """What one hue loses: pins, nudges, its anchor's label, steps in reserve."""
    labels = {step.id: step.label for step in ladder_of(before, hue).steps}
    for what, old, new in (("pin", hue.pins, now.pins), ("nudge", hue.nudges, now.nudges)):
        gone = old.keys() - new
        yield from (
            f"The {what} at {hue.name} {labels[step]} goes." for step in labels if step in gone
        )
    if hue.anchor.mode == "label" and now.anchor != hue.anchor:
        label = labels[hue.anchor.step or ""]
        yield f"{hue.name} stands at the nearest label, not at {label} any more."
    for step in hue.reserve:
        if step not in now.reserve:
            yield f"{hue.name} {labels[step]} is in reserve no longer."


def _lost_by(before: ColorSystem, after: ColorSystem, value: TokenValue, moved: TokenValue) -> str:
    """What becomes of a token's value, as the end of a sentence; empty where it stays what it is."""
    if moved != value:
        return f"moves from {value_in_words(before, value)} to {value_in_words(after, moved)}."
    if not isinstance(value, StepAlias) or not before.scales_published:
        return ""
    if not _made_internal(before, after, value):
        return ""
    name = value_in_words(before, value)
    return f"is published as a value: {name} is internal, so it is no alias any more."


def _displaced(before: ColorSystem, after: ColorSystem) -> list[str]:
    """The names of hues whose own color is a step of their scale before, and of none after."""
    changed = [
        hue
        for hue in in_order(before.hues)
        if ladder_of(before, hue) != ladder_of(after, after.hues[hue.id])
    ]
    then = scales_of(before, changed)
    now = scales_of(after, [after.hues[hue.id] for hue in changed])
    return [
        hue.name
        for hue, was, stands in zip(changed, then, now, strict=True)
        if (was.rgb8 == was.source8).all(axis=-1).any()
        and not (stands.rgb8 == stands.source8).all(axis=-1).any()
    ]


def _made_internal(before: ColorSystem, after: ColorSystem, value: StepAlias) -> bool:
    """Whether the step that a token stands on was published and is no longer."""
    was, now = (
        next(
            (
                step.internal
                for step in ladder_of(each, each.hues[value.hue]).steps
                if step.id == value.step
            ),
            True,
        )
        for each in (before, after)
    )
    return now and not was


def _on_ladder(system: ColorSystem, hues: Iterable[Hue], ladder: Ladder) -> ColorSystem:
    """The document with anchors, pins, nudges and aliases of some hues moved to the steps of another ladder."""
    moving = {hue.id: hue for hue in hues}
    tokens = {}
    for key, token in system.tokens.items():
        values = {
            theme: _value_on(moving, system, value, ladder) for theme, value in token.values.items()
        }
        tokens[key] = (
            token if values == token.values else token.model_copy(update={"values": values})
        )
    if all(tokens[key] is token for key, token in system.tokens.items()):
        # The very same tokens: what was found of them stays found.
        tokens = system.tokens
    moved = {key: _hue_on(hue, ladder) for key, hue in moving.items()}
    return system.model_copy(update={"hues": {**system.hues, **moved}, "tokens": tokens})


def _hue_on(hue: Hue, ladder: Ladder) -> Hue:
    pins = {step: color for step, color in hue.pins.items() if ladder.index(step) is not None}
    nudges = {step: nudge for step, nudge in hue.nudges.items() if ladder.index(step) is not None}
    reserve = {
        step: reason for step, reason in hue.reserve.items() if ladder.index(step) is not None
    }
    gone = hue.anchor.mode == "label" and ladder.index(hue.anchor.step or "") is None
    if not gone and (pins, nudges, reserve) == (hue.pins, hue.nudges, hue.reserve):
        return hue
    kept = Anchor() if gone else hue.anchor
    return hue.model_copy(
        update={"pins": pins, "nudges": nudges, "reserve": reserve, "anchor": kept}
    )


def _value_on(
    moving: Mapping[str, Hue], system: ColorSystem, value: TokenValue, ladder: Ladder
) -> TokenValue:
    if isinstance(value, DerivedColor):
        return value.model_copy(update={"of": _value_on(moving, system, value.of, ladder)})
    if (
        not isinstance(value, StepAlias)
        or value.hue not in moving
        or ladder.index(value.step) is not None
    ):
        return value
    before = ladder_of(system, moving[value.hue])
    nearest = ladder.steps[ladder.nearest(before.steps[before.index(value.step) or 0].lightness)]
    return value.model_copy(update={"step": nearest.id})


class SetScalePattern(EditBase):
    """Choose the pattern that names all scale tokens at once, and the case of hue and label in it, if that is said."""

    type: Literal["set_scale_pattern"] = "set_scale_pattern"
    blames: ClassVar[str] = "pattern"
    pattern: str
    case: Case | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        check_pattern(self.pattern, "pattern")
        case = system.scale_case if self.case is None else self.case
        return system.model_copy(update={"scale_pattern": self.pattern, "scale_case": case})

    def sentence(self, system: ColorSystem) -> str:
        return f"Name scale tokens {self.pattern}"


class PublishScales(EditBase):
    """Let developers have the scale tokens, or keep them in the house."""

    type: Literal["publish_scales"] = "publish_scales"
    published: bool

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(update={"scales_published": self.published})

    def sentence(self, system: ColorSystem) -> str:
        return (
            "Publish the scale tokens" if self.published else "Keep the scale tokens in the house"
        )


class RenameSystem(EditBase):
    """Give the system another name. Its addresses stay."""

    type: Literal["rename_system"] = "rename_system"
    blames: ClassVar[str] = "name"
    name: str

    def change(self, system: ColorSystem) -> ColorSystem:
        name = self.name.strip()
        if not name:
            raise DomainError("A system needs a name.", "name", "empty")
        check_line(name, "name")
        if len(name) > 80:
            raise DomainError(
                f"A name has at most 80 characters; this one has {len(name)}.", "name", "too_long"
            )
        return system.model_copy(update={"name": name})

    def sentence(self, system: ColorSystem) -> str:
        return f"Rename the system to {self.name.strip()}"
