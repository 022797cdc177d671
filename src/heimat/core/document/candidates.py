"""What waits beside the set: candidates, and ordered stops that were fitted to a picture."""

from typing import Annotated

from pydantic import Field

from heimat.core.color.exact_color import Color
from heimat.core.document.hues import HueKind
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Note, Part
from heimat.core.pictures.stops import MOST_STOPS
from heimat.core.sources.conventions import Status


class Candidate(Part):
    """A color that waits beside the set until it joins as a hue, or goes."""

    id: Id
    order: OrderKey
    name: Name
    kind: HueKind
    status: Status | None = None
    color: Color
    note: Note = ""


class Stops(Part):
    """Ordered colors that stand for an area of a picture along its lightness, within a CIEDE2000 difference."""

    id: Id
    order: OrderKey
    name: Name
    colors: Annotated[tuple[Color, ...], Field(min_length=2, max_length=MOST_STOPS)]
    difference: Annotated[float, Field(ge=0.0, le=100.0)]
    note: Note = ""
