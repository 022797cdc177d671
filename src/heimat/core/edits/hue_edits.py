"""Edits of hues: which there are, what they are called, where they stand."""

from collections.abc import Mapping
from typing import Annotated, Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from heimat.core.color.arrays import Bytes
from heimat.core.color.color_text import ColorInput
from heimat.core.color.exact_color import Color
from heimat.core.color.naming import plain_name, unique_name
from heimat.core.document.following import with_descendants
from heimat.core.document.free_names import FreeNames
from heimat.core.document.hues import FollowingSource, Hue, HueKind, Source, parent_of
from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import check_hue_name
from heimat.core.document.order import behind, in_order
from heimat.core.document.part import LONGEST_NAME, Note, Part, StepId
from heimat.core.document.system import MOST_HUES, ColorSystem, ladder_of
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    LiteralColor,
    StepAlias,
    Token,
    TokenValue,
    base_of,
)
from heimat.core.document.words import listed, value_in_words
from heimat.core.edits.base import EditBase, Path, hue_of, step_of, with_hue
from heimat.core.edits.collection import Collection, MoveOne, RenameOne
from heimat.core.edits.placing import before_another, behind_its_kind
from heimat.core.edits.source_edits import given, let_go, opaque
from heimat.core.errors import DomainError
from heimat.core.hues.scaling import scales_of
from heimat.core.hues.source import resolve_source, source_color
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import LONGEST_LADDER_NAME
from heimat.core.scales.shaping import shaped
from heimat.core.sources.conventions import Status
from heimat.core.values.derived_color import derived_color

HUES = Collection("hues", "hue", "hue", alone=True)


class _New(Part):
    """What is known of a color that is added; without a name it gets a plain one that is free."""

    id: Annotated[Id, Field(default_factory=new_id)]
    name: str = ""
    kind: HueKind = "brand"
    status: Status | None = None
    note: Note = ""


class NewColor(_New):
    """A color to add."""

    color: ColorInput


class NewHue(_New):
    """A hue to add: with a color of its own, or following another hue."""

    color: ColorInput | None = None
    source: FollowingSource | None = None
    ladder: Annotated[str | None, Field(max_length=LONGEST_LADDER_NAME)] = None

    @model_validator(mode="after")
    def _one_of_both(self) -> Self:
        if (self.color is None) == (self.source is None):
            raise ValueError("a new hue has either a color or a hue that it follows")
        return self


class AddHues(EditBase):
    """Add hues, all at once, each behind the others of its kind.

    With `nearest`, names that are taken or cannot be become the nearest plain ones that are free, so that one name
    stops no other hue: for what comes from outside. Without, they are refused: for what somebody types.
    """

    type: Literal["add_hues"] = "add_hues"
    blames: ClassVar[str] = "hues.0.name"
    hues: Annotated[tuple[NewHue, ...], Field(min_length=1, max_length=MOST_HUES)]
    nearest: bool = False

    def change(self, system: ColorSystem) -> ColorSystem:
        free = FreeNames(system) if self.nearest else None
        for place, new in enumerate(self.hues):
            order = behind_its_kind(system.hues, new.kind)
            hue = _made(system, new, order, f"hues.{place}", free)
            system = with_hue(system, hue)
        return system

    def sentence(self, system: ColorSystem) -> str:
        names = ", ".join(
            new.name or (plain_name(new.color) if new.color else "a derived hue")
            for new in self.hues[:4]
        )
        return f"Add {names}" + (f" and {len(self.hues) - 4} more" if len(self.hues) > 4 else "")

    def reads(self) -> set[Path]:
        return {("hues", new.source.hue, "id") for new in self.hues if new.source}


def _made(system: ColorSystem, new: NewHue, order: str, field: str, free: FreeNames | None) -> Hue:
    """A new hue with its color, and a name that is free where it came without one."""
    if new.id in system.hues:
        raise DomainError("A hue with this id is there already.", f"{field}.id", "taken")
    recall = None
    source: Source
    if new.source is not None:
        hue_of(system, new.source.hue, f"{field}.source.hue")
        source = new.source
    else:
        assert new.color is not None
        source, recall = given(opaque(new.color, f"{field}.color"), None)
    hue = Hue(
        id=new.id,
        order=order,
        name="new",
        kind=new.kind,
        status=new.status if new.kind == "status" else None,
        source=source,
        recall=recall,
        ladder=shaped(new.ladder, f"{field}.ladder") if new.ladder else None,
        note=new.note,
    )
    if free is not None:
        name = free.take(new.name, plain_name(source_color(system, hue)), hue.ladder)
        return hue.model_copy(update={"name": name})
    if not new.name:
        plain = plain_name(source_color(system, hue))
        return hue.model_copy(
            update={"name": unique_name(plain, (other.name for other in system.hues.values()))}
        )
    check_hue_name(new.name, f"{field}.name")
    return hue.model_copy(update={"name": new.name})


class DuplicateHue(EditBase):
    """Put a copy of a hue behind it, with its whole scale: curves, pins and nudges."""

    type: Literal["duplicate_hue"] = "duplicate_hue"
    blames: ClassVar[str] = "hue"
    hue: Id
    id: Annotated[Id, Field(default_factory=new_id)]

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        if self.id in system.hues:
            raise DomainError("A hue with this id is there already.", "id", "taken")
        every = in_order(system.hues)
        after = every[every.index(hue) + 1 :]
        name = unique_name(hue.name, (other.name for other in every))
        copy = hue.model_copy(update={"id": self.id, "name": name, "order": behind(system.hues)[0]})
        hues = before_another(
            {**system.hues, copy.id: copy}, [copy], after[0].id if after else None
        )
        return system.model_copy(update={"hues": hues})

    def sentence(self, system: ColorSystem) -> str:
        return f"Duplicate {hue_of(system, self.hue).name}"

    def reads(self) -> set[Path]:
        return {("hues", self.hue)}


class RemoveHue(EditBase):
    """Remove a hue. Tokens that stand on it keep its present color as literals.

    Hues that follow it are detached with their present colors, or removed too, with all that follow them.
    """

    type: Literal["remove_hue"] = "remove_hue"
    blames: ClassVar[str] = "hue"
    hue: Id
    children: Literal["detach", "remove"] = "detach"

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        gone = with_descendants(system, hue.id) if self.children == "remove" else [hue.id]
        tokens = _kept_tokens(system, [system.hues[key] for key in gone])
        hues = {key: other for key, other in system.hues.items() if key not in gone}
        for other in hues.values():
            if parent_of(other) in gone:
                hues[other.id] = let_go(system, other)
        return system.model_copy(update={"hues": hues, "tokens": tokens})

    def sentence(self, system: ColorSystem) -> str:
        hue = hue_of(system, self.hue)
        others = with_descendants(system, hue.id)[1:] if self.children == "remove" else []
        return "Remove " + listed([hue.name, *(system.hues[other].name for other in others)])


def _kept_tokens(system: ColorSystem, gone: list[Hue]) -> dict[str, Token]:
    """The tokens, those on hues that go as literals of their present colors, which say what they stood for."""
    scales = {hue.id: scale.rgb8 for hue, scale in zip(gone, scales_of(system, gone), strict=True)}
    tokens = dict(system.tokens)
    for token in system.tokens.values():
        values = {theme: _kept(system, value, scales) for theme, value in token.values.items()}
        if values != token.values:
            tokens[token.id] = token.model_copy(update={"values": values})
    return tokens


def _kept(system: ColorSystem, value: TokenValue, scales: Mapping[str, Bytes]) -> TokenValue:
    base = base_of(value)
    if not isinstance(base, StepAlias | HueAlias) or base.hue not in scales:
        return value
    hue = system.hues[base.hue]
    source = resolve_source(system, hue)
    color = source.color
    if isinstance(base, StepAlias):
        color = Color.of_bytes(scales[hue.id][ladder_of(system, hue).index(base.step) or 0])
    color = color.model_copy(update={"alpha": source.alpha})
    if isinstance(value, DerivedColor):
        color = derived_color(color, value)
    return LiteralColor(color=color, was=value_in_words(system, value)[:LONGEST_NAME])


class RenameHue(RenameOne):
    """Give a hue another name; what refers to it follows."""

    type: Literal["rename_hue"] = "rename_hue"
    hue: Id
    collection: ClassVar[Collection] = HUES

    def checked_name(self, system: ColorSystem) -> str:
        check_hue_name(self.name, "name")
        return self.name


class SetHueKind(EditBase):
    """Sort a hue: brand, accent, neutral, or status with what it says. It goes to the others of its kind."""

    type: Literal["set_hue_kind"] = "set_hue_kind"
    blames: ClassVar[str] = "hue"
    hue: Id
    kind: HueKind
    status: Status | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        status = self.status if self.kind == "status" else None
        hue = hue_of(system, self.hue)
        change: dict[str, Any] = {"kind": self.kind, "status": status}
        if hue.kind != self.kind:
            others = {key: each for key, each in system.hues.items() if key != hue.id}
            change["order"] = behind_its_kind(others, self.kind)
        return with_hue(system, hue.model_copy(update=change))

    def sentence(self, system: ColorSystem) -> str:
        return f"Sort {hue_of(system, self.hue).name} as {self.status or self.kind}"


class SetHueNote(EditBase):
    """Say where a hue comes from and why it is there."""

    type: Literal["set_hue_note"] = "set_hue_note"
    blames: ClassVar[str] = "hue"
    hue: Id
    note: Note

    def change(self, system: ColorSystem) -> ColorSystem:
        return with_hue(system, hue_of(system, self.hue).model_copy(update={"note": self.note}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Note on {hue_of(system, self.hue).name}"


class MoveHue(MoveOne):
    """Put a hue before another one, or behind all."""

    type: Literal["move_hue"] = "move_hue"
    blames: ClassVar[str] = "hue"
    hue: Id
    before: Id | None
    collection: ClassVar[Collection] = HUES


class SetAnchor(EditBase):
    """Choose where the hue's own color stands in its scale."""

    type: Literal["set_anchor"] = "set_anchor"
    blames: ClassVar[str] = "anchor"
    hue: Id
    anchor: Anchor

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        anchor = self.anchor
        if anchor.mode == "label" and (
            anchor.step is None or ladder_of(system, hue).index(anchor.step) is None
        ):
            raise DomainError("Choose one of the labels of the ladder.", "anchor.step", "missing")
        kept = anchor if anchor.mode == "label" else Anchor(mode=anchor.mode)
        return with_hue(system, hue.model_copy(update={"anchor": kept}))

    def sentence(self, system: ColorSystem) -> str:
        hue = hue_of(system, self.hue)
        if self.anchor.mode == "guide":
            return f"Let {hue.name} guide its scale without a step of its own"
        if self.anchor.mode == "nearest":
            return f"Anchor {hue.name} at the nearest label"
        place = ladder_of(system, hue).index(self.anchor.step or "")
        return f"Anchor {hue.name} at {ladder_of(system, hue).labels()[place] if place is not None else 'a label'}"

    def reads(self) -> set[Path]:
        return {("ladder",)} if self.anchor.mode == "label" else set()


class PinStep(EditBase):
    """Keep an exact color at a step; without a color, take pin and nudge away and go back to what is generated."""

    type: Literal["pin_step"] = "pin_step"
    blames: ClassVar[str] = "step"
    hue: Id
    step: StepId
    color: ColorInput | None

    def change(self, system: ColorSystem) -> ColorSystem:
        hue, _ = step_of(system, self.hue, self.step)
        pins = {step: color for step, color in hue.pins.items() if step != self.step}
        nudges = {step: nudge for step, nudge in hue.nudges.items() if step != self.step}
        if self.color is not None:
            pins[self.step] = opaque(self.color, "color")
        return with_hue(system, hue.model_copy(update={"pins": pins, "nudges": nudges}))

    def sentence(self, system: ColorSystem) -> str:
        hue, place = step_of(system, self.hue, self.step)
        name = f"{hue.name} {ladder_of(system, hue).steps[place].label}"
        return f"Pin {name}" if self.color else f"Back to the generated {name}"

    def reads(self) -> set[Path]:
        return {("ladder",)}
