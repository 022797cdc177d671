"""Edits of ordered stops: colors of a picture's area, kept for chart palettes."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.color.color_text import ColorInput
from heimat.core.color.naming import unique_name
from heimat.core.document.candidates import Stops
from heimat.core.document.ids import Id, new_id
from heimat.core.document.order import behind
from heimat.core.document.part import Name, Note
from heimat.core.document.system import MOST_STOP_ROWS, ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.edits.source_edits import opaque
from heimat.core.errors import DomainError
from heimat.core.pictures.stops import MOST_STOPS

_STOPS = Collection(
    "stops", "stops", "stops", article="some", gone="Those stops are not there any more."
)


class KeepStops(EditBase):
    """Keep ordered stops under a name; a name that is taken, or none, gets a number."""

    type: Literal["keep_stops"] = "keep_stops"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    colors: Annotated[tuple[ColorInput, ...], Field(min_length=2, max_length=MOST_STOPS)]
    difference: Annotated[float, Field(ge=0.0, le=100.0)]
    note: Note = ""

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.id in system.stops:
            raise DomainError("Stops with this id are there already.", "id", "taken")
        if len(system.stops) >= MOST_STOP_ROWS:
            raise DomainError(
                f"A system keeps at most {MOST_STOP_ROWS} rows of stops.", "stops", "limit"
            )
        kept = Stops(
            id=self.id,
            order=behind(system.stops)[0],
            name=unique_name(
                self.name.strip() or "stops", (stops.name for stops in system.stops.values())
            ),
            colors=tuple(opaque(color, "colors") for color in self.colors),
            difference=self.difference,
            note=self.note,
        )
        return system.model_copy(update={"stops": {**system.stops, kept.id: kept}})

    def sentence(self, system: ColorSystem) -> str:
        return f"Keep {len(self.colors)} stops as {self.name.strip() or 'stops'}"


class RemoveStops(RemoveOne):
    """Remove ordered stops."""

    type: Literal["remove_stops"] = "remove_stops"
    stops: Id
    collection: ClassVar[Collection] = _STOPS
