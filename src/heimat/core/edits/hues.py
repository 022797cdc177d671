"""Edits of hues: which there are, what they are called, where they stand."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.color.notation import Color, ColorInput
from heimat.core.colors_of import source_color
from heimat.core.edits.base import EditBase, Path, hue_of, with_hue
from heimat.core.edits.sources import given, opaque
from heimat.core.errors import DomainError
from heimat.core.ids import Id, key_between, keys, new_id
from heimat.core.scales.anchors import Anchor
from heimat.core.sources.naming import plain_name, unique_name
from heimat.core.system import (
    MOST_HUES,
    ColorSystem,
    Hue,
    HueKind,
    LiteralColor,
    Part,
    Status,
    StepAlias,
    TintedSource,
    in_order,
    ladder_of,
)
from heimat.core.tokens.names import check_hue_name


class NewHue(Part):
    """A hue to add; without a name it gets a plain one that is free."""

    id: Annotated[Id, Field(default_factory=new_id)]
    name: str = ""
    kind: HueKind = "brand"
    status: Status | None = None
    color: ColorInput
    note: Annotated[str, Field(max_length=400)] = ""


class AddHues(EditBase):
    """Add hues behind the others, all at once."""

    type: Literal["add_hues"] = "add_hues"
    hues: Annotated[tuple[NewHue, ...], Field(min_length=1, max_length=MOST_HUES)]

    def change(self, system: ColorSystem) -> ColorSystem:
        hues = dict(system.hues)
        last = max((hue.order for hue in hues.values()), default=None)
        for place, (new, order) in enumerate(zip(self.hues, keys(len(self.hues), last), strict=True)):
            if new.id in hues:
                raise DomainError("A hue with this id is there already.", f"hues.{place}.id", "taken")
            name = new.name or unique_name(plain_name(new.color), (hue.name for hue in hues.values()))
            check_hue_name(name, f"hues.{place}.name")
            source, recall = given(opaque(new.color, f"hues.{place}.color"), None)
            hues[new.id] = Hue(
                id=new.id,
                order=order,
                name=name,
                kind=new.kind,
                status=new.status,
                source=source,
                recall=recall,
                note=new.note,
            )
        return system.model_copy(update={"hues": hues})

    def sentence(self, system: ColorSystem) -> str:
        names = ", ".join(new.name or plain_name(new.color) for new in self.hues[:4])
        return f"Add {names}" + (f" and {len(self.hues) - 4} more" if len(self.hues) > 4 else "")


class RemoveHue(EditBase):
    """Remove a hue. What stands on it keeps its present color: tokens as literals, neutrals tinted by it as given."""

    type: Literal["remove_hue"] = "remove_hue"
    hue: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        # Imported here: the colors of steps are only needed for this one edit, and resolving stands above edits.
        from heimat.core.scaling import scales_of

        hue = hue_of(system, self.hue)
        steps = scales_of(system, [hue])[0].rgb8
        ladder = ladder_of(system, hue)
        tokens = dict(system.tokens)
        for token in system.tokens.values():
            for theme, value in token.values.items():
                if isinstance(value, StepAlias) and value.hue == hue.id:
                    place = ladder.index(value.step)
                    kept = LiteralColor(color=Color.of_bytes(steps[place or 0]))
                    tokens[token.id] = tokens[token.id].model_copy(
                        update={"values": {**tokens[token.id].values, theme: kept}}
                    )
        hues = {key: other for key, other in system.hues.items() if key != hue.id}
        for other in hues.values():
            if isinstance(other.source, TintedSource) and other.source.hue == hue.id:
                source, recall = given(source_color(system, other), other.recall)
                hues[other.id] = other.model_copy(update={"source": source, "recall": recall})
        return system.model_copy(update={"hues": hues, "tokens": tokens})

    def sentence(self, system: ColorSystem) -> str:
        return f"Remove {hue_of(system, self.hue).name}"


class RenameHue(EditBase):
    """Give a hue another name; what refers to it follows."""

    type: Literal["rename_hue"] = "rename_hue"
    hue: Id
    name: str

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        check_hue_name(self.name, "name")
        return with_hue(system, hue.model_copy(update={"name": self.name}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Rename {hue_of(system, self.hue).name} to {self.name}"


class SetHueKind(EditBase):
    """Sort a hue: brand, accent, neutral, or status with what it says."""

    type: Literal["set_hue_kind"] = "set_hue_kind"
    hue: Id
    kind: HueKind
    status: Status | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        status = self.status if self.kind == "status" else None
        return with_hue(system, hue_of(system, self.hue).model_copy(update={"kind": self.kind, "status": status}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Sort {hue_of(system, self.hue).name} as {self.status or self.kind}"


class SetHueNote(EditBase):
    """Say where a hue comes from and why it is there."""

    type: Literal["set_hue_note"] = "set_hue_note"
    hue: Id
    note: Annotated[str, Field(max_length=400)]

    def change(self, system: ColorSystem) -> ColorSystem:
        return with_hue(system, hue_of(system, self.hue).model_copy(update={"note": self.note}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Note on {hue_of(system, self.hue).name}"


class MoveHue(EditBase):
    """Put a hue before another one, or behind all."""

    type: Literal["move_hue"] = "move_hue"
    hue: Id
    before: Id | None

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        others = [other for other in in_order(system.hues) if other.id != hue.id]
        if self.before is None:
            order = key_between(others[-1].order if others else None, None)
        else:
            place = others.index(hue_of(system, self.before, "before")) if self.before != hue.id else None
            if place is None:
                return system
            order = key_between(others[place - 1].order if place else None, others[place].order)
        return with_hue(system, hue.model_copy(update={"order": order}))

    def sentence(self, system: ColorSystem) -> str:
        where = f"before {hue_of(system, self.before, 'before').name}" if self.before else "behind all"
        return f"Move {hue_of(system, self.hue).name} {where}"

    def reads(self) -> set[Path]:
        return {("hues", self.before, "order")} if self.before else set()


class SetAnchor(EditBase):
    """Choose where the hue's own color stands in its scale."""

    type: Literal["set_anchor"] = "set_anchor"
    hue: Id
    anchor: Anchor

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        anchor = self.anchor
        if anchor.mode == "label" and (anchor.step is None or ladder_of(system, hue).index(anchor.step) is None):
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
    """Keep an exact color at a step; without a color, take the pin away and go back to what is generated."""

    type: Literal["pin_step"] = "pin_step"
    hue: Id
    step: Annotated[str, Field(max_length=24)]
    color: ColorInput | None

    def change(self, system: ColorSystem) -> ColorSystem:
        hue = hue_of(system, self.hue)
        if ladder_of(system, hue).index(self.step) is None:
            raise DomainError(f"{hue.name} has no such step.", "step", "missing")
        pins = {step: color for step, color in hue.pins.items() if step != self.step}
        if self.color is not None:
            pins[self.step] = opaque(self.color, "color")
        return with_hue(system, hue.model_copy(update={"pins": pins}))

    def sentence(self, system: ColorSystem) -> str:
        hue = hue_of(system, self.hue)
        place = ladder_of(system, hue).index(self.step)
        name = f"{hue.name} {ladder_of(system, hue).labels()[place]}" if place is not None else hue.name
        return f"Pin {name}" if self.color else f"Back to the generated {name}"

    def reads(self) -> set[Path]:
        return {("ladder",)}
