"""Edits of how many colors there may be, and of named selections of them."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.hues import StepRef
from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import check_part, css_name
from heimat.core.document.order import behind
from heimat.core.document.part import Name, Note
from heimat.core.document.selections import MOST_COLORS, NamedSelection
from heimat.core.document.system import MOST_SELECTIONS, ColorSystem
from heimat.core.edits.base import EditBase, Path, step_of
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.errors import DomainError

LONGEST_SELECTION = 40
"""Characters: files are called after selections."""


class SetCap(EditBase):
    """Set how many colors the system may publish at most; without a number, as many as there are."""

    type: Literal["set_cap"] = "set_cap"
    cap: Annotated[int | None, Field(ge=1, le=MOST_COLORS)]

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(update={"cap": self.cap})

    def sentence(self, system: ColorSystem) -> str:
        return f"Publish at most {self.cap} colors" if self.cap else "Publish any number of colors"


_SELECTIONS = Collection("selections", "selection", "selection")


class KeepSelection(EditBase):
    """Keep steps as a selection under a name; one of the same name gets these steps instead of its own."""

    type: Literal["keep_selection"] = "keep_selection"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    steps: Annotated[tuple[StepRef, ...], Field(max_length=MOST_COLORS)]
    note: Note = ""

    def change(self, system: ColorSystem) -> ColorSystem:
        name = self.name.strip()
        check_part(name, "name", "selection")
        if len(name) > LONGEST_SELECTION:
            words = f"The name of a selection has at most {LONGEST_SELECTION} characters; this one has {len(name)}."
            raise DomainError(words, "name", "too_long")
        if not self.steps:
            raise DomainError("Choose steps on the sheet first.", "steps", "empty")
        for ref in self.steps:
            step_of(system, ref.hue, ref.step)
        same = self._same(system)
        if same is None and self.id in system.selections:
            raise DomainError("A selection with this id is there already.", "id", "taken")
        if same is None and len(system.selections) >= MOST_SELECTIONS:
            raise DomainError(
                f"A system keeps at most {MOST_SELECTIONS} selections.", "selections", "limit"
            )
        kept = NamedSelection(
            id=same.id if same else self.id,
            order=same.order if same else behind(system.selections)[0],
            name=name,
            steps=tuple(dict.fromkeys(self.steps)),
            note=self.note,
        )
        return system.model_copy(update={"selections": {**system.selections, kept.id: kept}})

    def _same(self, system: ColorSystem) -> NamedSelection | None:
        """The selection whose files would have the same name."""
        wanted = css_name(self.name.strip()).casefold()
        return next(
            (
                kept
                for kept in system.selections.values()
                if css_name(kept.name).casefold() == wanted
            ),
            None,
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Keep {len(self.steps)} colors as {self.name.strip()}"

    def reads(self) -> set[Path]:
        return {("ladder",)}


class RemoveSelection(RemoveOne):
    """Remove a named selection; its steps stay as they are."""

    type: Literal["remove_selection"] = "remove_selection"
    selection: Id
    collection: ClassVar[Collection] = _SELECTIONS
