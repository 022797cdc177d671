"""What requests of Sources carry: texts to read, areas that start from colors, pictures, the gallery."""

from typing import Annotated

from pydantic import Field
from typing_extensions import TypedDict

from heimat.api.bodies import Body, Seeing
from heimat.core.color.notation import ColorInput, Notation, rgb8_of
from heimat.core.edits import UserEdit
from heimat.core.pictures.area import MOST_AREAS, Area
from heimat.core.pictures.main_colors import FEWEST, MOST, USUAL, Wanted
from heimat.core.pictures.stops import USUAL_DIFFERENCE
from heimat.core.sources import even, mixing
from heimat.core.sources.harmony import Relation
from heimat.core.system import Circle, Status
from heimat.service.area_types import MainColorView, PlanRowView


class Showing(Seeing):
    """How colors are shown: through which eyes, in which notation."""

    notation: Notation = "hex"


class ReadingFrom(Showing):
    """Where a text to read comes from: the name of its file, if it was one, and the system it is read for."""

    name: Annotated[str, Field(max_length=200)] = ""
    system: Annotated[str | None, Field(max_length=80)] = None


class SetTextBody(Seeing):
    """The text of a set, edited."""

    text: Annotated[str, Field(max_length=100_000)]


class HarmonyBody(Showing):
    """Given colors, the source first, and the relation wanted of it; `placed` are angles from it, for `free`."""

    given: Annotated[list[ColorInput], Field(min_length=1, max_length=12)]
    relation: Relation = "complementary"
    circle: Circle = "oklch"
    spread: Annotated[float | None, Field(ge=1.0, le=120.0)] = None
    placed: Annotated[list[Annotated[float, Field(ge=-720.0, le=720.0)]], Field(max_length=11)] = []


class EvenBody(Showing):
    """A start color, how many hues, and what is equal among them."""

    start: ColorInput
    count: Annotated[int, Field(ge=even.FEWEST, le=even.MOST)] = 6
    space: even.EvenIn = "oklch"
    lightness: Annotated[float | None, Field(ge=0.0, le=100.0)] = None
    strength: Annotated[float | None, Field(ge=0.0, le=100.0)] = None


class MixBody(Seeing):
    """Two colors, and how many between them."""

    one: ColorInput
    other: ColorInput
    count: Annotated[int, Field(ge=mixing.FEWEST, le=mixing.MOST)] = 3


class StatusBody(Showing):
    """The brand's colors, the status colors that there are, and those of them that are held."""

    brand: Annotated[list[ColorInput], Field(max_length=40)] = []
    present: dict[Status, ColorInput] = {}
    held: Annotated[list[Status], Field(max_length=4)] = []


class AreaBody(Body):
    """A rectangle in a picture's own pixels."""

    x: Annotated[int, Field(ge=-100_000, le=100_000)]
    y: Annotated[int, Field(ge=-100_000, le=100_000)]
    width: Annotated[int, Field(ge=1, le=100_000)]
    height: Annotated[int, Field(ge=1, le=100_000)]

    def area(self) -> Area:
        """The area."""
        return Area(self.x, self.y, self.width, self.height)


class MainColorsBody(Showing):
    """What is wanted of a picture's main colors."""

    count: Annotated[int, Field(ge=FEWEST, le=MOST)] = USUAL
    strength: Annotated[float, Field(ge=0.0, le=1.0)] = 0.5
    span: Annotated[float, Field(ge=0.0, le=1.0)] = 0.5
    without: Annotated[list[AreaBody], Field(max_length=MOST_AREAS)] = []
    without_colors: Annotated[list[ColorInput], Field(max_length=MOST)] = []

    def wanted(self) -> Wanted:
        """What is wanted."""
        colors = tuple((int(r), int(g), int(b)) for r, g, b in (rgb8_of(color) for color in self.without_colors))
        return Wanted(self.count, self.strength, self.span, tuple(area.area() for area in self.without), colors)


class RegionBody(MainColorsBody):
    """One of the main colors, by its place: everything but its region is dimmed."""

    chosen: Annotated[int, Field(ge=0, lt=MOST)]


class SampleAt(Showing):
    """A point in a picture's own pixels, and the radius to average over."""

    x: Annotated[int, Field(ge=-1, le=100_000)]
    y: Annotated[int, Field(ge=-1, le=100_000)]
    radius: Annotated[int, Field(ge=0, le=1000)] = 0


class StopsBody(Seeing):
    """An area, and the difference that its stops may have from its colors."""

    area: AreaBody
    difference: Annotated[float, Field(ge=0.0, le=100.0)] = USUAL_DIFFERENCE


class SaveColor(Body):
    """A color of a set to save."""

    name: Annotated[str, Field(max_length=80)] = ""
    color: ColorInput


class SaveSetBody(Body):
    """A set to save in the gallery."""

    name: Annotated[str, Field(max_length=400)]
    words: Annotated[str, Field(max_length=4000)] = ""
    colors: Annotated[list[SaveColor], Field(max_length=400)]


class GallerySearch(Seeing):
    """Words to look for in the gallery, or a color to find the like of."""

    text: Annotated[str, Field(max_length=200)] = ""


class SetTextView(TypedDict):
    """A set as text."""

    text: str


class SetPlanView(TypedDict):
    """What reading a set's text back would do, and the edits that do it."""

    rows: list[PlanRowView]
    edits: list[UserEdit]


class MainColorsView(TypedDict):
    """A picture's main colors."""

    colors: list[MainColorView]
